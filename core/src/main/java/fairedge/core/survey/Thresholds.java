package fairedge.core.survey;

import fairedge.core.geometry.Tolerance;
import java.util.EnumMap;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/** The numbers of a profile; immutable. Those that are not set are the usual ones. */
public final class Thresholds {
  public static final Thresholds USUAL = new Thresholds(Map.of());

  private final Map<Threshold, Double> set = new EnumMap<>(Threshold.class);

  /** By threshold: they are asked for at every element. */
  private final double[] numbers = new double[Threshold.values().length];

  private Thresholds(Map<Threshold, Double> set) {
    this.set.putAll(set);
    for (Threshold threshold : Threshold.values()) {
      numbers[threshold.ordinal()] = set.getOrDefault(threshold, threshold.usual());
    }
  }

  public double of(Threshold threshold) {
    return numbers[threshold.ordinal()];
  }

  /** Those that are not the usual ones. */
  public Map<Threshold, Double> set() {
    return Map.copyOf(set);
  }

  /**
   * The same with another number.
   *
   * @throws IllegalArgumentException if it lies outside what the threshold can be
   */
  public Thresholds with(Threshold threshold, double value) {
    if (!(value >= threshold.least() && value <= threshold.most())) {
      throw new IllegalArgumentException(
          threshold.key() + " is " + threshold.least() + " to " + threshold.most());
    }
    Map<Threshold, Double> more = new EnumMap<>(Threshold.class);
    more.putAll(set);
    more.put(threshold, value);
    return new Thresholds(more);
  }

  /** The distance at which vertices are doubles: as set, or by the scale of the mesh. */
  public double weld(Tolerance tolerance) {
    double distance = of(Threshold.WELD);
    return Double.isNaN(distance) ? tolerance.weld() : distance;
  }

  @Override
  public boolean equals(@Nullable Object o) {
    return o instanceof Thresholds other && set.equals(other.set);
  }

  @Override
  public int hashCode() {
    return set.hashCode();
  }
}
