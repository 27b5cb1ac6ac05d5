package fairedge.core.geometry;

import org.jspecify.annotations.Nullable;

/**
 * One polygon in space by its corners in order, and the measures that the product defines on it.
 * Corners need not lie in one plane. Immutable; every measure costs its number of corners, but
 * {@link #triangles}.
 */
public final class Polygon {
  private static final int MANY = 200;

  private final Vec3[] corners;
  private final Vec3 newell;

  /**
   * @param corners at least 3 finite points; kept, not copied: the caller gives them away
   */
  public Polygon(Vec3[] corners) {
    if (corners.length < 3) {
      throw new IllegalArgumentException("a polygon has at least 3 corners");
    }
    this.corners = corners;
    this.newell = newellOf(corners);
  }

  private static Vec3 newellOf(Vec3[] p) {
    Vec3 sum = Vec3.ZERO;
    for (int i = 1; i + 1 < p.length; i++) {
      sum = sum.plus(p[i].minus(p[0]).cross(p[i + 1].minus(p[0])));
    }
    return sum.times(0.5);
  }

  public int size() {
    return corners.length;
  }

  public Vec3 corner(int i) {
    // Mostly there is nothing to divide.
    return corners[i >= 0 && i < corners.length ? i : Math.floorMod(i, corners.length)];
  }

  /** Newell's vector: along the normal, as long as the area. */
  public Vec3 newell() {
    return newell;
  }

  public Vec3 normal() {
    return newell.unit();
  }

  public double area() {
    return newell.length();
  }

  /** Mean of the corners: where a mark for the face is drawn when it lies inside. */
  public Vec3 middle() {
    Vec3 sum = Vec3.ZERO;
    for (Vec3 p : corners) {
      sum = sum.plus(p.minus(corners[0]));
    }
    return corners[0].plus(sum.times(1.0 / corners.length));
  }

  /** Largest distance of a corner from the plane through the middle, square to the normal. */
  public double warpDistance() {
    Vec3 middle = middle();
    Vec3 normal = normal();
    double largest = 0;
    for (Vec3 p : corners) {
      largest = Math.max(largest, Math.abs(p.minus(middle).dot(normal)));
    }
    return largest;
  }

  /** Turn from the side before corner i to the side after it, degrees, 0 = straight on. */
  public double turnAt(int i) {
    Vec3 in = corner(i).minus(corner(i - 1));
    Vec3 out = corner(i + 1).minus(corner(i));
    return in.angleTo(out);
  }

  /** Angle inside corner i between its two sides, degrees, as if the corner were convex. */
  public double angleAt(int i) {
    return corner(i - 1).minus(corner(i)).angleTo(corner(i + 1).minus(corner(i)));
  }

  /**
   * How many corners turn by at most {@code degrees}, under 90; one at a side without length has no
   * turn.
   */
  public int straightCorners(double degrees) {
    double tangent = StrictMath.tan(StrictMath.toRadians(degrees));
    double clearly = 1.01 * tangent * tangent;
    int count = 0;
    for (int i = 0; i < corners.length; i++) {
      if (mayBeStraight(i, clearly) && turnAt(i) <= degrees) {
        count++;
      }
    }
    return count;
  }

  /** Tells most corners that turn without their angle: by sine and cosine, with room to spare. */
  private boolean mayBeStraight(int i, double clearly) {
    Vec3 in = corner(i).minus(corner(i - 1));
    Vec3 out = corner(i + 1).minus(corner(i));
    double cosine = in.dot(out);
    Vec3 cross = in.cross(out);
    boolean hasSides = !in.equals(Vec3.ZERO) && !out.equals(Vec3.ZERO);
    return hasSides && cosine >= 0 && cross.dot(cross) <= clearly * cosine * cosine;
  }

  /**
   * Turns at the corners as seen along the normal, degrees, -180 to 180: positive to the left, as
   * at all corners of a convex polygon; 0 where a side has no length or there is no normal.
   */
  public double[] inPlaneTurns() {
    Vec3 normal = normal();
    double[] turns = new double[corners.length];
    Vec3 in = corners[0].minus(corner(-1));
    for (int i = 0; i < turns.length; i++) {
      Vec3 out = corner(i + 1).minus(corners[i]);
      // Projected, the sides keep their sine along the normal and lose the heights of both.
      double sine = normal.dot(in.cross(out));
      double cosine = in.dot(out) - in.dot(normal) * out.dot(normal);
      turns[i] = ArcTangent.degrees(sine, cosine);
      in = out;
    }
    return turns;
  }

