package fairedge.server.platform;

import com.github.kagkarlsson.scheduler.Scheduler;
import com.github.kagkarlsson.scheduler.task.Task;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import java.time.Duration;
import java.util.List;
import javax.sql.DataSource;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.SmartLifecycle;
import org.springframework.stereotype.Component;

/**
 * Runs jobs, of which PostgreSQL keeps the list, so that any node can run any of them and none is
 * lost with a node: what one leaves half done another takes up once its heartbeat stays away.
 */
@Component
class JobRunner implements SmartLifecycle {
  private static final Duration POLLING = Duration.ofSeconds(2);
  private static final Duration HEARTBEAT = Duration.ofSeconds(4);
  private static final Duration PATIENCE = Duration.ofSeconds(15);

  private final Scheduler scheduler;
  private final JobQueue queue;
  private volatile boolean running;

  JobRunner(
      DataSource database,
      List<Job> jobs,
      JobQueue queue,
      @Value("${fair-edge.jobs.threads}") int threads) {
    List<Task<?>> tasks =
        jobs.stream()
            .<Task<?>>map(job ->
                Tasks.oneTime(job.name()).execute((instance, context) -> job.run(instance.getId())))
            .toList();
    this.queue = queue;
    this.scheduler =
        Scheduler.create(database, tasks)
            .threads(threads)
            .pollingInterval(POLLING)
            .heartbeatInterval(HEARTBEAT)
            .shutdownMaxWait(PATIENCE)
            .build();
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
