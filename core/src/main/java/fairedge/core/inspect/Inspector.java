package fairedge.core.inspect;

import fairedge.core.geometry.Tolerance;
import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.Oddity;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import java.util.concurrent.ForkJoinTask;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/**
 * Inspects a mesh. Never fails on one that could be read; the same mesh gives the same report in
 * the same order: by kind, then as the finder of the kind says. Cost: n log n in the elements of
 * the mesh. It works in the fork-join pool of the thread that asks, or else in the common one.
 */
public final class Inspector {
  private static final List<Share> SHARES =
      List.of(
          share(new NgonFinder(), Rule.NGON, Rule.NGON_FLAT),
          share(new TriangleFinder(), Rule.TRIANGLE, Rule.TRIANGLE_FAN, Rule.ALL_TRIANGLES),
          share(new FlatCornerFinder(), Rule.FLAT_CORNER),
          share(new IdleVertexFinder(), Rule.IDLE_VERTEX),
          share(new BentVertexFinder(), Rule.BENT_VERTEX),
          share(new DoubleFinder(), Rule.DOUBLE),
          share(new SeamFinder(), Rule.SEAM),
          share(new TouchingFinder(), Rule.TOUCHING),
          share(new ShortEdgeFinder(), Rule.SHORT_EDGE, Rule.SHORT_EDGE_BESIDE),
          share(new LooseFinder(), Rule.LOOSE_VERTEX, Rule.LOOSE_EDGE),
          share(new IdleLoopFinder(), Rule.IDLE_LOOP),
          share(new BorderFinder(), Rule.BORDER),
          share(new CrowdedFinder(), Rule.CROWDED_EDGE, Rule.BOW_TIE),
          share(new OrientationFinder(), Rule.FLIPPED, Rule.INSIDE_OUT),
          share(new ReadingFinder(), Rule.REPEATED_CORNER, Rule.UNREADABLE_FACE, Rule.NO_PLACE),
          share(new TwinFaceFinder(), Rule.TWIN_FACE),
          share(new InnerFaceFinder(), Rule.INNER_FACE),
          share(new NoAreaFinder(), Rule.NO_AREA),
          share(new SliverFinder(), Rule.SLIVER),
          share(new ConcaveFinder(), Rule.CONCAVE),
          share(new WarpedFinder(), Rule.WARPED),
          share(new FoldedFinder(), Rule.FOLDED),
          share(new CrossingFinder(), Rule.CROSSING),
          share(new FlowFinder(), Rule.RING_STOP, Rule.POLE_MANY, Rule.POLE_NEW),
          share(new LoopEndFinder(), Rule.LOOP_END, Rule.DEAD_END),
          share(new SpiralFinder(), Rule.SPIRAL),
          share(new JumpFinder(), Rule.JUMP),
          share(new StretchedFinder(), Rule.STRETCHED),
          share(new AskewFinder(), Rule.ASKEW),
          share(new SoftEdgeFinder(), Rule.SOFT_EDGE),
          share(new PinchFinder(), Rule.PINCH),
          share(new TightFinder(), Rule.TIGHT),
          share(new NoCollarFinder(), Rule.NO_COLLAR),
          share(new PartsFinder(), Rule.PARTS),
          share(new PlacedFinder(), Rule.PLACED),
          share(new MovedFinder(), Rule.MOVED),
          share(new OneSidedFinder(), Rule.ONE_SIDED),
          share(new OffLineFinder(), Rule.OFF_LINE),
          share(new TooManyFinder(), Rule.TOO_MANY),
          share(new LopsidedFinder(), Rule.LOPSIDED));

  /** What a finder looks for: it is not asked where the profile has all of it off. */
  private record Share(Finder finder, List<Rule> rules) {}

  private static Share share(Finder finder, Rule... rules) {
    return new Share(finder, List.of(rules));
  }

  private final Profile profile;
  private final Tolerance tolerance;
  private final @Nullable Starter starter;
  private final Asking asking;

  /**
   * @param tolerance by the scale of the mesh; in a workpiece by that of its starter
   */
  public Inspector(Profile profile, Tolerance tolerance) {
    this(profile, tolerance, null);
  }

  /**
   * @param starter what the work began from; null where nothing counts as new
   */
  public Inspector(Profile profile, Tolerance tolerance, @Nullable Starter starter) {
    this(profile, tolerance, starter, Asking.NOTHING);
  }

