package fairedge.core.near;

import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;
import java.util.Arrays;
import java.util.stream.IntStream;

/**
 * The faces of a mesh as triangles in a tree of boxes, to be asked what lies nearest. Faces without
 * a place are left out. Fixed once made; may be asked by several threads. Cost to make: n log n; of
 * a question: log n where places lie near the surface. About 140 bytes a triangle.
 */
public final class Surface {
  private static final int LEAF = 4;

  /** Of the scale. */
  private static final double SAME = 1e-14;

  private static final int BLOCK = 4096;

  private final Mesh mesh;
  private int[] faceOf;
  private int[] vertices;

  /** Nine numbers for each triangle, in the order of the tree. */
  private final double[] corners;

  /**
   * Of each node its box; its children are 2 i + 1 and 2 i + 2, each with half of the triangles.
   */
  private final float[] boxes;

  private final int count;

  /** What is nearer than this, squared, lies on the surface but for rounding. */
  private final double same;

  public Surface(Mesh mesh) {
    this.mesh = mesh;
    int[] first = new int[mesh.faceEnd() + 1];
    for (int f = 0; f < mesh.faceEnd(); f++) {
      boolean there = mesh.hasFace(f) && mesh.isMeasurable(f);
      first[f + 1] = first[f] + (there ? mesh.size(f) - 2 : 0);
    }
    count = first[mesh.faceEnd()];
    faceOf = new int[count];
    vertices = new int[3 * count];
    inBlocks(
        mesh.faceEnd(),
        (from, to) -> {
          for (int f = from; f < to; f++) {
            if (first[f + 1] > first[f]) {
              add(f, first[f]);
            }
          }
        });
    sort();
    corners = new double[9 * count];
    inBlocks(
        3 * count,
        (from, to) -> {
          for (int i = from; i < to; i++) {
            corners[3 * i] = mesh.x(vertices[i]);
            corners[3 * i + 1] = mesh.y(vertices[i]);
            corners[3 * i + 2] = mesh.z(vertices[i]);
          }
        });
    boxes =
        new float[count == 0 ? 0 : 24 * Integer.highestOneBit(Math.max(1, (count - 1) / LEAF + 1))];
    if (count > 0) {
      fit(0, 0, count);
    }
    double nothing = SAME * mesh.bounds().diagonal();
    same = nothing * nothing;
  }

  /** Runs work over runs of indices on all processors. */
  private static void inBlocks(int end, BlockWork work) {
    IntStream.range(0, (end + BLOCK - 1) / BLOCK)
        .parallel()
        .forEach(b -> work.run(b * BLOCK, Math.min(end, (b + 1) * BLOCK)));
  }

  private interface BlockWork {
    void run(int from, int to);
  }

  private void add(int f, int at) {
    int[] ring = mesh.vertices(f);
    int[] triangles = ring.length == 3 ? WHOLE : mesh.polygon(f).triangles();
    for (int i = 0; i < triangles.length; i++) {
      vertices[3 * at + i] = ring[triangles[i]];
    }
    Arrays.fill(faceOf, at, at + triangles.length / 3, f);
  }

  private static final int[] WHOLE = {0, 1, 2};

  /**
   * Each half of the triangles to its side, and each half of the halves, as the tree wants them.
   */
  private void sort() {
    float[] middles = new float[3 * count];
    inBlocks(
        count,
        (from, to) -> {
          for (int i = from; i < to; i++) {
            middle(i, middles);
          }
        });
    int[] order = Halving.order(middles);
    int[] faces = new int[count];
    int[] sorted = new int[3 * count];
    inBlocks(
        count,
        (from, to) -> {
          for (int i = from; i < to; i++) {
            faces[i] = faceOf[order[i]];
            System.arraycopy(vertices, 3 * order[i], sorted, 3 * i, 3);
          }
        });
    faceOf = faces;
    vertices = sorted;
  }

