package fairedge.server.platform;

import com.github.kagkarlsson.scheduler.Scheduler;
import com.github.kagkarlsson.scheduler.task.CompletionHandler;
import com.github.kagkarlsson.scheduler.task.Task;
import com.github.kagkarlsson.scheduler.task.helper.RecurringTask;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import com.github.kagkarlsson.scheduler.task.schedule.FixedDelay;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import javax.sql.DataSource;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.SmartLifecycle;
import org.springframework.stereotype.Component;

/**
 * Runs jobs, of which PostgreSQL keeps the list, so that any node can run any of them and none is
 * lost with a node: what one leaves half done another takes up once its heartbeat stays away.
 */
@Component
class JobRunner implements SmartLifecycle {
  private static final Logger log = LoggerFactory.getLogger(JobRunner.class);
  private static final Duration DAY = Duration.ofDays(1);
  private static final Duration POLLING = Duration.ofSeconds(2);
  private static final Duration HEARTBEAT = Duration.ofSeconds(4);
  private static final Duration PATIENCE = Duration.ofSeconds(15);

  /** A run that threw is tried again after so long. */
  private static final Duration FAILED = Duration.ofMinutes(5);

  private final Scheduler scheduler;
  private final JobQueue queue;
  private volatile boolean running;

  JobRunner(
      DataSource database,
      List<Job> jobs,
      List<Cleaning> cleanings,
      List<Round> rounds,
      JobQueue queue,
      @Value("${fair-edge.jobs.threads}") int threads) {
    List<Task<?>> tasks = jobs.stream().<Task<?>>map(JobRunner::task).toList();
    this.queue = queue;
    this.scheduler =
        Scheduler.create(database, tasks)
            .startTasks(cleaning(cleanings))
            .startTasks(rounds.stream().map(JobRunner::task).toList())
            .threads(threads)
            .enablePriority()
            .pollingInterval(POLLING)
            .heartbeatInterval(HEARTBEAT)
            .shutdownMaxWait(PATIENCE)
            .build();
  }

  /** Once a day, on whichever node. */
  private static RecurringTask<Void> cleaning(List<Cleaning> cleanings) {
    return Tasks.recurring("cleaning", FixedDelay.of(DAY))
        .execute((instance, context) ->
            cleanings.forEach(cleaning -> {
              int gone = cleaning.clean(Instant.now());
              if (gone > 0) {
                log.atInfo()
                    .addKeyValue("event", "cleaned")
                    .addKeyValue("count", gone)
                    .log(cleaning.what());
              }
            }));
  }

  private static RecurringTask<Void> task(Round round) {
    return Tasks.recurring(round.name(), FixedDelay.of(round.every()))
        .execute((instance, context) -> round.go());
  }

  private static Task<Void> task(Job job) {
    return Tasks.custom(job.name(), Void.class)
        .onDeadExecutionRevive()
        .onFailure((run, operations) -> operations.reschedule(run, after(FAILED)))
        .execute((instance, context) -> ended(job.run(instance.getId())));
  }

  private static CompletionHandler<Void> ended(Job.Ended ended) {
    return switch (ended) {
      case Job.Ended.Done() -> (run, operations) -> operations.remove();
      case Job.Ended.Later(Duration pause) ->
          (run, operations) -> operations.reschedule(run, after(pause));
    };
  }

  private static Instant after(Duration wait) {
    return Instant.now().plus(wait);
  }

  @Override
  public void start() {
    scheduler.start();
    queue.onAdded(scheduler::triggerCheckForDueExecutions);
    running = true;
  }

  @Override
  public void stop() {
    scheduler.stop();
    running = false;
  }

  @Override
  public boolean isRunning() {
    return running;
  }
}
