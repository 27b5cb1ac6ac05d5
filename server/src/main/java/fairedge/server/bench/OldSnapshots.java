package fairedge.server.bench;

import fairedge.server.bench.store.WorkpieceStore;
import fairedge.server.platform.Cleaning;
import java.time.Instant;
import org.springframework.stereotype.Component;

/**
 * Of the snapshots of a workpiece the last four are kept, and those without which its steps could
 * not be made again; the others can be made from the steps.
 */
@Component
class OldSnapshots implements Cleaning {
  private static final int KEPT = 4;

  private final WorkpieceStore store;

  OldSnapshots(WorkpieceStore store) {
    this.store = store;
  }

  @Override
  public String what() {
    return "snapshots of workpieces";
  }

  @Override
  public int clean(Instant now) {
    return store.forgetSnapshots(KEPT);
  }
}
