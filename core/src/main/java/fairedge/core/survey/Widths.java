package fairedge.core.survey;

import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * How wide flat patches are: the smallest distance of two parallel lines between which a patch
 * lies, seen along its front. Hull: Andrew, "Another efficient algorithm for convex hulls in two
 * dimensions", 1979; one of the two lines holds a side of it. Cost: n log n in the faces, once, and
 * the square of the sides of the hull, of which some stand for all where they are over {@value
 * #MANY_SIDES}.
 */
public final class Widths {
  private static final int MANY_SIDES = 1000;

  private final Subject subject;
  private final Map<Integer, List<Integer>> faces = new HashMap<>();
  private final Map<Integer, Double> known = new HashMap<>();

  public Widths(Subject subject) {
    this.subject = subject;
    for (int f = 0; f < subject.mesh().faceEnd(); f++) {
      if (subject.mesh().hasFace(f) && subject.shapes().isMeasured(f)) {
        faces.computeIfAbsent(subject.patches().of(f), p -> new ArrayList<>()).add(f);
      }
    }
  }

  /** Of the patch that a face is in. */
  public double of(int f) {
    return known.computeIfAbsent(subject.patches().of(f), this::width);
  }

  private double width(int patch) {
    Vec3 w = subject.patches().front(patch).unit();
    Vec3 u = w.aside();
    Vec3 v = w.cross(u);
    List<double[]> points = new ArrayList<>();
    Mesh mesh = subject.mesh();
    for (int f : faces.getOrDefault(patch, List.of())) {
      for (int corner : mesh.vertices(f)) {
        Vec3 p = mesh.position(corner);
        points.add(new double[] {p.dot(u), p.dot(v)});
      }
    }
    return width(hull(points));
  }

  private static double[][] hull(List<double[]> points) {
    points.sort(Comparator.<double[]>comparingDouble(p -> p[0]).thenComparingDouble(p -> p[1]));
    double[][] hull = new double[2 * points.size() + 2][];
    int n = 0;
    for (List<double[]> way : List.of(points, points.reversed())) {
      int begin = n;
      for (double[] p : way) {
        while (n - begin >= 2 && left(hull[n - 2], hull[n - 1], p) <= 0) {
          n--;
        }
        hull[n++] = p;
      }
      // The last of one way is the first of the other.
      n--;
    }
    return Arrays.copyOf(hull, n);
  }

  private static double left(double[] a, double[] b, double[] c) {
    return (b[0] - a[0]) * (c[1] - a[1]) - (b[1] - a[1]) * (c[0] - a[0]);
  }

  /** Over every side of the hull, how far the hull reaches from it; of many sides a share. */
  private static double width(double[][] hull) {
    double best = Double.POSITIVE_INFINITY;
    int n = hull.length;
    for (int i = 0; i < n; i += 1 + n / MANY_SIDES) {
      double[] a = hull[i];
      double[] b = hull[(i + 1) % n];
      double side = Math.hypot(b[0] - a[0], b[1] - a[1]);
      double reach = 0;
      for (double[] p : hull) {
        reach = Math.max(reach, left(a, b, p));
      }
      best = side > 0 ? Math.min(best, reach / side) : best;
    }
    return Double.isFinite(best) ? best : 0;
  }
}
