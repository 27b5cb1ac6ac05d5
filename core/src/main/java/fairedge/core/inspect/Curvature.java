package fairedge.core.inspect;

import fairedge.core.flow.Topology;
import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;
import java.util.Arrays;
import org.jspecify.annotations.Nullable;

/**
 * How much the surface bends at its vertices, and which way.
 *
 * <ol>
 *   <li>The places of a vertex's neighbours, and of theirs, over edges of faces, are taken in a
 *       frame whose third axis is the sum of the Newell vectors of the faces at the vertex.
 *   <li>z = a x² + b x y + c y² + d x + e y is fitted to them by least squares; with fewer than
 *       five, or where they don't decide it, the vertex has no curvature.
 *   <li>The principal values and directions are those of the shape operator of that surface at the
 *       vertex; the curvature is the larger value by amount.
 *   <li>The <em>curviest tenth</em> are the vertices whose curvature is over 0 and not under that
 *       of nine tenths of the vertices that have one.
 * </ol>
 *
 * The fit is that of Petitjean, "A survey of methods for recovering quadrics in triangle meshes",
 * 2002, with the linear terms kept. Cost: the two rings of every vertex, on all processors.
 */
final class Curvature {
  private static final int TERMS = 5;
  private static final double NINE_TENTHS = 0.9;

  /** Bending by less than this share of the neighbours' distance is rounding. */
  private static final double FLAT = 1e-9;

  /** So many neighbours of neighbours decide enough. */
  private static final int NEIGHBOURS = 512;

  private Mesh mesh;
  private double[] ofVertex;
  private final Ranked known;
  private double tenth;

  Curvature(Mesh mesh) {
    this.mesh = mesh;
    ofVertex = new double[mesh.vertexEnd()];
    Blocks.each(ofVertex.length, v -> ofVertex[v] = larger(v));
    known = new Ranked(ofVertex);
    tenth = known.at(NINE_TENTHS);
  }

  private double larger(int v) {
    Bend bend = mesh.hasVertex(v) && mesh.hasPlace(v) ? at(mesh, v) : null;
    return bend == null ? Double.NaN : bend.larger();
  }

  /**
   * After a change of the mesh.
   *
   * @param vertices those within two rings of what was touched, and those that are gone
   */
  void update(Mesh now, int[] vertices) {
    mesh = now;
    if (ofVertex.length < mesh.vertexEnd()) {
      int known = ofVertex.length;
      ofVertex = Arrays.copyOf(ofVertex, Topology.roomFor(mesh.vertexEnd()));
      Arrays.fill(ofVertex, known, ofVertex.length, Double.NaN);
    }
    for (int v : vertices) {
      if (v < ofVertex.length) {
        known.remove(ofVertex[v]);
        ofVertex[v] = larger(v);
        known.add(ofVertex[v]);
      }
    }
    tenth = known.at(NINE_TENTHS);
  }

  boolean isInCurviestTenth(int v) {
    return ofVertex[v] > 0 && ofVertex[v] >= tenth;
  }

  /**
   * The curvature of a surface at a place.
   *
   * @param larger by amount, in 1 / unit
   * @param smaller by amount
   * @param along the direction in which it bends by the larger
   * @param normal that of the surface
   */
  record Bend(double larger, double smaller, Vec3 along, Vec3 normal) {}

  /** How the surface bends at v; null where that is not known. Cost: its two rings. */
  static @Nullable Bend at(Mesh mesh, int v) {
    Vec3 sum = Vec3.ZERO;
    for (int f : mesh.facesAt(v)) {
      sum = mesh.isMeasurable(f) ? sum.plus(mesh.polygon(f).newell()) : sum;
    }
    if (!(sum.length() > 0)) {
      return null;
    }
    Vec3 w = sum.unit();
    Vec3 u = w.aside();
    Vec3 t = w.cross(u);
    int[] around = twoRings(mesh, v);
    double scale = 0;
    for (int n : around) {
      scale = Math.max(scale, mesh.position(n).distance(mesh.position(v)));
    }
    double[][] sums = new double[TERMS][TERMS + 1];
    for (int n : around) {
      Vec3 p = mesh.position(n).minus(mesh.position(v)).times(1 / scale);
      add(sums, p.dot(u), p.dot(t), p.dot(w));
    }
    if (around.length < TERMS || !solve(sums)) {
      return null;
    }
    return bend(sums, scale, u, t, w);
  }

