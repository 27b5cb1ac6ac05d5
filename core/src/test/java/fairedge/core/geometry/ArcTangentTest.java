package fairedge.core.geometry;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;
import java.util.stream.DoubleStream;
import org.junit.jupiter.api.Test;

class ArcTangentTest {
  private static final double[] EDGES = {
    0.0,
    -0.0,
    1,
    -1,
    Double.MIN_VALUE,
    -1e-200,
    1e-150,
    1e-20,
    1e150,
    -1e200,
    Double.MAX_VALUE,
    Double.POSITIVE_INFINITY,
    Double.NEGATIVE_INFINITY,
    Double.NaN
  };

  @Test
  void anglesOfAnyPlace_areThoseOfStrictMath() {
    Random random = new Random(17);
    for (int i = 0; i < 2_000_000; i++) {
      double y = random.nextGaussian() * Math.pow(10, random.nextInt(-12, 13));
      double x = random.nextGaussian() * Math.pow(10, random.nextInt(-12, 13));
      assertSame(y, x);
    }
  }

  /** Round the places where another angle is looked up, and where the eighths of a turn meet. */
  @Test
  void anglesBesideThoseLookedUp_areThoseOfStrictMath() {
    for (int i = 0; i <= 128; i++) {
      for (double off : new double[] {0, 1e-15, -1e-15, 1e-9, -1e-9}) {
        double tangent = i / 128.0 + off;
        assertSame(tangent, 1);
        assertSame(1, tangent);
        assertSame(-tangent, -1);
        assertSame(1, -tangent);
      }
    }
  }

  @Test
  void zerosAndWhatIsBeyondMeasure_areAsStrictMathHasThem() {
    for (double y : EDGES) {
      for (double x : EDGES) {
        double expected = StrictMath.atan2(y, x);
        double is = ArcTangent.radians(y, x);
        if (Double.isNaN(expected)) {
          assertThat(is).isNaN();
        } else {
          assertThat(is).isCloseTo(expected, within(3 * Math.ulp(expected)));
          assertThat(Math.copySign(1, is)).isEqualTo(Math.copySign(1, expected));
        }
      }
    }
  }

  @Test
  void eighthsOfATurn_areExact() {
    assertThat(DoubleStream.of(1, 2, 0.3, 1e-9, 7e11).map(r -> ArcTangent.degrees(r, r)))
        .containsOnly(45.0);
    assertThat(DoubleStream.of(1, 2, 0.3).map(r -> ArcTangent.degrees(r, 0))).containsOnly(90.0);
    assertThat(ArcTangent.degrees(1, -1)).isEqualTo(135);
    assertThat(ArcTangent.degrees(0, -3)).isEqualTo(180);
    assertThat(ArcTangent.degrees(-0.5, 0.5)).isEqualTo(-45);
    assertThat(ArcTangent.degrees(0, 3)).isEqualTo(0);
  }

  private static void assertSame(double y, double x) {
    double expected = StrictMath.atan2(y, x);
    double is = ArcTangent.radians(y, x);
    if (!(Math.abs(is - expected) <= 3 * Math.ulp(expected))) {
      assertThat(is).as("%s, %s", y, x).isCloseTo(expected, within(3 * Math.ulp(expected)));
    }
  }
}
