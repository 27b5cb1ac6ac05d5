package fairedge.core.survey;

import fairedge.core.flow.StripWidths;
import java.util.Arrays;
import java.util.stream.Collectors;

/**
 * The numbers that a profile holds: from which on something is a finding. A value equal to a
 * threshold counts as inside it, so it is none.
 */
public enum Threshold {
  STRAIGHT("straight", 1, 0, 90, Measure.Unit.DEGREES, "A corner that turns by at most"),
  IDLE_ANGLE("idleAngle", 1, 0, 180, Measure.Unit.DEGREES, "A vertex that turns by at most"),
  PAIR_BEND("pairBend", 20, 0, 180, Measure.Unit.DEGREES, "Two triangles that bend by at most"),
  /** In the unit of the mesh; not a number: 1e-6 S. */
  WELD("weld", Double.NaN, 0, 1e12, Measure.Unit.LENGTH, "Vertices apart by at most"),
  SEAM("seam", 0.05, 0, 1, Measure.Unit.SHARE, "Borders apart by at most, of the mean edge"),
  SHORT_EDGE("shortEdge", 0.02, 0, 1, Measure.Unit.SHARE, "An edge under, of the mean edge"),
  IDLE_LOOP(
      "idleLoop", 1, 0, 90, Measure.Unit.DEGREES, "A loop at which the form turns by at most"),
  NO_AREA("noArea", 1e-8, 0, 1, Measure.Unit.RATIO, "A slenderness of at most"),
  SLIVER("sliver", 0.02, 0, 1, Measure.Unit.RATIO, "A slenderness under"),
  SLIVER_CORNER("sliverCorner", 10, 0, 90, Measure.Unit.DEGREES, "A quad only with a corner under"),
  CONCAVE("concave", 1, 0, 180, Measure.Unit.DEGREES, "A corner that turns back by at least"),
  WARPED("warped", 30, 0, 90, Measure.Unit.DEGREES, "A face that warps by over"),
  FOLDED("folded", 170, 0, 180, Measure.Unit.DEGREES, "Neighbours whose fronts differ by over"),
  HARD_EDGE(
      "hardEdge",
      30,
      0,
      180,
      Measure.Unit.DEGREES,
      "An edge that stands out from those beside it is hard if it turns by over"),
  HARD_ALONE(
      "hardAlone",
      60,
      0,
      180,
      Measure.Unit.DEGREES,
      "An edge is hard whatever lies beside it if it turns by over"),
  FLAT_PATCH("flatPatch", 10, 0, 90, Measure.Unit.DEGREES, "A flat patch turns by under"),
  STRIP(
      "strip",
      StripWidths.NARROW,
      0,
      1,
      Measure.Unit.SHARE,
      "A support strip is under, of the strip beside it"),
  JUMP("jump", 3, 1, 1000, Measure.Unit.RATIO, "Neighbours whose widths differ by over"),
  STRETCHED("stretched", 8, 1, 1000, Measure.Unit.RATIO, "Longest side to shortest over"),
  ASKEW("askew", 25, 0, 45, Measure.Unit.DEGREES, "An edge off the bend of the form by over"),
  CLEAR_BEND(
      "clearBend",
      2,
      1,
      1000,
      Measure.Unit.RATIO,
      "The form bends one way more than the other by over"),
  SOFT_EDGE(
      "softEdge",
      0.05,
      0,
      1,
      Measure.Unit.SHARE,
      "The smooth form moves by over, of the flat beside it"),
  PINCH("pinch", 60, 0, 180, Measure.Unit.DEGREES, "The smooth form turns by over"),
  TIGHT("tight", 0.001, 0, 1, Measure.Unit.SHARE, "A support strip under, of the size of the form"),
  LINE_SHARE("lineShare", 0.98, 0, 1, Measure.Unit.SHARE, "A line covered by under"),
  LINE_DISTANCE(
      "lineDistance",
      0.01,
      1e-6,
      1,
      Measure.Unit.SHARE,
      "An edge lies on a line within, of the size of the form"),
  LINE_ANGLE(
      "lineAngle",
      15,
      0,
      90,
      Measure.Unit.DEGREES,
      "An edge runs along a line if it turns by at most");

  private final String key;
  private final double usual;
  private final double least;
  private final double most;
  private final Measure.Unit unit;
  private final String words;

  Threshold(String key, double usual, double least, double most, Measure.Unit unit, String words) {
    this.key = key;
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
