package fairedge.json;

import fairedge.core.mesh.Mesh;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.IntNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * In a change, an edge may be named by its two vertices, {@code "edge": [3, 7]}, where its id is
 * not known.
 */
public final class ChangeNames {
  private ChangeNames() {}

  /**
   * The change with every edge by its id in the mesh as it is.
   *
   * @throws IllegalArgumentException if no edge joins two vertices that are named
   */
  public static JsonNode resolved(JsonNode change, Mesh mesh) {
    JsonNode copy = change.deepCopy();
    resolve(copy, mesh);
    return copy;
  }

  private static void resolve(JsonNode node, Mesh mesh) {
    if (node instanceof ObjectNode object && object.get("edge") instanceof ArrayNode ends) {
      object.set("edge", IntNode.valueOf(edgeBetween(ends, mesh)));
    }
    node.forEach(child -> resolve(child, mesh));
  }

  private static int edgeBetween(ArrayNode ends, Mesh mesh) {
    boolean pair = ends.size() == 2 && ends.get(0).isInt() && ends.get(1).isInt();
    if (!pair) {
      throw new IllegalArgumentException("an edge is an id or a pair of vertex ids, not " + ends);
    }
    int a = ends.get(0).intValue();
    int b = ends.get(1).intValue();
    boolean there = mesh.hasVertex(a) && mesh.hasVertex(b);
    int edge = there ? mesh.findEdge(a, b) : Mesh.NONE;
    if (edge == Mesh.NONE) {
      throw new IllegalArgumentException("no edge joins vertices " + a + " and " + b);
    }
    return edge;
  }
}
