package fairedge.core.inspect;

import java.util.ArrayList;
import java.util.List;
import java.util.function.BiConsumer;
import java.util.function.IntFunction;
import java.util.function.Supplier;
import java.util.stream.IntStream;

/**
 * What all ids below an end add up to, in blocks of {@value #LEAF} ids and knots of {@value #KNOT}
 * blocks: after a change only blocks with a changed id are looked at again, and the sum is the same
 * to the last bit as if all were. Cost to make: the ids, on all processors; of an update the blocks
 * of the ids, and one look at each knot.
 *
 * @param <T> what is gathered
 */
final class Sums<T> {
  private static final int LEAF = 32;
  private static final int KNOT = 64;
  private static final int AT_ONCE = 64;

  private final Supplier<T> empty;
  private final Blocks.Visit<T> visit;
  private final BiConsumer<T, T> add;
  private final List<T> leaves = new ArrayList<>();
  private final List<T> knots = new ArrayList<>();

  /**
   * @param visit adds what one id counts; it is also asked of ids that are not in use
   * @param add adds the second to the first
   */
  Sums(int end, Supplier<T> empty, Blocks.Visit<T> visit, BiConsumer<T, T> add) {
    this.empty = empty;
    this.visit = visit;
    this.add = add;
    leaves.addAll(together((end + LEAF - 1) / LEAF, this::leaf));
    knots.addAll(together((leaves.size() + KNOT - 1) / KNOT, this::knot));
  }

  private static <T> List<T> together(int count, IntFunction<T> maker) {
    return IntStream.range(0, (count + AT_ONCE - 1) / AT_ONCE)
        .parallel()
        .mapToObj(block ->
            IntStream.range(block * AT_ONCE, Math.min(count, (block + 1) * AT_ONCE))
                .mapToObj(maker)
                .toList())
        .flatMap(List::stream)
        .toList();
  }

  private T leaf(int leaf) {
    T sum = empty.get();
    for (int id = leaf * LEAF; id < (leaf + 1) * LEAF; id++) {
      visit.visit(id, sum);
    }
    return sum;
  }

  private T knot(int knot) {
    T sum = empty.get();
    leaves
        .subList(knot * KNOT, Math.min(leaves.size(), (knot + 1) * KNOT))
        .forEach(leaf -> add.accept(sum, leaf));
    return sum;
  }

  /**
   * @param ids those that count something else now, in order
   */
  void update(int[] ids) {
    int last = -1;
    for (int id : ids) {
      int leaf = id / LEAF;
      if (leaf == last) {
        continue;
      }
      last = leaf;
      while (leaves.size() <= leaf) {
        leaves.add(empty.get());
      }
      leaves.set(leaf, leaf(leaf));
    }
    last = -1;
    for (int id : ids) {
      int knot = id / LEAF / KNOT;
      if (knot != last) {
        last = knot;
        while (knots.size() <= knot) {
          knots.add(knot(knots.size()));
        }
        knots.set(knot, knot(knot));
      }
    }
  }

  T total() {
    T sum = empty.get();
    knots.forEach(knot -> add.accept(sum, knot));
    return sum;
  }
}
