package fairedge.core.survey;

import fairedge.core.effort.Effort;
import fairedge.core.mesh.Runs;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import java.util.function.IntConsumer;
import java.util.stream.IntStream;

/**
 * Work over a range of ids on all processors, in blocks of a fixed size whose results are put
 * together in their order: the same on one processor and on many.
 */
public final class Blocks {
  private static final int SIZE = 8192;

  private Blocks() {}

  /** Visits every id below the end; each is visited by one thread only. */
  public static void each(int end, IntConsumer visit) {
    Runs.each(
        end,
        (from, to) -> {
          for (int id = from; id < to; id++) {
            visit.accept(id);
          }
        });
  }

  /** What a search at one id finds. */
  public interface Look<T> {
    void look(int id, Consumer<T> found);
  }

  /** What is found below the end, in the order of the ids. */
  public static <T> List<T> collect(int end, Look<T> look) {
    return search(
        end,
        (int from, int to, Consumer<T> found) -> {
          for (int id = from; id < to; id++) {
            look.look(id, found);
          }
        });
  }

  /** What a search at the ids from one up to, and without, another finds. */
  public interface Search<T> {
    void look(int from, int to, Consumer<T> found);
  }

  /** The same where every id counts: whoever searches goes from id to id himself. */
  public static <T> List<T> search(int end, Search<T> search) {
    return IntStream.range(0, (end + SIZE - 1) / SIZE)
        .parallel()
        .mapToObj(block -> {
          Effort.check();
          List<T> found = new ArrayList<>();
          search.look(block * SIZE, Math.min(end, (block + 1) * SIZE), found::add);
          return found;
        })
        .flatMap(List::stream)
        .toList();
  }
}
