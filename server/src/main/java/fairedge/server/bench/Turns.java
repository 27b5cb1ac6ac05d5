package fairedge.server.bench;

import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import java.util.concurrent.Executor;
import java.util.concurrent.ForkJoinPool;
import java.util.concurrent.PriorityBlockingQueue;
import java.util.concurrent.ThreadPoolExecutor;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicLong;
import java.util.function.Supplier;

/**
 * Lets checks of large meshes take turns on a part of the processors, so that hands that cut
 * meanwhile find one free. What somebody waits for goes before what is owed; else who came first.
 */
final class Turns implements AutoCloseable {
  /** Where the work is done, with all that it divides itself into. */
  private final ForkJoinPool processors;

  private final ThreadPoolExecutor turns;
  private final AtomicLong came = new AtomicLong();

  Turns(int atOnce) {
    processors =
        new ForkJoinPool(atOnce, ForkJoinPool.defaultForkJoinWorkerThreadFactory, null, true);
    turns =
        new ThreadPoolExecutor(
            atOnce,
            atOnce,
            0,
            TimeUnit.SECONDS,
            new PriorityBlockingQueue<>(),
            Thread.ofPlatform().name("check-turn-", 0).daemon().factory());
  }

  private enum Rank {
    ASKED,
    OWED
  }

  private final class Turn implements Runnable, Comparable<Turn> {
    private final Rank rank;
    private final long number = came.getAndIncrement();
    private final Runnable work;

    Turn(Rank rank, Runnable work) {
      this.rank = rank;
      this.work = work;
    }

    @Override
    public void run() {
      // Wrapped: a future's own task would be taken as one of the pool's, which never ends for it.
      processors.submit(() -> work.run()).join();
    }

    @Override
    public int compareTo(Turn other) {
      int byRank = rank.compareTo(other.rank);
      return byRank != 0 ? byRank : Long.compare(number, other.number);
    }
  }

  /** Does what the caller waits for; what it throws is thrown here. */
  <T> T await(Supplier<T> work) {
    Executor asked = run -> turns.execute(new Turn(Rank.ASKED, run));
    try {
      return CompletableFuture.supplyAsync(work, asked).join();
    } catch (CompletionException e) {
      throw e.getCause() instanceof RuntimeException cause ? cause : e;
    }
  }

  /** Does what nobody waits for, once nothing is left that somebody does. */
  void later(Runnable work) {
    turns.execute(new Turn(Rank.OWED, work));
  }

  @Override
  public void close() {
    turns.shutdownNow();
    processors.shutdownNow();
  }
}
