package fairedge.core.survey;

import fairedge.core.geometry.Polygon;
import fairedge.core.geometry.Predicates;
import fairedge.core.geometry.Vec3;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * Whether two faces pass through each other or lie on each other.
 *
 * <p>Faces are taken by their triangles. Which side of a triangle's plane a corner lies on is told
 * exactly ({@link Predicates#side}); a corner no farther from it than the merge distance is in the
 * plane, so that what touches does not cross by a rounding.
 *
 * <ol>
 *   <li><b>Through</b>: the outline of one face, or a diagonal of its triangulation, comes from one
 *       side of a triangle of the other to the other side, at a place in that triangle which is
 *       farther than the merge distance from the outline of its face. Where corners of the outline
 *       lie in the plane on the way, the place is theirs.
 *   <li><b>On</b>: two triangles lie in one plane, all corners of both, and no side of either parts
 *       them: the others' corners are beyond it, or short of it by the merge distance at most.
 * </ol>
 *
 * Source of the second: the separating axis of convex polygons (Gottschalk et al., "OBBTree",
 * 1996). Cost: the product of the triangles of both.
 */
public final class Meeting {
  private Meeting() {}

  /**
   * A face, or one triangle of a large one.
   *
   * @param outline its corners in order
   * @param triangles corner indices, three a triangle
   * @param diagonals pairs of corner indices that are no sides
   * @param sides pairs of corner indices that are sides of the face
   */
  public record Piece(Vec3[] outline, int[] triangles, int[] diagonals, int[] sides) {
    public static Piece of(Polygon shape) {
      int n = shape.size();
      Vec3[] outline = new Vec3[n];
      int[] sides = new int[2 * n];
      for (int i = 0; i < n; i++) {
        outline[i] = shape.corner(i);
        sides[2 * i] = i;
        sides[2 * i + 1] = (i + 1) % n;
      }
      int[] triangles = shape.triangles();
      return new Piece(outline, triangles, diagonalsOf(triangles, n), sides);
    }

    /** The triangle whose corners begin at a place of the triangulation. */
    public static Piece of(Polygon shape, int[] triangles, int at) {
      Vec3[] outline = new Vec3[3];
      List<Integer> sides = new ArrayList<>();
      for (int i = 0; i < 3; i++) {
        int from = triangles[at + i];
        int to = triangles[at + (i + 1) % 3];
        outline[i] = shape.corner(from);
        if (isSide(from, to, shape.size())) {
          sides.add(i);
          sides.add((i + 1) % 3);
        }
      }
      int[] own = sides.stream().mapToInt(Integer::intValue).toArray();
      return new Piece(outline, new int[] {0, 1, 2}, new int[0], own);
    }

    private static boolean isSide(int a, int b, int n) {
      return (a + 1) % n == b || (b + 1) % n == a;
    }

    private static int[] diagonalsOf(int[] triangles, int n) {
      int[] found = new int[2 * (n - 3)];
      int count = 0;
      for (int i = 0; i < triangles.length; i++) {
        int a = triangles[i];
        int b = triangles[i % 3 == 2 ? i - 2 : i + 1];
        if (a < b && !isSide(a, b, n) && count < found.length) {
          found[count++] = a;
          found[count++] = b;
        }
      }
      return found;
    }
  }

  public static boolean cross(Piece one, Piece other, double near) {
    return passes(one, other, near) || passes(other, one, near) || lies(one, other, near);
  }

  private static boolean passes(Piece line, Piece face, double near) {
    for (int i = 0; i < face.triangles.length; i += 3) {
      Plane plane = Plane.of(face, i);
      if (plane != null && passes(line, face, plane, near)) {
        return true;
      }
    }
    return false;
  }

  private static boolean passes(Piece line, Piece face, Plane plane, double near) {
    Vec3[] p = line.outline;
    int[] signs = new int[p.length];
    boolean above = false;
    boolean below = false;
    for (int i = 0; i < p.length; i++) {
      signs[i] = plane.sideOf(p[i], near);
      above |= signs[i] > 0;
      below |= signs[i] < 0;
    }
    if (!above || !below) {
      return false;
    }
    return outlinePasses(p, signs, face, plane, near)
        || diagonalPasses(line, signs, face, plane, near);
  }

  private static boolean outlinePasses(
      Vec3[] p, int[] signs, Piece face, Plane plane, double near) {
    int n = p.length;
    for (int i = 0; i < n; i++) {
      if (signs[i] == 0) {
        continue;
      }
      int k = (i + 1) % n;
      if (signs[k] == -signs[i] && isIn(plane.between(p[i], p[k]), face, plane, near)) {
        return true;
      }
      boolean in = false;
      for (; signs[k] == 0; k = (k + 1) % n) {
        in |= isIn(p[k], face, plane, near);
      }
      if (in && signs[k] == -signs[i]) {
        return true;
      }
    }
    return false;
  }

  private static boolean diagonalPasses(
      Piece line, int[] signs, Piece face, Plane plane, double near) {
    for (int i = 0; i < line.diagonals.length; i += 2) {
      int a = line.diagonals[i];
      int b = line.diagonals[i + 1];
      if (signs[a] * signs[b] < 0
          && isIn(plane.between(line.outline[a], line.outline[b]), face, plane, near)) {
        return true;
      }
    }
    return false;
  }

  /** Whether a place of the plane is in its triangle and well inside the outline of the face. */
  private static boolean isIn(Vec3 place, Piece face, Plane plane, double near) {
    if (!plane.holds(place, near)) {
      return false;
    }
    for (int i = 0; i < face.sides.length; i += 2) {
      if (place.distanceToSegment(face.outline[face.sides[i]], face.outline[face.sides[i + 1]])
          <= near) {
        return false;
      }
    }
    return true;
  }

  private static boolean lies(Piece one, Piece other, double near) {
    for (int i = 0; i < one.triangles.length; i += 3) {
      Plane plane = Plane.of(one, i);
      for (int k = 0; plane != null && k < other.triangles.length; k += 3) {
        Plane second = Plane.of(other, k);
        if (second != null
            && plane.holdsAll(second, near)
            && second.holdsAll(plane, near)
            && !plane.parts(second, near)
            && !second.parts(plane, near)) {
          return true;
        }
      }
    }
    return false;
  }

  /** A triangle and its plane. */
  private record Plane(Vec3 a, Vec3 b, Vec3 c, Vec3 normal) {
    /** Null for a triangle without area. */
    static @Nullable Plane of(Piece piece, int at) {
      Vec3 a = piece.outline[piece.triangles[at]];
      Vec3 b = piece.outline[piece.triangles[at + 1]];
      Vec3 c = piece.outline[piece.triangles[at + 2]];
      Vec3 normal = b.minus(a).cross(c.minus(a));
      return normal.length() > 0 ? new Plane(a, b, c, normal.unit()) : null;
    }

    int sideOf(Vec3 p, double near) {
      return Math.abs(height(p)) <= near ? 0 : Predicates.side(a, b, c, p);
    }

    private double height(Vec3 p) {
      return p.minus(a).dot(normal);
    }

    /** Where the way between places on both sides meets the plane. */
    Vec3 between(Vec3 p, Vec3 q) {
      double over = Math.abs(height(p));
      double under = Math.abs(height(q));
      return p.towards(q, over / (over + under));
    }

    boolean holds(Vec3 p, double near) {
      return inside(p, a, b) >= -near && inside(p, b, c) >= -near && inside(p, c, a) >= -near;
    }

    /** How far a place lies to the left of a side, seen against the normal. */
    private double inside(Vec3 p, Vec3 from, Vec3 to) {
      return p.minus(from).dot(normal.cross(to.minus(from)).unit());
    }

    boolean holdsAll(Plane o, double near) {
      return Math.abs(height(o.a)) <= near
          && Math.abs(height(o.b)) <= near
          && Math.abs(height(o.c)) <= near;
    }

    /** Whether a side of this triangle has all of the other beyond it. */
    boolean parts(Plane o, double near) {
      return isBeyond(o, a, b, near) || isBeyond(o, b, c, near) || isBeyond(o, c, a, near);
    }

    private boolean isBeyond(Plane o, Vec3 from, Vec3 to, double near) {
      return inside(o.a, from, to) <= near
          && inside(o.b, from, to) <= near
          && inside(o.c, from, to) <= near;
    }
  }
}
