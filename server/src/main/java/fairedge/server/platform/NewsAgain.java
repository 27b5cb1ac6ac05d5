package fairedge.server.platform;

import java.time.Duration;
import org.springframework.modulith.events.FailedEventPublications;
import org.springframework.modulith.events.ResubmissionOptions;
import org.springframework.stereotype.Component;

/**
 * News from one module to another is kept in PostgreSQL in the transaction that it is of, and goes
 * out after it. What somebody could not take up, or what a node died with, is sent again.
 */
@Component
class NewsAgain implements Round {
  private static final Duration EVERY = Duration.ofMinutes(1);

  private final FailedEventPublications failed;

  NewsAgain(FailedEventPublications failed) {
    this.failed = failed;
  }

  @Override
  public String name() {
    return "news";
  }

  @Override
  public Duration every() {
    return EVERY;
  }

  @Override
  public void go() {
    failed.resubmit(ResubmissionOptions.defaults());
  }
}
