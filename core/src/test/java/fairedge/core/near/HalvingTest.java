package fairedge.core.near;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.Random;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

class HalvingTest {
  @Test
  void everyHalf_liesToOneSideOfTheOther() {
    Random random = new Random(3);
    for (int n : new int[] {0, 1, 4, 5, 100, 3000}) {
      float[] places = new float[3 * n];
      for (int i = 0; i < places.length; i++) {
        places[i] = i % 3 == 0 ? random.nextInt(20) : random.nextFloat();
      }
      int[] order = Halving.order(places);
      assertThat(Arrays.stream(order).sorted().toArray())
          .isEqualTo(IntStream.range(0, n).toArray());
      assertHalved(places, order, 0, n);
    }
  }

  private static void assertHalved(float[] places, int[] order, int low, int high) {
    if (high - low <= 4) {
      return;
    }
    int half = (low + high) >>> 1;
    boolean isParted = false;
    for (int axis = 0; axis < 3; axis++) {
      float before = Float.NEGATIVE_INFINITY;
      float behind = Float.POSITIVE_INFINITY;
      for (int i = low; i < high; i++) {
        float value = places[3 * order[i] + axis];
        before = i < half ? Math.max(before, value) : before;
        behind = i < half ? behind : Math.min(behind, value);
      }
      isParted |= before <= behind;
    }
    assertThat(isParted).isTrue();
    assertHalved(places, order, low, half);
    assertHalved(places, order, half, high);
  }

  @Test
  void orderMadeToMislead_andPlacesThatAreAllOne_comeToAnEnd() {
    int n = 200_000;
    float[] places = new float[3 * n];
    // For the median of the first, the middle and the last: each round parts off next to nothing.
    for (int i = 0; i < n / 2; i++) {
      places[3 * i] = i % 2 == 0 ? i : n / 2 + i;
      places[3 * (n / 2 + i)] = 2 * i + 1;
    }
    assertHalved(places, Halving.order(places), 0, n);
    assertThat(Halving.order(new float[3 * n])).hasSize(n);
    float[] wild = new float[3 * 999];
    Arrays.fill(wild, Float.NaN);
    wild[7] = Float.POSITIVE_INFINITY;
    wild[8] = Float.NEGATIVE_INFINITY;
    assertThat(Arrays.stream(Halving.order(wild)).distinct().count()).isEqualTo(999);
  }
}
