package fairedge.core.meet;

import fairedge.core.local.Refusal;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import java.util.BitSet;

/** Whether faces bound a solid. Cost: the faces. */
final class Solids {
  private Solids() {}

  /**
   * @param which part it is, to begin a sentence with
   * @throws Refusal.Raised with the place where it is open, crowded or wound against itself, or
   *     where it is inside out
   */
  static void require(Mesh mesh, BitSet faces, String which) {
    double six = 0;
    int from = mesh.vertexOf(mesh.firstCorner(faces.nextSetBit(0)));
    for (int f = faces.nextSetBit(0); f >= 0; f = faces.nextSetBit(f + 1)) {
      int c = mesh.firstCorner(f);
      for (int i = mesh.size(f); i > 0; i--, c = mesh.next(c)) {
        requireSide(mesh, c, which);
      }
      six += six(mesh, f, from);
    }
    if (!(six > 0)) {
      throw Refusal.because(
          which + " is inside out: turn it over first. Its lines alone can be had as it is.",
          Element.face(faces.nextSetBit(0)));
    }
  }

  /** Six times the volume between a face, fanned, and a vertex. */
  private static double six(Mesh mesh, int f, int from) {
    int c = mesh.firstCorner(f);
    int a = mesh.vertexOf(c);
    double ax = mesh.x(a) - mesh.x(from);
    double ay = mesh.y(a) - mesh.y(from);
    double az = mesh.z(a) - mesh.z(from);
    double six = 0;
    c = mesh.next(c);
    for (int i = mesh.size(f); i > 2; i--, c = mesh.next(c)) {
      int b = mesh.vertexOf(c);
      int d = mesh.vertexOf(mesh.next(c));
      double bx = mesh.x(b) - mesh.x(from);
      double by = mesh.y(b) - mesh.y(from);
      double bz = mesh.z(b) - mesh.z(from);
      double dx = mesh.x(d) - mesh.x(from);
      double dy = mesh.y(d) - mesh.y(from);
      double dz = mesh.z(d) - mesh.z(from);
      six += ax * (by * dz - bz * dy) + ay * (bz * dx - bx * dz) + az * (bx * dy - by * dx);
    }
    return six;
  }

  private static void requireSide(Mesh mesh, int c, String which) {
    int e = mesh.edgeOf(c);
    if (mesh.isTwoSided(e) && mesh.vertexOf(mesh.nextOnEdge(c)) != mesh.vertexOf(c)) {
      return;
    }
    int uses = mesh.uses(e);
    String what =
        uses < 2
            ? " is open here"
            : uses > 2
                ? " has more than two faces at this edge"
                : " has faces wound against each other here";
    throw Refusal.because(
        which + what + ": only what is closed can be joined or taken away. Its lines can be had.",
        Element.edge(e));
  }
}
