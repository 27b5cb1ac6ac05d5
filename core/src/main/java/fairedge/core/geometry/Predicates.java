package fairedge.core.geometry;

import java.math.BigDecimal;
import java.math.MathContext;

/**
 * Signs of determinants, never wrong: a floating-point filter first, exact arithmetic where it
 * can't tell. Source: Shewchuk, "Adaptive Precision Floating-Point Arithmetic and Fast Robust
 * Geometric Predicates", 1997 (the filter's bound); the exact stage is plain {@link BigDecimal}.
 */
public final class Predicates {
  private static final double EPSILON = 0x1p-53;
  private static final double TURN_BOUND = (3 + 16 * EPSILON) * EPSILON;

  /**
   * So many times the rounding a determinant is before its first digits are trusted to be right.
   */
  private static final double SURE = 0x1p40;

  private static final MathContext DIGITS = new MathContext(40);
  private static final double SIDE_BOUND = (7 + 56 * EPSILON) * EPSILON;

  private Predicates() {}

  /**
   * Which way the path a, b, c turns in the plane: 1 left, -1 right, 0 straight. All coordinates
   * finite.
   */
  public static int turn(double ax, double ay, double bx, double by, double cx, double cy) {
    double left = (ax - cx) * (by - cy);
    double right = (ay - cy) * (bx - cx);
    double det = left - right;
    double bound = TURN_BOUND * (Math.abs(left) + Math.abs(right));
    if (det > bound || -det > bound) {
      return det > 0 ? 1 : -1;
    }
    return exactTurn(ax, ay, bx, by, cx, cy);
  }

  /**
   * On which side of the plane through a, b, c point d lies: 1 on that to which (b - a) x (c - a)
   * points, -1 on the other, 0 in the plane. All coordinates finite.
   */
  public static int side(Vec3 a, Vec3 b, Vec3 c, Vec3 d) {
    Vec3 p = a.minus(d);
    Vec3 q = b.minus(d);
    Vec3 r = c.minus(d);
    double det = p.dot(q.cross(r));
    double bound = bound(p, q, r);
    if (det > bound || -det > bound) {
      return det > 0 ? -1 : 1;
    }
    return -exactDeterminant(a, b, c, d);
  }

  /**
   * Where a segment crosses a plane: the share from p to q at which it meets the plane through a,
   * b, c, right to the last place or two.
   *
   * <p>Precondition: p and q lie on different sides, or one of them in the plane.
   */
  public static double share(Vec3 a, Vec3 b, Vec3 c, Vec3 p, Vec3 q) {
    Vec3[] from = {a.minus(p), b.minus(p), c.minus(p)};
    Vec3[] to = {a.minus(q), b.minus(q), c.minus(q)};
    double before = from[0].dot(from[1].cross(from[2]));
    double after = to[0].dot(to[1].cross(to[2]));
    double sure = SURE * (bound(from[0], from[1], from[2]) + bound(to[0], to[1], to[2]));
    if (Math.abs(before - after) > sure) {
      return Math.clamp(before / (before - after), 0, 1);
    }
    BigDecimal first = exactly(a, b, c, p);
    BigDecimal whole = first.subtract(exactly(a, b, c, q));
    return whole.signum() == 0 ? 0 : first.divide(whole, DIGITS).doubleValue();
  }

  /**
   * Which of two planes a segment from p to q crosses first: -1 the one through a, b, c; 1 the one
   * through d, e, f; 0 both at once. Precondition: it crosses both.
   */
  public static int compareShares(Vec3 p, Vec3 q, Vec3 a, Vec3 b, Vec3 c, Vec3 d, Vec3 e, Vec3 f) {
    BigDecimal one = exactly(a, b, c, p);
    BigDecimal oneWhole = one.subtract(exactly(a, b, c, q));
    BigDecimal two = exactly(d, e, f, p);
    BigDecimal twoWhole = two.subtract(exactly(d, e, f, q));
    int sign = one.multiply(twoWhole).compareTo(two.multiply(oneWhole));
    return sign * oneWhole.signum() * twoWhole.signum();
  }

  /** How far off the determinant of three vectors may be by rounding. */
  private static double bound(Vec3 p, Vec3 q, Vec3 r) {
    return SIDE_BOUND
        * (Math.abs(p.x()) * (Math.abs(q.y() * r.z()) + Math.abs(q.z() * r.y()))
            + Math.abs(p.y()) * (Math.abs(q.z() * r.x()) + Math.abs(q.x() * r.z()))
            + Math.abs(p.z()) * (Math.abs(q.x() * r.y()) + Math.abs(q.y() * r.x())));
  }

  private static int exactDeterminant(Vec3 a, Vec3 b, Vec3 c, Vec3 d) {
    return exactly(a, b, c, d).signum();
  }

  private static BigDecimal exactly(Vec3 a, Vec3 b, Vec3 c, Vec3 d) {
    BigDecimal[] p = exactDifference(a, d);
    BigDecimal[] q = exactDifference(b, d);
    BigDecimal[] r = exactDifference(c, d);
    BigDecimal sum = BigDecimal.ZERO;
    for (int i = 0; i < 3; i++) {
      int j = (i + 1) % 3;
      int k = (i + 2) % 3;
      sum = sum.add(p[i].multiply(q[j].multiply(r[k]).subtract(q[k].multiply(r[j]))));
    }
    return sum;
  }

  private static BigDecimal[] exactDifference(Vec3 a, Vec3 d) {
    return new BigDecimal[] {
      new BigDecimal(a.x()).subtract(new BigDecimal(d.x())),
      new BigDecimal(a.y()).subtract(new BigDecimal(d.y())),
      new BigDecimal(a.z()).subtract(new BigDecimal(d.z()))
    };
  }

  private static int exactTurn(double ax, double ay, double bx, double by, double cx, double cy) {
    BigDecimal x = new BigDecimal(cx);
    BigDecimal y = new BigDecimal(cy);
    BigDecimal left = new BigDecimal(ax).subtract(x).multiply(new BigDecimal(by).subtract(y));
    BigDecimal right = new BigDecimal(ay).subtract(y).multiply(new BigDecimal(bx).subtract(x));
    return left.compareTo(right);
  }
}
