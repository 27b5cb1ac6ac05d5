package fairedge.core.inspect;

/** A number with its unit. */
public record Measure(double value, Unit unit) {
  /** What a number counts or measures. */
  public enum Unit {
    SIDES,
    FACES,
    PAIRS,
    DEGREES
  }
}
