package fairedge.core.survey;

import fairedge.core.mesh.IdSet;
import fairedge.core.mesh.Mesh;

/**
 * What a change touched and what hangs at it: the faces; the edges, and all sides of these faces;
 * the vertices, and all ends of these edges and corners of these faces. Also what is gone. By id.
 */
public record Closure(int[] vertices, int[] edges, int[] faces) {

  static Closure of(Mesh mesh, Moves.Touched touched) {
    IdSet vertices = IdSet.of(touched.vertices());
    IdSet edges = IdSet.of(touched.edges());
    int[] faces = touched.faces();
    for (int f : faces) {
      if (!mesh.hasFace(f)) {
        continue;
      }
      int c = mesh.firstCorner(f);
      for (int i = mesh.size(f); i > 0; i--) {
        edges.add(mesh.edgeOf(c));
        c = mesh.next(c);
      }
    }
    int[] edgeIds = edges.sorted();
    for (int e : edgeIds) {
      if (mesh.hasEdge(e)) {
        vertices.add(mesh.first(e));
        vertices.add(mesh.second(e));
      }
    }
    return new Closure(vertices.sorted(), edgeIds, faces);
  }
}
