package fairedge.server.bench;

import fairedge.core.effort.Effort;
import fairedge.core.inspect.Since;
import fairedge.core.mesh.ElementSet;
import fairedge.core.step.Change;
import fairedge.core.step.Outcome;
import fairedge.core.step.Workpiece;
import fairedge.json.CheckView;
import fairedge.server.bench.store.WorkpieceStore;
import fairedge.server.bench.store.WorkpieceStore.Head;
import fairedge.server.bench.store.WorkpieceStore.Numbered;
import fairedge.server.bench.store.WorkpieceStore.Snapshot;
import fairedge.server.inspection.Inspections;
import fairedge.server.inspection.Inspections.Checked;
import fairedge.server.meshfile.MeshFiles;
import fairedge.server.platform.Problem;
import fairedge.server.platform.Recent;
import fairedge.server.platform.Turns;
import java.time.Duration;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.locks.LockSupport;
import java.util.function.BiFunction;
import java.util.function.BooleanSupplier;
import java.util.function.Consumer;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

/**
 * Workpieces in memory: a cache only, bounded by their size. Whatever is not held, or is held at
 * another revision than the store's, is made anew from the latest snapshot and the steps after it.
 */
@Component
class Workshop {
  private static final Logger log = LoggerFactory.getLogger(Workshop.class);
  private static final long LARGEST = Math.min(800_000_000, Runtime.getRuntime().maxMemory() / 3);

  private static final int BYTES_PER_CORNER = 130;

  /** With more faces than these, a step waits for its check only if that is quick. */
  private static final int MOST_CHECKED_AT_ONCE = Turns.MOST_FACES_AT_ONCE;

  /** So many owed checks hold a copy of their mesh; those after them make it anew in their turn. */
  private static final int MOST_COPIES = 4;

  private static final Duration WAIT = Duration.ofMillis(4);
  private static final int MOST_WAITS = 50;

  private final WorkpieceStore store;
  private final Tasks tasks;
  private final MeshFiles meshes;
  private final Inspections inspections;
  private final Turns turns;
  private final Recent<UUID, Held> cache = new Recent<>(LARGEST, Workshop::weight);

  Workshop(
      WorkpieceStore store, Tasks tasks, MeshFiles meshes, Inspections inspections, Turns turns) {
    this.turns = turns;
    this.store = store;
    this.tasks = tasks;
    this.meshes = meshes;
    this.inspections = inspections;
  }

  private static long weight(Held held) {
    return 10_000L
        + held.workpiece.weight()
        + (long) held.workpiece.mesh().edgeEnd() * 2 * BYTES_PER_CORNER;
  }

  /**
   * Runs work on the workpiece as the store has it; alone, and afresh after it failed. Empty where
   * it has moved since the head was read.
   */
  <T> Optional<T> ifAt(Head head, Function<Held, T> work) {
    Held held = cache.get(head.id(), id -> load(head));
    synchronized (held) {
      if (held.isAt(head)) {
        return Optional.of(run(head, held, work));
      }
      if (held.revision() > head.revision()) {
        return Optional.empty();
      }
    }
    return Optional.of(withFresh(head, work));
  }

  /**
   * Reads from the workpiece. A step that is being kept is ahead of the store for a moment; that is
   * waited for: to make the state before it anew would cost far more, and only to be thrown away.
   *
   * @param head as the reader found it
   * @param reading is told the head as it is meanwhile
   */
  <T> T read(Head head, BiFunction<Head, Held, T> reading) {
    Head now = head;
    for (int i = 0; i < MOST_WAITS; i++) {
      Head at = now;
      Held held = cache.get(head.id(), id -> load(at));
      synchronized (held) {
        if (held.isAt(at)) {
          return run(at, held, h -> reading.apply(at, h));
        }
        if (held.revision() < at.revision()) {
          break;
        }
      }
      LockSupport.parkNanos(WAIT.toNanos());
      now = store.find(head.id()).orElseThrow(() -> Problem.notFound("workpiece"));
    }
    Head last = now;
    return withFresh(last, held -> reading.apply(last, held));
  }

  private <T> T withFresh(Head head, Function<Held, T> work) {
    Held held = load(head);
    synchronized (held) {
      cache.put(head.id(), held);
      return run(head, held, work);
    }
  }

  private <T> T run(Head head, Held held, Function<Held, T> work) {
    try {
      return work.apply(held);
    } catch (Problem problem) {
      // What was refused, or given up when it was tried out, left the mesh as it was.
      boolean isWhole =
          problem.kind() == Problem.Kind.REFUSED || problem.kind() == Problem.Kind.TOO_DEAR;
      if (!isWhole) {
        cache.drop(head.id());
      }
      throw problem;
    } catch (RuntimeException | Error e) {
      cache.drop(head.id());
      throw e;
    }
  }

