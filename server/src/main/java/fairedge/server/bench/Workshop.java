package fairedge.server.bench;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;
import fairedge.core.step.Change;
import fairedge.core.step.Outcome;
import fairedge.core.step.Workpiece;
import fairedge.json.CheckView;
import fairedge.server.bench.store.WorkpieceStore;
import fairedge.server.bench.store.WorkpieceStore.Head;
import fairedge.server.bench.store.WorkpieceStore.Snapshot;
import fairedge.server.inspection.Inspections;
import fairedge.server.meshfile.MeshFiles;
import fairedge.server.platform.Problem;
import jakarta.annotation.PreDestroy;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ForkJoinPool;
import java.util.concurrent.atomic.AtomicInteger;
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
  private static final long LARGEST = 800_000_000;
  private static final int BYTES_PER_CORNER = 90;

  /** With more faces than these, a step does not wait for its check. */
  private static final int MOST_CHECKED_AT_ONCE = 20_000;

  /** Half of the processors: where large meshes are checked. */
  private final ForkJoinPool large =
      new ForkJoinPool(
          Math.max(1, Runtime.getRuntime().availableProcessors() / 2),
          ForkJoinPool.defaultForkJoinWorkerThreadFactory,
          null,
          true);

  /** Each holds a copy of its mesh. */
  private static final int MOST_OWED = 3;

  private final WorkpieceStore store;
  private final Tasks tasks;
  private final MeshFiles meshes;
  private final Inspections inspections;
  private final Cache<UUID, Held> cache =
      Caffeine.newBuilder().maximumWeight(LARGEST).weigher(Workshop::weight).build();

  Workshop(WorkpieceStore store, Tasks tasks, MeshFiles meshes, Inspections inspections) {
    this.store = store;
    this.tasks = tasks;
    this.meshes = meshes;
    this.inspections = inspections;
  }

  @PreDestroy
  void close() {
    large.shutdownNow();
  }

  private static int weight(UUID id, Held held) {
    long bytes = 10_000L + (long) held.workpiece.mesh().edgeEnd() * 2 * BYTES_PER_CORNER;
    return (int) Math.min(Integer.MAX_VALUE, bytes);
  }

  /** A workpiece in memory as it stands after a step; whoever uses it holds its monitor. */
  static final class Held {
    Workpiece workpiece;
    private @Nullable Long step;
    private long revision;
    CheckView check;
    List<Integer> chosen = List.of();
    private @Nullable Foreseen foreseen;
    private @Nullable Unchecked unchecked;

    /** The last check in the order of the steps: what the next step's is compared with. */
    private volatile CheckView lastInOrder;

    /** Ends when the checks of earlier steps have come: they come in the order of the steps. */
    private CompletableFuture<Void> inOrder = CompletableFuture.completedFuture(null);

    /** How many checks of earlier steps are still to come. */
    private final AtomicInteger owed = new AtomicInteger();

    /** What the check would say after a change, as a preview found it. */
    private record Foreseen(long revision, Change change, CheckView check) {}

    /**
     * The check is that of an earlier mesh.
     *
     * @param step that waits for its check; null where the mesh was gone back or forth to
     */
    private record Unchecked(@Nullable Long step) {}

    /** Whether the check is of the mesh as it is. */
    boolean isChecked() {
      return unchecked == null;
    }

    void checked(CheckView check) {
      this.check = check;
      lastInOrder = check;
      unchecked = null;
    }

    /** The step that brought the mesh as it is waits for its check. */
    void waitsFor(long step) {
      unchecked = new Unchecked(step);
    }

    Held(Workpiece workpiece, Head head, CheckView check) {
      this.workpiece = workpiece;
      this.check = check;
      this.lastInOrder = check;
      standsAt(head);
    }

    void foresee(Change change, CheckView check) {
      foreseen = new Foreseen(revision, change, check);
    }

    /** The check after a change that a preview foresaw on this very mesh; else null. */
    @Nullable CheckView foreseen(Change change) {
      Foreseen f = foreseen;
      return f != null && f.revision == revision && f.change.equals(change) ? f.check : null;
    }

    void standsAt(Head head) {
      step = head.headStep();
      revision = head.revision();
    }

    long revision() {
      return revision;
    }

    /**
     * A place on the model, to which positions are sent relative: single precision is enough then.
     */
    Vec3 origin() {
      Mesh mesh = workpiece.mesh();
      for (int v = 0; v < mesh.vertexEnd(); v++) {
        if (mesh.hasVertex(v) && mesh.hasPlace(v)) {
          return mesh.position(v);
        }
      }
      return Vec3.ZERO;
    }

    /**
     * Whether this is what the store has. The revision alone won't do: where a transaction failed
     * at its end, another node may have given the same revision to another step.
     */
    boolean isAt(Head head) {
      return revision == head.revision() && Objects.equals(step, head.headStep());
    }
  }

  /** Runs work on the workpiece as the store has it; alone, and afresh after it failed. */
  <T> T with(Head head, Function<Held, T> work) {
    Held held = cache.get(head.id(), id -> load(head));
    synchronized (held) {
      if (!held.isAt(head)) {
        cache.invalidate(head.id());
        return withFresh(head, work);
      }
      return run(head, held, work);
    }
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
      // A refused change left the mesh as it was.
      if (problem.kind() != Problem.Kind.REFUSED) {
        cache.invalidate(head.id());
      }
      throw problem;
    } catch (RuntimeException e) {
      cache.invalidate(head.id());
      throw e;
    }
  }

  /**
   * The check of a mesh by the profile of what a workpiece is cut for. That of a large mesh takes
   * its turn, so that hands that cut meanwhile find a processor free.
   */
  CheckView check(Head head, Mesh mesh) {
    return Objects.requireNonNull(checkIf(head, mesh, () -> true));
  }

  /** The same, null if it is not wanted any more when its turn comes. */
  @Nullable CheckView checkIf(Head head, Mesh mesh, BooleanSupplier wanted) {
    return mesh.faceCount() <= MOST_CHECKED_AT_ONCE
        ? inspect(head, mesh)
        : large.submit(() -> wanted.getAsBoolean() ? inspect(head, mesh) : null).join();
  }

  private CheckView inspect(Head head, Mesh mesh) {
    Task task = tasks.of(head);
    return inspections.inspect(mesh, List.of(), task.profile(), task.tolerance(), task.starter());
  }

  /**
   * Checks the mesh as it is now if it is small; a large one is checked once somebody asks, so that
   * no step waits for it.
   */
  void checkOrWait(Head head, Held held) {
    Mesh mesh = held.workpiece.mesh();
    if (mesh.faceCount() <= MOST_CHECKED_AT_ONCE) {
      held.checked(check(head, mesh));
    } else {
      held.unchecked = new Held.Unchecked(null);
    }
  }

  /** Makes sure that the check is of the mesh as it is; on a copy, so that nothing waits for it. */
  void settle(Head head) {
    Mesh copy = with(head, held -> held.isChecked() ? null : held.workpiece.mesh().copy());
    if (copy == null) {
      return;
    }
    CheckView check = checkIf(head, copy, () -> isStill(head));
    if (check != null) {
      ifStill(head, held -> settled(held, check));
    }
  }

  /** The same at once; of what is held, by who holds it. */
  void settle(Head head, Held held) {
    if (!held.isChecked()) {
      settled(held, check(head, held.workpiece.mesh()));
    }
  }

  /**
   * Lets the next step be made although the one before it waits for its check: that is made of a
   * copy when its turn comes, before any that is asked for later. Where many are owed already, it
   * is waited for. Of what is held, by who holds it.
   */
  void settleLater(Head head, Held held) {
    Held.Unchecked unchecked = held.unchecked;
    if (unchecked == null) {
      return;
    }
    if (held.owed.get() >= MOST_OWED) {
      settle(head, held);
      return;
    }
    held.owed.incrementAndGet();
    Mesh copy = held.workpiece.mesh().copy();
    held.inOrder =
        held.inOrder
            .thenRunAsync(() -> checkOwed(head, held, unchecked, copy), large)
            .exceptionally(e -> {
              log.warn("a step of workpiece {} is left without its check", head.id(), e);
              return null;
            })
            .thenRun(held.owed::decrementAndGet);
  }

  private void checkOwed(Head head, Held held, Held.Unchecked unchecked, Mesh copy) {
    CheckView check = inspect(head, copy);
    CheckView before = held.lastInOrder;
    held.lastInOrder = check;
    complete(unchecked, before, check);
  }

  private void complete(Held.Unchecked unchecked, CheckView before, CheckView check) {
    if (unchecked.step() != null) {
      After after = store.told(unchecked.step()).after();
      store.setAfter(unchecked.step(), after.checked(before, check));
    }
  }

  private void settled(Held held, CheckView check) {
    Held.Unchecked unchecked = held.unchecked;
    if (unchecked == null) {
      return;
    }
    held.inOrder.join();
    complete(unchecked, held.lastInOrder, check);
    held.checked(check);
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
  void foresee(Head head, Change change, CheckView check) {
    ifStill(head, held -> held.foresee(change, check));
  }

  private Held load(Head head) {
    Workpiece workpiece = rebuild(head, head.headStep());
    CheckView check = check(head, workpiece.mesh());
    if (head.headStep() != null) {
      completeStep(head, head.headStep(), check);
    }
    return new Held(workpiece, head, check);
  }

  /** A node may have died between a step and its check. */
  private void completeStep(Head head, long step, CheckView check) {
    WorkpieceStore.Told told = store.told(step);
    if (told.after().isUnchecked()) {
      CheckView before = check(head, rebuild(head, told.parent()).mesh());
      store.setAfter(step, told.after().checked(before, check));
    }
  }

  /** Lets what is held stand at another step without the steps that lead there in memory. */
  void rebuildAt(Held held, Head head, @Nullable Long step) {
    held.workpiece = rebuild(head, step);
  }

  /** A workpiece as it is after a step: from the latest snapshot before it and the steps since. */
  Workpiece rebuild(Head head, @Nullable Long step) {
    Task task = tasks.of(head);
    Optional<Snapshot> snapshot = step == null ? Optional.empty() : store.snapshotBefore(step);
    byte[] from = snapshot.map(Snapshot::mesh).orElse(task.starter());
    Workpiece workpiece = new Workpiece(meshes.require(from), task.tolerance());
    for (Change change : store.changes(snapshot.map(Snapshot::number).orElse(0), step)) {
      if (workpiece.apply(change) instanceof Outcome.Refused refused) {
        throw new IllegalStateException("a kept step is refused: " + refused.refusal());
      }
    }
    return workpiece;
  }
}
