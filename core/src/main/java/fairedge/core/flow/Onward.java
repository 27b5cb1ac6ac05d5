package fairedge.core.flow;

import fairedge.core.mesh.Mesh;

/** Which edge goes straight on past a vertex, told from what hangs there; for a few edges. */
public final class Onward {
  private Onward() {}

  /**
   * The edge opposite e at v: v has four edges, all of two faces in one fan, and the edge shares no
   * face corner at v with e. {@link Mesh#NONE} if there is none. Cost: constant.
   */
  public static int from(Mesh mesh, int e, int v) {
    if (!mesh.isTwoSided(e)) {
      return Mesh.NONE;
    }
    int[] edges = mesh.edgesAt(v);
    if (edges.length != 4) {
      return Mesh.NONE;
    }
    int c = mesh.firstSideOn(e);
    int one = besideAt(mesh, c, v);
    int other = besideAt(mesh, mesh.nextOnEdge(c), v);
    int found = Mesh.NONE;
    for (int at : edges) {
      if (!mesh.isTwoSided(at)) {
        return Mesh.NONE;
      }
      if (at != e && at != one && at != other) {
        found = at;
      }
    }
    return one == other ? Mesh.NONE : found;
  }

  /** The other edge at v of the face whose side leaves corner c. */
  private static int besideAt(Mesh mesh, int c, int v) {
    return mesh.vertexOf(c) == v ? mesh.edgeOf(mesh.previous(c)) : mesh.edgeOf(mesh.next(c));
  }
}
