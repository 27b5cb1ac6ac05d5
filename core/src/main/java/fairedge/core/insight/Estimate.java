package fairedge.core.insight;

import java.util.Arrays;

/**
 * A share from 0 to 1 that is known from some attempts only, with the range in which it lies in 19
 * of 20 cases.
 *
 * @param count how many attempts it is known from
 * @param low not under 0
 * @param high not over 1
 */
public record Estimate(int count, double mean, double low, double high) {
  /** Fewer attempts than these are few: whatever they show may be chance. */
  public static final int FEW = 5;

  /** Of the normal distribution: 19 of 20 lie within. */
  private static final double NORMAL = 1.959963984540054;

  /** The same of Student's distribution with one and two degrees of freedom. */
  private static final double[] STUDENT = {12.7062, 4.3027};

  public boolean isFew() {
    return count < FEW;
  }

  /**
   * The mean of some shares, with Student's interval (Gosset, "The probable error of a mean",
   * 1908). Of one share alone nothing is known but itself: it may be anything.
   *
   * @param shares at least one
   */
  public static Estimate ofMean(double[] shares) {
    int n = shares.length;
    if (n == 0) {
      throw new IllegalArgumentException("a mean is of at least one share");
    }
    double mean = Arrays.stream(shares).sum() / n;
    if (n == 1) {
      return new Estimate(1, mean, 0, 1);
    }
    double squares = Arrays.stream(shares).map(s -> (s - mean) * (s - mean)).sum();
    double reach = student(n - 1) * Math.sqrt(squares / (n - 1) / n);
    return new Estimate(n, mean, Math.max(0, mean - reach), Math.min(1, mean + reach));
  }

  /**
   * How often something happens, from how often it did: the score interval (Wilson, "Probable
   * inference, the law of succession, and statistical inference", 1927).
   *
   * @param some of {@code all}
   * @param all at least one
   */
  public static Estimate ofShare(int some, int all) {
    if (all < 1 || some < 0 || some > all) {
      throw new IllegalArgumentException("some are of at least one");
    }
    double share = (double) some / all;
    double z = NORMAL * NORMAL;
    double middle = (share + z / (2 * all)) / (1 + z / all);
    double reach =
        NORMAL * Math.sqrt(share * (1 - share) / all + z / (4.0 * all * all)) / (1 + z / all);
    return new Estimate(all, share, Math.max(0, middle - reach), Math.min(1, middle + reach));
  }

  /**
   * The width of Student's distribution, to a hundredth: from three degrees on by the expansion of
   * Cornish and Fisher (1937) about the normal one.
   */
  static double student(int freedom) {
    if (freedom <= STUDENT.length) {
      return STUDENT[freedom - 1];
    }
    double z = NORMAL;
    double z3 = z * z * z;
    double z5 = z3 * z * z;
    double z7 = z5 * z * z;
    double n = freedom;
    return z
        + (z3 + z) / (4 * n)
        + (5 * z5 + 16 * z3 + 3 * z) / (96 * n * n)
        + (3 * z7 + 19 * z5 + 17 * z3 - 15 * z) / (384 * n * n * n);
  }
}
