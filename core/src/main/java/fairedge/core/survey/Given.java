package fairedge.core.survey;

import fairedge.core.flow.Topology;
import fairedge.core.geometry.Tolerance;
import fairedge.core.mesh.Mesh;
import fairedge.core.near.SegmentGrid;
import java.util.function.IntPredicate;
import org.jspecify.annotations.Nullable;

/**
 * What is given beside a mesh: the numbers from which on something is a fault, what the work began
 * from, and what is asked of it, both brought to where the mesh lies if it lies elsewhere.
 *
 * @param starter what the work began from; null where nothing is known of it
 * @param placement what brings the mesh to where the starter lies; null where it lies there
 */
record Given(
    Tolerance tolerance,
    Thresholds thresholds,
    @Nullable Starter starter,
    @Nullable Placement placement,
    Asking asking) {

  static Given of(
      Mesh mesh,
      Tolerance tolerance,
      Thresholds thresholds,
      @Nullable Starter starter,
      Asking asking) {
    Placement placement = starter == null ? null : placementOf(mesh, starter, tolerance);
    return starter == null || placement == null
        ? new Given(tolerance, thresholds, starter, placement, asking)
        : new Given(
            tolerance,
            thresholds,
            starter.placedFor(placement),
            placement,
            asking.placedFor(placement));
  }

  private static @Nullable Placement placementOf(Mesh mesh, Starter starter, Tolerance tolerance) {
    return Placement.of(mesh, starter, tolerance.scale()).orElse(null);
  }

  /** Whether a mesh of later lies where the starter lies, as the first one did. */
  boolean liesAsBefore(Mesh later) {
    return starter == null || placement == null && placementOf(later, starter, tolerance) == null;
  }

  /** How near to a line edges lie on it. */
  double lineDistance() {
    return thresholds.of(Threshold.LINE_DISTANCE) * here().scale();
  }

  /** The tolerance of places that the exercise names, as large as the mesh has the form. */
  Tolerance here() {
    return placement == null ? tolerance : new Tolerance(tolerance.scale() / placement.scale());
  }

  /** The edges of a mesh that the exercise marked as hard. */
  IntPredicate marked(Mesh mesh, Topology topology) {
    if (asking.wanted().hardLines().isEmpty()) {
      return e -> false;
    }
    SegmentGrid lines = asking.hardLines(here());
    return e ->
        isPlacedSide(mesh, topology, e)
            && topology.uses(e) == 2
            && lines.covers(mesh.position(mesh.first(e)), mesh.position(mesh.second(e)));
  }

  /** Whether an edge is the side of a face, and both its ends have places. */
  static boolean isPlacedSide(Mesh mesh, Topology topology, int e) {
    return mesh.hasEdge(e)
        && topology.uses(e) > 0
        && mesh.hasPlace(mesh.first(e))
        && mesh.hasPlace(mesh.second(e));
  }
}
