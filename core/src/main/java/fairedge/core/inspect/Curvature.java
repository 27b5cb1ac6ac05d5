package fairedge.core.inspect;

import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;
import java.util.Arrays;
import java.util.BitSet;

/**
 * How much the surface bends at its vertices.
 *
 * <ol>
 *   <li>The places of a vertex's neighbours, and of theirs, over edges of faces, are taken in a
 *       frame whose third axis is the sum of the Newell vectors of the faces at the vertex.
 *   <li>z = a x² + b x y + c y² + d x + e y is fitted to them by least squares; with fewer than
 *       five, or where they don't decide it, the vertex has no curvature.
 *   <li>The curvature is the larger, by amount, of the principal values of that surface at the
 *       vertex.
 *   <li>The <em>curviest tenth</em> are the vertices whose curvature is over 0 and not under that
 *       of nine tenths of the vertices that have one.
 * </ol>
 *
 * The fit is that of Petitjean, "A survey of methods for recovering quadrics in triangle meshes",
 * 2002, with the linear terms kept. Cost: the two rings of every vertex.
 */
final class Curvature {
  private static final int TERMS = 5;

  /** Bending by less than this share of the neighbours' distance is rounding. */
  private static final double FLAT = 1e-9;

  private final double[] ofVertex;
  private final double tenth;

  private Curvature(double[] ofVertex) {
    this.ofVertex = ofVertex;
    double[] known = Arrays.stream(ofVertex).filter(k -> !Double.isNaN(k)).sorted().toArray();
    this.tenth = known.length == 0 ? Double.POSITIVE_INFINITY : known[(int) (0.9 * known.length)];
  }

  static Curvature of(Mesh mesh) {
    double[] curvature = new double[mesh.vertexEnd()];
    for (int v = 0; v < curvature.length; v++) {
      curvature[v] = mesh.hasVertex(v) && mesh.hasPlace(v) ? at(mesh, v) : Double.NaN;
    }
    return new Curvature(curvature);
  }

  boolean isInCurviestTenth(int v) {
    return ofVertex[v] > 0 && ofVertex[v] >= tenth;
  }

  /** The curvature at v in 1 / unit; NaN where it has none. Cost: its two rings. */
  static double at(Mesh mesh, int v) {
    Vec3 normal = Vec3.ZERO;
    for (int f : mesh.facesAt(v)) {
      normal = mesh.isMeasurable(f) ? normal.plus(mesh.polygon(f).newell()) : normal;
    }
    if (!(normal.length() > 0)) {
      return Double.NaN;
    }
    Vec3 w = normal.unit();
    Vec3 aside = Math.abs(w.x()) < 0.6 ? new Vec3(1, 0, 0) : new Vec3(0, 1, 0);
    Vec3 u = aside.cross(w).unit();
    Vec3 t = w.cross(u);
    double[][] sums = new double[TERMS][TERMS + 1];
    int[] around = twoRings(mesh, v);
    double scale = 0;
    for (int n : around) {
      scale = Math.max(scale, mesh.position(n).distance(mesh.position(v)));
    }
    int count = 0;
    for (int n : around) {
      Vec3 p = mesh.position(n).minus(mesh.position(v)).times(1 / scale);
      add(sums, p.dot(u), p.dot(t), p.dot(w));
      count++;
    }
    if (count < TERMS || !solve(sums)) {
      return Double.NaN;
    }
    double bend = larger(sums);
    return bend < FLAT ? 0 : bend / scale;
  }

  private static int[] twoRings(Mesh mesh, int v) {
    BitSet around = new BitSet();
    addRing(mesh, v, around);
    for (int n : around.stream().toArray()) {
      addRing(mesh, n, around);
    }
    around.clear(v);
    return around.stream().filter(mesh::hasPlace).toArray();
  }

  private static void addRing(Mesh mesh, int v, BitSet around) {
    for (int e : mesh.edgesAt(v)) {
      if (mesh.cornerOn(e) != Mesh.NONE) {
        around.set(mesh.otherEnd(e, v));
      }
    }
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

  /** Of the shape operator of the surface fitted, at the vertex. */
  private static double larger(double[][] m) {
    double d = m[3][TERMS];
    double e = m[4][TERMS];
    double root = Math.sqrt(1 + d * d + e * e);
    double l = 2 * m[0][TERMS] / root;
    double middle = m[1][TERMS] / root;
    double n = 2 * m[2][TERMS] / root;
    double g11 = 1 + d * d;
    double g12 = d * e;
    double g22 = 1 + e * e;
    double area = g11 * g22 - g12 * g12;
    double gauss = (l * n - middle * middle) / area;
    double mean = (l * g22 - 2 * middle * g12 + n * g11) / (2 * area);
    return Math.abs(mean) + Math.sqrt(Math.max(0, mean * mean - gauss));
  }
}