  /**
   * Whether every corner turns left by more than {@code degrees}, under 90, as seen along the
   * normal.
   */
  public boolean turnsLeftEverywhere(double degrees) {
    double sine = StrictMath.sin(StrictMath.toRadians(degrees));
    double cosine = StrictMath.cos(StrictMath.toRadians(degrees));
    Vec3 normal = normal();
    Vec3 in = corners[0].minus(corner(-1));
    for (int i = 0; i < corners.length; i++) {
      Vec3 out = corner(i + 1).minus(corners[i]);
      double up = normal.dot(in.cross(out));
      double on = in.dot(out) - in.dot(normal) * out.dot(normal);
      // The turn, turned back by the angle, is still to the left.
      if (!(up > 0 && up * cosine - on * sine > 0)) {
        return false;
      }
      in = out;
    }
    return true;
  }

  /**
   * Largest angle between the normal and that of a corner (of its two sides, turned to the normal's
   * side), degrees, over corners whose in-plane turn is 5 to 175 in size; 0 for a triangle.
   *
   * @param turns the in-plane turns
   */
  public double warp(double[] turns) {
    double largest = 0;
    Vec3 normal = normal();
    for (int i = 0; corners.length > 3 && i < corners.length; i++) {
      double turn = Math.abs(turns[i]);
      if (turn >= 5 && turn <= 175) {
        Vec3 own = corner(i).minus(corner(i - 1)).cross(corner(i + 1).minus(corner(i)));
        double tangent = own.cross(normal).length() / Math.abs(own.dot(normal));
        largest = Math.max(largest, tangent);
      }
    }
    return ArcTangent.degrees(largest, 1);
  }

  /**
   * Twice the area over the square of the largest distance of two corners; 0 without extent. Of
   * more than {@value #MANY} corners the distance is taken among the outermost in 13 directions:
   * within 4 % of the largest, at a cost that grows with the corners.
   */
  public double slenderness() {
    Vec3[] far = corners.length <= MANY ? corners : outermost();
    double largest = 0;
    for (int i = 0; i < far.length; i++) {
      for (int j = i + 1; j < far.length; j++) {
        Vec3 apart = far[j].minus(far[i]);
        largest = Math.max(largest, apart.dot(apart));
      }
    }
    return largest > 0 ? 2 * area() / largest : 0;
  }

  private Vec3[] outermost() {
    Vec3[] found = new Vec3[26];
    int count = 0;
    for (int i = 14; i < 27; i++) {
      Vec3 direction = new Vec3(i % 3 - 1, i / 3 % 3 - 1, i / 9 - 1);
      Vec3 low = corners[0];
      Vec3 high = corners[0];
      for (Vec3 p : corners) {
        low = p.minus(low).dot(direction) < 0 ? p : low;
        high = p.minus(high).dot(direction) > 0 ? p : high;
      }
      found[count++] = low;
      found[count++] = high;
    }
    return found;
  }

  /** Longest side over shortest; infinite where a side has no length. */
  public double aspect() {
    double shortest = Double.POSITIVE_INFINITY;
    double longest = 0;
    for (int i = 0; i < corners.length; i++) {
      double side = corner(i).distance(corner(i + 1));
      shortest = Math.min(shortest, side);
      longest = Math.max(longest, side);
    }
    return longest / shortest;
  }

  /** Mean length of the sides. */
  public double meanSide() {
    double sum = 0;
    for (int i = 0; i < corners.length; i++) {
      sum += corner(i).distance(corner(i + 1));
    }
    return sum / corners.length;
  }

  /**
   * A place laid onto the triangulation along the axis of the projection; null where it lies beside
   * the polygon. Cost: the triangulation.
   */
  public @Nullable Vec3 onSurface(Vec3 p) {
    Projection seen = Projection.along(newell);
    int[] triangles = triangles();
    for (int i = 0; i < triangles.length; i += 3) {
      Vec3 a = corners[triangles[i]];
      Vec3 b = corners[triangles[i + 1]];
      Vec3 c = corners[triangles[i + 2]];
      double whole = area2(seen, a, b, c);
      double toB = area2(seen, a, p, c) / whole;
      double toC = area2(seen, a, b, p) / whole;
      if (toB >= 0 && toC >= 0 && toB + toC <= 1) {
        return a.plus(b.minus(a).times(toB)).plus(c.minus(a).times(toC));
      }
    }
    return null;
  }

  private static double area2(Projection seen, Vec3 a, Vec3 b, Vec3 c) {
    double bu = seen.across(b) - seen.across(a);
    double bv = seen.up(b) - seen.up(a);
    return bu * (seen.up(c) - seen.up(a)) - bv * (seen.across(c) - seen.across(a));
  }

  /** This polygon seen along its normal, as plane coordinates. */
  public Flat flat() {
    return new Flat(this);
  }

  /**
   * A triangulation as corner indices, three a triangle, {@code size - 2} triangles, winding kept.
   * Quads are cut along the diagonal that keeps both halves turned the same way, else the shorter;
   * larger ones by ear clipping (Meisters, "Polygons have ears", 1975) on the projection along the
   * normal. Always answers, even where the projection crosses itself. Cost: n log n where few
   * corners lie in each other's way; about the square root of n for each at the most.
   */
  public int[] triangles() {
    return EarClipping.triangles(this);
  }

