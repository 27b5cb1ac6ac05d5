package fairedge.core.inspect;

import fairedge.core.mesh.Mesh;
import java.util.Map;
import java.util.TreeMap;

/**
 * Counts of the whole mesh.
 *
 * @param bySides how many faces have how many sides
 * @param borderEdges edges with one use
 */
public record Figures(
    int vertices,
    int edges,
    int faces,
    int corners,
    int triangles,
    int quads,
    int ngons,
    int borderEdges,
    Map<Integer, Integer> bySides) {

  static Figures of(Mesh mesh) {
    Map<Integer, Integer> bySides = new TreeMap<>();
    int corners = 0;
    for (int f = 0; f < mesh.faceEnd(); f++) {
      if (mesh.hasFace(f)) {
        bySides.merge(mesh.size(f), 1, Integer::sum);
        corners += mesh.size(f);
      }
    }
    int border = 0;
    for (int e = 0; e < mesh.edgeEnd(); e++) {
      if (mesh.hasEdge(e) && mesh.uses(e) == 1) {
        border++;
      }
    }
    int triangles = bySides.getOrDefault(3, 0);
    int quads = bySides.getOrDefault(4, 0);
    return new Figures(
        mesh.vertexCount(),
        mesh.edgeCount(),
        mesh.faceCount(),
        corners,
        triangles,
        quads,
        mesh.faceCount() - triangles - quads,
        border,
        bySides);
  }
}
