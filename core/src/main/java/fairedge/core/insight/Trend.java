package fairedge.core.insight;

import java.math.BigInteger;
import java.util.Arrays;

/**
 * Whether something rises or falls over a term, and how sure that is: the test of Mann
 * ("Nonparametric tests against trend", 1945) and Kendall ("Rank correlation methods", 1948), which
 * asks of each two values only which of them is larger. So one outstanding value says no more than
 * any other, and values need not lie on a line.
 *
 * @param count how many values there are
 * @param way 1 where more pairs rise, -1 where more fall, 0 where as many
 * @param chance how likely it is that values in no order show as much, one way or the other
 */
public record Trend(int count, int way, double chance) {
  /** Less than this, and it is sure. */
  private static final double SURE = 0.05;

  /** Less than this, and it is likely. */
  private static final double LIKELY = 0.2;

  /** Of fewer values no order is unlikely. */
  private static final int FEW = 4;

  /** Of more values the exact count is no better than the normal distribution. */
  private static final int EXACT = 30;

  /** What there is to say. */
  public enum Word {
    TOO_FEW,
    NO_CLEAR_WAY,
    LIKELY_RISES,
    LIKELY_FALLS,
    RISES,
    FALLS
  }

  public Word word() {
    if (count < FEW) {
      return Word.TOO_FEW;
    }
    if (way == 0 || chance >= LIKELY) {
      return Word.NO_CLEAR_WAY;
    }
    if (chance < SURE) {
      return way > 0 ? Word.RISES : Word.FALLS;
    }
    return way > 0 ? Word.LIKELY_RISES : Word.LIKELY_FALLS;
  }

  /**
   * Cost: the square of the values' number.
   *
   * @param values in the order of the time
   */
  public static Trend of(double[] values) {
    int n = values.length;
    int score = 0;
    for (int i = 0; i < n; i++) {
      for (int k = i + 1; k < n; k++) {
        score += Double.compare(values[k], values[i]);
      }
    }
    double[] sorted = values.clone();
    Arrays.sort(sorted);
    boolean hasTies = false;
    for (int i = 1; i < n; i++) {
      hasTies |= sorted[i] == sorted[i - 1];
    }
    double chance =
        score == 0 ? 1 : hasTies || n > EXACT ? byNormal(sorted, score) : exact(n, Math.abs(score));
    return new Trend(n, Integer.signum(score), chance);
  }

  /** Of all orders of n different values the share whose score is as far from 0. */
  private static double exact(int n, int score) {
    int pairs = n * (n - 1) / 2;
    // How many orders have so many falling pairs: one value after the other is put into its place.
    BigInteger[] orders = new BigInteger[pairs + 1];
    Arrays.fill(orders, BigInteger.ZERO);
    orders[0] = BigInteger.ONE;
    for (int k = 2; k <= n; k++) {
      BigInteger[] next = new BigInteger[pairs + 1];
      for (int falling = 0; falling <= pairs; falling++) {
        BigInteger sum = BigInteger.ZERO;
        for (int more = 0; more < k && more <= falling; more++) {
          sum = sum.add(orders[falling - more]);
        }
        next[falling] = sum;
      }
      orders = next;
    }
    BigInteger all = BigInteger.ZERO;
    BigInteger asFar = BigInteger.ZERO;
    for (int falling = 0; falling <= pairs; falling++) {
      all = all.add(orders[falling]);
      if (Math.abs(pairs - 2 * falling) >= score) {
        asFar = asFar.add(orders[falling]);
      }
    }
    return asFar.doubleValue() / all.doubleValue();
  }

  /** By the normal distribution, less for values that are equal. */
  private static double byNormal(double[] sorted, int score) {
    int n = sorted.length;
    double spread = n * (n - 1.0) * (2 * n + 5);
    for (int from = 0; from < n; ) {
      int to = from;
      while (to < n && sorted[to] == sorted[from]) {
        to++;
      }
      double ties = to - from;
      spread -= ties * (ties - 1) * (2 * ties + 5);
      from = to;
    }
    double z = (Math.abs(score) - 1) / Math.sqrt(spread / 18);
    return Math.min(1, 2 * above(z));
  }

  /** Of the normal distribution the part above (Abramowitz and Stegun 26.2.17, to 7.5e-8). */
  private static double above(double z) {
    double t = 1 / (1 + 0.2316419 * z);
    double sum =
        t
            * (0.319381530
                + t * (-0.356563782 + t * (1.781477937 + t * (-1.821255978 + t * 1.330274429))));
    return sum * Math.exp(-0.5 * z * z) / Math.sqrt(2 * Math.PI);
  }
}
