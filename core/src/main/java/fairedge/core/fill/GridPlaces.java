package fairedge.core.fill;

import fairedge.core.geometry.Vec3;
import java.util.Optional;

/**
 * Where the vertices of a grid of a times b quads lie that fills a ring of 2(a + b) corners.
 *
 * <p>They lie on the bilinearly blended surface between the four sides (Coons, "Surfaces for
 * computer-aided design of space forms", 1967). Over a flat ring that is not convex, quads of it
 * may turn over; then the inner vertices are moved within the plane until none does ({@link
 * Unfolding}). A ring is flat if no corner is farther from its plane than a hundred thousandth of
 * its extent; of one that is not, nothing is said. Cost: the quads; where vertices are moved, their
 * number times some hundreds.
 */
final class GridPlaces {
  private static final double FLAT = 1e-5;

  /** More vertices than these are not moved one against the other: it would take seconds. */
  private static final int MOST_MOVED = 3000;

  final int a;
  final int b;
  final int start;
  private final Vec3[] ring;
  private final Vec3[][] at;

  private GridPlaces(Vec3[] ring, int a, int start) {
    this.ring = ring;
    this.a = a;
    this.b = ring.length / 2 - a;
    this.start = start;
    this.at = new Vec3[a + 1][b + 1];
  }

  /**
   * @param a how many quads along the side that begins at the starting corner
   * @param start which corner of the ring is a corner of the grid
   */
  static GridPlaces blended(Vec3[] ring, int a, int start) {
    GridPlaces places = new GridPlaces(ring, a, start);
    for (int i = 0; i <= a; i++) {
      for (int j = 0; j <= places.b; j++) {
        places.at[i][j] = places.isInner(i, j) ? places.between(i, j) : places.onSide(i, j);
      }
    }
    return places;
  }

  Vec3 at(int i, int j) {
    return at[i][j];
  }

  private boolean isInner(int i, int j) {
    return i > 0 && i < a && j > 0 && j < b;
  }

  private Vec3 corner(int i) {
    return ring[Math.floorMod(start + i, ring.length)];
  }

  private Vec3 onSide(int i, int j) {
    return j == 0
        ? corner(i)
        : j == b ? corner(2 * a + b - i) : i == 0 ? corner(-j) : corner(a + j);
  }

  private Vec3 between(int i, int j) {
    double u = (double) i / a;
    double v = (double) j / b;
    Vec3 rows = corner(i).towards(corner(2 * a + b - i), v);
    Vec3 columns = corner(-j).towards(corner(a + j), u);
    Vec3 corners =
        corner(0).towards(corner(a), u).towards(corner(2 * a + b).towards(corner(a + b), u), v);
    return rows.plus(columns).minus(corners);
  }

  /**
   * The same with no quad turned over, where the ring is flat: as it is, or with inner vertices
   * moved; empty where that was not reached.
   *
   * @param plane in which the ring lies
   */
  Optional<GridPlaces> unfolded(Flat plane) {
    if (isSound(plane)) {
      return Optional.of(this);
    }
    int inner = (a - 1) * (b - 1);
    if (inner == 0 || inner > MOST_MOVED) {
      return Optional.empty();
    }
    double[] x = new double[(a + 1) * (b + 1)];
    double[] y = new double[x.length];
    for (int i = 0; i <= a; i++) {
      for (int j = 0; j <= b; j++) {
        x[i * (b + 1) + j] = plane.x(at[i][j]);
        y[i * (b + 1) + j] = plane.y(at[i][j]);
      }
    }
    new Unfolding(a, b, x, y).run();
    GridPlaces moved = blended(ring, a, start);
    for (int i = 1; i < a; i++) {
      for (int j = 1; j < b; j++) {
        moved.at[i][j] = plane.place(x[i * (b + 1) + j], y[i * (b + 1) + j]);
      }
    }
    return moved.isSound(plane) ? Optional.of(moved) : Optional.empty();
  }

  /**
   * Whether every quad keeps its front and crosses itself nowhere: one of its diagonals parts it
   * into two triangles that both look the way the plane does. Quads that do so and fill a ring that
   * crosses itself nowhere lie side by side.
   */
  boolean isSound(Flat plane) {
    for (int i = 0; i < a; i++) {
      for (int j = 0; j < b; j++) {
        Vec3 p = at[i][j];
        Vec3 q = at[i + 1][j];
        Vec3 r = at[i + 1][j + 1];
        Vec3 s = at[i][j + 1];
        boolean first = plane.looksUp(p, q, r) && plane.looksUp(p, r, s);
        if (!first && !(plane.looksUp(q, r, s) && plane.looksUp(q, s, p))) {
          return false;
        }
      }
    }
    return true;
  }

  /** The plane of a flat ring. */
  static final class Flat {
    private final Vec3 origin;
    private final Vec3 across;
    private final Vec3 up;

    /** Triangles of a smaller area than this are none. */
    private final double least;

    private Flat(Vec3 origin, Vec3 across, Vec3 up, double least) {
      this.origin = origin;
      this.across = across;
      this.up = up;
      this.least = least;
    }

    /**
     * @param ring that winds to the left round the normal
     * @param normal of unit length
     */
    static Optional<Flat> of(Vec3[] ring, Vec3 normal) {
      double reach = 0;
      double off = 0;
      for (Vec3 p : ring) {
        Vec3 way = p.minus(ring[0]);
        reach = Math.max(reach, way.length());
        off = Math.max(off, Math.abs(way.dot(normal)));
      }
      if (!(reach > 0) || !(off <= FLAT * reach)) {
        return Optional.empty();
      }
      Vec3 side =
          Math.abs(normal.x()) < Math.max(Math.abs(normal.y()), Math.abs(normal.z()))
              ? new Vec3(1, 0, 0)
              : new Vec3(0, 1, 0);
      Vec3 across = side.minus(normal.times(side.dot(normal))).unit();
      double cell = reach * reach / (ring.length * ring.length);
      return Optional.of(new Flat(ring[0], across, normal.cross(across), 1e-7 * cell));
    }

    double x(Vec3 p) {
      return p.minus(origin).dot(across);
    }

    double y(Vec3 p) {
      return p.minus(origin).dot(up);
    }

    Vec3 place(double x, double y) {
      return origin.plus(across.times(x)).plus(up.times(y));
    }

    boolean looksUp(Vec3 p, Vec3 q, Vec3 r) {
      double turn = (x(q) - x(p)) * (y(r) - y(p)) - (x(r) - x(p)) * (y(q) - y(p));
      return turn > 2 * least;
    }
  }
}
