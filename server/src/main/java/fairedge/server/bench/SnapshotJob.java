package fairedge.server.bench;

import fairedge.server.bench.store.WorkpieceStore;
import fairedge.server.meshfile.MeshFiles;
import fairedge.server.platform.Job;
import org.springframework.stereotype.Component;

/** Keeps the mesh as it is after a step, so that opening a workpiece replays few steps. */
@Component
class SnapshotJob implements Job {
  static final String NAME = "snapshot";

  private final WorkpieceStore store;
  private final Replays replays;
  private final MeshFiles meshes;

  SnapshotJob(WorkpieceStore store, Replays replays, MeshFiles meshes) {
    this.store = store;
    this.replays = replays;
    this.meshes = meshes;
  }

  @Override
  public String name() {
    return NAME;
  }

  @Override
  public Ended run(String id) {
    long step = Long.parseLong(id);
    byte[] mesh = meshes.keep(replays.rebuild(store.headOf(step), step).mesh());
    store.keepSnapshot(step, mesh, null);
    return Ended.DONE;
  }
}
