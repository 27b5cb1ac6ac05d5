package fairedge.server.platform;

import fairedge.core.effort.Effort;
import java.time.Duration;
import java.util.UUID;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.ScheduledFuture;
import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/**
 * A job on something that may be dear beyond all expectation. Each is first tried for a short
 * while; what takes longer goes on where the slow ones go, so that it is overtaken by what is soon
 * done; what takes too long is given up. Of what takes much memory a node does one at a time. Work
 * that nobody wants any more is ended under way.
 */
public abstract class PacedJob implements Job {
  private static final Logger log = LoggerFactory.getLogger(PacedJob.class);
  private static final String PATIENT = " patient";
  private static final int LENGTH_OF_ID = 36;

  private final Pace pace;

  protected PacedJob(Pace pace) {
    this.pace = pace;
  }

  /** How long such jobs may take, and where they wait. */
  @Component
  public static final class Pace implements AutoCloseable {
    private static final long LOOKS_EVERY_MILLIS = 500;

    private final JobQueue jobs;
    private final SlowLane slow;
    private final Duration quick;
    private final Duration longest;
    private final Semaphore large = new Semaphore(1);
    private final ScheduledExecutorService watch =
        Executors.newSingleThreadScheduledExecutor(
            Thread.ofPlatform().name("job-watch").daemon().factory());

    Pace(
        JobQueue jobs,
        SlowLane slow,
        @Value("${fair-edge.jobs.quick}") Duration quick,
        @Value("${fair-edge.jobs.longest}") Duration longest) {
      this.jobs = jobs;
      this.slow = slow;
      this.quick = quick;
      this.longest = longest;
    }

    private ScheduledFuture<?> whileRunning(Runnable look) {
      return watch.scheduleWithFixedDelay(
          look, LOOKS_EVERY_MILLIS, LOOKS_EVERY_MILLIS, TimeUnit.MILLISECONDS);
    }

    @Override
    public void close() {
      watch.shutdownNow();
    }
  }

  /** Whether nothing is to be done about it any more: it is done, or not wanted. */
  protected abstract boolean isOver(UUID id);

  /** Whether it takes so much memory that a node does only one such at a time. */
  protected abstract boolean isLarge(UUID id);

  /** Does the work, asking now and then whether it may go on ({@link Effort#check}). */
  protected abstract void work(UUID id) throws Exception;

  /** Says that it waits for its turn among the slow ones. */
  protected abstract void waits(UUID id);

  /** Says that it took too long and was given up. */
  protected abstract void tooLong(UUID id, Duration most);

  /** Says that it failed. */
  protected abstract void failed(UUID id, Throwable why);

  @Override
  public final Ended run(String run) {
    UUID id = UUID.fromString(run.substring(0, LENGTH_OF_ID));
    if (isOver(id)) {
      return Ended.DONE;
    }
    boolean isLarge = isLarge(id);
    if (isLarge && !pace.large.tryAcquire()) {
      return Ended.LATER;
    }
    try {
      return paced(id, run);
    } finally {
      if (isLarge) {
        pace.large.release();
      }
    }
  }

  private Ended paced(UUID id, String run) {
    if (!run.endsWith(PATIENT)) {
      if (!isDone(id, pace.quick) && !isOver(id)) {
        waits(id);
        pace.jobs.add(name(), id + PATIENT, JobQueue.Rank.PATIENT);
      }
      return Ended.DONE;
    }
    if (!pace.slow.enter()) {
      return Ended.LATER;
    }
    try {
      if (!isDone(id, pace.longest)) {
        log.warn("{} {} was given up after {}", name(), id, pace.longest);
        tooLong(id, pace.longest);
      }
      return Ended.DONE;
    } finally {
      pace.slow.leave();
    }
  }

  /** False if it took longer. */
  private boolean isDone(UUID id, Duration most) {
    Effort effort = Effort.of(most);
    ScheduledFuture<?> looking = pace.whileRunning(() -> stopIfOver(id, effort));
    try {
      effort.on(
          Runtime.getRuntime().availableProcessors(),
          () -> {
            work(id);
            return true;
          });
      return true;
    } catch (Effort.Over over) {
      if (effort.isStopped()) {
        log.info("{} {} was ended while it was worked on", name(), id);
      }
      return effort.isStopped();
    } catch (Exception | OutOfMemoryError broken) {
      failed(id, broken);
      return true;
    } finally {
      looking.cancel(false);
    }
  }

  private void stopIfOver(UUID id, Effort effort) {
    try {
      if (isOver(id)) {
        effort.stop();
      }
    } catch (RuntimeException away) {
      // The store is away for a while: the next look tells.
      log.warn("{} {} could not be looked after", name(), id, away);
    }
  }
}