  /** By id, so that the order in which edges hang at a vertex tells nothing. */
  private static int[] twoRings(Mesh mesh, int v) {
    int[] around = new int[32];
    int count = 0;
    int first = 0;
    around[count++] = v;
    for (int ring = 0; ring < 2; ring++) {
      int end = count;
      for (int i = first; i < end && count < NEIGHBOURS; i++) {
        int from = around[i];
        int start = mesh.edgeAt(from);
        int e = start;
        do {
          int n = mesh.otherEnd(e, from);
          if (mesh.cornerOn(e) != Mesh.NONE && !holds(around, count, n) && count < NEIGHBOURS) {
            around = count == around.length ? Arrays.copyOf(around, 2 * count) : around;
            around[count++] = n;
          }
          e = mesh.nextEdgeAt(from, e);
        } while (e != start);
      }
      first = end;
    }
    int placed = 0;
    for (int i = 1; i < count; i++) {
      if (mesh.hasPlace(around[i])) {
        around[placed++] = around[i];
      }
    }
    int[] found = Arrays.copyOf(around, placed);
    Arrays.sort(found);
    return found;
  }

  private static boolean holds(int[] values, int count, int value) {
    for (int i = 0; i < count; i++) {
      if (values[i] == value) {
        return true;
      }
    }
    return false;
  }

  private static void add(double[][] sums, double x, double y, double z) {
    double[] terms = {x * x, x * y, y * y, x, y};
    for (int i = 0; i < TERMS; i++) {
      for (int j = 0; j < TERMS; j++) {
        sums[i][j] += terms[i] * terms[j];
      }
      sums[i][TERMS] += terms[i] * z;
    }
  }

  /** Gauss and Jordan, with the largest pivot; the solution stands in the last column. */
  private static boolean solve(double[][] m) {
    for (int i = 0; i < TERMS; i++) {
      int best = i;
      for (int k = i + 1; k < TERMS; k++) {
        best = Math.abs(m[k][i]) > Math.abs(m[best][i]) ? k : best;
      }
      double[] row = m[best];
      m[best] = m[i];
      m[i] = row;
      if (!(Math.abs(row[i]) > 1e-12)) {
        return false;
      }
      for (int k = 0; k < TERMS; k++) {
        double factor = k == i ? 0 : m[k][i] / row[i];
        for (int j = i; j <= TERMS && factor != 0; j++) {
          m[k][j] -= factor * row[j];
        }
      }
    }
    for (int i = 0; i < TERMS; i++) {
      m[i][TERMS] /= m[i][i];
    }
    return true;
  }

  /** Of the shape operator of the surface fitted, at the vertex; fitted to places over a scale. */
  private static Bend bend(double[][] fit, double scale, Vec3 u, Vec3 t, Vec3 w) {
    double d = fit[3][TERMS];
    double e = fit[4][TERMS];
    double root = Math.sqrt(1 + d * d + e * e);
    double l = 2 * fit[0][TERMS] / root;
    double m = fit[1][TERMS] / root;
    double n = 2 * fit[2][TERMS] / root;
    double g11 = 1 + d * d;
    double g12 = d * e;
    double g22 = 1 + e * e;
    double area = g11 * g22 - g12 * g12;
    double gauss = (l * n - m * m) / area;
    double mean = (l * g22 - 2 * m * g12 + n * g11) / (2 * area);
    double spread = Math.sqrt(Math.max(0, mean * mean - gauss));
    double larger = mean < 0 ? mean - spread : mean + spread;
    double smaller = mean < 0 ? mean + spread : mean - spread;
    // (II - larger I) x = 0, by that of the two rows which says more.
    double[] one = {larger * g12 - m, l - larger * g11};
    double[] other = {n - larger * g22, larger * g12 - m};
    double[] x = Math.hypot(one[0], one[1]) >= Math.hypot(other[0], other[1]) ? one : other;
    Vec3 alongU = u.plus(w.times(d));
    Vec3 alongT = t.plus(w.times(e));
    Vec3 along = alongU.times(x[0]).plus(alongT.times(x[1])).unit();
    return new Bend(
        rounded(larger) / scale, rounded(smaller) / scale, along, alongU.cross(alongT).unit());
  }

  private static double rounded(double bend) {
    return Math.abs(bend) < FLAT ? 0 : Math.abs(bend);
  }
}
