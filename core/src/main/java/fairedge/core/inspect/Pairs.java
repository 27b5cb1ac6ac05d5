package fairedge.core.inspect;

import java.util.Arrays;
import java.util.function.LongPredicate;
import java.util.stream.LongStream;

/** Pairs of ids, each once, in order. */
final class Pairs {
  private final long[] sorted;

  private Pairs(LongStream pairs) {
    sorted = pairs.sorted().distinct().toArray();
  }

  static Pairs of(LongStream pairs) {
    return new Pairs(pairs);
  }

  static long pair(int first, int second) {
    return (long) first << 32 | second;
  }

  /** Where it makes no difference which is the first. */
  static long unordered(int a, int b) {
    return pair(Math.min(a, b), Math.max(a, b));
  }

  static int first(long pair) {
    return (int) (pair >>> 32);
  }

  static int second(long pair) {
    return (int) pair;
  }

  int count() {
    return sorted.length;
  }

  LongStream stream() {
    return Arrays.stream(sorted);
  }

  /** Those that still hold, and those that were found anew. */
  Pairs renewed(LongPredicate holds, LongStream anew) {
    return new Pairs(LongStream.concat(stream().filter(holds), anew));
  }
}
