package fairedge.server.bench;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import fairedge.core.step.Change;
import fairedge.core.step.Outcome;
import fairedge.core.step.Workpiece;
import fairedge.server.bench.store.WorkpieceStore;
import fairedge.server.bench.store.WorkpieceStore.Head;
import fairedge.server.exercise.Exercise;
import fairedge.server.exercise.Exercises;
import fairedge.server.inspection.CheckView;
import fairedge.server.inspection.Inspections;
import fairedge.server.meshfile.MeshFiles;
import java.util.UUID;
import java.util.function.Function;
import org.springframework.stereotype.Component;

/**
 * Workpieces in memory: a cache only, bounded by their size. Whatever is not held, or is held at
 * another revision than the store's, is made anew from the starter and the steps.
 */
@Component
class Workshop {
  private static final long LARGEST = 800_000_000;
  private static final int BYTES_PER_CORNER = 60;

  private final WorkpieceStore store;
  private final Exercises exercises;
  private final MeshFiles meshes;
  private final Inspections inspections;
  private final Cache<UUID, Held> cache =
      Caffeine.newBuilder().maximumWeight(LARGEST).weigher(Workshop::weight).build();

  Workshop(WorkpieceStore store, Exercises exercises, MeshFiles meshes, Inspections inspections) {
    this.store = store;
    this.exercises = exercises;
    this.meshes = meshes;
    this.inspections = inspections;
  }

  private static int weight(UUID id, Held held) {
    long bytes = 10_000L + (long) held.workpiece.mesh().edgeEnd() * 2 * BYTES_PER_CORNER;
    return (int) Math.min(Integer.MAX_VALUE, bytes);
  }

  /** A workpiece in memory at a revision; whoever uses it holds its monitor. */
  static final class Held {
    final Workpiece workpiece;
    long revision;
    CheckView check;

    Held(Workpiece workpiece, long revision, CheckView check) {
      this.workpiece = workpiece;
      this.revision = revision;
      this.check = check;
    }
  }

  /** Runs work on the workpiece as the store has it; alone, and afresh after it failed. */
  <T> T with(Head head, Function<Held, T> work) {
    Held held = cache.get(head.id(), id -> load(head));
    synchronized (held) {
      if (held.revision != head.revision()) {
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
    } catch (RuntimeException e) {
      cache.invalidate(head.id());
      throw e;
    }
  }

  CheckView check(Exercise exercise, Workpiece workpiece) {
    return inspections.inspect(workpiece.mesh(), exercise.profile(), workpiece.tolerance());
  }

  private Held load(Head head) {
    Exercise exercise = exercises.require(head.exerciseId());
    Workpiece workpiece = new Workpiece(meshes.require(exercise.starter()), exercise.tolerance());
    for (Change change : store.changesTo(head.headStep())) {
      if (workpiece.apply(change) instanceof Outcome.Refused refused) {
        throw new IllegalStateException(
            "a kept step of workpiece " + head.id() + " is refused: " + refused.refusal());
      }
    }
    return new Held(workpiece, head.revision(), check(exercise, workpiece));
  }
}
