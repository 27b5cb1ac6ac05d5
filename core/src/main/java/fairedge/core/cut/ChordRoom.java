package fairedge.core.cut;

import fairedge.core.geometry.Polygon;
import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;
import org.jspecify.annotations.Nullable;

/** Whether a line across a face stays in it: a face that is not convex may be left on the way. */
final class ChordRoom {
  /** From just inside a face, so that the edge that a way begins on is not in its way. */
  static final double INSIDE = 1e-6;

  private ChordRoom() {}

  /** A face laid flat, if a line across it could leave it. */
  static Polygon.@Nullable Flat unlessConvex(Mesh mesh, int face) {
    Polygon shape = mesh.isMeasurable(face) ? mesh.polygon(face) : null;
    return shape == null || isConvex(shape) ? null : shape.flat();
  }

  static boolean isInside(Polygon.Flat flat, Vec3 from, Vec3 to) {
    return flat.containsSegment(from.towards(to, INSIDE), from.towards(to, 1 - INSIDE));
  }

  private static boolean isConvex(Polygon shape) {
    Vec3 normal = shape.newell();
    for (int i = 0; i < shape.size(); i++) {
      Vec3 at = shape.corner(i);
      Vec3 in = at.minus(shape.corner(i - 1));
      if (in.cross(shape.corner(i + 1).minus(at)).dot(normal) < 0) {
        return false;
      }
    }
    return true;
  }
}
