package fairedge.server.bench;

import fairedge.core.effort.Effort;
import fairedge.core.mend.Sweep;
import fairedge.server.platform.Problem;
import fairedge.server.platform.SignedIn;
import fairedge.server.platform.Turns;
import jakarta.annotation.PreDestroy;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.function.Function;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.stereotype.Component;

/**
 * Sweeps of mends under way, one of each person: on a copy, so that the workpiece can be cut
 * meanwhile. One for which nobody asks any more ends.
 */
@Component
class Sweeps {
  /** So long nobody has to ask. */
  private static final Duration FORGOTTEN = Duration.ofSeconds(10);

  /** So long what came of one is kept. */
  private static final Duration KEPT = Duration.ofMinutes(5);

  private final Turns turns;
  private final Duration forgotten;
  private final ExecutorService waiting = Executors.newVirtualThreadPerTaskExecutor();
  private final Map<UUID, Running> running = new ConcurrentHashMap<>();

  @Autowired
  Sweeps(Turns turns) {
    this(turns, FORGOTTEN);
  }

  Sweeps(Turns turns, Duration forgotten) {
    this.turns = turns;
    this.forgotten = forgotten;
  }

  /** What is swept. */
  record Asked(UUID workpiece, long revision, List<String> kinds, List<Integer> hidden) {}

  /** One under way. */
  static final class Running {
    private final Asked asked;
    private final Duration forgotten;
    private final CompletableFuture<Sweep> result = new CompletableFuture<>();
    private volatile long lastAsked = System.nanoTime();
    private volatile boolean isStopped;
    private volatile int dealt;
    private volatile int of;

    private Running(Asked asked, Duration forgotten) {
      this.asked = asked;
      this.forgotten = forgotten;
    }

    int dealt() {
      return dealt;
    }

    int of() {
      return of;
    }

    private void at(int now, int all) {
      dealt = now;
      of = all;
      // Who asks again later begins anew.
      isStopped = isStopped || isOlderThan(forgotten);
      if (isStopped) {
        throw new Effort.Over();
      }
    }

    private boolean isOlderThan(Duration age) {
      return System.nanoTime() - lastAsked > age.toNanos();
    }

    /**
     * What came of it, if that is there within a time.
     *
     * @throws Problem if it took too long in all
     */
    Optional<Sweep> await(Duration patience) {
      lastAsked = System.nanoTime();
      try {
        return Optional.of(result.get(patience.toMillis(), TimeUnit.MILLISECONDS));
      } catch (TimeoutException notYet) {
        return Optional.empty();
      } catch (InterruptedException e) {
        Thread.currentThread().interrupt();
        return Optional.empty();
      } catch (ExecutionException e) {
        throw e.getCause() instanceof RuntimeException cause ? cause : new CompletionException(e);
      }
    }
  }

  /**
   * The one that is asked for; it is begun if it is not under way, and another of the same person
   * ends.
   *
   * @param work given what is to be told how far it is
   */
  Running of(SignedIn person, Asked asked, Function<Sweep.Progress, Sweep> work) {
    running.values().removeIf(r -> r.isOlderThan(KEPT));
    return running.compute(
        person.id(),
        (id, now) -> {
          if (now != null && now.asked.equals(asked) && !now.isStopped) {
            return now;
          }
          if (now != null) {
            now.isStopped = true;
          }
          Running next = new Running(asked, forgotten);
          waiting.execute(() -> sweep(person, next, work));
          return next;
        });
  }

  private void sweep(SignedIn person, Running next, Function<Sweep.Progress, Sweep> work) {
    try {
      next.result.complete(turns.await(person.id(), () -> work.apply(next::at)));
    } catch (RuntimeException failed) {
      next.result.completeExceptionally(failed);
    }
  }

  /** Ends the one of a person, if it is of a workpiece. */
  void stop(SignedIn person, UUID workpiece) {
    running.computeIfPresent(
        person.id(),
        (id, now) -> {
          if (!now.asked.workpiece.equals(workpiece)) {
            return now;
          }
          now.isStopped = true;
          return null;
        });
  }

  @PreDestroy
  void close() {
    waiting.shutdownNow();
  }
}
