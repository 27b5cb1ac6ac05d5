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
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/**
 * Workpieces in memory: a cache only, bounded by their size. Whatever is not held, or is held at
 * another revision than the store's, is made anew from the latest snapshot and the steps after it.
 */
@Component
class Workshop {
  private static final long LARGEST = 800_000_000;
  private static final int BYTES_PER_CORNER = 90;

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

    /** What the check would say after a change, as a preview found it. */
    private record Foreseen(long revision, Change change, CheckView check) {}

    Held(Workpiece workpiece, Head head, CheckView check) {
      this.workpiece = workpiece;
      this.check = check;
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

    /** The same for the life of a workpiece: its first vertex with a place never moves by a cut. */
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

  /** The check of a mesh by the profile of what a workpiece is cut for. */
  CheckView check(Head head, Mesh mesh) {
    Task task = tasks.of(head);
    return inspections.inspect(mesh, task.profile(), task.tolerance());
  }

  /** Keeps what the check would say after a change, as long as the workpiece stands as it did. */
  void foresee(Head head, Change change, CheckView check) {
    Held held = cache.getIfPresent(head.id());
    if (held != null) {
      synchronized (held) {
        if (held.isAt(head)) {
          held.foresee(change, check);
        }
      }
    }
  }

  private Held load(Head head) {
    Workpiece workpiece = rebuild(head, head.headStep());
    return new Held(workpiece, head, check(head, workpiece.mesh()));
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
