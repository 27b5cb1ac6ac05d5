package fairedge.server.bench;

import fairedge.server.bench.store.WorkpieceStore;
import fairedge.server.platform.Cleaning;
import fairedge.server.practice.Practices;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/** Practice pieces that were put away go after 90 days, with all that was cut on them. */
@Component
class OldPractice implements Cleaning {
  private static final Duration KEPT = Duration.ofDays(90);

  private final Practices practices;
  private final WorkpieceStore store;
  private final TransactionTemplate transactions;

  OldPractice(Practices practices, WorkpieceStore store, TransactionTemplate transactions) {
    this.practices = practices;
    this.store = store;
    this.transactions = transactions;
  }

  @Override
  public String what() {
    return "practice pieces that were put away";
  }

  @Override
  public int clean(Instant now) {
    List<UUID> old = practices.putAwayBefore(now.minus(KEPT));
    for (UUID practice : old) {
      transactions.executeWithoutResult(status -> {
        store.forget(Owner.practice(practice));
        practices.forget(practice);
      });
    }
    return old.size();
  }
}
