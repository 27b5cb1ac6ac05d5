package fairedge.server.platform;

import fairedge.core.effort.Effort;
import jakarta.annotation.PreDestroy;
import java.time.Duration;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.PriorityBlockingQueue;
import java.util.concurrent.Semaphore;
import java.util.concurrent.ThreadPoolExecutor;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicLong;
import java.util.function.Supplier;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/**
 * Lets work on meshes take turns, so that nobody can keep the processors from the others. Large
 * work is done on a part of the processors: what somebody waits for goes before what is owed; else
 * the first piece of work of each person before anybody's second, and so on. Small work is done at
 * once, but of one person only so much at a time. All of it has a limit of time. Whoever waits
 * shall hold no connection to the database.
 */
@Component
public class Turns {
  /** Of one person that is done at a time, and that may wait for it. */
  private static final int AT_ONCE = 2;

  private static final int MOST_WAITING = 24;

  /** So much large work of one person may wait for its turn. */
  private static final int MOST_LARGE = 24;

  /** A mesh with more faces than these is large. */
  public static final int MOST_FACES_AT_ONCE = 20_000;

  private static final ScopedValue<UUID> AT_WORK = ScopedValue.newInstance();

  private final int processors;
  private final Duration most;
  private final ThreadPoolExecutor turns;
  private final AtomicLong came = new AtomicLong();

  /** How much large work each person has asked for that is not done. */
  private final Map<UUID, Integer> asked = new ConcurrentHashMap<>();

  private final Map<UUID, Own> own = new ConcurrentHashMap<>();

  @Autowired
  public Turns(@Value("${fair-edge.limits.work}") Duration most) {
    // Half of the processors: hands that cut meanwhile find one free.
    this(Math.max(1, Runtime.getRuntime().availableProcessors() / 2), most);
  }

  Turns(int processors, Duration most) {
    this.processors = processors;
    this.most = most;
    turns =
        new ThreadPoolExecutor(
            processors,
            processors,
            0,
            TimeUnit.SECONDS,
            new PriorityBlockingQueue<>(),
            Thread.ofPlatform().name("turn-", 0).daemon().factory());
  }

  private enum Rank {
    ASKED,
    OWED
  }

  private final class Turn implements Runnable, Comparable<Turn> {
    private final Rank rank;

    /** How much the same person had asked for before. */
    private final int level;

    private final long number = came.getAndIncrement();
    private final Runnable work;

    Turn(Rank rank, int level, Runnable work) {
      this.rank = rank;
      this.level = level;
      this.work = work;
    }

    @Override
    public void run() {
      work.run();
    }

    @Override
    public int compareTo(Turn other) {
      int byRank = rank.compareTo(other.rank);
      int byLevel = byRank != 0 ? byRank : Integer.compare(level, other.level);
      return byLevel != 0 ? byLevel : Long.compare(number, other.number);
    }
  }

  /**
   * Does large work that the caller waits for; what it throws is thrown here.
   *
   * @throws Problem if it takes too long, or too much of the same person waits already
   */
  public <T> T await(UUID person, Supplier<T> work) {
    int level = asked.merge(person, 1, Integer::sum);
    try {
      if (level > MOST_LARGE) {
        throw tooMany();
      }
      return Effort.waiting(
          CompletableFuture.supplyAsync(
                  () -> limited(work), run -> turns.execute(new Turn(Rank.ASKED, level, run)))
              ::join);
    } catch (CompletionException e) {
      throw e.getCause() instanceof RuntimeException cause ? cause : e;
    } finally {
      done(person);
    }
  }

  private void done(UUID person) {
    asked.computeIfPresent(person, (p, count) -> count == 1 ? null : count - 1);
  }

  private <T> T limited(Supplier<T> work) {
    try {
      return Effort.of(most).on(processors, work::get);
    } catch (Effort.Over over) {
      throw tooDear();
    } catch (RuntimeException e) {
      throw e;
    } catch (Exception e) {
      throw new IllegalStateException(e);
    }
  }

  /** Does large work that nobody waits for, once nothing is left that somebody does. */
  public void later(Runnable work) {
    turns.execute(
        new Turn(
            Rank.OWED,
            0,
            () ->
                limited(() -> {
                  work.run();
                  return 0;
                })));
  }

  /** What one person has at work. */
  private static final class Own {
    private final Semaphore places = new Semaphore(AT_ONCE, true);
    private int users;
  }

  /**
   * Does small work on this thread, as soon as not too much of the same person is under way; work
   * within such work is part of it. What it does itself in large turns waits for these.
   *
   * @throws Problem if it takes too long, or too much of the same person waits already
   */
  public <T> T here(UUID person, Supplier<T> work) {
    return here(person, most, work);
  }

  /** The same with a limit of its own. */
  public <T> T here(UUID person, Duration limit, Supplier<T> work) {
    if (AT_WORK.isBound() && AT_WORK.get().equals(person)) {
      return work.get();
    }
    Own mine = own.compute(person, (p, held) -> used(held == null ? new Own() : held, 1));
    try {
      if (mine.places.getQueueLength() >= MOST_WAITING) {
        throw tooMany();
      }
      if (!mine.places.tryAcquire(most.toMillis(), TimeUnit.MILLISECONDS)) {
        throw tooMany();
      }
      try {
        Effort effort = Effort.of(limit);
        return ScopedValue.where(AT_WORK, person)
            .call(() -> effort.<T, RuntimeException>here(work::get));
      } catch (Effort.Over over) {
        throw tooDear();
      } finally {
        mine.places.release();
      }
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw tooMany();
    } finally {
      own.computeIfPresent(person, (p, held) -> used(held, -1).users == 0 ? null : held);
    }
  }

  /** Does work on a mesh that the caller waits for: in its turn if the mesh is large. */
  public <T> T bySize(UUID person, int faces, Supplier<T> work) {
    return faces > MOST_FACES_AT_ONCE ? await(person, work) : here(person, work);
  }

  private static Own used(Own held, int by) {
    held.users += by;
    return held;
  }

  private static Problem tooDear() {
    return Problem.of(
        Problem.Kind.TOO_DEAR,
        "This takes too long on this mesh, so it was ended; nothing was changed by it.");
  }

  private static Problem tooMany() {
    return Problem.of(
        Problem.Kind.TOO_MANY,
        "Much that you asked for is being worked on already: wait for it, and try again.");
  }

  @PreDestroy
  public void close() {
    turns.shutdownNow();
  }
}
