package fairedge.server.platform;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.function.Supplier;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;

class RecentTest {
  private final Recent<String, Integer> recent = new Recent<>(100, weight -> weight);

  @Test
  void whatIsUsedNow_stays_howeverOftenOthersWereUsedBefore() {
    for (int i = 0; i < 1000; i++) {
      recent.get("bollard", name -> 45);
      recent.get("lid", name -> 45);
    }
    recent.get("fairlead", name -> 45);
    assertThat(recent.getIfPresent("fairlead")).isEqualTo(45);
    assertThat(recent.getIfPresent("lid")).isEqualTo(45);
    assertThat(recent.getIfPresent("bollard")).as("used longest ago").isNull();
  }

  @Test
  void whatIsHeld_isNotMadeAgain_andWhatIsDroppedIs() {
    recent.put("lid", 10);
    assertThat(recent.get("lid", name -> 20)).isEqualTo(10);
    recent.drop("lid");
    assertThat(recent.get("lid", name -> 20)).isEqualTo(20);
  }

  @Test
  void oneThatWeighsMoreThanThereIsRoom_isHeldAlone() {
    recent.put("lid", 10);
    recent.put("harbour", 500);
    assertThat(recent.getIfPresent("harbour")).isEqualTo(500);
    assertThat(recent.getIfPresent("lid")).isNull();
  }

  /** Somebody who is at work on a value, until they are let go. */
  private static final class AtWork {
    private final CountDownLatch begun = new CountDownLatch(1);
    private final CountDownLatch end = new CountDownLatch(1);

    Integer make(Supplier<Integer> value) {
      begun.countDown();
      await(end);
      return value.get();
    }

    private static void await(CountDownLatch latch) {
      try {
        latch.await();
      } catch (InterruptedException e) {
        Thread.currentThread().interrupt();
      }
    }
  }

  /** In the map a key shares its bin with others: all of them waited for one that was made. */
  @Test
  @Timeout(30)
  void whoeverMakesOne_keepsNobodyFromAnother() throws Exception {
    AtWork work = new AtWork();
    try (ExecutorService threads = Executors.newVirtualThreadPerTaskExecutor()) {
      Future<Integer> slow =
          threads.submit(() -> recent.get("bollard", name -> work.make(() -> 7)));
      work.begun.await();
      for (int i = 0; i < 500; i++) {
        int value = i % 10 + 1;
        assertThat(recent.get("lid " + i, name -> value)).isEqualTo(value);
      }
      assertThat(recent.getIfPresent("bollard")).as("on its way").isNull();
      Future<Integer> waits = threads.submit(() -> recent.get("bollard", name -> 8));
      work.end.countDown();
      assertThat(slow.get()).isEqualTo(7);
      assertThat(waits.get()).isEqualTo(7);
    }
  }

  @Test
  @Timeout(30)
  void whatCouldNotBeMade_isMadeByWhoeverWaitedForIt() throws Exception {
    AtWork work = new AtWork();
    try (ExecutorService threads = Executors.newVirtualThreadPerTaskExecutor()) {
      Future<Integer> fails =
          threads.submit(() ->
              recent.get(
                  "bollard",
                  name ->
                      work.make(() -> {
                        throw new IllegalStateException("too dear");
                      })));
      work.begun.await();
      Future<Integer> waits = threads.submit(() -> recent.get("bollard", name -> 8));
      work.end.countDown();
      assertThatThrownBy(fails::get).hasRootCauseMessage("too dear");
      assertThat(waits.get()).isEqualTo(8);
      assertThat(recent.get("bollard", name -> 9)).isEqualTo(8);
    }
  }
}
