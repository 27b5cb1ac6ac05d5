package fairedge.core.geometry;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import org.junit.jupiter.api.Test;

class PredicatesTest {
  @Test
  void plainTurns_haveTheirSigns() {
    assertThat(Predicates.turn(0, 0, 1, 0, 1, 1)).isEqualTo(1);
    assertThat(Predicates.turn(0, 0, 1, 0, 1, -1)).isEqualTo(-1);
    assertThat(Predicates.turn(0, 0, 1, 1, 3, 3)).isZero();
  }

  @Test
  void turnsOfOneBit_agreeWithExactArithmetic() {
    double step = Math.ulp(0.5);
    for (int i = 0; i < 64; i++) {
      for (int j = 0; j < 64; j++) {
        double x = 0.5 + i * step;
        double y = 0.5 + j * step;
        assertThat(Predicates.turn(x, y, 12, 12, 24, 24))
            .as("%d %d", i, j)
            .isEqualTo(exact(x, y, 12, 12, 24, 24));
      }
    }
  }

  /** Sign of the determinant, written out another way than the predicate does. */
  private static int exact(double ax, double ay, double bx, double by, double cx, double cy) {
    BigDecimal sum = BigDecimal.ZERO;
    double[][] p = {{ax, ay}, {bx, by}, {cx, cy}};
    for (int i = 0; i < 3; i++) {
      double[] a = p[i];
      double[] b = p[(i + 1) % 3];
      sum = sum.add(new BigDecimal(a[0]).multiply(new BigDecimal(b[1])));
      sum = sum.subtract(new BigDecimal(a[1]).multiply(new BigDecimal(b[0])));
    }
    return sum.signum();
  }

  @Test
  void sideOfAPlane_isToldToTheLastBit() {
    Vec3 a = new Vec3(0.1, 0.1, 0.1);
    Vec3 b = new Vec3(12.1, 0.1, 12.1);
    Vec3 c = new Vec3(0.1, 24.1, 24.1);
    assertThat(Predicates.side(a, b, c, a.plus(new Vec3(0, 0, 1)))).isEqualTo(1);
    assertThat(Predicates.side(a, b, c, a.plus(new Vec3(0, 0, -1)))).isEqualTo(-1);
    // By halves and doublings all of these are exact: in the plane z = x + y, and one bit off it.
    Vec3 o = new Vec3(0, 0, 0);
    Vec3 p = new Vec3(0.5, 0.25, 0.75);
    Vec3 q = new Vec3(0.25, 0.5, 0.75);
    Vec3 on = new Vec3(3, 5, 8);
    assertThat(Predicates.side(o, p, q, on)).isZero();
    assertThat(Predicates.side(o, p, q, new Vec3(3, 5, Math.nextUp(8.0)))).isEqualTo(1);
    assertThat(Predicates.side(o, p, q, new Vec3(3, 5, Math.nextDown(8.0)))).isEqualTo(-1);
    assertThat(Predicates.side(o, q, p, new Vec3(3, 5, Math.nextUp(8.0)))).isEqualTo(-1);
  }
}
