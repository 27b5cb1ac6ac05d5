package fairedge.server.notice;

import fairedge.server.notice.Letter.State;
import fairedge.server.notice.store.LetterStore;
import fairedge.server.platform.Job;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Sends a mail: again while it surely was not taken, each time after twice as long, for a day; and
 * never again where it may have been.
 */
@Component
class LetterJob implements Job {
  static final String NAME = "letter";

  private static final Logger log = LoggerFactory.getLogger(LetterJob.class);
  private static final Duration FIRST_WAIT = Duration.ofMinutes(1);
  private static final Duration LONGEST_WAIT = Duration.ofHours(1);
  private static final Duration LONGEST = Duration.ofDays(1);

  private final LetterStore store;
  private final Writing writing;
  private final Post post;
  private final TransactionTemplate transaction;
  private final Clock clock;

  LetterJob(
      LetterStore store, Writing writing, Post post, TransactionTemplate transaction, Clock clock) {
    this.store = store;
    this.writing = writing;
    this.post = post;
    this.transaction = transaction;
    this.clock = clock;
  }

  @Override
  public String name() {
    return NAME;
  }

  @Override
  public Ended run(String run) {
    Optional<Letter> begun = transaction.execute(status -> begun(UUID.fromString(run)));
    return begun == null || begun.isEmpty() ? Ended.DONE : sent(begun.get());
  }

  private Ended sent(Letter letter) {
    Optional<Post.Mail> mail = writing.write(letter);
    // Nothing is left to say, or nobody to say it to.
    Post.Sent sent = mail.map(post::send).orElseGet(Post.Sent.Taken::new);
    return switch (sent) {
      case Post.Sent.Taken taken -> over(letter, State.TAKEN, null);
      case Post.Sent.Refused(String why) -> over(letter, State.REFUSED, why);
      case Post.Sent.Unknown(String why) -> over(letter, State.UNKNOWN, why);
      case Post.Sent.Later(String why) -> later(letter, why);
    };
  }

  /** Marks it as on its way. What was so already, a node died with: it may have been taken. */
  private Optional<Letter> begun(UUID id) {
    Optional<Letter> found = store.lock(id);
    if (found.isEmpty()) {
      return found;
    }
    Letter letter = found.get();
    switch (letter.state()) {
      case WAITING -> store.set(id, State.GOING, letter.tries() + 1, clock.instant());
      case GOING -> over(letter, State.UNKNOWN, "a node ended while it went");
      default -> {}
    }
    return found.filter(l -> l.state() == State.WAITING);
  }

  private Ended over(Letter letter, State state, @Nullable String why) {
    store.set(letter.id(), state, tries(letter), clock.instant());
    if (state != State.TAKEN) {
      tell(letter, state, why);
    }
    return Ended.DONE;
  }

  private Ended later(Letter letter, @Nullable String why) {
    Instant now = clock.instant();
    if (letter.madeAt().plus(LONGEST).isBefore(now)) {
      return over(letter, State.REFUSED, why);
    }
    store.set(letter.id(), State.WAITING, tries(letter), now);
    tell(letter, State.WAITING, why);
    return new Ended.Later(wait(letter.tries()));
  }

  /** It is what it was before this one. */
  private static int tries(Letter letter) {
    return letter.state() == State.WAITING ? letter.tries() + 1 : letter.tries();
  }

  /** How long after so many tries the next one waits. */
  static Duration wait(int tries) {
    Duration wait = FIRST_WAIT.multipliedBy(1L << Math.min(tries, 10));
    return wait.compareTo(LONGEST_WAIT) < 0 ? wait : LONGEST_WAIT;
  }

  private static void tell(Letter letter, State state, @Nullable String why) {
    log.atWarn()
        .addKeyValue("event", "mail-" + state.key())
        .addKeyValue("letter", letter.id())
        .log(why == null ? "mail was not taken" : why);
  }
}
