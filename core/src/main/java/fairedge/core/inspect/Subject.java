package fairedge.core.inspect;

import fairedge.core.flow.Borders;
import fairedge.core.flow.EdgeLoops;
import fairedge.core.flow.Orientation;
import fairedge.core.flow.Parts;
import fairedge.core.flow.Rings;
import fairedge.core.flow.Topology;
import fairedge.core.geometry.Tolerance;
import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.Oddity;
import fairedge.core.near.SegmentGrid;
import java.util.BitSet;
import java.util.List;
import java.util.concurrent.ForkJoinTask;
import org.jspecify.annotations.Nullable;

/**
 * What is inspected, and what all finders read off it: made once for each inspection. What only
 * some finders need is made when it is first asked for; that is not to be from within work that
 * runs on several threads ({@link Blocks}).
 */
final class Subject {
  private final Mesh mesh;
  private final Tolerance tolerance;
  private final Thresholds thresholds;
  private final List<Oddity> oddities;
  private final @Nullable Starter starter;
  private final @Nullable Since since;
  private final @Nullable Placement placement;
  private final Asking wanted;
  private final Recall.Gathered gathered = new Recall.Gathered();
  private final Topology topology;
  private final Borders borders;
  private final Orientation orientation;
  private final Parts parts;
  private final Rings rings;
  private final EdgeLoops loops;
  private final FaceShapes shapes;
  private final HardEdges hardEdges;
  private final Strips strips;
  private final Lazy<Novelty> novelty = new Lazy<>(() -> Novelty.of(this));
  private final Lazy<Curvature> curvature;
  private final Lazy<Patches> patches = new Lazy<>(() -> Patches.of(this));

  /**
   * @param starter what the work began from; null where nothing is known of it, and nothing is new
   * @param since what is known from before; null where nothing is
   * @param wanted what the exercise asks of the shape
   */
  Subject(
      Mesh mesh,
      Tolerance tolerance,
      Thresholds thresholds,
      List<Oddity> oddities,
      @Nullable Starter starter,
      @Nullable Since since,
      Asking wanted) {
    this.mesh = mesh;
    this.since = since;
    this.tolerance = tolerance;
    this.thresholds = thresholds;
    this.oddities = oddities;
    this.placement = starter == null ? null : placementOf(mesh, starter, tolerance);
    this.starter = starter == null || placement == null ? starter : starter.placedFor(placement);
    this.wanted = placement == null ? wanted : wanted.placedFor(placement);
    this.topology = new Topology(mesh);
    // In the pool of whoever asks, so that he says how many processors it may take.
    ForkJoinTask<Rings> around = ForkJoinTask.adapt(() -> new Rings(topology)).fork();
    ForkJoinTask<EdgeLoops> along = ForkJoinTask.adapt(() -> new EdgeLoops(topology)).fork();
    this.borders = Borders.of(topology);
    this.orientation = Orientation.of(topology);
    this.parts = Parts.of(topology, borders, orientation);
    this.shapes = FaceShapes.of(mesh);
    this.rings = around.join();
    this.loops = along.join();
    this.hardEdges = new HardEdges(topology, shapes, thresholds.of(Threshold.HARD_EDGE), marked());
    this.strips = new Strips(this);
    this.curvature = new Lazy<>(() -> Curvature.of(mesh));
  }

  private static @Nullable Placement placementOf(Mesh mesh, Starter starter, Tolerance tolerance) {
    return Placement.of(mesh, starter, tolerance.scale()).orElse(null);
  }

  /** The edges that the exercise marked as hard. */
  private BitSet marked() {
    BitSet marked = new BitSet();
    if (wanted.wanted().hardLines().isEmpty()) {
      return marked;
    }
    SegmentGrid lines = wanted.hardLines(tolerance);
    for (int e = 0; e < mesh.edgeEnd(); e++) {
      if (isPlacedSide(e)
          && topology.uses(e) == 2
          && lines.covers(mesh.position(mesh.first(e)), mesh.position(mesh.second(e)))) {
        marked.set(e);
      }
    }
    return marked;
  }

  Mesh mesh() {
    return mesh;
  }

  Tolerance tolerance() {
    return tolerance;
  }

  double threshold(Threshold threshold) {
    return thresholds.of(threshold);
  }

  /** The distance at which vertices are doubles. */
  double weld() {
    return thresholds.weld(tolerance);
  }

  List<Oddity> oddities() {
    return oddities;
  }

  @Nullable Starter starter() {
    return starter;
  }

  /** What is known from before, and what was touched since. */
  @Nullable Since since() {
    return since;
  }

  /** Whether an edge is the side of a face, and both its ends have places. */
  boolean isPlacedSide(int e) {
    return mesh.hasEdge(e)
        && topology.uses(e) > 0
        && mesh.hasPlace(mesh.first(e))
        && mesh.hasPlace(mesh.second(e));
  }

  /** What to keep for the next inspection. */
  Recall.Gathered gathered() {
    return gathered;
  }

  /** What brings the mesh to where the starter lies; null where it lies there. */
  @Nullable Placement placement() {
    return placement;
  }

  /** What the exercise asks of the shape. */
  Wanted wanted() {
    return wanted.wanted();
  }

  /** A solution that the exercise knows of. */
  @Nullable Mesh reference() {
    return wanted.reference();
  }

  /** How near to a line edges lie on it. */
  double lineDistance() {
    double size = placement == null ? tolerance.scale() : tolerance.scale() / placement.scale();
    return threshold(Threshold.LINE_DISTANCE) * size;
  }

  Topology topology() {
    return topology;
  }

  Borders borders() {
    return borders;
  }

  Orientation orientation() {
    return orientation;
  }

  Parts parts() {
    return parts;
  }

  Rings rings() {
    return rings;
  }

  EdgeLoops loops() {
    return loops;
  }

  FaceShapes shapes() {
    return shapes;
  }

  HardEdges hardEdges() {
    return hardEdges;
  }

  Strips strips() {
    return strips;
  }

  /** Which edges the starter does not have. */
  Novelty novelty() {
    return novelty.get();
  }

  Curvature curvature() {
    return curvature.get();
  }

  Patches patches() {
    return patches.get();
  }
}