  private Inspector(
      Profile profile, Tolerance tolerance, @Nullable Starter starter, Asking asking) {
    this.asking = asking;
    this.profile = profile;
    this.tolerance = tolerance;
    this.starter = starter;
  }

  /**
   * The same, with what an exercise asks of the shape.
   *
   * @param reference a solution; null where none is known
   */
  public Inspector asking(Wanted wanted, @Nullable Mesh reference) {
    return new Inspector(profile, tolerance, starter, new Asking(wanted, reference));
  }

  public Report inspect(Mesh mesh) {
    return inspect(mesh, List.of());
  }

  /**
   * @param oddities what was odd about the mesh's file
   */
  public Report inspect(Mesh mesh, List<Oddity> oddities) {
    return inspect(mesh, oddities, null).report();
  }

  /** A report, and what to keep for the next. */
  public record Inspected(Report report, Recall recall) {}

  /**
   * The same report as without {@code since}, for less: what is dear is looked at only near to what
   * was touched.
   *
   * @param since what is known from before; null where nothing is
   */
  public Inspected inspect(Mesh mesh, List<Oddity> oddities, @Nullable Since since) {
    Since known = since != null && since.recall().isBy(this) ? since : null;
    Subject subject =
        new Subject(mesh, tolerance, profile.thresholds(), oddities, starter, known, asking);
    Report report = report(subject);
    return new Inspected(report, new Recall(this, subject.gathered()));
  }

  /** What a lens shows of a mesh. Cost: n log n at the most. */
  public LensPicture look(Mesh mesh, Lens lens) {
    Subject subject = subject(mesh);
    return switch (lens) {
      case FLOW -> FlowLens.of(subject);
      case POLES -> PolesLens.of(subject);
      case SPACING -> SpacingLens.of(subject);
      case SHAPE_CHANGE -> ShapeLens.of(subject);
      case SUBDIVIDED -> SmoothLens.of(subject);
    };
  }

  /** How a mesh fares when it is bent. Cost: n log n. */
  public Bent bend(Mesh mesh, BendTrial trial) {
    return BendLook.of(subject(mesh), trial);
  }

  /**
   * The ring and the loop of an edge. Cost: one look at every element, and what is found.
   *
   * @throws IllegalArgumentException if there is no such edge
   */
  public static Along along(Mesh mesh, int edge) {
    if (!mesh.hasEdge(edge)) {
      throw new IllegalArgumentException("no edge " + edge);
    }
    return Along.of(mesh, edge);
  }

  private Subject subject(Mesh mesh) {
    return new Subject(mesh, tolerance, profile.thresholds(), List.of(), starter, null, asking);
  }

  /** How near to what was touched faces are to count as near: {@link Since#near}. */
  public double room() {
    return 2 * Math.max(profile.thresholds().weld(tolerance), tolerance.merge());
  }

  /** Whether another finds the same in the same mesh. */
  boolean asksLike(Inspector other) {
    return profile.equals(other.profile)
        && tolerance.equals(other.tolerance)
        && starter == other.starter
        && asking.wanted().equals(other.asking.wanted())
        && asking.reference() == other.asking.reference();
  }

  private Report report(Subject subject) {
    ForkJoinTask<Figures> figures = ForkJoinTask.adapt(() -> Figures.of(subject)).fork();
    prepare(subject);
    List<Finding> found =
        SHARES.parallelStream()
            .filter(share -> share.rules.stream().anyMatch(this::counts))
            .map(share -> share.finder.find(subject))
            .flatMap(List::stream)
            .collect(Collectors.toCollection(ArrayList::new));
    // Stable: within a kind the finder's order stays.
    found.sort(Comparator.comparing(Finding::kind));
    List<Report.Assessed> assessed = new ArrayList<>();
    for (Finding finding : found) {
      profile
          .severityOf(finding.rule())
          .ifPresent(severity -> assessed.add(new Report.Assessed(finding, severity)));
    }
    return new Report(figures.join(), List.copyOf(assessed));
  }

  private boolean counts(Rule rule) {
    return profile.severityOf(rule).isPresent();
  }

  /** What several finders ask for is made before they run beside each other. */
  private void prepare(Subject subject) {
    if (starter != null) {
      subject.novelty();
      if (subject.wanted().distance() != null) {
        Objects.requireNonNull(subject.starter()).surface();
      }
    }
    if (counts(Rule.SOFT_EDGE) || counts(Rule.NO_COLLAR)) {
      subject.patches();
    }
  }
}
