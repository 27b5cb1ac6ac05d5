package fairedge.core.form;

import fairedge.core.cut.RunOn;
import fairedge.core.flow.StripWidths;
import fairedge.core.geometry.Vec3;
import fairedge.core.local.Refusal;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import fairedge.core.work.Asked;
import fairedge.core.work.Chosen;
import fairedge.core.work.Done;
import fairedge.core.work.Remark;
import fairedge.core.work.Site;
import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/**
 * Holds edges: by lines beside them, which leave the form as it is, or by strips in their place,
 * which round it. Distances are measured in the faces, square to the edges. Where two chosen edges
 * meet lines turn; where more do they cross, up to the chosen edges. Cost: the edges, the faces at
 * their ends and the rings that lines run on across; with an angle, the whole mesh once.
 */
public final class Support {
  private static final int MOST_SEGMENTS = 64;
  private static final long MOST_QUADS = 2_000_000;

  /** How edges are held. */
  public enum SupportWay {
    /** A line on each side. */
    LOOPS,
    /** A strip in the place of the edge. */
    BEVEL
  }

  /** On which sides of their edges lines lie. */
  public enum SupportSide {
    BOTH,
    /** Of each run the side of its face with the lowest id. */
    ONE,
    /** The others. */
    OTHER
  }

  /**
   * How.
   *
   * @param distance of the lines, or of the strip's borders, from the edge; more than 0
   * @param side with lines
   * @param through with lines: they don't turn but cross at every corner and run on
   * @param segments of a strip across the edge
   * @param profile of a strip: 0 the chord, 0.5 the arc, 1 the corner
   * @param toEnds with strips: first on along the edges' loops, to where these end
   * @param roomy where the distance does not fit, as far as there is room instead of not at all
   */
  public record Holding(
      SupportWay way,
      double distance,
      SupportSide side,
      boolean through,
      int segments,
      double profile,
      boolean toEnds,
      boolean roomy) {
    public Holding {
      Objects.requireNonNull(way, "way");
      Objects.requireNonNull(side, "side");
    }

    /** What people leave out as what they mean most often. */
    public static Holding asked(
        @Nullable SupportWay way,
        double distance,
        @Nullable SupportSide side,
        @Nullable Boolean through,
        @Nullable Integer segments,
        @Nullable Double profile,
        @Nullable Boolean toEnds,
        @Nullable Boolean roomy) {
      return new Holding(
          way == null ? SupportWay.LOOPS : way,
          distance,
          side == null ? SupportSide.BOTH : side,
          through != null && through,
          segments == null ? 1 : segments,
          profile == null ? 0.5 : profile,
          toEnds != null && toEnds,
          roomy != null && roomy);
    }

    boolean isLoops() {
      return way == SupportWay.LOOPS;
    }
  }

  /** Lines are the borders of a strip that does not leave the corner. */
  private static final BevelProfile CORNER = new BevelProfile(2, 1);

  private final Site site;
  private final Mesh mesh;
  private final Holding holding;
  private final List<Remark> remarks = new ArrayList<>();

  private Support(Site site, Holding holding) {
    this.site = site;
    this.mesh = site.mesh();
    this.holding = holding;
  }

  /**
   * @param edges which; empty with an angle
   * @param over in degrees: all edges of two faces that turn by over it are held as well; null for
   *     none but the named
   * @throws Refusal.Raised where it can't be; with the element and the bound where it is too wide
   */
  public static Done hold(
      Site site, Collection<Integer> edges, @Nullable Double over, Holding holding) {
    requireSound(holding);
    TreeSet<Integer> chosen = new TreeSet<>();
    if (over == null || !edges.isEmpty()) {
      chosen.addAll(Asked.edges(site, edges));
    }
    if (over != null) {
      chosen.addAll(turning(site.mesh(), over));
    }
    if (chosen.isEmpty()) {
      throw Refusal.because("No edge turns by over so much.");
    }
    return new Support(site, holding).hold(chosen);
  }

