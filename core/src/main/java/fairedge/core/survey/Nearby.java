package fairedge.core.survey;

import fairedge.core.mesh.IdSet;
import fairedge.core.mesh.Mesh;
import java.util.BitSet;

/**
 * What findings that are told by places alone are to look at anew: they are known from before, pair
 * by pair, and go only where an end of the pair was touched.
 *
 * @param known from before
 * @param vertices whose place may be another: those touched and those of touched faces
 * @param edges that may lie elsewhere or have got a face: those touched and those of touched faces
 * @param faces those touched
 * @param nearFaces those near to what was touched, by id
 */
public record Nearby(Gathered known, IdSet vertices, IdSet edges, IdSet faces, int[] nearFaces) {

  /**
   * @param near to what was touched: faces
   * @param touched since what is known, with what hangs at it
   */
  static Nearby of(Gathered known, BitSet near, Closure touched) {
    return new Nearby(
        known,
        IdSet.of(touched.vertices()),
        IdSet.of(touched.edges()),
        IdSet.of(touched.faces()),
        IdSet.idsOf(near));
  }

  /** Every vertex that is worth asking: of the faces near, by id. */
  public int[] verticesNear(Mesh mesh) {
    IdSet near = new IdSet();
    for (int f : nearFaces) {
      if (mesh.hasFace(f)) {
        near.addAll(mesh.vertices(f));
      }
    }
    return near.sorted();
  }

  public int[] edgesNear(Mesh mesh) {
    IdSet near = new IdSet();
    for (int f : nearFaces) {
      if (mesh.hasFace(f)) {
        near.addAll(mesh.edges(f));
      }
    }
    return near.sorted();
  }
}
