package fairedge.server.bench;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalStateException;

import java.util.List;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;

@Timeout(30)
class TurnsTest {
  private final Turns turns = new Turns(1);

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
            turns.await(() -> {
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
            turns.await(() -> {
              throw new IllegalStateException("no sheet");
            }))
        .withMessage("no sheet");
  }
}
