package fairedge.server.platform;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalStateException;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import fairedge.core.effort.Effort;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;

@Timeout(30)
class TurnsTest {
  private static final UUID ONE = new UUID(0, 1);
  private static final UUID OTHER = new UUID(0, 2);

  private final Turns turns = new Turns(1, Duration.ofSeconds(20));

  @AfterEach
  void close() {
    turns.close();
  }

  @Test
  void whatSomebodyWaitsFor_goesBeforeWhatIsOwed() throws InterruptedException {
    List<String> done = new CopyOnWriteArrayList<>();
    CountDownLatch busy = new CountDownLatch(1);
    CountDownLatch rest = new CountDownLatch(3);
    turns.later(() -> awaitQuietly(busy));
    turns.later(() -> note(done, "owed first", rest));
    turns.later(() -> note(done, "owed second", rest));
    Thread asking =
        Thread.startVirtualThread(() ->
            turns.await(
                ONE,
                () -> {
                  note(done, "asked", rest);
                  return done;
                }));
    while (asking.getState() != Thread.State.WAITING) {
      Thread.onSpinWait();
    }
    busy.countDown();
    assertThat(rest.await(20, TimeUnit.SECONDS)).isTrue();
    assertThat(done).containsExactly("asked", "owed first", "owed second");
  }

  private static void note(List<String> done, String what, CountDownLatch latch) {
    done.add(what);
    latch.countDown();
  }

  private static void awaitQuietly(CountDownLatch latch) {
    try {
      latch.await();
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
  }

  @Test
  void whatTheWorkThrows_isThrownToWhoWaits() {
    assertThatIllegalStateException()
        .isThrownBy(() ->
            turns.await(
                ONE,
                () -> {
                  throw new IllegalStateException("no sheet");
                }))
        .withMessage("no sheet");
  }

  /** Work that goes on until it is let go. */
  private Thread busy(UUID person, CountDownLatch begun, CountDownLatch end) {
    return Thread.startVirtualThread(() ->
        turns.await(
            person,
            () -> {
              begun.countDown();
              awaitQuietly(end);
              return 0;
            }));
  }

  @Test
  void oneWhoAskedForMuch_isOvertakenByOthers() throws InterruptedException {
    List<String> done = new CopyOnWriteArrayList<>();
    CountDownLatch begun = new CountDownLatch(1);
    CountDownLatch end = new CountDownLatch(1);
    CountDownLatch rest = new CountDownLatch(3);
    busy(ONE, begun, end);
    assertThat(begun.await(20, TimeUnit.SECONDS)).isTrue();
    Thread second = asking(ONE, "second of one", done, rest);
    Thread third = asking(ONE, "third of one", done, rest);
    asking(OTHER, "first of another", done, rest);
    end.countDown();
    assertThat(rest.await(20, TimeUnit.SECONDS)).isTrue();
    second.join();
    third.join();
    assertThat(done).containsExactly("first of another", "second of one", "third of one");
  }

  private Thread asking(UUID person, String what, List<String> done, CountDownLatch latch) {
    Thread thread =
        Thread.startVirtualThread(() ->
            turns.await(
                person,
                () -> {
                  note(done, what, latch);
                  return 0;
                }));
    while (thread.getState() != Thread.State.WAITING) {
      Thread.onSpinWait();
    }
    return thread;
  }

  @Test
  void smallWork_goesOnWhileAllTurnsAreTaken() throws InterruptedException {
    CountDownLatch begun = new CountDownLatch(1);
    CountDownLatch end = new CountDownLatch(1);
    Thread large = busy(ONE, begun, end);
    assertThat(begun.await(20, TimeUnit.SECONDS)).isTrue();
    assertThat(turns.<Integer>here(ONE, () -> 7)).isEqualTo(7);
    assertThat(turns.<Integer>bySize(OTHER, 100, () -> 8)).isEqualTo(8);
    end.countDown();
    large.join();
  }

  @Test
  void workThatTakesTooLong_isEnded_andSaysSo() {
    Turns hasty = new Turns(1, Duration.ofMillis(50));
    for (int faces : new int[] {1, 1_000_000}) {
      assertThatThrownBy(() ->
              hasty.bySize(
                  ONE,
                  faces,
                  () -> {
                    while (true) {
                      Effort.check();
                    }
                  }))
          .isInstanceOfSatisfying(
              Problem.class, p -> assertThat(p.kind()).isEqualTo(Problem.Kind.TOO_DEAR));
    }
    hasty.close();
  }

  @Test
  void whatOnePersonAsksForBeyondMeasure_isRefused() {
    CountDownLatch end = new CountDownLatch(1);
    List<Thread> asking = new ArrayList<>();
    List<Problem.Kind> refused = new CopyOnWriteArrayList<>();
    for (int i = 0; i < 40; i++) {
      asking.add(
          Thread.startVirtualThread(() -> {
            try {
              turns.await(
                  ONE,
                  () -> {
                    awaitQuietly(end);
                    return 0;
                  });
            } catch (Problem problem) {
              refused.add(problem.kind());
            }
          }));
    }
    while (refused.size() < 16) {
      Thread.onSpinWait();
    }
    end.countDown();
    asking.forEach(TurnsTest::join);
    assertThat(refused).hasSize(16).containsOnly(Problem.Kind.TOO_MANY);
  }

  private static void join(Thread thread) {
    try {
      thread.join();
    } catch (InterruptedException e) {
      throw new IllegalStateException(e);
    }
  }
}
