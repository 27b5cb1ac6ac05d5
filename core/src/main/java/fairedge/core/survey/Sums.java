package fairedge.core.survey;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.function.BiConsumer;
import java.util.function.IntFunction;
import java.util.function.Supplier;
import java.util.stream.IntStream;

/**
 * What all ids below an end add up to: a tree whose leaves are blocks of {@value #FAN} ids, and
 * each knot {@value #FAN} of the level below. After a change only the blocks with a changed id and
 * the knots above them are added up again, and the sum is the same to the last bit as if all were.
 * Cost to make: the ids, on all processors; of an update log n for each id.
 *
 * @param <T> what is gathered
 */
public final class Sums<T> {
  private static final int FAN = 32;
  private static final int AT_ONCE = 64;

  private final Supplier<T> empty;
  private final Visit<T> visit;
  private final BiConsumer<T, T> add;

  /** From the blocks up to the one knot above all. */
  private final List<List<T>> levels = new ArrayList<>();

  /** Adds what the ids from one up to, and without, another count. */
  interface Visit<T> {
    void visit(int from, int to, T sum);
  }

  /**
   * @param visit it is also asked of ids that are not in use
   * @param add adds the second to the first
   */
  Sums(int end, Supplier<T> empty, Visit<T> visit, BiConsumer<T, T> add) {
    this.empty = empty;
    this.visit = visit;
    this.add = add;
    levels.add(together((end + FAN - 1) / FAN, this::block));
    while (levels.getLast().size() > 1) {
      List<T> below = levels.getLast();
      levels.add(together((below.size() + FAN - 1) / FAN, i -> knot(below, i)));
    }
  }

  private static <T> List<T> together(int count, IntFunction<T> maker) {
    return new ArrayList<>(
        IntStream.range(0, (count + AT_ONCE - 1) / AT_ONCE)
            .parallel()
            .mapToObj(some ->
                IntStream.range(some * AT_ONCE, Math.min(count, (some + 1) * AT_ONCE))
                    .mapToObj(maker)
                    .toList())
            .flatMap(List::stream)
            .toList());
  }

  private T block(int block) {
    T sum = empty.get();
    visit.visit(block * FAN, (block + 1) * FAN, sum);
    return sum;
  }

  private T knot(List<T> below, int knot) {
    T sum = empty.get();
    for (int i = knot * FAN; i < Math.min(below.size(), (knot + 1) * FAN); i++) {
      add.accept(sum, below.get(i));
    }
    return sum;
  }

  /**
   * @param ids those that count something else now
   */
  void update(int[] ids) {
    int[] changed = above(ids);
    renew(levels.getFirst(), changed, this::block);
    for (int level = 1; level < levels.size() || levels.getLast().size() > 1; level++) {
      if (level == levels.size()) {
        levels.add(new ArrayList<>());
      }
      List<T> below = levels.get(level - 1);
      changed = above(changed);
      renew(levels.get(level), changed, i -> knot(below, i));
    }
  }

  private static int[] above(int[] ids) {
    return Arrays.stream(ids).map(id -> id / FAN).distinct().sorted().toArray();
  }

  /** Also those between the last there was and one that has come. */
  private void renew(List<T> level, int[] changed, IntFunction<T> maker) {
    for (int i : changed) {
      while (level.size() <= i) {
        level.add(maker.apply(level.size()));
      }
      level.set(i, maker.apply(i));
    }
  }

  T total() {
    T sum = empty.get();
    levels.getLast().forEach(all -> add.accept(sum, all));
    return sum;
  }
}
