package fairedge.server.account;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import fairedge.server.platform.Problem;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.atomic.AtomicReference;
import org.springframework.stereotype.Component;

/**
 * Slows down whoever guesses passwords or codes: for each sign-in (and each sort of code) from each
 * place a few tries are free, then each has to wait, longer every time. A try counts before it is
 * known whether it fits, so that as many at once count as many; one that fits counts for nothing.
 * Only the place that guesses waits: whoever has that sign-in gets in from anywhere else, and from
 * a device that was signed in before even from the same address.
 */
@Component
public class Guesses {
  private static final int FREE = 8;
  private static final Duration FIRST_WAIT = Duration.ofSeconds(1);
  private static final int MOST_DOUBLINGS = 20;
  private static final Duration LONGEST_WAIT = Duration.ofMinutes(5);
  private static final Duration FORGOTTEN = Duration.ofHours(1);
  private static final int REMEMBERED = 200_000;

  private final Clock clock;
  private final Cache<String, Tries> tries =
      Caffeine.newBuilder().maximumSize(REMEMBERED).expireAfterAccess(FORGOTTEN).build();

  Guesses(Clock clock) {
    this.clock = clock;
  }

  /**
   * @param count made, and not found to fit
   * @param next when another may be made
   */
  private record Tries(int count, Instant next) {
    Tries another(Instant now) {
      int over = Math.min(count + 1 - FREE, MOST_DOUBLINGS);
      Duration wait = over < 0 ? Duration.ZERO : FIRST_WAIT.multipliedBy(1L << over);
      return new Tries(count + 1, now.plus(wait.compareTo(LONGEST_WAIT) > 0 ? LONGEST_WAIT : wait));
    }
  }

  /**
   * Counts a try.
   *
   * @param place an address, or a device that was signed in before
   * @throws Problem if it comes too soon after others; says how long to wait
   */
  public void begin(String signIn, String place) {
    Instant now = clock.instant();
    AtomicReference<Instant> wait = new AtomicReference<>();
    tries
        .asMap()
        .compute(
            key(signIn, place),
            (k, known) -> {
              if (known != null && known.next.isAfter(now)) {
                wait.set(known.next);
                return known;
              }
              return (known == null ? new Tries(0, now) : known).another(now);
            });
    Instant next = wait.get();
    if (next != null) {
      long seconds = Math.max(1, Duration.between(now, next).toSeconds());
      throw Problem.of(
          Problem.Kind.TOO_MANY,
          "Too many tries that did not fit. Try again in " + seconds + " seconds.",
          Map.of("seconds", seconds));
    }
  }

  /** It fitted: what was tried before is forgotten. */
  public void fitted(String signIn, String place) {
    tries.invalidate(key(signIn, place));
  }

  private static String key(String signIn, String place) {
    return signIn.strip().toLowerCase(Locale.ROOT) + " " + place;
  }
}
