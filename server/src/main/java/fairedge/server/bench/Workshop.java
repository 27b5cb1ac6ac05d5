package fairedge.server.bench;

import fairedge.core.step.Change;
import fairedge.core.step.Workpiece;
import fairedge.json.CheckView;
import fairedge.server.bench.store.WorkpieceStore;
import fairedge.server.bench.store.WorkpieceStore.Head;
import fairedge.server.inspection.Inspections.Checked;
import fairedge.server.platform.Problem;
import fairedge.server.platform.Recent;
import java.time.Duration;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.locks.LockSupport;
import java.util.function.BiFunction;
import java.util.function.Consumer;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/**
 * Workpieces in memory: a cache only, bounded by their size. Whatever is not held, or is held at
 * another revision than the store's, is made anew from the latest snapshot and the steps after it.
 */
@Component
class Workshop {
  private static final long LARGEST = Math.min(800_000_000, Runtime.getRuntime().maxMemory() / 3);

  private static final int BYTES_PER_CORNER = 130;

  private static final Duration WAIT = Duration.ofMillis(4);
  private static final int MOST_WAITS = 50;

  private final WorkpieceStore store;
  private final Tasks tasks;
  private final Checks checks;
  private final Replays replays;
  private final Guards guards;
  private final Recent<UUID, Held> cache = new Recent<>(LARGEST, Workshop::weight);

  Workshop(WorkpieceStore store, Tasks tasks, Checks checks, Replays replays, Guards guards) {
    this.guards = guards;
    this.store = store;
    this.tasks = tasks;
    this.checks = checks;
    this.replays = replays;
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

  /** What a workpiece is cut for. */
  Task task(Head head) {
    return tasks.of(head.owner(), head.accountId());
  }

  /** Whether the workpiece stands as it did, as far as it is told without waiting. */
  boolean isStill(Head head) {
    Held held = cache.getIfPresent(head.id());
    return held != null && held.isAt(head);
  }

  void ifStill(Head head, Consumer<Held> work) {
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
    Replays.Replayed replayed = replays.replayed(head, head.headStep());
    Workpiece workpiece = replayed.workpiece();
    Task task = tasks.of(head.owner(), head.accountId());
    Checked check = checks.check(head, task, new Look(workpiece.mesh(), null));
    if (head.headStep() != null) {
      completeStep(head, task, head.headStep(), check.check());
    }
    Held held = new Held(workpiece, head, check, task.terms(), replayed.remark());
    guards.keep(held, task.terms());
    return held;
  }

  /** A node may have died between a step and its check. */
  private void completeStep(Head head, Task task, long step, CheckView check) {
    WorkpieceStore.Told told = store.told(step);
    if (told.after().isUnchecked()) {
      Look before = new Look(replays.rebuild(head, told.parent()).mesh(), null);
      store.setAfter(step, told.after().checked(checks.check(head, task, before).check(), check));
    }
  }

  /** Lets what is held stand at another step without the steps that lead there in memory. */
  void rebuildAt(Held held, Head head, @Nullable Long step) {
    Replays.Replayed replayed = replays.replayed(head, step);
    held.goOnWith(replayed.workpiece(), replayed.remark());
    guards.keep(held, task(head).terms());
  }
}
