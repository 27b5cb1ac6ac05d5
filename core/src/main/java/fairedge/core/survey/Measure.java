package fairedge.core.survey;

/** A number with its unit. */
public record Measure(double value, Unit unit) {
  /** What a number counts or measures. */
  public enum Unit {
    SIDES,
    FACES,
    EDGES,
    VERTICES,
    CORNERS,
    PAIRS,
    USES,
    FANS,
    PARTS,
    RINGS,
    DEGREES,
    /** A share, 0 to 1. */
    SHARE,
    /** The mesh's unit of length. */
    LENGTH,
    /** The mesh's unit, cubed. */
    VOLUME,
    /** A line of the file, from 1. */
    LINE,
    /** Without unit. */
    RATIO
  }
}
