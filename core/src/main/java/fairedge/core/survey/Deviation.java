package fairedge.core.survey;

import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;
import fairedge.core.near.Surface;
import java.util.Arrays;
import java.util.Optional;
import java.util.stream.IntStream;

/**
 * How far a surface lies from another: the largest distance, at a place that has it, and the mean
 * by area.
 *
 * <p>The distance to one triangle is convex, so no place of a triangle is farther from the other
 * surface than the farthest of its corners is from any one triangle there; nor than that corner,
 * and the way to it. Where those bounds are not good enough the triangle is quartered, until
 * nothing can lie farther than what was found by more than a hundredth, or than what is allowed
 * (after Kang, Kyung, Yoon and Kim, "Fast and robust Hausdorff distance computation from triangle
 * mesh to quad mesh in near-zero cases", 2018). The mean is that of the corners of triangles. Cost:
 * n log m, and {@value #MOST} quarters for each {@value #BLOCK} triangles at the most; where they
 * do not suffice, the largest that was found is told. The same on one processor and on many.
 *
 * @param largest found at {@code place}: the true one is not larger by more than a hundredth
 * @param mean by area, of the places' distances
 */
public record Deviation(double largest, Vec3 place, int face, double mean) {
  private static final int MOST = 200_000;
  private static final int DEEPEST = 20;
  private static final int BLOCK = 1024;
  private static final double CLOSE_ENOUGH = 1.01;

  /**
   * No place of a triangle lies farther from its nearest corner, in lengths of the longest side.
   */
  private static final double TO_CORNER = 1 / Math.sqrt(3);