  /**
   * The check of a mesh by the profile of what a workpiece is cut for. That of a large mesh takes
   * its turn, so that hands that cut meanwhile find a processor free.
   */
  private Checked check(Head head, Task task, Look look) {
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

  private Checked inspect(Task task, Look look) {
    return inspections.inspect(look.mesh(), task.terms(), look.since());
  }

  /** What a workpiece is cut for. */
  Task task(Head head) {
    return tasks.of(head.owner());
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

  /**
   * Makes sure that the check is of the mesh as it is. It is made of a copy, and waited for outside
   * of the monitor, so that no hand waits for it.
   */
  void settle(Head head) {
    Asked asked = read(head, this::asked);
    if (asked == null) {
      return;
    }
    Checked check = checkIf(asked.head, asked.task, asked.look, () -> isStill(asked.head));
    if (check != null) {
      Checked before = asked.inOrder.join();
      ifStill(asked.head, held -> settled(held, before, check));
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
    Task task = tasks.of(head.owner());
    held.countsBy(task.terms());
    return held.isChecked()
        ? null
        : new Asked(head, task, held.look(room(task)).copy(), held.inOrder);
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
        held.owed.incrementAndGet() <= MOST_COPIES ? held.lookAtLast(room(task)).copy() : null;
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
    Checked check = inspect(task, at.since(before));
    complete(unchecked, before, check);
    return check;
  }

  private Look rebuilt(
      Head head, Task task, @Nullable ElementSet touched, @Nullable Checked before) {
    Workpiece workpiece = rebuild(head, head.headStep());
    return touched == null || before == null
        ? new Look(workpiece.mesh(), null)
        : new Look(
            workpiece.mesh(),
            new Since(before.recall(), touched, workpiece.near(touched, room(task))));
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

  /** Whether the workpiece stands as it did, as far as it is told without waiting. */
  private boolean isStill(Head head) {
    Held held = cache.getIfPresent(head.id());
    return held != null && held.isAt(head);
  }

  private void ifStill(Head head, Consumer<Held> work) {
    Held held = cache.getIfPresent(head.id());
    if (held != null) {
      synchronized (held) {
        if (held.isAt(head)) {
          work.accept(held);
        }
      }
    }
  }

  /** Keeps what the check would say after a change, as long as the workpiece stands as it did. */
  void foresee(Head head, Change change, Checked check) {
    ifStill(head, held -> held.foresee(change, check));
  }

  private Held load(Head head) {
    Replayed replayed = replayed(head, head.headStep());
    Workpiece workpiece = replayed.workpiece;
    Task task = tasks.of(head.owner());
    Checked check = check(head, task, new Look(workpiece.mesh(), null));
    if (head.headStep() != null) {
      completeStep(head, task, head.headStep(), check.check());
    }
    return new Held(workpiece, head, check, task.terms(), replayed.remark);
  }

  /** A node may have died between a step and its check. */
  private void completeStep(Head head, Task task, long step, CheckView check) {
    WorkpieceStore.Told told = store.told(step);
    if (told.after().isUnchecked()) {
      Look before = new Look(rebuild(head, told.parent()).mesh(), null);
      store.setAfter(step, told.after().checked(check(head, task, before).check(), check));
    }
  }

  /** Lets what is held stand at another step without the steps that lead there in memory. */
  void rebuildAt(Held held, Head head, @Nullable Long step) {
    Replayed replayed = replayed(head, step);
    held.workpiece = replayed.workpiece;
    held.remark = replayed.remark;
  }

  /** A workpiece as it is after a step: from the latest snapshot before it and the steps since. */
  Workpiece rebuild(Head head, @Nullable Long step) {
    return replayed(head, step).workpiece;
  }

  /**
   * A workpiece that was made again from what is kept.
   *
   * @param remark what of the steps up to it could not be made again; null where all could
   */
  private record Replayed(Workpiece workpiece, @Nullable String remark) {}

  private Replayed replayed(Head head, @Nullable Long step) {
    Task task = tasks.of(head.owner());
    Optional<Snapshot> snapshot = step == null ? Optional.empty() : store.snapshotBefore(step);
    byte[] from = snapshot.map(Snapshot::mesh).orElse(task.starter());
    Workpiece workpiece = new Workpiece(meshes.require(from), task.tolerance());
    for (Numbered kept : store.changes(snapshot.map(Snapshot::number).orElse(0), step)) {
      if (!isMade(workpiece, kept, head)) {
        String remark =
            "Step %d and those after it can't be made again by this version of Fair Edge: the mesh"
                    .formatted(kept.number())
                + " is as it was before that step. They are kept.";
        // Whatever is cut from here on begins with this mesh, on every node.
        store.keepSnapshot(Objects.requireNonNull(step), meshes.keep(workpiece.mesh()), remark);
        return new Replayed(workpiece, remark);
      }
    }
    return new Replayed(workpiece, snapshot.map(Snapshot::remark).orElse(null));
  }

  private static boolean isMade(Workpiece workpiece, Numbered kept, Head head) {
    try {
      if (workpiece.apply(kept.change()) instanceof Outcome.Refused refused) {
        log.error(
            "step {} of workpiece {} is refused: {}",
            kept.number(),
            head.id(),
            refused.refusal().reason());
        return false;
      }
      return true;
    } catch (Effort.Over over) {
      throw over;
    } catch (RuntimeException broken) {
      log.error("step {} of workpiece {} fails", kept.number(), head.id(), broken);
      return false;
    }
  }
}
