package fairedge.server.notice;

import fairedge.server.account.Accounts;
import fairedge.server.course.Belongings;
import fairedge.server.notice.store.LetterStore;
import fairedge.server.notice.store.OutboxStore;
import fairedge.server.platform.Cleaning;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;

/** Mail to somebody: gone with their work, and else 400 days after it was sent. */
@Component
@Order(0)
class MailKept implements Belongings, Cleaning {
  private static final Duration KEPT = Duration.ofDays(400);

  private final LetterStore store;
  private final OutboxStore outbox;
  private final Accounts accounts;

  MailKept(LetterStore store, OutboxStore outbox, Accounts accounts) {
    this.store = store;
    this.outbox = outbox;
    this.accounts = accounts;
  }

  /** What mail says is elsewhere, and codes are for nobody else. */
  @Override
  public void pack(Of whose, Box box) {}

  @Override
  public void erase(Of whose) {
    store.forget(whose.account());
    accounts
        .selves(List.of(whose.account()))
        .values()
        .forEach(self -> {
          if (self.address() != null) {
            outbox.forget(self.address());
          }
        });
  }

  @Override
  public void eraseAccount(UUID account) {
    store.setUnwanted(account, Set.of());
  }

  @Override
  public String what() {
    return "mail of long ago";
  }

  @Override
  public int clean(Instant now) {
    return store.forgetOver(now, KEPT);
  }
}
