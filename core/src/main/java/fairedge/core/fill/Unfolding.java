package fairedge.core.fill;

import fairedge.core.effort.Effort;

/**
 * Moves the inner vertices of a flat grid until no quad turns over.
 *
 * <p>Each corner of each quad, with its two neighbours, is a triangle that wants the form of half a
 * square and to keep its front. What all of them lack is summed up in one number that grows without
 * bound as a triangle goes flat, but for a softening that lets triangles that are turned over come
 * back; the softening is taken away as they do (Garanzha, Kaporin, Kudryavtseva, Protais, Ray and
 * Sokolov, "Foldover-free maps in 50 lines of code", 2021). The number is made small by
 * limited-memory quasi-Newton steps (Nocedal, "Updating quasi-Newton matrices with limited
 * storage", 1980). Nothing is left to chance: the same grid gives the same places. Cost: some
 * hundreds of rounds, each the quads.
 */
final class Unfolding {
  private static final int MOST_SOFTENINGS = 60;
  private static final int MOST_STEPS = 60;
  private static final int REMEMBERED = 6;

  /** How much an even size counts beside an even form. */
  private static final double SIZE = 1.0 / 8;

  private final int a;
  private final int b;
  private final double[] x;
  private final double[] y;

  /** Of each inner vertex its number among all. */
  private final int[] inner;

  /** By which all is scaled, so that a quad has about the area 1. */
  private final double scale;

  private double soft;

  /** The least area, twice, of the triangles at the last look. */
  private double least;

  /**
   * @param x of vertex (i, j) at i (b + 1) + j; those of inner ones are changed
   */
  Unfolding(int a, int b, double[] x, double[] y) {
    this.a = a;
    this.b = b;
    this.x = x;
    this.y = y;
    this.inner = new int[(a - 1) * (b - 1)];
    int next = 0;
    for (int i = 1; i < a; i++) {
      for (int j = 1; j < b; j++) {
        inner[next++] = i * (b + 1) + j;
      }
    }
    this.scale = Math.sqrt(a * b / Math.abs(area()));
  }

  private double area() {
    double sum = 0;
    for (int i = 0; i < a; i++) {
      for (int j = 0; j < b; j++) {
        int p = i * (b + 1) + j;
        int r = p + b + 2;
        int q = p + b + 1;
        int s = p + 1;
        sum += (x[r] - x[p]) * (y[s] - y[q]) - (x[s] - x[q]) * (y[r] - y[p]);
      }
    }
    return sum / 2;
  }

  void run() {
    double[] at = new double[2 * inner.length];
    for (int k = 0; k < inner.length; k++) {
      at[2 * k] = x[inner[k]] * scale;
      at[2 * k + 1] = y[inner[k]] * scale;
    }
    double[] slope = new double[at.length];
    lack(at, slope);
    for (int round = 0; round < MOST_SOFTENINGS; round++) {
      Effort.check();
      boolean wasSound = least > 0;
      soft = Math.sqrt(1e-9 + 0.04 * Math.pow(Math.min(least, 0), 2));
      descend(at, slope);
      // Once none is turned over, one more round evens them out.
      if (wasSound) {
        break;
      }
    }
    put(at);
  }

  private void put(double[] at) {
    for (int k = 0; k < inner.length; k++) {
      x[inner[k]] = at[2 * k] / scale;
      y[inner[k]] = at[2 * k + 1] / scale;
    }
  }

  private void descend(double[] at, double[] slope) {
    int n = at.length;
    double[][] moved = new double[REMEMBERED][];
    double[][] turned = new double[REMEMBERED][];
    double[] weight = new double[REMEMBERED];
    double lack = lack(at, slope);
    for (int step = 0; step < MOST_STEPS; step++) {
      double[] way = way(slope, moved, turned, weight, step);
      double down = dot(way, slope);
      if (!(down < 0)) {
        way = slope.clone();
        for (int k = 0; k < n; k++) {
          way[k] = -way[k];
        }
        down = dot(way, slope);
      }
      double[] there = new double[n];
      double[] slopeThere = new double[n];
      double by = step == 0 ? Math.min(1, 1 / Math.sqrt(-down + 1e-300)) : 1;
      double lackThere = Double.NaN;
      for (int tries = 0; tries < 40; tries++, by /= 2) {
        for (int k = 0; k < n; k++) {
          there[k] = at[k] + by * way[k];
        }
        lackThere = lack(there, slopeThere);
        if (lackThere <= lack + 1e-4 * by * down) {
          break;
        }
      }
      if (!(lackThere < lack - 1e-10 * Math.abs(lack))) {
        return;
      }
      double[] s = new double[n];
      double[] g = new double[n];
      for (int k = 0; k < n; k++) {
        s[k] = there[k] - at[k];
        g[k] = slopeThere[k] - slope[k];
      }
      System.arraycopy(there, 0, at, 0, n);
      System.arraycopy(slopeThere, 0, slope, 0, n);
      lack = lackThere;
      int slot = step % REMEMBERED;
      moved[slot] = s;
      turned[slot] = g;
      weight[slot] = dot(s, g);
    }
  }