  /**
   * @param mesh whose surface {@code own} is
   * @param allowed up to which nobody asks how far exactly
   */
  public static Deviation of(Mesh mesh, Surface own, Surface other, double allowed) {
    if (own.triangles() == 0 || other.triangles() == 0) {
      return new Deviation(0, Vec3.ZERO, Mesh.NONE, 0);
    }
    int[] nearest = other.nearest(own);
    double[] away = away(mesh, other, nearest);
    double floor = Arrays.stream(away).parallel().max().orElse(0);
    Search[] searches =
        IntStream.rangeClosed(0, (own.triangles() - 1) / BLOCK)
            .parallel()
            .mapToObj(block -> {
              Search search =
                  new Search(own, other, nearest, away, Math.max(allowed, floor * CLOSE_ENOUGH));
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

  /** Of each vertex of a triangle its distance, of the others 0. */
  private static double[] away(Mesh mesh, Surface other, int[] nearest) {
    double[] away = new double[nearest.length];
    IntStream.range(0, away.length)
        .parallel()
        .filter(v -> nearest[v] >= 0)
        .forEach(v -> away[v] = other.distance(nearest[v], mesh.position(v)));
    return away;
  }

  /**
   * Both ways between a mesh and its starter.
   *
   * @param there from the mesh to the starter
   * @param back from the starter to the mesh
   * @param face of the mesh, at the farther of the two places
   */
  public record Both(Deviation there, Deviation back, int face) {
    /** Empty where there is no starter, or the exercise allows any distance. */
    static Optional<Both> of(Subject subject) {
      Double allowed = subject.wanted().distance();
      Starter starter = subject.starter();
      if (allowed == null || starter == null) {
        return Optional.empty();
      }
      Mesh mesh = subject.mesh();
      Surface own = new Surface(mesh);
      Deviation there = Deviation.of(mesh, own, starter.surface(), allowed);
      Deviation back = Deviation.of(starter.mesh(), starter.surface(), own, allowed);
      boolean isMissing = back.largest > there.largest;
      int face = isMissing ? own.faceOf(own.nearest(back.place, -1)) : there.face;
      return Optional.of(new Both(there, back, face));
    }

    /** Whether it is the starter that has surface farther off. */
    public boolean isMissing() {
      return back.largest > there.largest;
    }

    public Deviation farther() {
      return isMissing() ? back : there;
    }
  }

  private static final class Search {
    private final Surface own;
    private final Surface other;
    private final int[] nearest;
    private final double[] away;

    /** Up to which nobody asks how far exactly: it is allowed, or a vertex lies as far. */
    private final double enough;

    private final Surface.Asking asking;

    /** What was near to the whole of a triangle, and of which. */
    private int last = -1;

    private int lastOf;
    private int quarters;
    private int face = Mesh.NONE;
    private double largest;
    private Vec3 place = Vec3.ZERO;
    private double sum;
    private double area;

    Search(Surface own, Surface other, int[] nearest, double[] away, double enough) {
      this.own = own;
      this.other = other;
      this.nearest = nearest;
      this.away = away;
      this.enough = enough;
      this.asking = other.asking();
    }

    void look(int t) {
      double distances = 0;
      double farthest = 0;
      for (int i = 0; i < 3; i++) {
        double d = away[own.vertexOf(t, i)];
        farthest = Math.max(farthest, d);
        distances += d;
        if (d > largest) {
          take(t, own.corner(t, i), d);
        }
      }
      double size = own.area(t);
      area += size;
      sum += size * distances / 3;
      if (farthest + own.longest(t) * TO_CORNER > enough && !isNearOne(t)) {
        Vec3[] corners = new Vec3[3];
        int[] near = new int[3];
        for (int i = 0; i < 3; i++) {
          corners[i] = own.corner(t, i);
          near[i] = nearest[own.vertexOf(t, i)];
        }
        quarter(t, corners, near, 0);
      }
    }

    /** Whether some triangle over there is near enough to the whole of one: mostly there is. */
    private boolean isNearOne(int t) {
      double bound = Math.max(enough, largest * CLOSE_ENOUGH);
      int alike = last < 0 ? -1 : last + t - lastOf;
      if (alike >= 0 && alike < other.triangles() && other.isWithin(alike, own, t, bound)) {
        return keep(alike, t);
      }
      for (int i = 0; i < 3; i++) {
        int near = nearest[own.vertexOf(t, i)];
        if (other.isWithin(near, own, t, bound)) {
          return keep(near, t);
        }
      }
      int near = asking.nearestToMiddle(own, t, nearest[own.vertexOf(t, 0)], alike);
      keep(near, t);
      return other.isWithin(near, own, t, bound);
    }

    private boolean keep(int near, int t) {
      last = near;
      lastOf = t;
      return true;
    }

    private void take(int t, Vec3 p, double distance) {
      if (distance > largest) {
        largest = distance;
        place = p;
        face = own.faceOf(t);
      }
    }

    /**
     * @param near the triangle over there nearest to each corner
     */
    private void quarter(int t, Vec3[] corners, int[] near, int depth) {
      if (isBounded(corners, near) || depth == DEEPEST || ++quarters > MOST) {
        return;
      }
      Vec3[] halves = new Vec3[3];
      int[] nearHalves = new int[3];
      for (int i = 0; i < 3; i++) {
        halves[i] = corners[i].towards(corners[(i + 1) % 3], 0.5);
        nearHalves[i] = asking.nearest(halves[i], near[i]);
        take(t, halves[i], other.distance(nearHalves[i], halves[i]));
      }
      for (int i = 0; i < 3; i++) {
        int before = (i + 2) % 3;
        quarter(
            t,
            new Vec3[] {corners[i], halves[i], halves[before]},
            new int[] {near[i], nearHalves[i], nearHalves[before]},
            depth + 1);
      }
      quarter(t, halves, nearHalves, depth + 1);
    }

    /** Whether the corners are all near enough to one triangle over there. */
    private boolean isBounded(Vec3[] corners, int[] near) {
      double bound = Math.max(enough, largest * CLOSE_ENOUGH);
      for (int triangle : near) {
        if (isWithin(triangle, corners, bound)) {
          return true;
        }
      }
      Vec3 middle = corners[0].plus(corners[1]).plus(corners[2]).times(1.0 / 3);
      return isWithin(asking.nearest(middle, near[0]), corners, bound);
    }

    private boolean isWithin(int triangle, Vec3[] corners, double bound) {
      for (Vec3 corner : corners) {
        if (other.distance(triangle, corner) > bound) {
          return false;
        }
      }
      return true;
    }
  }
}
