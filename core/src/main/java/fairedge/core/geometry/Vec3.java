package fairedge.core.geometry;

/** A point or a direction in space. Lengths are in the unit of the mesh they belong to. */
public record Vec3(double x, double y, double z) {
  public static final Vec3 ZERO = new Vec3(0, 0, 0);

  /** The number along an axis: 0, 1 or 2. */
  public double along(int axis) {
    return axis == 0 ? x : axis == 1 ? y : z;
  }

  public Vec3 plus(Vec3 o) {
    return new Vec3(x + o.x, y + o.y, z + o.z);
  }

  public Vec3 minus(Vec3 o) {
    return new Vec3(x - o.x, y - o.y, z - o.z);
  }

  public Vec3 times(double k) {
    return new Vec3(x * k, y * k, z * k);
  }

  public double dot(Vec3 o) {
    return x * o.x + y * o.y + z * o.z;
  }

  public Vec3 cross(Vec3 o) {
    return new Vec3(y * o.z - z * o.y, z * o.x - x * o.z, x * o.y - y * o.x);
  }

  public double length() {
    return Math.sqrt(dot(this));
  }

  /** From here to the segment between two places. */
  public double distanceToSegment(Vec3 a, Vec3 b) {
    return distance(onSegment(a, b));
  }

  /** The place between two that is nearest to here. */
  public Vec3 onSegment(Vec3 a, Vec3 b) {
    Vec3 along = b.minus(a);
    double whole = along.dot(along);
    double t = whole > 0 ? Math.clamp(minus(a).dot(along) / whole, 0, 1) : 0;
    return a.plus(along.times(t));
  }

  /** A unit vector square to this one, which has a length; which of them is fixed. */
  public Vec3 aside() {
    Vec3 w = unit();
    Vec3 other = Math.abs(w.x) < 0.6 ? new Vec3(1, 0, 0) : new Vec3(0, 1, 0);
    return other.cross(w).unit();
  }

  public double distance(Vec3 o) {
    return minus(o).length();
  }

  /** The same direction at length 1; {@link #ZERO} where this has no direction. */
  public Vec3 unit() {
    double length = length();
    return length > 0 && Double.isFinite(length) ? times(1 / length) : ZERO;
  }

  /**
   * The point at {@code t} between this (0) and {@code o} (1). Written as a weighted sum so that
   * {@code a.towards(b, t)} and {@code b.towards(a, 1 - t)} agree wherever {@code 1 - t} is exact.
   */
  public Vec3 towards(Vec3 o, double t) {
    double s = 1 - t;
    return new Vec3(x * s + o.x * t, y * s + o.y * t, z * s + o.z * t);
  }

  /**
   * Angle to {@code o} in degrees, 0 to 180; accurate near both ends (Kahan's formula by atan2).
   */
  public double angleTo(Vec3 o) {
    return ArcTangent.degrees(cross(o).length(), dot(o));
  }

  /** Turned about a unit axis by degrees, to the left as it points at the eye (Rodrigues, 1840). */
  public Vec3 turned(Vec3 axis, double degrees) {
    double angle = StrictMath.toRadians(degrees);
    double cos = StrictMath.cos(angle);
    double sin = StrictMath.sin(angle);
    return times(cos)
        .plus(axis.cross(this).times(sin))
        .plus(axis.times(axis.dot(this) * (1 - cos)));
  }

  public boolean isFinite() {
    return Double.isFinite(x) && Double.isFinite(y) && Double.isFinite(z);
  }
}
