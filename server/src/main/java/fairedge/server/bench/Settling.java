package fairedge.server.bench;

import fairedge.core.inspect.Since;
import fairedge.core.mesh.ElementSet;
import fairedge.core.step.Workpiece;
import fairedge.server.bench.store.WorkpieceStore;
import fairedge.server.bench.store.WorkpieceStore.Head;
import fairedge.server.inspection.Inspections.Checked;
import fairedge.server.platform.Turns;
import java.util.concurrent.CompletableFuture;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

/** Checks that are owed: of large meshes, after steps that did not wait for them. */
@Component
class Settling {
  private static final Logger log = LoggerFactory.getLogger(Settling.class);

  /** So many owed checks hold a copy of their mesh; those after them make it anew in their turn. */
  private static final int MOST_COPIES = 4;

  private final Workshop workshop;
  private final Checks checks;
  private final Replays replays;
  private final Tasks tasks;
  private final WorkpieceStore store;
  private final Turns turns;

  Settling(
      Workshop workshop,
      Checks checks,
      Replays replays,
      Tasks tasks,
      WorkpieceStore store,
      Turns turns) {
    this.workshop = workshop;
    this.checks = checks;
    this.replays = replays;
    this.tasks = tasks;
    this.store = store;
    this.turns = turns;
  }

  /**
   * Makes sure that the check is of the mesh as it is. It is made of a copy, and waited for outside
   * of the monitor, so that no hand waits for it.
   */
  void settle(Head head) {
    Asked asked = workshop.read(head, this::asked);
    if (asked == null) {
      return;
    }
    Checked check =
        checks.checkIf(asked.head, asked.task, asked.look, () -> workshop.isStill(asked.head));
    if (check != null) {
      Checked before = asked.inOrder.join();
      workshop.ifStill(asked.head, held -> settled(held, before, check));
    }
  }

  /**
   * A check that is asked for.
   *
   * @param head as the mesh is
   * @param task by whose terms
   * @param inOrder the check before it, when it has come
   */
  private record Asked(
      Head head, Task task, Look look, CompletableFuture<@Nullable Checked> inOrder) {}

  private @Nullable Asked asked(Head head, Held held) {
    Task task = tasks.of(head.owner(), head.accountId());
    held.countsBy(task.terms());
    return held.isChecked()
        ? null
        : new Asked(head, task, held.look(checks.room(task)).copy(), held.inOrder);
  }

  /**
   * Lets the next step be made although the one before it waits for its check: that comes when its
   * turn comes, in the order of the steps. Of what is held, by who holds it.
   *
   * @param head as it is before the next step
   */
  void settleLater(Head head, Task task, Held held) {
    Held.Unchecked unchecked = held.unchecked();
    if (unchecked == null) {
      return;
    }
    ElementSet touched = held.lastTouched();
    Look look =
        held.owed.incrementAndGet() <= MOST_COPIES
            ? held.lookAtLast(checks.room(task)).copy()
            : null;
    held.inOrder =
        held.inOrder
            .thenApplyAsync(
                before -> checkOwed(head, task, unchecked, look, touched, before), turns::later)
            .exceptionally(e -> {
              log.warn("a step of workpiece {} is left without its check", head.id(), e);
              return null;
            })
            .whenComplete((check, e) -> held.owed.decrementAndGet());
  }

  /**
   * @param look at the mesh after the step; null where it is made anew from what is kept
   */
  private Checked checkOwed(
      Head head,
      Task task,
      Held.Unchecked unchecked,
      @Nullable Look look,
      @Nullable ElementSet touched,
      @Nullable Checked before) {
    Look at = look != null ? look : rebuilt(head, task, touched, before);
    Checked check = checks.inspect(task, at.since(before));
    complete(unchecked, before, check);
    return check;
  }

  private Look rebuilt(
      Head head, Task task, @Nullable ElementSet touched, @Nullable Checked before) {
    Workpiece workpiece = replays.rebuild(head, head.headStep());
    return touched == null || before == null
        ? new Look(workpiece.mesh(), null)
        : new Look(
            workpiece.mesh(),
            new Since(before.recall(), touched, workpiece.near(touched, checks.room(task))));
  }

  private void complete(Held.Unchecked unchecked, @Nullable Checked before, Checked check) {
    if (unchecked.step() != null && before != null) {
      After after = store.told(unchecked.step()).after();
      store.setAfter(unchecked.step(), after.checked(before.check(), check.check()));
    }
  }

  private void settled(Held held, @Nullable Checked before, Checked check) {
    Held.Unchecked unchecked = held.unchecked();
    if (unchecked != null) {
      complete(unchecked, before, check);
      held.checked(check);
    }
  }
}
