package fairedge.server.bench;

import fairedge.server.bench.store.WorkpieceStore;
import fairedge.server.exercise.Editor;
import fairedge.server.exercise.StarterChanged;
import fairedge.server.platform.Cleaning;
import fairedge.server.platform.SignedIn;
import java.time.Duration;
import java.time.Instant;
import java.util.UUID;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Tries of exercises by whoever writes them: gone when another is begun, when the exercise has
 * another starter, and a day later.
 */
@Service
public class Rehearsals implements Cleaning {
  private static final Duration KEPT = Duration.ofDays(1);

  private final Bench bench;
  private final Editor editor;
  private final WorkpieceStore store;
  private final TransactionTemplate transactions;

  Rehearsals(Bench bench, Editor editor, WorkpieceStore store, TransactionTemplate transactions) {
    this.bench = bench;
    this.editor = editor;
    this.store = store;
    this.transactions = transactions;
  }

  /** Goes on with a try, or begins one. */
  public WorkpieceView open(UUID exercise, SignedIn account) {
    return bench.open(Owner.rehearsal(exercise), account);
  }

  /** Lets go of a try: the next one begins with the starter. */
  public void forget(UUID exercise, SignedIn account) {
    editor.requireToRehearse(exercise, account);
    Owner owner = Owner.rehearsal(exercise);
    transactions.executeWithoutResult(status -> store.forget(owner, account.id()));
  }

  @EventListener
  void onStarterChanged(StarterChanged changed) {
    store.forget(Owner.rehearsal(changed.exercise()));
  }

  @Override
  public String what() {
    return "tries of exercises";
  }

  @Override
  public int clean(Instant now) {
    Integer gone =
        transactions.execute(
            status -> store.forgetOpenedBefore(Owner.Type.rehearsal, now.minus(KEPT)));
    return gone == null ? 0 : gone;
  }
}
