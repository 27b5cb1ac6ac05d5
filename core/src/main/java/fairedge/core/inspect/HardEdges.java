package fairedge.core.inspect;

import fairedge.core.flow.Topology;
import fairedge.core.mesh.Mesh;

/**
 * Hard edges: two-sided, turning by more than the profile's angle (30 degrees), and at least twice
 * as much as each of the parallel neighbours in the ring, so that a round form of eight sides is
 * not hard all round. A neighbour beyond a face that is no quad does not count. Cost: constant for
 * each question.
 */
final class HardEdges {
  private final Mesh mesh;
  private final Topology topology;
  private final FaceShapes shapes;
  private final double angle;

  /**
   * @param angle by more than which a hard edge turns, degrees
   */
  HardEdges(Topology topology, FaceShapes shapes, double angle) {
    this.mesh = topology.mesh();
    this.topology = topology;
    this.shapes = shapes;
    this.angle = angle;
  }

  /** Whether a hard edge ends at v. */
  boolean meet(int v) {
    for (int e : mesh.edgesAt(v)) {
      if (isHard(e)) {
        return true;
      }
    }
    return false;
  }

  boolean isHard(int e) {
    double turn = turnAt(e);
    if (!(turn > angle)) {
      return false;
    }
    int c = mesh.cornerOn(e);
    return standsOut(turn, c) && standsOut(turn, mesh.nextOnEdge(c));
  }

  private boolean standsOut(double turn, int c) {
    if (mesh.size(mesh.faceOf(c)) != 4) {
      return true;
    }
    double beside = turnAt(mesh.edgeOf(mesh.next(mesh.next(c))));
    return Double.isNaN(beside) || turn >= 2 * beside;
  }

  /** By how much the surface turns at e; not a number where there are not two faces to measure. */
  double turnAt(int e) {
    return topology.uses(e) == 2 ? shapes.turnAt(mesh, e) : Double.NaN;
  }
}