  private void middle(int triangle, float[] middles) {
    int a = vertices[3 * triangle];
    int b = vertices[3 * triangle + 1];
    int c = vertices[3 * triangle + 2];
    middles[3 * triangle] = (float) ((mesh.x(a) + mesh.x(b) + mesh.x(c)) / 3);
    middles[3 * triangle + 1] = (float) ((mesh.y(a) + mesh.y(b) + mesh.y(c)) / 3);
    middles[3 * triangle + 2] = (float) ((mesh.z(a) + mesh.z(b) + mesh.z(c)) / 3);
  }

  private void fit(int node, int from, int to) {
    int at = 6 * node;
    Arrays.fill(boxes, at, at + 3, Float.POSITIVE_INFINITY);
    Arrays.fill(boxes, at + 3, at + 6, Float.NEGATIVE_INFINITY);
    if (to - from <= LEAF) {
      for (int i = 3 * from; i < 3 * to; i++) {
        for (int axis = 0; axis < 3; axis++) {
          double value = corners[3 * i + axis];
          boxes[at + axis] = Math.min(boxes[at + axis], Math.nextDown((float) value));
          boxes[at + 3 + axis] = Math.max(boxes[at + 3 + axis], Math.nextUp((float) value));
        }
      }
      return;
    }
    int half = (from + to) >>> 1;
    fit(2 * node + 1, from, half);
    fit(2 * node + 2, half, to);
    for (int axis = 0; axis < 3; axis++) {
      int a = 6 * (2 * node + 1) + axis;
      int b = 6 * (2 * node + 2) + axis;
      boxes[at + axis] = Math.min(boxes[a], boxes[b]);
      boxes[at + 3 + axis] = Math.max(boxes[a + 3], boxes[b + 3]);
    }
  }

  /** How many triangles there are; they are asked about by their numbers. */
  public int triangles() {
    return count;
  }

  public int faceOf(int triangle) {
    return faceOf[triangle];
  }

  /** One of the three vertices of a triangle. */
  public int vertexOf(int triangle, int corner) {
    return vertices[3 * triangle + corner];
  }

  public Vec3 corner(int triangle, int corner) {
    int at = 9 * triangle + 3 * corner;
    return new Vec3(corners[at], corners[at + 1], corners[at + 2]);
  }

  /**
   * The triangle nearest to a place.
   *
   * @param guess a triangle that may be near, or -1: a good one saves most of the search
   * @return -1 where there is no triangle
   */
  public int nearest(Vec3 p, int guess) {
    return asking().nearest(p, guess);
  }

  /** Asks for many places, one after the other, by one thread. */
  public Asking asking() {
    return new Asking();
  }

  /** One who asks; not for several threads. */
  public final class Asking {
    private double x;
    private double y;
    private double z;
    private double best;
    private int found;

    /** The triangle nearest to a place; {@link Surface#nearest}. */
    public int nearest(Vec3 p, int guess) {
      return nearest(p.x(), p.y(), p.z(), guess, guess);
    }

    /** The same for the middle of a triangle of another surface, with two guesses. */
    public int nearestToMiddle(Surface there, int triangle, int guess, int other) {
      double[] c = there.corners;
      int at = 9 * triangle;
      return nearest(
          (c[at] + c[at + 3] + c[at + 6]) / 3,
          (c[at + 1] + c[at + 4] + c[at + 7]) / 3,
          (c[at + 2] + c[at + 5] + c[at + 8]) / 3,
          guess,
          other);
    }

    private int nearest(double px, double py, double pz, int guess, int other) {
      if (count == 0) {
        return -1;
      }
      x = px;
      y = py;
      z = pz;
      best = Double.POSITIVE_INFINITY;
      found = 0;
      take(guess);
      if (other != guess) {
        take(other);
      }
      if (best > same) {
        search(0, 0, count);
      }
      return found;
    }

    private void take(int guess) {
      double squared = guess < 0 || guess >= count ? best : squared(guess, x, y, z);
      if (squared < best) {
        best = squared;
        found = guess;
      }
    }

