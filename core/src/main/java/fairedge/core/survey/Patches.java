package fairedge.core.survey;

import fairedge.core.flow.Unions;
import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;

/**
 * Flat patches: faces joined across edges with two faces that turn by under the profile's angle (10
 * degrees). Cost: the edges.
 */
public final class Patches {
  private final Unions joined;
  private final double[] newell;

  private Patches(Unions joined, double[] newell) {
    this.joined = joined;
    this.newell = newell;
  }

  static Patches of(Subject subject) {
    Mesh mesh = subject.mesh();
    double angle = subject.threshold(Threshold.FLAT_PATCH);
    Unions joined = new Unions(mesh.faceEnd());
    for (int e = 0; e < mesh.edgeEnd(); e++) {
      if (subject.topology().uses(e) == 2 && subject.hardEdges().turnAt(e) < angle) {
        int c = mesh.cornerOn(e);
        joined.join(mesh.faceOf(c), mesh.faceOf(mesh.nextOnEdge(c)));
      }
    }
    double[] newell = new double[3 * mesh.faceEnd()];
    for (int f = 0; f < mesh.faceEnd(); f++) {
      if (mesh.hasFace(f) && subject.shapes().hasFront(f)) {
        Vec3 own = subject.shapes().newell(f);
        int at = 3 * joined.rootOf(f);
        newell[at] += own.x();
        newell[at + 1] += own.y();
        newell[at + 2] += own.z();
      }
    }
    return new Patches(joined, newell);
  }

  /** The lowest face of the patch that a face is in. */
  public int of(int f) {
    return joined.rootOf(f);
  }

  /** The front of the patch that a face is in: the sum of its faces' Newell vectors. */
  public Vec3 front(int f) {
    int at = 3 * joined.rootOf(f);
    return new Vec3(newell[at], newell[at + 1], newell[at + 2]);
  }
}