  private static void requireSound(Holding holding) {
    if (!(holding.distance() > 0) || !Double.isFinite(holding.distance())) {
      throw Refusal.because("The distance is more than 0.");
    }
    if (holding.segments() < 1 || holding.segments() > MOST_SEGMENTS) {
      throw Refusal.because("There are 1 to %d segments.".formatted(MOST_SEGMENTS));
    }
    if (!(holding.profile() >= 0 && holding.profile() <= 1)) {
      throw Refusal.because("The profile is from 0 (straight) to 1 (the corner as it was).");
    }
  }

  private static List<Integer> turning(Mesh mesh, double over) {
    if (!(over >= 0 && over < 180)) {
      throw Refusal.because("The angle is from 0 to under 180 degrees.");
    }
    List<Integer> found = new ArrayList<>();
    for (int e = 0; e < mesh.edgeEnd(); e++) {
      if (mesh.hasEdge(e) && mesh.isTwoSided(e)) {
        int c = mesh.firstSideOn(e);
        int d = mesh.nextOnEdge(c);
        int f = mesh.faceOf(c);
        int g = mesh.faceOf(d);
        if (mesh.vertexOf(c) != mesh.vertexOf(d)
            && mesh.isMeasurable(f)
            && mesh.isMeasurable(g)
            && mesh.polygon(f).newell().angleTo(mesh.polygon(g).newell()) > over) {
          found.add(e);
        }
      }
    }
    return found;
  }

  private Done hold(TreeSet<Integer> asked) {
    TreeSet<Integer> chosen =
        holding.toEnds() && !holding.isLoops() ? EdgeRuns.toEnds(mesh, asked) : asked;
    if (chosen.size() > MOST_QUADS) {
      throw Refusal.because("So many edges are too many at once.");
    }
    chosen.forEach(e -> EdgeRuns.requireSides(site, e, holding.isLoops()));
    return holding.isLoops() ? lines(chosen) : strips(chosen);
  }

  private Done strips(TreeSet<Integer> chosen) {
    BevelProfile profile = new BevelProfile(holding.segments(), holding.profile());
    Region region = Region.along(mesh, chosen);
    EdgeJoints joints = new EdgeJoints(mesh, region, EdgeJoints.AtEnds.CLOSE, region.ends());
    joints.requireWide();
    requireFew(joints, chosen.size());
    Widths widths = fitting(joints, "The strip");
    List<Integer> laid = lay(joints, profile, chosen, widths).laid();
    if (holding.segments() % 2 == 1 && holding.profile() == 1) {
      remarks.add(
          Remark.of("With an odd number of segments the corner that was there is missed.", null));
    }
    return new Done(List.of(), remarks, 0, Chosen.faces(laid));
  }

  /** Where strips meet the quads grow with the square of the segments. */
  private void requireFew(EdgeJoints joints, int edges) {
    long half = holding.segments() / 2 + 1;
    long quads = (long) edges * holding.segments();
    for (Joint joint : joints.joints()) {
      quads += joint.count() > 2 ? joint.count() * half * half : 0;
    }
    if (quads > MOST_QUADS) {
      throw Refusal.because(
          "So many edges in so many segments make %d faces; at most %d can be made at once."
              .formatted(quads, MOST_QUADS));
    }
  }

  private Widths fitting(EdgeJoints joints, String what) {
    return new Room(mesh, joints.rounds(1), joints.spans(1))
        .fitting(holding.distance(), holding.roomy(), what, remarks);
  }

  private StripLayer lay(
      EdgeJoints joints, BevelProfile profile, Collection<Integer> chosen, Widths widths) {
    StripLayer layer = new StripLayer(site);
    JointLayer ends = new JointLayer(site.edit(), layer, remarks);
    new BevelBuilder(mesh, joints, profile, widths, ends).build();
    layer.lay(chosen);
    return layer;
  }

  private Done lines(TreeSet<Integer> asked) {
    TreeSet<Integer> chosen = asked;
    EdgeJoints joints = lined(chosen);
    if (holding.through()) {
      return straightThrough(chosen, joints);
    }
    Widths widths = fitting(joints, "The strip");
    List<RunOn.Start> ends = joints.starts(widths, 1);
    if (!ends.isEmpty()) {
      RunOn.Ran ran = RunOn.cut(site, ends, List.of());
      remarks.addAll(ran.remarks());
      widths.follow(mesh, chosen, ran.parts());
      chosen = EdgeRuns.inParts(chosen, ran);
      joints = lined(chosen);
    }
    tellWhatHolds(lay(joints, CORNER, chosen, widths).rows());
    return new Done(List.of(), remarks, 0, new Chosen(List.of(), List.copyOf(chosen), List.of()));
  }

