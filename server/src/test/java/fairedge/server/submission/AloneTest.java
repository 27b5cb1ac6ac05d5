package fairedge.server.submission;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;

class AloneTest {
  private final UUID heavy = UUID.randomUUID();
  private final UUID other = UUID.randomUUID();

  /** What would be found after the node died now. */
  private final Map<UUID, Integer> tries = new HashMap<>();

  private final Alone alone =
      new Alone(f -> tries.merge(f, 1, Integer::sum), f -> tries.merge(f, -1, Integer::sum));

  private int triesOf(UUID file) {
    return tries.getOrDefault(file, 0);
  }

  @Test
  void fileThatHasTheNodeForItself_isCounted_untilItEnds() {
    alone.begin(heavy);
    assertThat(triesOf(heavy)).isEqualTo(1);
    alone.end(heavy);
    assertThat(triesOf(heavy)).isZero();
  }

  @Test
  void deathBesideAnother_isNeithersFault() {
    alone.begin(heavy);
    alone.begin(other);
    assertThat(triesOf(heavy)).isZero();
    assertThat(triesOf(other)).isZero();
    alone.end(other);
    assertThat(triesOf(heavy)).as("what another did to the node before counts for nobody").isZero();
    alone.end(heavy);
    alone.begin(other);
    assertThat(triesOf(other)).isEqualTo(1);
    assertThat(triesOf(heavy)).isZero();
  }
}
