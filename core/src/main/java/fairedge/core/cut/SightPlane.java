package fairedge.core.cut;

import fairedge.core.geometry.Vec3;

/**
 * The plane through two anchors and the eye (parallel to the view, if parallel), with coordinates
 * in it: {@code across} runs from 0 on the sight-line to the first anchor to 1 on that to the
 * second; {@code nearness} is larger nearer to the eye. Both are linear along straight lines in
 * front of the eye once taken together, so that what hides what can be told in them.
 */
final class SightPlane {
  private final View view;
  private final Vec3 origin;
  private final Vec3 a;
  private final Vec3 b;
  private final Vec3 normal;
  private final Vec3 unitNormal;

  private SightPlane(View view, Vec3 origin, Vec3 a, Vec3 b) {
    this.view = view;
    this.origin = origin;
    this.a = a;
    this.b = b;
    this.normal = a.cross(b);
    this.unitNormal = normal.unit();
  }

  /**
   * @throws Refusal.Raised if eye and anchors lie in one line
   */
  static SightPlane through(View view, Vec3 first, Vec3 second) {
    SightPlane plane =
        switch (view) {
          case View.Perspective p ->
              new SightPlane(view, p.eye(), first.minus(p.eye()), second.minus(p.eye()));
          case View.Parallel p -> new SightPlane(view, first, second.minus(first), p.direction());
        };
    double size = plane.a.length() * plane.b.length();
    if (!(plane.normal.length() > 1e-9 * size)) {
      throw Refusal.because(
          "These two points lie in one line with your eye: turn the model a little.");
    }
    return plane;
  }

  Vec3 normal() {
    return unitNormal;
  }

  /** Signed distance of p from the plane. */
  double distance(Vec3 p) {
    return p.minus(origin).dot(unitNormal);
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

  /** Precondition: {@link #isAhead}. */
  double nearness(Vec3 p) {
    return view instanceof View.Parallel ? -alongB(p) : 1 / (alongA(p) + alongB(p));
  }
}
