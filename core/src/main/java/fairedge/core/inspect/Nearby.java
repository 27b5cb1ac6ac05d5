package fairedge.core.inspect;

import fairedge.core.mesh.IdSet;
import fairedge.core.mesh.Mesh;

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
record Nearby(Recall.Gathered known, IdSet vertices, IdSet edges, IdSet faces, int[] nearFaces) {

  /**
   * @param touched since the findings that are known, with what hangs at it
   */
  static Nearby of(Since since, Closure touched) {
    return new Nearby(
        since.recall().gathered(),
        IdSet.of(touched.vertices()),
        IdSet.of(touched.edges()),
        IdSet.of(touched.faces()),
        IdSet.idsOf(since.near()));
  }

  /** Every vertex that is worth asking: of the faces near, by id. */
  int[] verticesNear(Mesh mesh) {
    IdSet near = new IdSet();
    for (int f : nearFaces) {
      if (mesh.hasFace(f)) {
        near.addAll(mesh.vertices(f));
      }
    }
    return near.sorted();
  }

  int[] edgesNear(Mesh mesh) {
    IdSet near = new IdSet();
    for (int f : nearFaces) {
      if (mesh.hasFace(f)) {
        near.addAll(mesh.edges(f));
      }
    }
    return near.sorted();
  }
}