  /** The projection of a polygon along its dominant axis, turned so that it winds to the left. */
  public static final class Flat {
    private final double[] u;
    private final double[] v;
    private final Polygon polygon;
    private final Projection projection;

    private Flat(Polygon polygon) {
      this.polygon = polygon;
      this.projection = Projection.along(polygon.newell);
      int n = polygon.size();
      u = new double[n];
      v = new double[n];
      for (int i = 0; i < n; i++) {
        u[i] = projection.across(polygon.corner(i));
        v[i] = projection.up(polygon.corner(i));
      }
    }

    /** Which way corners a, b, c turn: 1 left (convex), -1 right, 0 straight. */
    public int turn(int a, int b, int c) {
      return Predicates.turn(u[a], v[a], u[b], v[b], u[c], v[c]);
    }

    /** Whether point p, seen along the normal, lies inside by the even-odd rule. */
    public boolean contains(Vec3 p) {
      double pu = projection.across(p);
      double pv = projection.up(p);
      boolean inside = false;
      for (int i = 0, j = u.length - 1; i < u.length; j = i++) {
        if (v[i] > pv != v[j] > pv) {
          int side = Predicates.turn(u[j], v[j], u[i], v[i], pu, pv);
          if (v[i] > v[j] == side > 0) {
            inside = !inside;
          }
        }
      }
      return inside;
    }

    /**
     * Whether the way from corner i towards p sets out into the polygon, between the side that
     * leaves the corner and the one that comes to it.
     */
    public boolean opensTo(int i, Vec3 p) {
      int before = (i + u.length - 1) % u.length;
      int after = (i + 1) % u.length;
      double pu = projection.across(p);
      double pv = projection.up(p);
      boolean leftOfOut = Predicates.turn(u[i], v[i], u[after], v[after], pu, pv) > 0;
      boolean rightOfIn = Predicates.turn(u[i], v[i], u[before], v[before], pu, pv) < 0;
      int turn = turn(before, i, after);
      if (turn == 0) {
        return isSpike(before, i, after) || leftOfOut;
      }
      return turn > 0 ? leftOfOut && rightOfIn : leftOfOut || rightOfIn;
    }

    /** Whether both sides at a straight corner lead the same way: the end of a slit. */
    private boolean isSpike(int before, int i, int after) {
      return (u[before] - u[i]) * (u[after] - u[i]) + (v[before] - v[i]) * (v[after] - v[i]) > 0;
    }

    /**
     * Whether the segment p to q runs inside: it crosses no side, touches no corner but its own
     * ends, and its middle is inside.
     */
    public boolean containsSegment(Vec3 p, Vec3 q) {
      for (int i = 0, j = u.length - 1; i < u.length; j = i++) {
        if (meetsSide(p, q, j, i)) {
          return false;
        }
      }
      return contains(p.towards(q, 0.5));
    }

    private boolean meetsSide(Vec3 p, Vec3 q, int i, int j) {
      Vec3 a = polygon.corner(i);
      Vec3 b = polygon.corner(j);
      if (a.equals(p) || a.equals(q) || b.equals(p) || b.equals(q)) {
        return false;
      }
      double pu = projection.across(p);
      double pv = projection.up(p);
      double qu = projection.across(q);
      double qv = projection.up(q);
      int sa = Predicates.turn(pu, pv, qu, qv, u[i], v[i]);
      int sb = Predicates.turn(pu, pv, qu, qv, u[j], v[j]);
      int sp = Predicates.turn(u[i], v[i], u[j], v[j], pu, pv);
      int sq = Predicates.turn(u[i], v[i], u[j], v[j], qu, qv);
      return sa * sb < 0 && sp * sq < 0
          || sa == 0 && isBetween(pu, pv, qu, qv, u[i], v[i])
          || sb == 0 && isBetween(pu, pv, qu, qv, u[j], v[j]);
    }

    private static boolean isBetween(
        double pu, double pv, double qu, double qv, double x, double y) {
      double along = (x - pu) * (qu - pu) + (y - pv) * (qv - pv);
      double whole = (qu - pu) * (qu - pu) + (qv - pv) * (qv - pv);
      return along > 0 && along < whole;
    }

    /** Whether corner k lies in or on the triangle of corners a, b, c (which winds left). */
    boolean triangleHolds(int a, int b, int c, int k) {
      return Predicates.turn(u[a], v[a], u[b], v[b], u[k], v[k]) >= 0
          && Predicates.turn(u[b], v[b], u[c], v[c], u[k], v[k]) >= 0
          && Predicates.turn(u[c], v[c], u[a], v[a], u[k], v[k]) >= 0;
    }

    /** The corners in a tree, none taken out. */
    CornerTree tree() {
      return new CornerTree(u, v);
    }

    /** Whether corners a and b lie at one place in the projection. */
    boolean samePlace(int a, int b) {
      return u[a] == u[b] && v[a] == v[b];
    }
  }
}
