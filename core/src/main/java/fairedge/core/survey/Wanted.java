package fairedge.core.survey;

import fairedge.core.geometry.Vec3;
import java.util.List;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/**
 * What an exercise asks of the shape; lengths in the unit of the starter, places in its axes. What
 * is null or empty is not asked for.
 *
 * @param parts how many parts the form has; with more than one, doubles count within a part only
 * @param faces the face budget
 * @param distance how far the surface may lie from the starter, both ways
 * @param mirror the plane in which the edges mirror each other
 * @param rightRound whether every line of new edges is to close, or to end at borders
 * @param lines the lines along which edges are to run
 * @param hardLines edges along these count as hard, however little they turn
 * @param coveredEnds the middles of round ends that something will cover: a fan is right there
 * @param cuttable a place on each face of the starter that may be cut; others are locked. Empty:
 *     all may
 * @param held places at which a vertex is to stay
 * @param pardons faults of the starter that do not count while they stay as they are
 */
public record Wanted(
    @Nullable Integer parts,
    @Nullable Integer faces,
    @Nullable Double distance,
    @Nullable Mirror mirror,
    boolean rightRound,
    List<Line> lines,
    List<Line> hardLines,
    List<Vec3> coveredEnds,
    List<Vec3> cuttable,
    List<Vec3> held,
    List<Pardon> pardons) {
  private static final int MOST_POINTS = 10_000;

  public static final Wanted NOTHING =
      new Wanted(null, null, null, null, false, List.of(), List.of());

  /** The same with nothing marked on the starter but hard edges. */
  public Wanted(
      @Nullable Integer parts,
      @Nullable Integer faces,
      @Nullable Double distance,
      @Nullable Mirror mirror,
      boolean rightRound,
      List<Line> lines,
      List<Line> hardLines) {
    this(
        parts,
        faces,
        distance,
        mirror,
        rightRound,
        lines,
        hardLines,
        List.of(),
        List.of(),
        List.of(),
        List.of());
  }

  /** The same from what may be left out: null is nothing. */
  public static Wanted asked(
      @Nullable Integer parts,
      @Nullable Integer faces,
      @Nullable Double distance,
      @Nullable Mirror mirror,
      @Nullable Boolean rightRound,
      @Nullable List<Line> lines,
      @Nullable List<Line> hardLines,
      @Nullable List<Vec3> coveredEnds,
      @Nullable List<Vec3> cuttable,
      @Nullable List<Vec3> held,
      @Nullable List<Pardon> pardons) {
    return new Wanted(
        parts,
        faces,
        distance,
        mirror,
        Boolean.TRUE.equals(rightRound),
        orNone(lines),
        orNone(hardLines),
        orNone(coveredEnds),
        orNone(cuttable),
        orNone(held),
        orNone(pardons));
  }

  private static <T> List<T> orNone(@Nullable List<T> list) {
    return list == null ? List.of() : list;
  }

  /** The same with other pardons. */
  public Wanted pardoning(List<Pardon> pardons) {
    return new Wanted(
        parts,
        faces,
        distance,
        mirror,
        rightRound,
        lines,
        hardLines,
        coveredEnds,
        cuttable,
        held,
        pardons);
  }

  /** Points joined one after the other; closed where the last is the first. */
  public record Line(List<Vec3> points) {
    public Line {
      require(points.size() > 1, "a line has two points or more");
      require(points.stream().allMatch(Vec3::isFinite), "a point of a line has no place");
      points = List.copyOf(points);
    }

    Line placedFor(Placement placement) {
      return new Line(points.stream().map(placement::back).toList());
    }

    double length() {
      double length = 0;
      for (int i = 1; i < points.size(); i++) {
        length += points.get(i - 1).distance(points.get(i));
      }
      return length;
    }
  }

  /**
   * A fault of the starter that does not count while it stays as it is.
   *
   * @param kind its kind, by its key
   * @param place where it is; null: all of the kind that the starter has
   */
  public record Pardon(String kind, @Nullable Vec3 place) {
    public Pardon {
      require(place == null || place.isFinite(), "a pardon without a place");
    }
  }

  /**
   * @param normal of any length but none
   * @param within the mirrored edges lie so near to edges
   */
  public record Mirror(Vec3 through, Vec3 normal, double within) {
    public Mirror {
      require(through.isFinite() && normal.isFinite(), "a mirror plane without a place");
      require(normal.length() > 0, "a mirror plane without a direction");
      require(within > 0 && Double.isFinite(within), "a mirror's distance is positive");
    }

    Mirror placedFor(Placement placement) {
      Vec3 at = placement.back(through);
      return new Mirror(
          at, placement.back(through.plus(normal)).minus(at), within / placement.scale());
    }

    public Vec3 image(Vec3 p) {
      Vec3 n = normal.unit();
      return p.minus(n.times(2 * p.minus(through).dot(n)));
    }
  }

  /**
   * @throws IllegalArgumentException saying what can't be asked for
   */
  public Wanted {
    require(parts == null || parts > 0, "a form has one part or more");
    require(faces == null || faces > 0, "a face budget is one face or more");
    require(
        distance == null || (distance >= 0 && Double.isFinite(distance)),
        "an allowed distance is a number from 0 on");
    require(
        lines.stream().mapToInt(l -> l.points().size()).sum() <= MOST_POINTS
            && hardLines.stream().mapToInt(l -> l.points().size()).sum() <= MOST_POINTS,
        "lines have " + MOST_POINTS + " points at the most");
    require(coveredEnds.stream().allMatch(Vec3::isFinite), "a covered end has no place");
    require(cuttable.stream().allMatch(Vec3::isFinite), "a face to cut has no place");
    require(held.stream().allMatch(Vec3::isFinite), "a held vertex has no place");
    require(
        Stream.of(coveredEnds, cuttable, held, pardons).allMatch(l -> l.size() <= MOST_POINTS),
        MOST_POINTS + " marks of one sort at the most");
    lines = List.copyOf(lines);
    hardLines = List.copyOf(hardLines);
    coveredEnds = List.copyOf(coveredEnds);
    cuttable = List.copyOf(cuttable);
    held = List.copyOf(held);
    pardons = List.copyOf(pardons);
  }

  /** The same as it would be for a mesh that is not placed right. */
  Wanted placedFor(Placement placement) {
    return new Wanted(
        parts,
        faces,
        distance == null ? null : distance / placement.scale(),
        mirror == null ? null : mirror.placedFor(placement),
        rightRound,
        lines.stream().map(l -> l.placedFor(placement)).toList(),
        hardLines.stream().map(l -> l.placedFor(placement)).toList(),
        coveredEnds.stream().map(placement::back).toList(),
        cuttable.stream().map(placement::back).toList(),
        held.stream().map(placement::back).toList(),
        pardons);
  }

  private static void require(boolean holds, String told) {
    if (!holds) {
      throw new IllegalArgumentException(told);
    }
  }
}
