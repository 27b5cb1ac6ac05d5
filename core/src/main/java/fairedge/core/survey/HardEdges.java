package fairedge.core.survey;

import fairedge.core.flow.Topology;
import fairedge.core.mesh.Mesh;
import java.util.BitSet;
import java.util.function.Consumer;
import java.util.function.IntPredicate;

/**
 * Hard edges: marked by the exercise; or two-sided and
 *
 * <ol>
 *   <li>turning by over the profile's angle for edges alone (60 degrees, and a thousandth of one
 *       for the rounding of files): a bare cube has twelve; or
 *   <li>turning by more than the profile's angle (30 degrees), and at least twice as much as each
 *       of the parallel neighbours in the ring. A neighbour beyond a face that is no quad does not
 *       count.
 * </ol>
 *
 * So a round form of six sides or more is not hard all round. Cost to make: the edges; constant for
 * each question.
 */
public final class HardEdges {
  private static final double ROUNDING = 1e-3;

  private Mesh mesh;
  private final Topology topology;
  private final FaceShapes shapes;
  private final double angle;
  private final double standing;
  private final double alone;
  private final double cosine;
  private final BitSet marked;
  private final BitSet hard = new BitSet();

  /** Edges that turn by over the least angle of a hard one. */
  private final BitSet turning = new BitSet();

  /**
   * @param thresholds their angles
   * @param marked two-sided edges that are hard however they turn
   */
  HardEdges(Topology topology, FaceShapes shapes, Thresholds thresholds, BitSet marked) {
    this.mesh = topology.mesh();
    this.topology = topology;
    this.shapes = shapes;
    this.standing = thresholds.of(Threshold.HARD_EDGE);
    this.alone = thresholds.of(Threshold.HARD_ALONE) + ROUNDING;
    this.angle = Math.min(standing, alone);
    this.marked = marked;
    this.cosine = StrictMath.cos(StrictMath.toRadians(angle));
    Blocks.search(
            mesh.edgeEnd(),
            (int from, int to, Consumer<Integer> found) -> {
              for (int e = from; e < to; e++) {
                if (turns(e)) {
                  found.accept(e);
                }
              }
            })
        .forEach(turning::set);
    hard.or(marked);
    turning.stream().filter(this::isHardByAngle).forEach(hard::set);
  }

  /**
   * After a change of the mesh of which topology and shapes were told.
   *
   * @param edges that may be marked now or not any more
   */
  void mark(Mesh now, int[] edges, IntPredicate isMarked) {
    mesh = now;
    for (int e : edges) {
      marked.set(e, isMarked.test(e));
    }
  }

  /**
   * After {@link #mark}.
   *
   * @param edges that may be hard now or not any more
   */
  void update(int[] edges) {
    for (int e : edges) {
      turning.set(e, mesh.hasEdge(e) && turns(e));
      hard.set(e, mesh.hasEdge(e) && marked.get(e) || turning.get(e) && isHardByAngle(e));
    }
  }

  /** Whether a hard edge ends at v. */
  public boolean meet(int v) {
    for (int e : mesh.edgesAt(v)) {
      if (isHard(e)) {
        return true;
      }
    }
    return false;
  }

  public boolean isHard(int e) {
    return hard.get(e);
  }

  private boolean isHardByAngle(int e) {
    double turn = turnAt(e);
    int c = mesh.cornerOn(e);
    return turn > alone
        || turn > standing && standsOut(turn, c) && standsOut(turn, mesh.nextOnEdge(c));
  }

  private boolean turns(int e) {
    return topology.uses(e) == 2 && !surelyUnder(e, cosine) && turnAt(e) > angle;
  }

  /** Whether the surface turns at e by over the least angle of a hard edge, hard or not. */
  public boolean turnsOver(int e) {
    return turning.get(e);
  }

  /** All edges at which it does; a copy. */
  public BitSet turning() {
    return (BitSet) turning.clone();
  }

  /** The least angle by over which a hard edge turns, degrees. */
  public double angle() {
    return angle;
  }

  /** Whether the surface surely turns by less than an angle at a two-sided edge, by its cosine. */
  public boolean surelyUnder(int e, double limit) {
    int c = mesh.cornerOn(e);
    int d = mesh.nextOnEdge(c);
    return mesh.vertexOf(c) != mesh.vertexOf(d)
        && shapes.surelyUnder(mesh.faceOf(c), mesh.faceOf(d), limit);
  }

  private boolean standsOut(double turn, int c) {
    if (mesh.size(mesh.faceOf(c)) != 4) {
      return true;
    }
    double beside = turnAt(mesh.edgeOf(mesh.next(mesh.next(c))));
    return Double.isNaN(beside) || turn >= 2 * beside;
  }

  /** By how much the surface turns at e; not a number where there are not two faces to measure. */
  public double turnAt(int e) {
    return topology.uses(e) == 2 ? shapes.turnAt(mesh, e) : Double.NaN;
  }
}