  private EdgeJoints lined(TreeSet<Integer> chosen) {
    Region region = Region.along(mesh, chosen);
    Set<Integer> sides = new Sides(mesh, region).of(holding.side());
    return new EdgeJoints(mesh, region, EdgeJoints.AtEnds.ON_EDGES, sides);
  }

  private Done straightThrough(TreeSet<Integer> chosen, EdgeJoints joints) {
    List<RunOn.Start> starts = new ArrayList<>();
    List<RunOn.Across> within = new ArrayList<>();
    for (int side : joints.sides()) {
      int before = mesh.previous(side);
      int after = mesh.next(side);
      RunOn.Start one = start(before, mesh.vertexOf(side), side);
      RunOn.Start other = start(after, mesh.vertexOf(after), side);
      starts.add(one);
      starts.add(other);
      within.add(new RunOn.Across(mesh.faceOf(side), one.place(), other.place()));
    }
    Widths widths =
        new Room(mesh, List.of(), spans(starts))
            .fitting(holding.distance(), holding.roomy(), "The strip", remarks);
    List<RunOn.Start> placed =
        starts.stream()
            .map(s ->
                new RunOn.Start(s.place(), widths.at(s.place().end()) * s.distance(), s.side()))
            .toList();
    RunOn.Ran ran = RunOn.cut(site, placed, within);
    remarks.addAll(ran.remarks());
    List<Integer> held = List.copyOf(EdgeRuns.inParts(chosen, ran));
    return new Done(List.of(), remarks, 0, new Chosen(List.of(), held, List.of()));
  }

  /** How far lines come from the ends of the edges that they cross, each place by its mean. */
  private List<Room.Span> spans(List<RunOn.Start> starts) {
    Map<RunOn.Place, Double> means =
        starts.stream()
            .collect(
                Collectors.groupingBy(
                    RunOn.Start::place,
                    LinkedHashMap::new,
                    Collectors.averagingDouble(RunOn.Start::distance)));
    Map<Integer, Room.Span> byEdge = new LinkedHashMap<>();
    means.forEach((place, mean) -> {
      int e = place.edge();
      Room.Span span = byEdge.getOrDefault(e, new Room.Span(e, 0, 0));
      byEdge.put(e, span.plus(mesh.first(e) == place.end(), mean));
    });
    return List.copyOf(byEdge.values());
  }

  /**
   * Where a line at a distance of 1 beside a side meets the next side of its face, which leaves
   * corner {@code on}.
   */
  private RunOn.Start start(int on, int end, int side) {
    int e = mesh.edgeOf(on);
    Vec3 at = mesh.position(end);
    Vec3 along = mesh.position(mesh.otherEnd(e, end)).minus(at).unit();
    Vec3 held =
        mesh.position(mesh.vertexOf(mesh.next(side)))
            .minus(mesh.position(mesh.vertexOf(side)))
            .unit();
    double sine = along.cross(held).length();
    if (sine < 1e-9) {
      throw Refusal.because(
          "The edge beside leads straight on here: no line can cross it.", Element.edge(e));
    }
    return new RunOn.Start(new RunOn.Place(e, end), 1 / sine, on);
  }

  /** Says how many pieces of strip are so narrow that they count as support. */
  private void tellWhatHolds(List<StripLayer.Row> rows) {
    StripWidths widths = new StripWidths(mesh);
    int narrow = 0;
    Element wide = null;
    for (StripLayer.Row row : rows) {
      int first = mesh.firstCorner(row.face());
      int line = row.isRight() ? first : mesh.next(mesh.next(first));
      if (widths.at(line) < StripWidths.NARROW * widths.beyond(line)) {
        narrow++;
      } else {
        wide = Element.face(row.face());
      }
    }
    remarks.add(
        Remark.of(
            wide == null
                ? "All %d pieces of strip are narrow enough to count as support.".formatted(narrow)
                : "%d of %d pieces of strip are narrow enough to count as support."
                    .formatted(narrow, rows.size()),
            wide));
  }
}
