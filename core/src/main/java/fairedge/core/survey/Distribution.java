package fairedge.core.survey;

import java.util.Arrays;
import java.util.List;

/**
 * How a measure is spread.
 *
 * @param count how many were measured; without any the rest is 0
 * @param edges where the bins begin; each holds what is at its edge or above, and below the next
 * @param counts how many lie in each bin
 */
public record Distribution(
    int count, double min, double mean, double max, List<Double> edges, List<Integer> counts) {

  /** Gathers values one by one. */
  static final class Gathering {
    private final double[] edges;

    /** How many bins as wide as the first there are to a unit. */
    private final double perUnit;

    private final int[] counts;
    private int count;
    private double min = Double.POSITIVE_INFINITY;
    private double max = Double.NEGATIVE_INFINITY;
    private double sum;

    /**
     * @param edges where the bins begin; shared, not to be changed
     */
    Gathering(double[] edges) {
      this.edges = edges;
      this.perUnit = edges.length > 1 ? 1 / (edges[1] - edges[0]) : 1;
      this.counts = new int[edges.length];
    }

    /** Where bins from 0 in equal steps begin. */
    static double[] steps(double step, int bins) {
      double[] edges = new double[bins];
      Arrays.setAll(edges, i -> i * step);
      return edges;
    }

    void add(double value) {
      if (!Double.isFinite(value)) {
        return;
      }
      count++;
      sum += value;
      min = value < min ? value : min;
      max = value > max ? value : max;
      counts[binOf(value)]++;
    }

    /** As if bins were all as wide as the first, then to where it is. */
    private int binOf(double value) {
      int at = Math.clamp((long) ((value - edges[0]) * perUnit), 0, edges.length - 1);
      while (at > 0 && edges[at] > value) {
        at--;
      }
      while (at + 1 < edges.length && edges[at + 1] <= value) {
        at++;
      }
      return at;
    }

    /** Adds what another one with the same bins gathered. */
    void add(Gathering other) {
      count += other.count;
      sum += other.sum;
      min = Math.min(min, other.min);
      max = Math.max(max, other.max);
      for (int i = 0; i < counts.length; i++) {
        counts[i] += other.counts[i];
      }
    }

    Distribution distribution() {
      List<Double> begin = Arrays.stream(edges).boxed().toList();
      List<Integer> held = Arrays.stream(counts).boxed().toList();
      return count == 0
          ? new Distribution(0, 0, 0, 0, begin, held)
          : new Distribution(count, min, sum / count, max, begin, held);
    }
  }
}
