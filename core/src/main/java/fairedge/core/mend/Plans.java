package fairedge.core.mend;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.function.BiConsumer;
import java.util.function.Consumer;
import org.jspecify.annotations.Nullable;

/**
 * Takes plans, in their order, until there are enough; and what is dear to plan, for when the
 * others don't do.
 */
final class Plans implements Consumer<Plan> {
  private final int most;
  private final List<Plan> all = new ArrayList<>();
  private final Deque<BiConsumer<Ground, Plans>> later = new ArrayDeque<>();
  private int count;

  Plans(int most) {
    this.most = most;
  }

  @Override
  public void accept(Plan plan) {
    if (count < most) {
      count++;
      all.add(plan);
    }
  }

  /** Is asked for more once all before was tried, and not enough of it held. */
  void later(BiConsumer<Ground, Plans> more) {
    later.add(more);
  }

  /** The next to be asked; null where there is none. */
  @Nullable BiConsumer<Ground, Plans> next() {
    return count < most ? later.poll() : null;
  }

  /** Those that came since it was asked last. */
  List<Plan> taken() {
    List<Plan> taken = List.copyOf(all);
    all.clear();
    return taken;
  }
}
