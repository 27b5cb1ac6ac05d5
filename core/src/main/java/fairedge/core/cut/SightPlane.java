package fairedge.core.cut;

import fairedge.core.geometry.Vec3;
import fairedge.core.local.Refusal;
import fairedge.core.near.Region;
import fairedge.core.work.View;

/**
 * The plane through two anchors and the eye (parallel to the view, if parallel), with coordinates
 * in it: {@code across} runs from 0 on the sight-line to the first anchor to 1 on that to the
 * second; {@code nearness} is larger nearer to the eye. Both are linear along straight lines in
 * front of the eye once taken together, so that what hides what can be told in them.
 */
final class SightPlane implements CutPlane {
  /**
   * How far outside the two sight-lines, as a share of what is between them, is still looked at.
   */
  private static final double SLACK = 1e-6;

  private final View view;
  private final Vec3 origin;
  private final Vec3 a;
  private final Vec3 b;
  private final Vec3 normal;
  private final Vec3 unitNormal;
  private final Vec3 gradientA;
  private final Vec3 gradientB;

  private SightPlane(View view, Vec3 origin, Vec3 a, Vec3 b) {
    this.view = view;
    this.origin = origin;
    this.a = a;
    this.b = b;
    this.normal = a.cross(b);
    this.unitNormal = normal.unit();
    this.gradientA = b.cross(normal).times(1 / normal.dot(normal));
    this.gradientB = normal.cross(a).times(1 / normal.dot(normal));
  }

  /**
   * @throws Refusal.Raised if eye and anchors lie in one line
   */
  static SightPlane through(View view, Vec3 first, Vec3 second) {
    SightPlane plane =
        switch (view) {
          case View.Perspective p -> fromEye(view, p.eye(), first, second);
          case View.Parallel p -> new SightPlane(view, first, second.minus(first), p.direction());
        };
    double size = plane.a.length() * plane.b.length();
    if (!(plane.normal.length() > 1e-9 * size)) {
      throw Refusal.because(
          "These two points lie in one line with your eye: turn the model a little.");
    }
    return plane;
  }

  /**
   * Both sight-lines are taken equally long: then all that lies within a right angle of their
   * middle is ahead, however much nearer one anchor is than the other.
   */
  private static SightPlane fromEye(View view, Vec3 eye, Vec3 first, Vec3 second) {
    Vec3 a = first.minus(eye);
    Vec3 b = second.minus(eye);
    double length = (a.length() + b.length()) / 2;
    return new SightPlane(view, eye, a.unit().times(length), b.unit().times(length));
  }

  @Override
  public Vec3 normal() {
    return unitNormal;
  }

  @Override
  public double distance(Vec3 p) {
    return p.minus(origin).dot(unitNormal);
  }

  /**
   * Where what lies in the plane, ahead of the eye and between the sight-lines to the two anchors
   * can be.
   *
   * @param by how far from the plane still counts as in it
   */
  Region region(double by) {
    return region(by, true);
  }

  /** The same without regard to the two sight-lines. */
  Region endlessRegion(double by) {
    return region(by, false);
  }

  private Region region(double by, boolean between) {
    Vec3 back = unitNormal.times(-1);
    boolean parallel = view instanceof View.Parallel;
    Vec3 second = parallel ? gradientA.times(-1) : gradientB;
    double atSecond = parallel ? -1 : 0;
    double slackA = SLACK + by * gradientA.length();
    double slackB = SLACK + by * second.length();
    return (minX, minY, minZ, maxX, maxY, maxZ) -> {
      Vec3 low = new Vec3(minX, minY, minZ);
      Vec3 high = new Vec3(maxX, maxY, maxZ);
      // A box that reaches out of the range of numbers gives no number: it may meet anything.
      return !(most(unitNormal, low, high) < -by)
          && !(most(back, low, high) < -by)
          && (!between
              || !(most(gradientA, low, high) < -slackA)
                  && !(most(second, low, high) < atSecond - slackB));
    };
  }

  /** The largest value in a box of a function that is 0 at the origin and rises like this. */
  private double most(Vec3 gradient, Vec3 low, Vec3 high) {
    return gradient.x() * ((gradient.x() > 0 ? high : low).x() - origin.x())
        + gradient.y() * ((gradient.y() > 0 ? high : low).y() - origin.y())
        + gradient.z() * ((gradient.z() > 0 ? high : low).z() - origin.z());
  }

  private double alongA(Vec3 p) {
    return p.minus(origin).cross(b).dot(normal) / normal.dot(normal);
  }

  private double alongB(Vec3 p) {
    return a.cross(p.minus(origin)).dot(normal) / normal.dot(normal);
  }

  /** Whether p is in front of the eye; always so in a parallel view. */
  boolean isAhead(Vec3 p) {
    return view instanceof View.Parallel || alongA(p) + alongB(p) > 1e-9;
  }

  /** Precondition: {@link #isAhead}. */
  double across(Vec3 p) {
    if (view instanceof View.Parallel) {
      return alongA(p);
    }
    double ka = alongA(p);
    double kb = alongB(p);
    return kb / (ka + kb);
  }

  /**
   * Where a straight line in the plane passes a sight-line.
   *
   * @param second that to the second anchor, else that to the first
   */
  Vec3 onSightLine(boolean second, Vec3 p, Vec3 q) {
    double atP = pastSightLine(second, p);
    double atQ = pastSightLine(second, q);
    return p.towards(q, atP / (atP - atQ));
  }

  private double pastSightLine(boolean second, Vec3 p) {
    if (view instanceof View.Parallel) {
      return alongA(p) - (second ? 1 : 0);
    }
    return second ? alongA(p) : alongB(p);
  }

  /** Precondition: {@link #isAhead}. */
  double nearness(Vec3 p) {
    return view instanceof View.Parallel ? -alongB(p) : 1 / (alongA(p) + alongB(p));
  }
}
