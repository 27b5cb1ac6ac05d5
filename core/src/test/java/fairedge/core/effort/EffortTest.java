package fairedge.core.effort;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.time.Duration;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

class EffortTest {
  private static final Duration LONG = Duration.ofMinutes(5);

  private static int forEver() {
    while (true) {
      Effort.check();
    }
  }

  @Test
  void withoutALimit_checkDoesNothing() {
    Effort.check();
  }

  @Test
  void workWithinItsTime_answers() throws Exception {
    assertThat(Effort.of(LONG).on(2, () -> IntStream.range(0, 1000).parallel().sum()))
        .isEqualTo(499_500);
    assertThat(Effort.of(LONG).<Integer, RuntimeException>here(() -> 7)).isEqualTo(7);
  }

  @Test
  void workOverItsTime_ends() {
    Effort none = Effort.of(Duration.ZERO);
    assertThatThrownBy(() -> none.on(1, EffortTest::forEver)).isInstanceOf(Effort.Over.class);
    assertThatThrownBy(() -> none.here(EffortTest::forEver)).isInstanceOf(Effort.Over.class);
    assertThat(none.isStopped()).isFalse();
  }

  @Test
  void allThreadsOfAStoppedWork_end() throws Exception {
    Effort effort = Effort.of(LONG);
    AtomicInteger ended = new AtomicInteger();
    CountDownLatch begun = new CountDownLatch(1);
    Thread stopper =
        Thread.ofVirtual()
            .start(() -> {
              try {
                begun.await();
              } catch (InterruptedException e) {
                throw new IllegalStateException(e);
              }
              effort.stop();
            });
    assertThatThrownBy(() ->
            effort.on(
                2,
                () ->
                    IntStream.range(0, 64)
                        .parallel()
                        .map(i -> {
                          begun.countDown();
                          try {
                            return forEver();
                          } finally {
                            ended.incrementAndGet();
                          }
                        })
                        .sum()))
        .isInstanceOf(Effort.Over.class);
    stopper.join();
    assertThat(effort.isStopped()).isTrue();
    assertThat(ended.get()).isPositive();
  }

  @Test
  void whatTheWorkThrows_isThrown() {
    assertThatThrownBy(() ->
            Effort.of(LONG)
                .on(
                    1,
                    () -> {
                      throw new IOException("torn");
                    }))
        .isInstanceOf(IOException.class)
        .hasMessage("torn");
  }
}
