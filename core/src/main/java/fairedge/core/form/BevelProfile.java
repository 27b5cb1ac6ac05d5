package fairedge.core.form;

import fairedge.core.geometry.Vec3;

/**
 * The section of a strip that rounds an edge: points from one side, past the edge, to the other, so
 * far along both sides that they need only the places of the ends and the edge. Straight between
 * three forms: the chord at 0, at 0.5 the arc of the circle that touches both sides where it ends,
 * in equal angles; at 1 the corner itself, by length.
 */
final class BevelProfile {
  private final int segments;
  private final double form;

  /**
   * @param form from 0 to 1
   */
  BevelProfile(int segments, double form) {
    this.segments = segments;
    this.form = form;
  }

  int segments() {
    return segments;
  }

  double form() {
    return form;
  }

  /**
   * A point of the section.
   *
   * @param index 0 at the right end, the number of segments at the left one
   * @param angle between the two sides where they meet, in degrees
   */
  Vec3 at(int index, Vec3 corner, Vec3 right, Vec3 left, double angle) {
    if (index == 0) {
      return right;
    }
    if (index == segments) {
      return left;
    }
    double[] share = shares(index, angle);
    return corner
        .plus(right.minus(corner).times(share[0]))
        .plus(left.minus(corner).times(share[1]));
  }

  /** How far along the right side and along the left one. */
  private double[] shares(int index, double angle) {
    double t = (double) index / segments;
    double[] chord = {1 - t, t};
    double[] arc = arc(t, angle);
    double[] bend = {Math.max(0, 1 - 2 * t), Math.max(0, 2 * t - 1)};
    double[] from = form < 0.5 ? chord : arc;
    double[] to = form < 0.5 ? arc : bend;
    double share = form < 0.5 ? 2 * form : 2 * form - 1;
    return new double[] {from[0] + (to[0] - from[0]) * share, from[1] + (to[1] - from[1]) * share};
  }

  /**
   * On the circle: with the half h of what the arc turns by, and the angle tau on it from the
   * middle, both shares together are (1 - cos h cos tau) / sin² h, and they differ by sin tau / sin
   * h.
   */
  private static double[] arc(double t, double angle) {
    double h = Math.toRadians(180 - angle) / 2;
    double x = 2 * t - 1;
    double sum;
    double difference;
    if (h < 1e-9) {
      sum = (1 + x * x) / 2;
      difference = x;
    } else {
      double tau = h * x;
      double one = Math.sin((h + tau) / 2);
      double other = Math.sin((h - tau) / 2);
      double sine = Math.sin(h);
      sum = (one * one + other * other) / (sine * sine);
      difference = Math.sin(tau) / sine;
    }
    return new double[] {(sum - difference) / 2, (sum + difference) / 2};
  }
}
