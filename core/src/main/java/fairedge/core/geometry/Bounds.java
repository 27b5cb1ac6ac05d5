package fairedge.core.geometry;

/** An axis-parallel box; {@link #EMPTY} holds nothing and grows by {@link #with}. */
public record Bounds(Vec3 min, Vec3 max) {
  public static final Bounds EMPTY =
      new Bounds(
          new Vec3(Double.POSITIVE_INFINITY, Double.POSITIVE_INFINITY, Double.POSITIVE_INFINITY),
          new Vec3(Double.NEGATIVE_INFINITY, Double.NEGATIVE_INFINITY, Double.NEGATIVE_INFINITY));

  public Bounds with(Vec3 p) {
    return new Bounds(
        new Vec3(Math.min(min.x(), p.x()), Math.min(min.y(), p.y()), Math.min(min.z(), p.z())),
        new Vec3(Math.max(max.x(), p.x()), Math.max(max.y(), p.y()), Math.max(max.z(), p.z())));
  }

  public boolean isEmpty() {
    return min.x() > max.x();
  }

  /** Length of the diagonal; 0 for the empty box. */
  public double diagonal() {
    return isEmpty() ? 0 : max.minus(min).length();
  }

  public Vec3 centre() {
    return isEmpty() ? Vec3.ZERO : min.towards(max, 0.5);
  }
}
