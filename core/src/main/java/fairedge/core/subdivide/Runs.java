package fairedge.core.subdivide;

import java.util.stream.IntStream;

/** Work over runs of indices on all processors; each index is worked on by one thread. */
final class Runs {
  private static final int LENGTH = 1 << 14;

  private Runs() {}

  /** Work on the indices from one up to, and without, another. */
  interface Work {
    void run(int from, int to);
  }

  static void each(int end, Work work) {
    IntStream.range(0, (end + LENGTH - 1) / LENGTH)
        .parallel()
        .forEach(i -> work.run(i * LENGTH, Math.min(end, (i + 1) * LENGTH)));
  }
}
