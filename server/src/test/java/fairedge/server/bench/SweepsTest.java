package fairedge.server.bench;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatExceptionOfType;

import fairedge.core.effort.Effort;
import fairedge.core.mend.Sweep;
import fairedge.server.bench.Sweeps.Asked;
import fairedge.server.bench.Sweeps.Running;
import fairedge.server.platform.Problem;
import fairedge.server.platform.SignedIn;
import fairedge.server.platform.Turns;
import java.time.Duration;
import java.util.List;
import java.util.UUID;
import java.util.concurrent.CountDownLatch;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;

/** How a sweep is followed, stopped and forgotten; what it does is the core's. */
@Timeout(30)
class SweepsTest {
  private static final SignedIn PERSON = new SignedIn(new UUID(0, 1), "noor", "Noor Haverkamp");
  private static final Asked ASKED = new Asked(new UUID(0, 2), 1, List.of("triangle"), List.of());
  private static final Sweep NOTHING = new Sweep(List.of(), List.of(), List.of(), 0, "");
  private static final Duration LONG = Duration.ofSeconds(20);

  private final Turns turns = new Turns(LONG);

  @AfterEach
  void close() {
    turns.close();
  }

  @Test
  void tellsHowFarItIs_andIsTheSameWhileItIsAskedFor() throws InterruptedException {
    Sweeps sweeps = new Sweeps(turns);
    CountDownLatch told = new CountDownLatch(1);
    CountDownLatch goesOn = new CountDownLatch(1);
    Running running =
        sweeps.of(
            PERSON,
            ASKED,
            progress -> {
              progress.at(3, 7);
              told.countDown();
              awaited(goesOn);
              return NOTHING;
            });
    told.await();
    assertThat(running.await(Duration.ofMillis(1))).isEmpty();
    assertThat(List.of(running.dealt(), running.of())).containsExactly(3, 7);
    assertThat(sweeps.of(PERSON, ASKED, progress -> NOTHING)).isSameAs(running);
    goesOn.countDown();
    assertThat(running.await(LONG)).contains(NOTHING);
    sweeps.close();
  }

  @Test
  void stopped_itEndsAtItsNextStep_andTheNextToAskBeginsAnew() throws InterruptedException {
    Sweeps sweeps = new Sweeps(turns);
    CountDownLatch begun = new CountDownLatch(1);
    CountDownLatch goesOn = new CountDownLatch(1);
    Running running =
        sweeps.of(
            PERSON,
            ASKED,
            progress -> {
              begun.countDown();
              awaited(goesOn);
              progress.at(1, 2);
              return NOTHING;
            });
    begun.await();
    sweeps.stop(PERSON, new UUID(0, 3));
    assertThat(sweeps.of(PERSON, ASKED, progress -> NOTHING)).isSameAs(running);
    sweeps.stop(PERSON, ASKED.workpiece());
    goesOn.countDown();
    assertThatExceptionOfType(RuntimeException.class).isThrownBy(() -> running.await(LONG));
    assertThat(sweeps.of(PERSON, ASKED, progress -> NOTHING).await(LONG)).contains(NOTHING);
    sweeps.close();
  }

  @Test
  void ofWhichNobodyAsks_itEnds_andWhoAsksAgainBeginsAnew() throws InterruptedException {
    Sweeps sweeps = new Sweeps(turns, Duration.ZERO);
    CountDownLatch ended = new CountDownLatch(1);
    sweeps.of(
        PERSON,
        ASKED,
        progress -> {
          try {
            progress.at(1, 2);
            return NOTHING;
          } catch (Effort.Over over) {
            ended.countDown();
            throw over;
          }
        });
    ended.await();
    assertThat(sweeps.of(PERSON, ASKED, progress -> NOTHING).await(LONG)).contains(NOTHING);
    sweeps.close();
  }

  @Test
  void oneThatFails_saysWhyToWhoAsks() {
    Sweeps sweeps = new Sweeps(turns);
    Running running =
        sweeps.of(
            PERSON,
            ASKED,
            progress -> {
              throw Problem.notFound("step");
            });
    assertThatExceptionOfType(Problem.class).isThrownBy(() -> running.await(LONG));
    sweeps.close();
  }

  private static void awaited(CountDownLatch latch) {
    try {
      latch.await();
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
  }
}
