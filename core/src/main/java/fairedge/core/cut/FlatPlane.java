package fairedge.core.cut;

import fairedge.core.geometry.Vec3;
import fairedge.core.near.Region;

/** A plane anywhere in space. */
record FlatPlane(Vec3 origin, Vec3 normal) implements CutPlane {
  @Override
  public double distance(Vec3 p) {
    return p.minus(origin).dot(normal);
  }

  /** What may lie within a distance of it. */
  Region region(double by) {
    return (minX, minY, minZ, maxX, maxY, maxZ) -> {
      Vec3 low = new Vec3(minX, minY, minZ);
      Vec3 high = new Vec3(maxX, maxY, maxZ);
      double middle = distance(low.towards(high, 0.5));
      Vec3 half = high.minus(low).times(0.5);
      double reach =
          Math.abs(normal.x()) * half.x()
              + Math.abs(normal.y()) * half.y()
              + Math.abs(normal.z()) * half.z();
      // A box that reaches out of the range of numbers gives no number: it may meet anything.
      return !(Math.abs(middle) > reach * (1 + 1e-9) + by);
    };
  }
}
