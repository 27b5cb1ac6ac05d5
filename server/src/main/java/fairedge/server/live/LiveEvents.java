package fairedge.server.live;

import fairedge.server.live.store.LiveStore;
import fairedge.server.platform.Cleaning;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import org.springframework.stereotype.Service;

/** Tells of what happens. An event lasts a day: who was away for longer looks at all anew. */
@Service
public class LiveEvents implements Cleaning {
  private static final Duration KEPT = Duration.ofDays(1);

  private final LiveStore store;
  private final Clock clock;

  LiveEvents(LiveStore store, Clock clock) {
    this.store = store;
    this.clock = clock;
  }

  /**
   * Keeps an event and tells all nodes; in the transaction at hand, if there is one.
   *
   * @param content to be written as JSON
   */
  public void tell(String subject, String kind, Object content) {
    store.add(subject, kind, content, clock.instant());
  }

  /**
   * Tells whoever listens now, and keeps nothing; the next of its kind takes its place.
   *
   * @param content some kilobytes of JSON at the most
   */
  public void pass(String subject, String kind, Object content) {
    store.pass(subject, kind, content);
  }

  /** The number of the last event of a subject: what is read now has all of them in it. */
  public long last(String subject) {
    return store.last(subject);
  }

  @Override
  public String what() {
    return "live events";
  }

  @Override
  public int clean(Instant now) {
    return store.forgetBefore(now.minus(KEPT));
  }
}
