package fairedge.core.inspect.surface;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;

class TwinFaceFinderTest {
  @Test
  void cycle_beginsAtTheLowest_andRunsTheLowerWay() {
    assertThat(TwinFaceFinder.cycleOf(new int[] {7, 3, 9, 3})).isEqualTo(List.of(3, 7, 3, 9));
  }
}
