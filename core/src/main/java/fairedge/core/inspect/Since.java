package fairedge.core.inspect;

import fairedge.core.mesh.ElementSet;
import fairedge.core.mesh.Mesh;
import java.util.BitSet;

/**
 * What is known of a mesh from before, and what was touched since.
 *
 * @param recall from an inspection of the same mesh
 * @param touched every element that was made, freed or altered since; every face whose corner moved
 * @param near the faces that lie near to what is touched, by {@link Inspector#room}
 */
public record Since(Recall recall, ElementSet touched, BitSet near) {

  /** The vertices whose place may be another: those touched and those of touched faces. */
  BitSet vertices(Mesh mesh) {
    BitSet vertices = (BitSet) touched.vertices().clone();
    vertices.or(corners(mesh, touched.faces()));
    return vertices;
  }

  /**
   * The edges that may lie elsewhere, or have got a face: those touched and those of touched faces.
   */
  BitSet edges(Mesh mesh) {
    BitSet edges = (BitSet) touched.edges().clone();
    edges.or(sides(mesh, touched.faces()));
    return edges;
  }

  /** Every vertex that is worth asking: of the faces near. */
  BitSet verticesNear(Mesh mesh) {
    return corners(mesh, near);
  }

  BitSet edgesNear(Mesh mesh) {
    return sides(mesh, near);
  }

  private static BitSet corners(Mesh mesh, BitSet faces) {
    BitSet vertices = new BitSet();
    faces.stream()
        .filter(mesh::hasFace)
        .forEach(f -> {
          for (int v : mesh.vertices(f)) {
            vertices.set(v);
          }
        });
    return vertices;
  }

  private static BitSet sides(Mesh mesh, BitSet faces) {
    BitSet edges = new BitSet();
    faces.stream()
        .filter(mesh::hasFace)
        .forEach(f -> {
          for (int e : mesh.edges(f)) {
            edges.set(e);
          }
        });
    return edges;
  }
}
