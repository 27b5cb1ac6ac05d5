package fairedge.core.cut;

import fairedge.core.local.MeshEdit;
import fairedge.core.mesh.Mesh;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * Puts several vertices into edges at once: requests name places on the edges as they are now, and
 * equal requests share a vertex. Cost: the requests and the uses of their edges.
 */
final class EdgeSplitter {
  private final MeshEdit edit;
  private final Mesh mesh;
  private final double merge;
  private final List<Node.OnEdge> requests = new ArrayList<>();
  private final Map<Node.OnEdge, Integer> made = new HashMap<>();

  /**
   * @param merge requests on one edge this near to each other share a vertex
   */
  EdgeSplitter(MeshEdit edit, double merge) {
    this.edit = edit;
    this.merge = merge;
    this.mesh = edit.mesh();
  }

  Node.OnEdge request(int edge, double t) {
    Node.OnEdge node = new Node.OnEdge(edge, t, mesh.along(edge, t));
    request(node);
    return node;
  }

  void request(Node.OnEdge node) {
    requests.add(node);
  }

  /**
   * Splits all: edge by edge in order of first request, from the far end to the near one, so that
   * an edge keeps its id at its first vertex and the fractions of the rest stay true.
   */
  void splitAll() {
    Map<Integer, List<Node.OnEdge>> byEdge = new LinkedHashMap<>();
    for (Node.OnEdge node : requests) {
      byEdge.computeIfAbsent(node.edge(), e -> new ArrayList<>()).add(node);
    }
    for (List<Node.OnEdge> onOne : byEdge.values()) {
      onOne.sort(Comparator.comparingDouble(Node.OnEdge::t).reversed());
      splitOne(onOne);
    }
    requests.clear();
  }

  private void splitOne(List<Node.OnEdge> fromFarToNear) {
    Node.OnEdge last = null;
    for (Node.OnEdge node : fromFarToNear) {
      if (last != null && last.at().distance(node.at()) <= merge) {
        made.put(node, vertexAt(last));
      } else {
        made.put(node, edit.splitEdge(node.edge(), node.at()));
        last = node;
      }
    }
  }

  int vertexAt(Node.OnEdge node) {
    Integer v = made.get(node);
    if (v == null) {
      throw new IllegalStateException("no vertex was put at " + node);
    }
    return v;
  }
}