  /** Against the slope, by what the last steps taught of how it turns. */
  private static double[] way(
      double[] slope, double[][] moved, double[][] turned, double[] weight, int step) {
    double[] way = slope.clone();
    double[] share = new double[REMEMBERED];
    int from = Math.max(0, step - REMEMBERED);
    double size = 1;
    for (int k = step - 1; k >= from; k--) {
      int slot = k % REMEMBERED;
      if (weight[slot] > 0) {
        share[slot] = dot(moved[slot], way) / weight[slot];
        add(way, turned[slot], -share[slot]);
        size = k == step - 1 ? weight[slot] / dot(turned[slot], turned[slot]) : size;
      }
    }
    for (int k = 0; k < way.length; k++) {
      way[k] *= size;
    }
    for (int k = from; k < step; k++) {
      int slot = k % REMEMBERED;
      if (weight[slot] > 0) {
        add(way, moved[slot], share[slot] - dot(turned[slot], way) / weight[slot]);
      }
    }
    for (int k = 0; k < way.length; k++) {
      way[k] = -way[k];
    }
    return way;
  }

  private static void add(double[] to, double[] what, double by) {
    for (int k = 0; k < to.length; k++) {
      to[k] += by * what[k];
    }
  }

  private static double dot(double[] p, double[] q) {
    double sum = 0;
    for (int k = 0; k < p.length; k++) {
      sum += p[k] * q[k];
    }
    return sum;
  }

  /** What all triangles lack at places, and how it grows with each of them. */
  private double lack(double[] at, double[] slope) {
    double[] px = new double[x.length];
    double[] py = new double[x.length];
    double[] gx = new double[x.length];
    double[] gy = new double[x.length];
    for (int v = 0; v < x.length; v++) {
      px[v] = x[v] * scale;
      py[v] = y[v] * scale;
    }
    for (int k = 0; k < inner.length; k++) {
      px[inner[k]] = at[2 * k];
      py[inner[k]] = at[2 * k + 1];
    }
    least = Double.POSITIVE_INFINITY;
    double sum = 0;
    for (int i = 0; i < a; i++) {
      for (int j = 0; j < b; j++) {
        int[] quad = {
          i * (b + 1) + j, (i + 1) * (b + 1) + j, (i + 1) * (b + 1) + j + 1, i * (b + 1) + j + 1
        };
        for (int c = 0; c < 4; c++) {
          // One between three corners of the ring is as it is.
          int next = quad[(c + 1) & 3];
          int previous = quad[(c + 3) & 3];
          if (!isOuter(quad[c]) || !isOuter(next) || !isOuter(previous)) {
            sum += lack(quad[c], next, previous, px, py, gx, gy);
          }
        }
      }
    }
    for (int k = 0; k < inner.length; k++) {
      slope[2 * k] = gx[inner[k]];
      slope[2 * k + 1] = gy[inner[k]];
    }
    return sum;
  }

  private boolean isOuter(int v) {
    int i = v / (b + 1);
    int j = v % (b + 1);
    return i == 0 || j == 0 || i == a || j == b;
  }

  /** Of one triangle, from the corner c with its next and its previous. */
  private double lack(int c, int n, int p, double[] px, double[] py, double[] gx, double[] gy) {
    double ux = px[n] - px[c];
    double uy = py[n] - py[c];
    double vx = px[p] - px[c];
    double vy = py[p] - py[c];
    double area = ux * vy - uy * vx;
    least = Math.min(least, area);
    double root = Math.sqrt(soft * soft + area * area);
    double held = (area + root) / 2;
    double form = ux * ux + uy * uy + vx * vx + vy * vy;
    double size = area * area + 1;
    double whole = form / 2 + SIZE * size;
    double lack = whole / held;
    // How it grows with the area, and with each side.
    double byHeld = -lack / held * (1 + area / root) / 2;
    double byArea = 2 * SIZE * area / held + byHeld;
    double dux = ux / held + byArea * vy;
    double duy = uy / held - byArea * vx;
    double dvx = vx / held - byArea * uy;
    double dvy = vy / held + byArea * ux;
    gx[n] += dux;
    gy[n] += duy;
    gx[p] += dvx;
    gy[p] += dvy;
    gx[c] -= dux + dvx;
    gy[c] -= duy + dvy;
    return lack;
  }
}
