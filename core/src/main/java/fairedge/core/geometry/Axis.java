package fairedge.core.geometry;

/** An axis of space. */
public enum Axis {
  X(new Vec3(1, 0, 0)),
  Y(new Vec3(0, 1, 0)),
  Z(new Vec3(0, 0, 1));

  private final Vec3 unit;

  Axis(Vec3 unit) {
    this.unit = unit;
  }

  public Vec3 unit() {
    return unit;
  }

  /** The axis after this one, X again after Z. */
  public Axis next() {
    return values()[(ordinal() + 1) % values().length];
  }

  /** The axis along which a box is longest; of equal ones the last. */
  public static Axis longest(Bounds box) {
    Vec3 size = box.isEmpty() ? Vec3.ZERO : box.max().minus(box.min());
    Axis longest = Z;
    for (Axis axis : values()) {
      longest = size.dot(axis.unit) > size.dot(longest.unit) ? axis : longest;
    }
    return longest;
  }
}
