package fairedge.core.inspect;

import java.util.ArrayList;
import java.util.List;
import java.util.function.BiConsumer;
import java.util.function.Consumer;
import java.util.function.IntConsumer;
import java.util.function.Supplier;
import java.util.stream.IntStream;

/**
 * Work over a range of ids on all processors, in blocks of a fixed size whose results are put
 * together in their order: the same on one processor and on many.
 */
final class Blocks {
  private static final int SIZE = 8192;

  private Blocks() {}

  /** Visits every id below the end; each is visited by one thread only. */
  static void each(int end, IntConsumer visit) {
    IntStream.range(0, blocks(end))
        .parallel()
        .forEach(block -> {
          for (int id = block * SIZE; id < Math.min(end, (block + 1) * SIZE); id++) {
            visit.accept(id);
          }
        });
  }

  /** What a search in one block finds. */
  interface Search<T> {
    void look(int id, Consumer<T> found);
  }

  /** What is found below the end, in the order of the ids. */
  static <T> List<T> collect(int end, Search<T> search) {
    return IntStream.range(0, blocks(end))
        .parallel()
        .mapToObj(block -> {
          List<T> found = new ArrayList<>();
          for (int id = block * SIZE; id < Math.min(end, (block + 1) * SIZE); id++) {
            search.look(id, found::add);
          }
          return found;
        })
        .flatMap(List::stream)
        .toList();
  }

  /** What a visit of one id adds to what is gathered. */
  interface Visit<T> {
    void visit(int id, T gathered);
  }

  /** Gathers over every id below the end, block by block, and adds the blocks up in their order. */
  static <T> T gather(int end, Supplier<T> empty, Visit<T> visit, BiConsumer<T, T> add) {
    T sum = empty.get();
    IntStream.range(0, blocks(end))
        .parallel()
        .mapToObj(block -> {
          T gathered = empty.get();
          for (int id = block * SIZE; id < Math.min(end, (block + 1) * SIZE); id++) {
            visit.visit(id, gathered);
          }
          return gathered;
        })
        .toList()
        .forEach(gathered -> add.accept(sum, gathered));
    return sum;
  }

  private static int blocks(int end) {
    return (end + SIZE - 1) / SIZE;
  }
}
