package fairedge.core.geometry;

import java.math.BigDecimal;

/**
 * Signs of determinants, never wrong: a floating-point filter first, exact arithmetic where it
 * can't tell. Source: Shewchuk, "Adaptive Precision Floating-Point Arithmetic and Fast Robust
 * Geometric Predicates", 1997 (the filter's bound); the exact stage is plain {@link BigDecimal}.
 */
public final class Predicates {
  private static final double EPSILON = 0x1p-53;
  private static final double TURN_BOUND = (3 + 16 * EPSILON) * EPSILON;

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

  private static int exactTurn(double ax, double ay, double bx, double by, double cx, double cy) {
    BigDecimal x = new BigDecimal(cx);
    BigDecimal y = new BigDecimal(cy);
    BigDecimal left = new BigDecimal(ax).subtract(x).multiply(new BigDecimal(by).subtract(y));
    BigDecimal right = new BigDecimal(ay).subtract(y).multiply(new BigDecimal(bx).subtract(x));
    return left.compareTo(right);
  }
}