    private void search(int node, int from, int to) {
      if (to - from <= LEAF) {
        for (int i = from; i < to; i++) {
          double squared = squared(i, x, y, z);
          if (squared < best) {
            best = squared;
            found = i;
          }
        }
        return;
      }
      int half = (from + to) >>> 1;
      double left = toBox(2 * node + 1);
      double right = toBox(2 * node + 2);
      if (left <= right) {
        searchIf(left, 2 * node + 1, from, half);
        searchIf(right, 2 * node + 2, half, to);
      } else {
        searchIf(right, 2 * node + 2, half, to);
        searchIf(left, 2 * node + 1, from, half);
      }
    }

    private void searchIf(double near, int node, int from, int to) {
      // Once the place is known to lie on the surface, nothing can be nearer.
      if (near < best && best > same) {
        search(node, from, to);
      }
    }

    private double toBox(int node) {
      int at = 6 * node;
      double dx = outside(x, boxes[at], boxes[at + 3]);
      double dy = outside(y, boxes[at + 1], boxes[at + 4]);
      double dz = outside(z, boxes[at + 2], boxes[at + 5]);
      return dx * dx + dy * dy + dz * dz;
    }
  }

  private static double outside(double value, float low, float high) {
    return value < low ? low - value : value > high ? value - high : 0;
  }

  /** The place on a triangle that is nearest to one. */
  public Vec3 foot(int triangle, Vec3 p) {
    Vec3 a = corner(triangle, 0);
    Vec3 b = corner(triangle, 1);
    Vec3 c = corner(triangle, 2);
    Vec3 normal = b.minus(a).cross(c.minus(a));
    double size = normal.dot(normal);
    if (size > 0) {
      Vec3 on = p.minus(normal.times(p.minus(a).dot(normal) / size));
      if (b.minus(a).cross(on.minus(a)).dot(normal) >= 0
          && c.minus(b).cross(on.minus(b)).dot(normal) >= 0
          && a.minus(c).cross(on.minus(c)).dot(normal) >= 0) {
        return on;
      }
    }
    Vec3 best = p.onSegment(a, b);
    for (Vec3 side : new Vec3[] {p.onSegment(b, c), p.onSegment(c, a)}) {
      best = side.distance(p) < best.distance(p) ? side : best;
    }
    return best;
  }

  /** From a place to a triangle. */
  public double distance(int triangle, Vec3 p) {
    return Math.sqrt(squared(triangle, p.x(), p.y(), p.z()));
  }

  /** Ericson, "Real-Time Collision Detection", 2005, 5.1.5. */
  private double squared(int triangle, double x, double y, double z) {
    int at = 9 * triangle;
    double ax = corners[at];
    double ay = corners[at + 1];
    double az = corners[at + 2];
    double abx = corners[at + 3] - ax;
    double aby = corners[at + 4] - ay;
    double abz = corners[at + 5] - az;
    double acx = corners[at + 6] - ax;
    double acy = corners[at + 7] - ay;
    double acz = corners[at + 8] - az;
    double px = x - ax;
    double py = y - ay;
    double pz = z - az;
    double d1 = abx * px + aby * py + abz * pz;
    double d2 = acx * px + acy * py + acz * pz;
    if (d1 <= 0 && d2 <= 0) {
      return px * px + py * py + pz * pz;
    }
    double bb = abx * abx + aby * aby + abz * abz;
    double bc = abx * acx + aby * acy + abz * acz;
    double cc = acx * acx + acy * acy + acz * acz;
    double d3 = d1 - bb;
    double d4 = d2 - bc;
    if (d3 >= 0 && d4 <= d3) {
      return rest(px, py, pz, abx, aby, abz, 1, acx, acy, acz, 0);
    }
    double d5 = d1 - bc;
    double d6 = d2 - cc;
    double vc = d1 * d4 - d3 * d2;
    if (vc <= 0 && d1 >= 0 && d3 <= 0) {
      return rest(px, py, pz, abx, aby, abz, share(d1, d1 - d3), acx, acy, acz, 0);
    }
    if (d6 >= 0 && d5 <= d6) {
      return rest(px, py, pz, abx, aby, abz, 0, acx, acy, acz, 1);
    }
    double vb = d5 * d2 - d1 * d6;
    if (vb <= 0 && d2 >= 0 && d6 <= 0) {
      return rest(px, py, pz, abx, aby, abz, 0, acx, acy, acz, share(d2, d2 - d6));
    }
    double va = d3 * d6 - d5 * d4;
    if (va <= 0 && d4 - d3 >= 0 && d5 - d6 >= 0) {
      double w = share(d4 - d3, d4 - d3 + d5 - d6);
      return rest(px, py, pz, abx, aby, abz, 1 - w, acx, acy, acz, w);
    }
    double whole = va + vb + vc;
    return rest(px, py, pz, abx, aby, abz, vb / whole, acx, acy, acz, vc / whole);
  }

