package fairedge.core.inspect;

import java.util.Arrays;
import java.util.stream.Collectors;

/**
 * The numbers that a profile holds: from which on something is a finding. A value equal to a
 * threshold counts as inside it, so it is none.
 */
public enum Threshold {
  STRAIGHT("straight", Kind.NGON, 1, 0, 90, Measure.Unit.DEGREES, "A corner that turns by at most"),
  IDLE_ANGLE(
      "idleAngle",
      Kind.IDLE_VERTEX,
      1,
      0,
      180,
      Measure.Unit.DEGREES,
      "A vertex that turns by at most"),
  PAIR_BEND(
      "pairBend",
      Kind.TRIANGLE,
      20,
      0,
      180,
      Measure.Unit.DEGREES,
      "Two triangles that bend by at most"),
  /** In the unit of the mesh; not a number: 1e-6 S. */
  WELD("weld", Kind.DOUBLE, Double.NaN, 0, 1e12, Measure.Unit.LENGTH, "Vertices apart by at most"),
  SEAM(
      "seam",
      Kind.SEAM,
      0.05,
      0,
      1,
      Measure.Unit.SHARE,
      "Borders apart by at most, of the mean edge"),
  SHORT_EDGE(
      "shortEdge",
      Kind.SHORT_EDGE,
      0.02,
      0,
      1,
      Measure.Unit.SHARE,
      "An edge under, of the mean edge"),
  IDLE_LOOP(
      "idleLoop",
      Kind.IDLE_LOOP,
      1,
      0,
      90,
      Measure.Unit.DEGREES,
      "A loop at which the form turns by at most"),
  NO_AREA("noArea", Kind.NO_AREA, 1e-8, 0, 1, Measure.Unit.RATIO, "A slenderness of at most"),
  SLIVER("sliver", Kind.SLIVER, 0.02, 0, 1, Measure.Unit.RATIO, "A slenderness under"),
  SLIVER_CORNER(
      "sliverCorner",
      Kind.SLIVER,
      10,
      0,
      90,
      Measure.Unit.DEGREES,
      "A quad only with a corner under"),
  CONCAVE(
      "concave",
      Kind.CONCAVE,
      1,
      0,
      180,
      Measure.Unit.DEGREES,
      "A corner that turns back by at least"),
  WARPED("warped", Kind.WARPED, 30, 0, 90, Measure.Unit.DEGREES, "A face that warps by over"),
  FOLDED(
      "folded",
      Kind.FOLDED,
      170,
      0,
      180,
      Measure.Unit.DEGREES,
      "Neighbours whose fronts differ by over"),
  HARD_EDGE(
      "hardEdge",
      Kind.POLE,
      30,
      0,
      180,
      Measure.Unit.DEGREES,
      "An edge that stands out from those beside it is hard if it turns by over"),
  HARD_ALONE(
      "hardAlone",
      Kind.POLE,
      60,
      0,
      180,
      Measure.Unit.DEGREES,
      "An edge is hard whatever lies beside it if it turns by over"),
  FLAT_PATCH(
      "flatPatch", Kind.SOFT_EDGE, 10, 0, 90, Measure.Unit.DEGREES, "A flat patch turns by under"),
  STRIP(
      "strip",
      Kind.TIGHT,
      0.25,
      0,
      1,
      Measure.Unit.SHARE,
      "A support strip is under, of the strip beside it"),
  JUMP("jump", Kind.JUMP, 3, 1, 1000, Measure.Unit.RATIO, "Neighbours whose widths differ by over"),
  STRETCHED(
      "stretched", Kind.STRETCHED, 8, 1, 1000, Measure.Unit.RATIO, "Longest side to shortest over"),
  ASKEW(
      "askew",
      Kind.ASKEW,
      25,
      0,
      45,
      Measure.Unit.DEGREES,
      "An edge off the bend of the form by over"),
  CLEAR_BEND(
      "clearBend",
      Kind.ASKEW,
      2,
      1,
      1000,
      Measure.Unit.RATIO,
      "The form bends one way more than the other by over"),
  SOFT_EDGE(
      "softEdge",
      Kind.SOFT_EDGE,
      0.05,
      0,
      1,
      Measure.Unit.SHARE,
      "The smooth form moves by over, of the flat beside it"),
  PINCH("pinch", Kind.PINCH, 60, 0, 180, Measure.Unit.DEGREES, "The smooth form turns by over"),
  TIGHT(
      "tight",
      Kind.TIGHT,
      0.001,
      0,
      1,
      Measure.Unit.SHARE,
      "A support strip under, of the size of the form"),
  LINE_SHARE("lineShare", Kind.OFF_LINE, 0.98, 0, 1, Measure.Unit.SHARE, "A line covered by under"),
  LINE_DISTANCE(
      "lineDistance",
      Kind.OFF_LINE,
      0.01,
      1e-6,
      1,
      Measure.Unit.SHARE,
      "An edge lies on a line within, of the size of the form"),
  LINE_ANGLE(
      "lineAngle",
      Kind.OFF_LINE,
      15,
      0,
      90,
      Measure.Unit.DEGREES,
      "An edge runs along a line if it turns by at most");

  private final String key;
  private final Kind kind;
  private final double usual;
  private final double least;
  private final double most;
  private final Measure.Unit unit;
  private final String words;

  Threshold(
      String key,
      Kind kind,
      double usual,
      double least,
      double most,
      Measure.Unit unit,
      String words) {
    this.key = key;
    this.kind = kind;
    this.usual = usual;
    this.least = least;
    this.most = most;
    this.unit = unit;
    this.words = words;
  }

  /**
   * @throws IllegalArgumentException naming those there are
   */
  public static Threshold named(String key) {
    return Arrays.stream(values())
        .filter(t -> t.key.equals(key))
        .findFirst()
        .orElseThrow(() ->
            new IllegalArgumentException(
                "no threshold is called \""
                    + key
                    + "\"; there are "
                    + Arrays.stream(values())
                        .map(Threshold::key)
                        .collect(Collectors.joining(", "))));
  }

  /** The name in profiles. */
  public String key() {
    return key;
  }

  /** The kind of finding that it is told with; others may use it too. */
  public Kind kind() {
    return kind;
  }

  /** The number of the built-in profiles. */
  public double usual() {
    return usual;
  }

  public double least() {
    return least;
  }

  public double most() {
    return most;
  }

  public Measure.Unit unit() {
    return unit;
  }

  /** What the number is the bound of, to be read before it. */
  public String words() {
    return words;
  }
}
