package fairedge.server.account.http;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import fairedge.server.platform.Problem;
import io.github.bucket4j.Bucket;
import java.time.Duration;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.springframework.stereotype.Component;

/**
 * Slows down whoever guesses passwords: so many failures for one sign-in, and so many from one
 * address, then a wait. Only failures count, so that a class that signs in at once is not held up.
 */
@Component
class SignInThrottle {
  private static final int PER_SIGN_IN = 10;
  private static final int PER_ADDRESS = 100;
  private static final Duration WHILE = Duration.ofMinutes(5);
  private static final int REMEMBERED = 100_000;

  private final Cache<String, Bucket> buckets =
      Caffeine.newBuilder().maximumSize(REMEMBERED).expireAfterAccess(WHILE).build();

  /**
   * @throws Problem if there were too many failures lately; says how long to wait
   */
  void check(String signIn, String address) {
    for (Bucket bucket : bucketsOf(signIn, address)) {
      if (bucket.getAvailableTokens() == 0) {
        long nanos = bucket.estimateAbilityToConsume(1).getNanosToWaitForRefill();
        long seconds = Math.max(1, Duration.ofNanos(nanos).toSeconds());
        throw Problem.of(
            Problem.Kind.TOO_MANY,
            "Too many tries with a wrong password. Try again in " + seconds + " seconds.",
            Map.of("seconds", seconds));
      }
    }
  }

  void failed(String signIn, String address) {
    bucketsOf(signIn, address).forEach(bucket -> bucket.tryConsume(1));
  }

  private List<Bucket> bucketsOf(String signIn, String address) {
    String name = signIn.strip().toLowerCase(Locale.ROOT);
    return List.of(
        buckets.get("sign-in " + name, k -> bucket(PER_SIGN_IN)),
        buckets.get("address " + address, k -> bucket(PER_ADDRESS)));
  }

  private static Bucket bucket(int failures) {
    return Bucket.builder()
        .addLimit(limit -> limit.capacity(failures).refillGreedy(failures, WHILE))
        .build();
  }
}
