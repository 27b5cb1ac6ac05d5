package fairedge.server.bench;

import fairedge.server.bench.store.WorkpieceStore;
import java.util.Collection;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.springframework.stereotype.Service;

/** Who is at work on what; whoever asks decides who may know. */
@Service
public class UnderWay {
  private final WorkpieceStore store;

  UnderWay(WorkpieceStore store) {
    this.store = store;
  }

  /** Who has made a step at least, by assignment. */
  public Map<UUID, Set<UUID>> begun(Collection<UUID> assignments) {
    return store.begun(assignments);
  }
}
