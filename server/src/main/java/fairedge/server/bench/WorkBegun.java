package fairedge.server.bench;

import fairedge.server.bench.store.WorkpieceStore;
import fairedge.server.exercise.Begun;
import java.util.Collection;
import java.util.UUID;
import org.springframework.stereotype.Component;

/** Whoever has a workpiece of what is set has begun. */
@Component
class WorkBegun implements Begun {
  private final WorkpieceStore store;

  WorkBegun(WorkpieceStore store) {
    this.store = store;
  }

  @Override
  public boolean hasBegun(Collection<UUID> assignments) {
    return store.hasAny(assignments);
  }
}
