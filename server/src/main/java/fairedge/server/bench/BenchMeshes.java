package fairedge.server.bench;

import fairedge.server.bench.store.WorkpieceStore;
import fairedge.server.bench.store.WorkpieceStore.Head;
import fairedge.server.exercise.Begun;
import fairedge.server.exercise.OwnMeshes;
import fairedge.server.platform.SignedIn;
import fairedge.server.platform.Turns;
import java.util.Collection;
import java.util.UUID;
import org.springframework.stereotype.Component;

/** What the bench knows for whoever writes exercises: own workpieces, and whether anybody began. */
@Component
class BenchMeshes implements OwnMeshes, Begun {
  private final WorkpieceStore store;
  private final Workpieces workpieces;
  private final Workshop workshop;
  private final Turns turns;

  BenchMeshes(WorkpieceStore store, Workpieces workpieces, Workshop workshop, Turns turns) {
    this.store = store;
    this.workpieces = workpieces;
    this.workshop = workshop;
    this.turns = turns;
  }

  @Override
  public OwnMesh workpiece(UUID id, SignedIn account) {
    Head head = workpieces.require(id, account);
    TaskView task = workshop.task(head).view();
    return turns.here(
        account.id(),
        () ->
            new OwnMesh(
                workshop.read(head, (now, held) -> held.workpiece.mesh().copy()),
                task.unit(),
                "your own, cut from " + task.title()));
  }

  @Override
  public boolean hasBegun(Collection<UUID> assignments) {
    return store.hasAny(assignments);
  }
}
