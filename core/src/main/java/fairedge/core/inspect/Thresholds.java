package fairedge.core.inspect;

import org.jspecify.annotations.Nullable;

/**
 * From which number on something is a finding. A value equal to a threshold counts as inside it.
 *
 * @param straight largest turn of a straight corner, degrees
 * @param idleAngle largest turn at an idle vertex, degrees
 * @param pairBend largest angle between the two faces of a triangle pair, degrees
 * @param weld distance at which vertices are doubles, in the mesh's unit; null: 1e-6 S
 * @param noArea largest slenderness of a face without area
 * @param sliver slenderness under which a face is a sliver
 * @param hardEdge largest turn of an edge that is not hard, degrees
 */
public record Thresholds(
    double straight,
    double idleAngle,
    double pairBend,
    @Nullable Double weld,
    double noArea,
    double sliver,
    double hardEdge) {
  public static final Thresholds USUAL = new Thresholds(1, 1, 20, null, 1e-8, 0.02, 30);

  /** The same with another weld distance. */
  public Thresholds withWeld(double distance) {
    return new Thresholds(straight, idleAngle, pairBend, distance, noArea, sliver, hardEdge);
  }

  /** The same with another slenderness of a sliver. */
  public Thresholds withSliver(double slenderness) {
    return new Thresholds(straight, idleAngle, pairBend, weld, noArea, slenderness, hardEdge);
  }

  /** The same with another largest turn at an idle vertex. */
  public Thresholds withIdleAngle(double degrees) {
    return new Thresholds(straight, degrees, pairBend, weld, noArea, sliver, hardEdge);
  }
}
