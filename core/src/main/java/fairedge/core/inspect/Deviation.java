package fairedge.core.inspect;

import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;
import fairedge.core.near.Surface;
import java.util.concurrent.atomic.AtomicLong;
import java.util.stream.IntStream;

/**
 * How far a surface lies from another: the largest distance, at a place that has it, and the mean
 * by area.
 *
 * <p>The distance to one triangle is convex, so no place of a triangle is farther from the other
 * surface than the farthest of its corners is from any one triangle there. Where that bound is not
 * good enough the triangle is quartered, until nothing can lie farther than what was found by more
 * than a hundredth, or than what is allowed (after Kang, Kyung, Yoon and Kim, "Fast and robust
 * Hausdorff distance computation from triangle mesh to quad mesh in near-zero cases", 2018). The
 * mean is that of corners and middles (a rule exact for quadratics). Cost: n log m, and {@value
 * #MOST} quarters at the most.
 *
 * @param largest found at {@code place}: the true one is not larger by more than a hundredth
 * @param mean by area, of the places' distances
 */
record Deviation(double largest, Vec3 place, int face, double mean) {
  private static final int MOST = 2_000_000;
  private static final int DEEPEST = 20;
  private static final int BLOCK = 1024;
  private static final double CLOSE_ENOUGH = 1.01;

  /**
   * @param allowed up to which nobody asks how far exactly
   */
  static Deviation of(Mesh mesh, Surface own, Surface other, double allowed) {
    if (own.triangles() == 0 || other.triangles() == 0) {
      return new Deviation(0, Vec3.ZERO, Mesh.NONE, 0);
    }
    AtomicLong quarters = new AtomicLong();
    Search[] searches =
        IntStream.rangeClosed(0, (own.triangles() - 1) / BLOCK)
            .parallel()
            .mapToObj(block -> {
              Search search = new Search(own, other, allowed, quarters);
              int end = Math.min(own.triangles(), (block + 1) * BLOCK);
              for (int t = block * BLOCK; t < end; t++) {
                search.look(t);
              }
              return search;
            })
            .toArray(Search[]::new);
    Search farthest = searches[0];
    double sum = 0;
    double area = 0;
    for (Search search : searches) {
      farthest = search.largest > farthest.largest ? search : farthest;
      sum += search.sum;
      area += search.area;
    }
    return new Deviation(
        farthest.largest, farthest.place, farthest.face, area > 0 ? sum / area : 0);
  }

  /** The farther of two. */
  static Deviation farther(Deviation a, Deviation b) {
    return b.largest > a.largest ? b : a;
  }

  private static final class Search {
    private final Surface own;
    private final Surface other;
    private final double allowed;
    private final AtomicLong quarters;
    private int guess = -1;
    private int face = Mesh.NONE;
    private double largest;
    private Vec3 place = Vec3.ZERO;
    private double sum;
    private double area;

    Search(Surface own, Surface other, double allowed, AtomicLong quarters) {
      this.own = own;
      this.other = other;
      this.allowed = allowed;
      this.quarters = quarters;
    }

    void look(int t) {
      Vec3 a = own.corner(t, 0);
      Vec3 b = own.corner(t, 1);
      Vec3 c = own.corner(t, 2);
      double atA = ask(t, a);
      double atB = ask(t, b);
      double atC = ask(t, c);
      double size = b.minus(a).cross(c.minus(a)).length() / 2;
      area += size;
      sum += size * ((atA + atB + atC) / 12 + 0.75 * ask(t, middle(a, b, c)));
      quarter(t, a, b, c, 0);
    }

    private static Vec3 middle(Vec3 a, Vec3 b, Vec3 c) {
      return a.plus(b).plus(c).times(1.0 / 3);
    }

    private double ask(int t, Vec3 p) {
      guess = other.nearest(p, guess);
      double distance = other.distance(guess, p);
      if (distance > largest) {
        largest = distance;
        place = p;
        face = own.faceOf(t);
      }
      return distance;
    }

    private void quarter(int t, Vec3 a, Vec3 b, Vec3 c, int depth) {
      if (isBounded(a, b, c) || depth == DEEPEST || quarters.incrementAndGet() > MOST) {
        return;
      }
      Vec3 ab = a.towards(b, 0.5);
      Vec3 bc = b.towards(c, 0.5);
      Vec3 ca = c.towards(a, 0.5);
      ask(t, ab);
      ask(t, bc);
      ask(t, ca);
      quarter(t, a, ab, ca, depth + 1);
      quarter(t, ab, b, bc, depth + 1);
      quarter(t, ca, bc, c, depth + 1);
      quarter(t, ab, bc, ca, depth + 1);
    }

    /** Whether the triangle's corners are all near enough to one triangle over there. */
    private boolean isBounded(Vec3 a, Vec3 b, Vec3 c) {
      double enough = Math.max(allowed, largest * CLOSE_ENOUGH);
      if (isWithin(guess, a, b, c, enough)) {
        return true;
      }
      int middle = other.nearest(middle(a, b, c), guess);
      return middle != guess && isWithin(middle, a, b, c, enough);
    }

    private boolean isWithin(int triangle, Vec3 a, Vec3 b, Vec3 c, double enough) {
      return other.distance(triangle, a) <= enough
          && other.distance(triangle, b) <= enough
          && other.distance(triangle, c) <= enough;
    }
  }
}
