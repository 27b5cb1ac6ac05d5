package fairedge.core.mesh;

import fairedge.core.effort.Effort;
import java.util.stream.IntStream;

/** Work over runs of indices on all processors; each index is worked on by one thread. */
public final class Runs {
  private static final int LENGTH = 1 << 14;

  private Runs() {}

  /** Work on the indices from one up to, and without, another. */
  public interface Work {
    void run(int from, int to);
  }

  /** How many runs there are below an end. */
  public static int count(int end) {
    return (end + LENGTH - 1) / LENGTH;
  }

  /** Of a run its place among all, by its first index. */
  public static int numberOf(int from) {
    return from / LENGTH;
  }

  public static void each(int end, Work work) {
    IntStream.range(0, count(end))
        .parallel()
        .forEach(i -> {
          Effort.check();
          work.run(i * LENGTH, Math.min(end, (i + 1) * LENGTH));
        });
  }
}
