package fairedge.core.inspect;

import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.MeshBuilder;
import java.util.Arrays;
import java.util.BitSet;

/**
 * The faces of a mesh that have a vertex of a given set, as a mesh of their own: so much of it as
 * decides how those vertices, and what lies between them, come to lie when it is subdivided.
 *
 * @param vertexOf of each vertex of the mesh that of the excerpt, or {@link Mesh#NONE}
 * @param faceOf of each face of the mesh that of the excerpt, or {@link Mesh#NONE}
 */
record Excerpt(Mesh mesh, int[] vertexOf, int[] faceOf) {
  /** Cost: the mesh's elements, lightly; the faces taken, fully. */
  static Excerpt around(Mesh mesh, BitSet vertices) {
    int[] vertexOf = new int[mesh.vertexEnd()];
    int[] faceOf = new int[mesh.faceEnd()];
    Arrays.fill(vertexOf, Mesh.NONE);
    Arrays.fill(faceOf, Mesh.NONE);
    BitSet faces = new BitSet();
    vertices.stream()
        .forEach(v -> {
          for (int f : mesh.facesAt(v)) {
            faces.set(f);
          }
        });
    MeshBuilder builder = new MeshBuilder();
    for (int f = faces.nextSetBit(0); f >= 0; f = faces.nextSetBit(f + 1)) {
      if (!mesh.isMeasurable(f)) {
        continue;
      }
      int[] corners = mesh.vertices(f);
      for (int i = 0; i < corners.length; i++) {
        int v = corners[i];
        vertexOf[v] = vertexOf[v] == Mesh.NONE ? builder.vertex(mesh.position(v)) : vertexOf[v];
        corners[i] = vertexOf[v];
      }
      faceOf[f] = builder.face(corners);
    }
    return new Excerpt(builder.build(), vertexOf, faceOf);
  }
}
