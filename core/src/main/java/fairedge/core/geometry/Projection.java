package fairedge.core.geometry;

/**
 * Space seen along one of its axes: the one nearest to a normal, turned so that what winds to the
 * left round the normal winds to the left in the plane. Coordinates are those of the point, only
 * chosen and negated, so that signs told in the plane are exact.
 *
 * @param axis along which is looked
 */
public record Projection(Axis axis, boolean fromBehind) {
  /** Along the axis in which a normal is longest; of equal ones the last. */
  public static Projection along(Vec3 normal) {
    double x = Math.abs(normal.x());
    double y = Math.abs(normal.y());
    double z = Math.abs(normal.z());
    if (z >= x && z >= y) {
      return new Projection(Axis.Z, !(normal.z() >= 0));
    }
    return y >= x
        ? new Projection(Axis.Y, !(normal.y() >= 0))
        : new Projection(Axis.X, !(normal.x() >= 0));
  }

  public double across(Vec3 p) {
    double value =
        switch (axis) {
          case Z -> p.x();
          case Y -> p.z();
          case X -> p.y();
        };
    return fromBehind ? -value : value;
  }

  public double up(Vec3 p) {
    return switch (axis) {
      case Z -> p.y();
      case Y -> p.x();
      case X -> p.z();
    };
  }
}
