package fairedge.core.survey;

import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.MeshBuilder;
import java.util.Arrays;
import java.util.BitSet;

/**
 * The faces of a mesh that have a vertex of a given set, as a mesh of their own: so much of it as
 * decides how those vertices, and what lies between them, come to lie when it is subdivided.
 */
public final class Excerpt {
  private final Mesh mesh;

  /** Of each vertex and face of the excerpt that of the whole, by id. */
  private final int[] vertices;

  private final int[] faces;

  /** Cost: the faces taken. */
  public Excerpt(Mesh whole, BitSet around) {
    BitSet taken = new BitSet();
    around.stream()
        .forEach(v -> {
          for (int f : whole.facesAt(v)) {
            taken.set(f, whole.isMeasurable(f));
          }
        });
    faces = taken.stream().toArray();
    BitSet corners = new BitSet();
    for (int f : faces) {
      for (int v : whole.vertices(f)) {
        corners.set(v);
      }
    }
    vertices = corners.stream().toArray();
    MeshBuilder builder = new MeshBuilder();
    for (int v : vertices) {
      builder.vertex(whole.position(v));
    }
    for (int f : faces) {
      builder.face(Arrays.stream(whole.vertices(f)).map(this::vertexOf).toArray());
    }
    mesh = builder.build();
  }

  public Mesh mesh() {
    return mesh;
  }

  /** A vertex of the whole in the excerpt, or {@link Mesh#NONE}. */
  public int vertexOf(int v) {
    return Math.max(Mesh.NONE, Arrays.binarySearch(vertices, v));
  }

  /** A face of the whole in the excerpt, or {@link Mesh#NONE}. */
  public int faceOf(int f) {
    return Math.max(Mesh.NONE, Arrays.binarySearch(faces, f));
  }
}
