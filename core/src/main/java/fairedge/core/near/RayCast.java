package fairedge.core.near;

import fairedge.core.geometry.Polygon;
import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;
import java.util.BitSet;
import java.util.function.IntPredicate;
import org.jspecify.annotations.Nullable;

/**
 * What a straight line meets first, going from a place: faces by their triangulation, from both
 * sides (Möller and Trumbore, "Fast, minimum storage ray/triangle intersection", 1997). Cost: the
 * faces whose boxes the line passes.
 */
public final class RayCast {
  private static final BitSet NONE_SINCE = new BitSet();

  private final Mesh mesh;
  private final FaceTree near;

  /**
   * A face met.
   *
   * @param t how far along the direction
   */
  public record Hit(int face, double t, Vec3 at) {}

  /**
   * @param near the faces of the mesh as it is now
   */
  public RayCast(Mesh mesh, FaceTree near) {
    this.mesh = mesh;
    this.near = near;
  }

  /**
   * The nearest of the faces asked for, of equally near ones the one with the lowest id; null if
   * none is met.
   *
   * @param from least t
   * @param to largest t
   */
  public @Nullable Hit first(
      Vec3 origin, Vec3 direction, double from, double to, IntPredicate faces) {
    Hit best = null;
    double reach = to;
    for (int f : near.meeting(along(origin, direction, from, to), NONE_SINCE)) {
      if (faces.test(f) && mesh.isMeasurable(f)) {
        double t = meet(mesh.polygon(f), origin, direction, from, reach);
        if (t < reach || best == null && t <= reach) {
          best = new Hit(f, t, origin.plus(direction.times(t)));
          reach = t;
        }
      }
    }
    return best;
  }

  private static double meet(Polygon shape, Vec3 o, Vec3 d, double from, double to) {
    double nearest = Double.NaN;
    int[] triangles = shape.triangles();
    for (int i = 0; i < triangles.length; i += 3) {
      Vec3 a = shape.corner(triangles[i]);
      Vec3 ab = shape.corner(triangles[i + 1]).minus(a);
      Vec3 ac = shape.corner(triangles[i + 2]).minus(a);
      Vec3 p = d.cross(ac);
      double det = ab.dot(p);
      if (det == 0) {
        continue;
      }
      Vec3 s = o.minus(a);
      double u = s.dot(p) / det;
      Vec3 q = s.cross(ab);
      double v = d.dot(q) / det;
      double t = ac.dot(q) / det;
      if (u >= 0 && v >= 0 && u + v <= 1 && t >= from && t <= to && !(t >= nearest)) {
        nearest = t;
      }
    }
    return nearest;
  }

  private static Region along(Vec3 o, Vec3 d, double from, double to) {
    return (minX, minY, minZ, maxX, maxY, maxZ) -> {
      double[] range = {from, to};
      return clip(range, o.x(), d.x(), minX, maxX)
          && clip(range, o.y(), d.y(), minY, maxY)
          && clip(range, o.z(), d.z(), minZ, maxZ);
    };
  }

  /** Narrows the range of t to a slab; false if nothing is left. */
  private static boolean clip(double[] range, double o, double d, double low, double high) {
    if (d == 0) {
      return o >= low && o <= high;
    }
    double a = (low - o) / d;
    double b = (high - o) / d;
    range[0] = Math.max(range[0], Math.min(a, b));
    range[1] = Math.min(range[1], Math.max(a, b));
    return range[0] <= range[1];
  }
}
