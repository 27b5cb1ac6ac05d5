package fairedge.server.bench;

import fairedge.server.bench.store.WorkpieceStore;
import fairedge.server.bench.store.WorkpieceStore.Head;
import fairedge.server.bench.store.WorkpieceStore.Locked;
import fairedge.server.platform.Problem;
import fairedge.server.platform.SignedIn;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Component;

/** Finds workpieces for those whose they are, and nobody else. */
@Component
class Workpieces {
  private final WorkpieceStore store;

  Workpieces(WorkpieceStore store) {
    this.store = store;
  }

  Head require(UUID id, SignedIn owner) {
    return owned(store.find(id), owner);
  }

  /** The same, and no one else moves it until the transaction at hand ends. */
  Locked lock(UUID id, SignedIn owner, UUID clientKey) {
    Optional<Locked> locked = store.lock(id, clientKey);
    owned(locked.map(Locked::head), owner);
    return locked.orElseThrow();
  }

  private static Head owned(Optional<Head> found, SignedIn owner) {
    return found
        .filter(h -> h.studentId().equals(owner.id()))
        .orElseThrow(() -> Problem.notFound("workpiece"));
  }

  static void requireFresh(Head head, long revision) {
    if (head.revision() != revision) {
      throw Problem.of(
          Problem.Kind.STALE,
          "This workpiece was cut in another window meanwhile; here is how it stands now.",
          Map.of("revision", head.revision()));
    }
  }
}
