package fairedge.server.bench;

import fairedge.core.effort.Effort;
import fairedge.core.step.Outcome;
import fairedge.core.step.Workpiece;
import fairedge.server.bench.store.WorkpieceStore;
import fairedge.server.bench.store.WorkpieceStore.Head;
import fairedge.server.bench.store.WorkpieceStore.Numbered;
import fairedge.server.bench.store.WorkpieceStore.Snapshot;
import fairedge.server.meshfile.MeshFiles;
import java.util.Arrays;
import java.util.Objects;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

/** Workpieces made again from what is kept: from the latest snapshot and the steps since. */
@Component
class Replays {
  private static final Logger log = LoggerFactory.getLogger(Replays.class);

  private final WorkpieceStore store;
  private final Tasks tasks;
  private final MeshFiles meshes;

  Replays(WorkpieceStore store, Tasks tasks, MeshFiles meshes) {
    this.store = store;
    this.tasks = tasks;
    this.meshes = meshes;
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
  record Replayed(Workpiece workpiece, @Nullable String remark) {}

  Replayed replayed(Head head, @Nullable Long step) {
    Task task = tasks.of(head.owner(), head.accountId());
    Optional<Snapshot> snapshot =
        step == null
            ? Optional.empty()
            : store.snapshotBefore(step).map(kept -> proved(head, task, kept));
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

  /**
   * A snapshot of which it is known whether this engine comes to it too. If not, the workpiece goes
   * on from it all the same: it is what was there, and what later steps were cut on.
   */
  private Snapshot proved(Head head, Task task, Snapshot snapshot) {
    if (snapshot.engine() == Workpiece.ENGINE) {
      return snapshot;
    }
    Optional<Snapshot> before = store.snapshotBefore(snapshot.step(), snapshot.number());
    int from = before.map(Snapshot::number).orElse(0);
    Workpiece workpiece =
        new Workpiece(
            meshes.require(before.map(Snapshot::mesh).orElse(task.starter())), task.tolerance());
    boolean leadsThere =
        store.changes(from, snapshot.step()).stream()
                .allMatch(kept -> isMade(workpiece, kept, head))
            && Arrays.equals(meshes.hashOf(workpiece.mesh()), snapshot.mesh());
    String remark = snapshot.remark();
    if (!leadsThere && remark == null) {
      remark =
          "Some of the steps %d to %d come out otherwise in this version of Fair Edge: the mesh is as"
                  .formatted(from + 1, snapshot.number())
              + " it was kept after them. Nothing is lost.";
    }
    store.proved(snapshot, remark);
    return new Snapshot(
        snapshot.step(), snapshot.number(), snapshot.mesh(), remark, Workpiece.ENGINE);
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
