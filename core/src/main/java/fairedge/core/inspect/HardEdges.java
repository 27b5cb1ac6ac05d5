package fairedge.core.inspect;

import fairedge.core.mesh.Mesh;

/**
 * Hard edges: two-sided, turning by more than the profile's angle (30 degrees), and at least twice
 * as much as each of the parallel neighbours in the ring, so that a round form of eight sides is
 * not hard all round. A neighbour beyond a face that is no quad does not count.
 */
final class HardEdges {
  private HardEdges() {}

  /** Whether a hard edge ends at v. */
  static boolean meet(Subject subject, int v) {
    for (int e : subject.mesh().edgesAt(v)) {
      if (isHard(subject, e)) {
        return true;
      }
    }
    return false;
  }

  static boolean isHard(Subject subject, int e) {
    double turn = turnAt(subject, e);
    if (!(turn > subject.thresholds().hardEdge())) {
      return false;
    }
    Mesh mesh = subject.mesh();
    int c = mesh.cornerOn(e);
    return standsOut(subject, turn, c) && standsOut(subject, turn, mesh.nextOnEdge(c));
  }

  private static boolean standsOut(Subject subject, double turn, int c) {
    Mesh mesh = subject.mesh();
    if (mesh.size(mesh.faceOf(c)) != 4) {
      return true;
    }
    double beside = turnAt(subject, mesh.edgeOf(mesh.next(mesh.next(c))));
    return Double.isNaN(beside) || turn >= 2 * beside;
  }

  /** Angle between the normals of the two faces at e; NaN where there are not two to measure. */
  private static double turnAt(Subject subject, int e) {
    Mesh mesh = subject.mesh();
    if (subject.topology().uses(e) != 2) {
      return Double.NaN;
    }
    int c = mesh.cornerOn(e);
    int f = mesh.faceOf(c);
    int g = mesh.faceOf(mesh.nextOnEdge(c));
    if (!mesh.isMeasurable(f) || !mesh.isMeasurable(g)) {
      return Double.NaN;
    }
    double angle = mesh.polygon(f).newell().angleTo(mesh.polygon(g).newell());
    return subject.topology().isInconsistent(e) ? 180 - angle : angle;
  }
}
