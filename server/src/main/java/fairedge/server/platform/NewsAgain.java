package fairedge.server.platform;

import com.github.kagkarlsson.scheduler.task.helper.RecurringTask;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import com.github.kagkarlsson.scheduler.task.schedule.FixedDelay;
import java.time.Duration;
import org.springframework.modulith.events.FailedEventPublications;
import org.springframework.modulith.events.ResubmissionOptions;
import org.springframework.stereotype.Component;

/**
 * News from one module to another is kept in PostgreSQL in the transaction that it is of, and goes
 * out after it. What somebody could not take up, or what a node died with, is sent again.
 */
@Component
class NewsAgain {
  private static final Duration EVERY = Duration.ofMinutes(1);

  private final FailedEventPublications failed;

  NewsAgain(FailedEventPublications failed) {
    this.failed = failed;
  }

  /** Every minute, on whichever node. */
  RecurringTask<Void> task() {
    return Tasks.recurring("news", FixedDelay.of(EVERY)).execute((instance, context) -> send());
  }

  void send() {
    failed.resubmit(ResubmissionOptions.defaults());
  }
}
