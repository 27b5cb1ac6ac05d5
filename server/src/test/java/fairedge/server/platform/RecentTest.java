package fairedge.server.platform;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;

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
}
