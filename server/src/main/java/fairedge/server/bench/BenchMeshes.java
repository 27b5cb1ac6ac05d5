package fairedge.server.bench;

import fairedge.server.bench.store.WorkpieceStore.Head;
import fairedge.server.exercise.OwnMeshes;
import fairedge.server.platform.SignedIn;
import fairedge.server.platform.Turns;
import java.util.UUID;
import org.springframework.stereotype.Component;

/** Workpieces of one's own, as starters for whoever writes exercises. */
@Component
class BenchMeshes implements OwnMeshes {
  private final Workpieces workpieces;
  private final Workshop workshop;
  private final Turns turns;

  BenchMeshes(Workpieces workpieces, Workshop workshop, Turns turns) {
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
}
