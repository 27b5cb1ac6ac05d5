package fairedge.server.notice;

import fairedge.server.notice.store.OutboxStore;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.stereotype.Service;

/** The demo's mail: kept, to be read in the browser, and never sent. */
@Service
@ConditionalOnProperty(name = "fair-edge.demo", havingValue = "true")
public class Outbox {
  private final OutboxStore store;
  private final Clock clock;

  Outbox(OutboxStore store, Clock clock) {
    this.store = store;
    this.clock = clock;
  }

  /** A mail that would have gone out. */
  public record OutboxMail(long id, Instant sentAt, String address, String subject, String body) {}

  /** The newest first. */
  public List<OutboxMail> newest() {
    return store.newest();
  }

  void keep(Post.Mail mail) {
    store.insert(clock.instant(), mail.to(), mail.subject(), mail.body());
  }
}