  private static double share(double part, double whole) {
    return whole > 0 ? part / whole : 0;
  }

  private static double rest(
      double px,
      double py,
      double pz,
      double abx,
      double aby,
      double abz,
      double v,
      double acx,
      double acy,
      double acz,
      double w) {
    double x = px - v * abx - w * acx;
    double y = py - v * aby - w * acy;
    double z = pz - v * abz - w * acz;
    return x * x + y * y + z * z;
  }

  /**
   * The triangle nearest to each vertex of another mesh; -1 for those without a place, or where
   * there is no triangle. On all processors.
   */
  public int[] nearest(Mesh other) {
    int[] nearest = new int[other.vertexEnd()];
    inBlocks(
        other.vertexEnd(),
        (from, to) -> {
          Asking asking = asking();
          int guess = -1;
          for (int v = from; v < to; v++) {
            boolean asked = other.hasVertex(v) && other.hasPlace(v);
            guess = asked ? asking.nearest(other.position(v), guess) : guess;
            nearest[v] = asked ? guess : -1;
          }
        });
    return nearest;
  }

  /**
   * The triangle nearest to each vertex of another surface's triangles, by vertex; -1 for others.
   * They are asked about in the order in which that surface's triangles lie, so that each is a good
   * guess for the next: the more as triangles of surfaces that are the same, in part, follow each
   * other here as there. On all processors.
   */
  public int[] nearest(Surface there) {
    int[] nearest = new int[there.mesh.vertexEnd()];
    Arrays.fill(nearest, -1);
    int[] order = new int[there.mesh.vertexCount()];
    int[] at = new int[order.length];
    int asked = 0;
    for (int i = 0; i < 3 * there.count; i++) {
      int v = there.vertices[i];
      if (nearest[v] == -1) {
        nearest[v] = -2;
        at[asked] = i / 3;
        order[asked++] = v;
      }
    }
    inBlocks(
        asked,
        (from, to) -> {
          Asking asking = asking();
          int guess = -1;
          int last = at[from];
          for (int i = from; i < to; i++) {
            int v = order[i];
            Mesh m = there.mesh;
            int alike = guess < 0 ? at[i] : guess + at[i] - last;
            guess = asking.nearest(m.x(v), m.y(v), m.z(v), guess, alike);
            last = at[i];
            nearest[v] = guess;
          }
        });
    return nearest;
  }

  /** Whether all corners of a triangle of another surface lie within a distance of one here. */
  public boolean isWithin(int triangle, Surface there, int theirs, double distance) {
    double[] c = there.corners;
    double bound = distance * distance;
    for (int at = 9 * theirs; at < 9 * theirs + 9; at += 3) {
      if (squared(triangle, c[at], c[at + 1], c[at + 2]) > bound) {
        return false;
      }
    }
    return true;
  }

  /** The area of a triangle. */
  public double area(int triangle) {
    Vec3 a = corner(triangle, 0);
    return corner(triangle, 1).minus(a).cross(corner(triangle, 2).minus(a)).length() / 2;
  }

  /** The longest side of a triangle. */
  public double longest(int triangle) {
    Vec3 a = corner(triangle, 0);
    Vec3 b = corner(triangle, 1);
    Vec3 c = corner(triangle, 2);
    return Math.max(a.distance(b), Math.max(b.distance(c), c.distance(a)));
  }
}
