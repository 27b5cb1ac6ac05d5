package fairedge.core.survey;

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
 *       frame whose third axis is the sum of the Newell vectors of the faces at the vertex. A
 *       neighbour with over {@value #HUB} edges counts, but those beyond it do not.
 *   <li>z = a x² + b x y + c y² + d x + e y is fitted to them by least squares; with fewer than
 *       five, or where they don't decide it, the vertex has no curvature.
 *   <li>The principal values and directions are those of the shape operator of that surface at the
 *       vertex; the curvature is the larger value by amount.
 *   <li>The <em>curviest tenth</em> are the vertices whose curvature is over 0 and not under that
 *       of nine tenths of the vertices that have one.
 * </ol>
 *
 * The fit is that of Petitjean, "A survey of methods for recovering quadrics in triangle meshes",
 * 2002, with the linear terms kept. Cost: the two rings of every vertex, which are at most {@value
 * #HUB} times its edges, on all processors.
 */
public final class Curvature {
  private static final int TERMS = 5;
  private static final double NINE_TENTHS = 0.9;

  /** Bending by less than this share of the neighbours' distance is rounding. */
  private static final double FLAT = 1e-9;

  /** With more edges than these it is not gone through: what lies all round it bends otherwise. */
  private static final int HUB = 256;

  private Mesh mesh;
  private final FaceShapes shapes;
  private double[] ofVertex;
  private final Ranked known;
  private double tenth;

  /**
   * @param shapes of the mesh, and kept up to date with it
   */
  Curvature(Mesh mesh, FaceShapes shapes) {
    this.mesh = mesh;
    this.shapes = shapes;
    ofVertex = new double[mesh.vertexEnd()];
    Blocks.each(ofVertex.length, v -> ofVertex[v] = larger(v));
    known = new Ranked(ofVertex);
    tenth = known.at(NINE_TENTHS);
  }

  private double larger(int v) {
    Bend bend = mesh.hasVertex(v) && mesh.hasPlace(v) ? at(mesh, shapes, v) : null;
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

  public boolean isInCurviestTenth(int v) {
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
  public record Bend(double larger, double smaller, Vec3 along, Vec3 normal) {}

  /** How the surface bends at v; null where that is not known. Cost: its two rings. */
  static @Nullable Bend at(Mesh mesh, FaceShapes shapes, int v) {
    Vec3 sum = Vec3.ZERO;
    for (int f : mesh.facesAt(v)) {
      sum = shapes.isMeasured(f) ? sum.plus(shapes.newell(f)) : sum;
    }
    return at(mesh, sum, v);
  }

  /**
   * @param sum of the Newell vectors of the faces at v
   */
  static @Nullable Bend at(Mesh mesh, Vec3 sum, int v) {
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
    Gathered gathered = new Gathered();
    gathered.addNeighbours(mesh, v, Integer.MAX_VALUE);
    int ring = gathered.count;
    for (int i = 0; i < ring; i++) {
      gathered.addNeighbours(mesh, gathered.ids[i], HUB);
    }
    return gathered.placed(mesh, v);
  }

  /** Ids in the order in which they were met, some of them again and again. */
  private static final class Gathered {
    private int[] ids = new int[32];
    private int count;

    /**
     * Adds the other ends of the edges of faces at a vertex; none if there are more than so many.
     */
    void addNeighbours(Mesh mesh, int v, int most) {
      int before = count;
      int start = mesh.edgeAt(v);
      int e = start;
      do {
        if (count - before == most) {
          count = before;
          return;
        }
        if (mesh.cornerOn(e) != Mesh.NONE) {
          ids = count == ids.length ? Arrays.copyOf(ids, 2 * count) : ids;
          ids[count++] = mesh.otherEnd(e, v);
        }
        e = mesh.nextEdgeAt(v, e);
      } while (e != start);
    }

    /** Each once, in order, those that have a place, without v. */
    int[] placed(Mesh mesh, int v) {
      Arrays.sort(ids, 0, count);
      int placed = 0;
      for (int i = 0; i < count; i++) {
        int id = ids[i];
        if (id != v && (i == 0 || id != ids[i - 1]) && mesh.hasPlace(id)) {
          ids[placed++] = id;
        }
      }
      return Arrays.copyOf(ids, placed);
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
