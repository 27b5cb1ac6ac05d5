package fairedge.core.survey;

import java.util.Arrays;
import java.util.function.LongPredicate;
import java.util.stream.LongStream;

/** Pairs of ids, each once, in order. */
public final class Pairs {
  private final long[] sorted;

  private Pairs(LongStream pairs) {
    sorted = pairs.sorted().distinct().toArray();
  }

  public static Pairs of(LongStream pairs) {
    return new Pairs(pairs);
  }

  public static long pair(int first, int second) {
    return (long) first << 32 | second;
  }

  /** Where it makes no difference which is the first. */
  public static long unordered(int a, int b) {
    return pair(Math.min(a, b), Math.max(a, b));
  }

  public static int first(long pair) {
    return (int) (pair >>> 32);
  }

  public static int second(long pair) {
    return (int) pair;
  }

  public int count() {
    return sorted.length;
  }

  public LongStream stream() {
    return Arrays.stream(sorted);
  }

  /** Those that still hold, and those that were found anew. */
  public Pairs renewed(LongPredicate holds, LongStream anew) {
    return new Pairs(LongStream.concat(stream().filter(holds), anew));
  }
}
