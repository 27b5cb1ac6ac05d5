package fairedge.server.bench;

import fairedge.core.mesh.ElementSet;
import fairedge.server.bench.store.WorkpieceStore.Head;
import fairedge.server.inspection.Inspections;
import fairedge.server.inspection.Inspections.Checked;
import fairedge.server.platform.Turns;
import java.util.Objects;
import java.util.function.BooleanSupplier;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/**
 * The checks of meshes by what workpieces are cut for: at once where that is quick, else in turn.
 */
@Component
class Checks {
  /** With more faces than these, a step waits for its check only if that is quick. */
  private static final int MOST_CHECKED_AT_ONCE = Turns.MOST_FACES_AT_ONCE;

  private final Inspections inspections;
  private final Turns turns;

  Checks(Inspections inspections, Turns turns) {
    this.inspections = inspections;
    this.turns = turns;
  }

  /**
   * The check of a mesh by the profile of what a workpiece is cut for. That of a large mesh takes
   * its turn, so that hands that cut meanwhile find a processor free.
   */
  Checked check(Head head, Task task, Look look) {
    return Objects.requireNonNull(checkIf(head, task, look, () -> true));
  }

  /** The same, null if it is not wanted any more when its turn comes. */
  @Nullable Checked checkIf(Head head, Task task, Look look, BooleanSupplier wanted) {
    return isAtOnce(task, look)
        ? inspect(task, look)
        : turns.await(head.accountId(), () -> wanted.getAsBoolean() ? inspect(task, look) : null);
  }

  /** Whether nobody has to take his turn for a check. */
  private boolean isAtOnce(Task task, Look look) {
    return look.mesh().faceCount() <= MOST_CHECKED_AT_ONCE || isQuick(task, look);
  }

  /** Whether a check costs about as little as making the change did. */
  boolean isQuick(Task task, Look look) {
    return look.touchesLittle() && inspections.followsSteps(task.terms());
  }

  /** The check of a mesh that may be looked at where it is; null if that is to take its turn. */
  @Nullable Checked checkInPlace(Task task, Look look) {
    return isAtOnce(task, look) ? inspect(task, look) : null;
  }

  Checked inspect(Task task, Look look) {
    return inspections.inspect(look.mesh(), task.terms(), look.since());
  }

  /** How near to what was touched it has to be looked again. */
  double room(Task task) {
    return inspections.room(task.terms());
  }

  /**
   * After a move: checks the mesh as it is now if it is small, or little of it was touched; else it
   * is checked once somebody asks, so that no step waits for it.
   *
   * @param touched by the move; null where the mesh was made anew
   */
  void checkOrWait(Task task, Held held, @Nullable ElementSet touched) {
    boolean wasChecked = held.isChecked();
    held.moved(touched);
    Look look = held.look(room(task));
    // What each step brought is told by the check before it.
    if (wasChecked || look.mesh().faceCount() <= MOST_CHECKED_AT_ONCE) {
      Checked check = checkInPlace(task, look);
      if (check != null) {
        held.checked(check);
      }
    }
  }
}
