package fairedge.core.effort;

import java.time.Duration;
import java.util.concurrent.Callable;
import java.util.concurrent.ForkJoinPool;
import java.util.concurrent.ForkJoinWorkerThread;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;

/**
 * How long some work may go on, and on how many processors: whoever asks for it sets a limit, and
 * may stop it before. Work that can be long asks now and then ({@link #check}), at least a few
 * times a second; where nobody set a limit that does nothing. What is under way when the limit is
 * met throws {@link Over}, and has to leave what it worked on as it was.
 */
public final class Effort {
  private static final ScopedValue<Effort> HERE = ScopedValue.newInstance();

  private volatile long until;
  private volatile boolean isStopped;

  private Effort(Duration most) {
    this.until = System.nanoTime() + most.toNanos();
  }

  /** From now on for so long. */
  public static Effort of(Duration most) {
    return new Effort(most);
  }

  /** The work goes on no longer: its time is over, or nobody wants it any more. */
  public static final class Over extends RuntimeException {
    private static final long serialVersionUID = 1L;

    /** Public for the fork-join pool, which makes another for whoever waits. */
    public Over() {
      super("the work took too long", null, false, false);
    }
  }

  /** Ends the work at its next question; may be called by any thread. */
  public void stop() {
    isStopped = true;
  }

  /** Whether somebody stopped it, rather than that its time is over. */
  public boolean isStopped() {
    return isStopped;
  }

  private boolean isOver() {
    return isStopped || System.nanoTime() - until > 0;
  }

  /**
   * Asks whether the work at hand may go on. Cost: some ten nanoseconds.
   *
   * @throws Over if not
   */
  public static void check() {
    Effort effort =
        Thread.currentThread() instanceof Worker worker
            ? worker.effort
            : HERE.isBound() ? HERE.get() : null;
    if (effort != null && effort.isOver()) {
      throw new Over();
    }
  }

  /**
   * Waits for something that is not the work's own effort: it gets as much more time.
   *
   * @param wait returns when the waiting is over
   */
  public static <T> T waiting(Supplier<T> wait) {
    if (!HERE.isBound()) {
      return wait.get();
    }
    long begun = System.nanoTime();
    try {
      return wait.get();
    } finally {
      HERE.get().prolong(System.nanoTime() - begun);
    }
  }

  private synchronized void prolong(long nanos) {
    until += nanos;
  }

  /**
   * Does work on this thread, and what it divides on whatever processors that takes.
   *
   * @throws Over if it took too long
   */
  public <T, X extends Throwable> T here(ScopedValue.CallableOp<T, X> work) throws X {
    return ScopedValue.where(HERE, this).call(work);
  }

  /**
   * Does work on so many processors and no more, with all that it divides itself into.
   *
   * @throws Over if it took too long
   * @throws Exception what the work throws
   */
  public <T> T on(int processors, Callable<T> work) throws Exception {
    ForkJoinPool pool = new ForkJoinPool(processors, p -> new Worker(p, this), null, true);
    try {
      // The pool would wrap what is thrown, in more than one way.
      return pool.submit(() -> Done.by(work)).join().result();
    } finally {
      pool.shutdownNow();
    }
  }

  /** What came of work. */
  private record Done<T>(@Nullable T value, @Nullable Throwable thrown) {
    static <T> Done<T> by(Callable<T> work) {
      try {
        return new Done<>(work.call(), null);
      } catch (Throwable e) {
        return new Done<>(null, e);
      }
    }

    @SuppressWarnings("NullAway") // The work may answer null, if its type says so.
    T result() throws Exception {
      if (thrown instanceof Error error) {
        throw error;
      }
      if (thrown instanceof Exception exception) {
        throw exception;
      }
      return value;
    }
  }

  /** A thread that knows whose work it does. */
  private static final class Worker extends ForkJoinWorkerThread {
    private final Effort effort;

    Worker(ForkJoinPool pool, Effort effort) {
      super(pool);
      this.effort = effort;
    }
  }
}
