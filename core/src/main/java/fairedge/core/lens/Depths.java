package fairedge.core.lens;

import fairedge.core.lens.LensPicture.Tone;
import fairedge.core.survey.Say;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.function.IntPredicate;
import java.util.stream.IntStream;

/** Distances of faces as washes: four equal steps up to the largest, rounded up. */
final class Depths {
  private static final int STEPS = 4;

  private Depths() {}

  static double largest(double[] distances) {
    return Arrays.stream(distances).max().orElse(0);
  }

  /**
   * @param distances by face; 0 where there is none
   * @param same the largest distance that counts as none; under the largest of all
   * @param counts which faces get a wash
   */
  static List<Tone> tones(double[] distances, double same, IntPredicate counts) {
    double step = rounded(largest(distances)) / STEPS;
    List<Tone> tones = new ArrayList<>();
    for (int i = 0; i < STEPS; i++) {
      double from = i == 0 ? same : i * step;
      double to = (i + 1) * step;
      int[] ids =
          IntStream.range(0, distances.length)
              .filter(f -> distances[f] > from && distances[f] <= to && counts.test(f))
              .toArray();
      tones.add(new Tone("depth-" + (i + 1), "Up to " + Say.number(to), true, ids));
    }
    return tones;
  }

  /** Up to 1, 2 or 5 of a power of ten. */
  private static double rounded(double value) {
    double power = StrictMath.pow(10, Math.floor(StrictMath.log10(value)));
    for (int digit : new int[] {1, 2, 5}) {
      if (value <= digit * power) {
        return digit * power;
      }
    }
    return 10 * power;
  }
}
