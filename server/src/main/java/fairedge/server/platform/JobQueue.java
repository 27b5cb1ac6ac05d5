package fairedge.server.platform;

import com.github.kagkarlsson.scheduler.SchedulerClient;
import com.github.kagkarlsson.scheduler.task.TaskInstance;
import java.time.Clock;
import java.time.Instant;
import javax.sql.DataSource;
import org.springframework.jdbc.datasource.TransactionAwareDataSourceProxy;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionSynchronization;
import org.springframework.transaction.support.TransactionSynchronizationManager;

/** Where modules ask for runs of their jobs: kept in PostgreSQL in the transaction at hand. */
@Component
public class JobQueue {
  private final SchedulerClient client;
  private final Clock clock;
  private volatile Runnable wake = () -> {};

  JobQueue(DataSource database, Clock clock) {
    this.clock = clock;
    this.client =
        SchedulerClient.Builder.create(new TransactionAwareDataSourceProxy(database))
            .enablePriority()
            .build();
  }

  /** What is to be called when there is something to run. */
  void onAdded(Runnable wake) {
    this.wake = wake;
  }

  /** What goes before what, where more waits than can be run. */
  public enum Rank {
    SOON(90),
    USUAL(50),
    /** What is known to take long. */
    PATIENT(10);

    private final int priority;

    Rank(int priority) {
      this.priority = priority;
    }
  }

  /** Asks for a run of a job; it begins soon after the transaction at hand, if any, is through. */
  public void add(String job, String id, Rank rank) {
    TaskInstance<Void> run =
        new TaskInstance.Builder<Void>(job, id).priority(rank.priority).build();
    client.scheduleIfNotExists(run, Instant.now(clock));
    if (!TransactionSynchronizationManager.isSynchronizationActive()) {
      wake.run();
      return;
    }
    TransactionSynchronizationManager.registerSynchronization(
        new TransactionSynchronization() {
          @Override
          public void afterCommit() {
            wake.run();
          }
        });
  }
}
