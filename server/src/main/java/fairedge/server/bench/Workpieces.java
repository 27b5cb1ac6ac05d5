package fairedge.server.bench;

import fairedge.server.bench.store.WorkpieceStore;
import fairedge.server.bench.store.WorkpieceStore.Head;
import fairedge.server.bench.store.WorkpieceStore.Known;
import fairedge.server.platform.Problem;
import fairedge.server.platform.SignedIn;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Component;

/** Finds workpieces for those whose they are, and nobody else. */
@Component
class Workpieces {
  private static final String STALE =
      "This workpiece was cut in another window meanwhile; here is how it stands now.";

  private final WorkpieceStore store;

  private final Tasks tasks;

  Workpieces(WorkpieceStore store, Tasks tasks) {
    this.tasks = tasks;
    this.store = store;
  }

  Head require(UUID id, SignedIn account) {
    return owned(store.find(id), account);
  }

  /** The same, and whether a request was answered by it before. */
  Known require(UUID id, SignedIn account, UUID clientKey) {
    Optional<Known> known = store.find(id, clientKey);
    owned(known.map(Known::head), account);
    return known.orElseThrow();
  }

  private Head owned(Optional<Head> found, SignedIn account) {
    Head head =
        found
            .filter(h -> h.accountId().equals(account.id()))
            .orElseThrow(() -> Problem.notFound("workpiece"));
    tasks.requireToCut(head.owner(), account);
    return head;
  }

  static void requireFresh(Head head, long revision) {
    if (head.revision() != revision) {
      throw Problem.of(Problem.Kind.STALE, STALE, Map.of("revision", head.revision()));
    }
  }

  static Problem stale() {
    return Problem.of(Problem.Kind.STALE, STALE);
  }
}
