package fairedge.core.subdivide;

import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Runs;
import java.util.BitSet;

/**
 * Where the vertices of a level come to lie in the end, and how the surface stands there: by the
 * left eigenvectors of the local refinement (Halstead, Kass and DeRose, "Efficient, fair
 * interpolation using Catmull-Clark surfaces", 1993; along borders Biermann, Levin and Zorin,
 * "Piecewise smooth subdivision surfaces with normal control", 2000). Where there is no one tangent
 * plane (at pinned vertices, where two edges meet only, where three and more faces share an edge)
 * the normal is the mean of the quads there. Normals are of unit length, or zero where nothing has
 * an area. Cost: the quads.
 */
public final class Limit {
  private final double[] at;
  private final double[] normals;

  private Limit(double[] at, double[] normals) {
    this.at = at;
    this.normals = normals;
  }

  public Vec3 position(int v) {
    return new Vec3(at[3 * v], at[3 * v + 1], at[3 * v + 2]);
  }

  public Vec3 normal(int v) {
    return new Vec3(normals[3 * v], normals[3 * v + 1], normals[3 * v + 2]);
  }

  /**
   * @param net the level before
   * @param quads the vertices of the level's quads
   * @param level the places of the level's vertices
   */
  static Limit of(Net net, int[] quads, double[] level) {
    double[] at = level.clone();
    double[] normals = new double[at.length];
    int[] first = net.firstCorners();
    Runs.each(
        net.vertices,
        (from, to) -> {
          Stencil stencil = new Stencil(level);
          for (int v = from; v < to; v++) {
            if (first[v] != Net.NONE && net.kind[v] != Net.PINNED) {
              round(net, v, first[v], stencil);
              stencil.write(v, at, normals);
            }
          }
        });
    Runs.each(
        net.edges,
        (from, to) -> {
          Stencil stencil = new Stencil(level);
          for (int e = from; e < to; e++) {
            if (net.sides[2 * e] != Net.NONE) {
              onEdge(net, e, stencil);
              stencil.write(net.vertices + e, at, normals);
            }
          }
        });
    Runs.each(
        net.faces,
        (from, to) -> {
          Stencil stencil = new Stencil(level);
          for (int f = from; f < to; f++) {
            if (net.start(f + 1) > net.start(f)) {
              onFace(net, f, stencil);
              stencil.write(net.vertices + net.edges + f, at, normals);
            }
          }
        });
    creases(net, level, at);
    means(quads, at, normals);
    return new Limit(at, normals);
  }

  /** Borders and edges of more than two faces end as curves of their own. */
  private static void creases(Net net, double[] level, double[] at) {
    for (int e : net.sharp) {
      int middle = 3 * (net.vertices + e);
      for (int i = 0; i < 3; i++) {
        for (int end = 0; end < 2; end++) {
          int v = net.ends[2 * e + end];
          double apart = level[middle + i] - level[3 * v + i];
          at[middle + i] -= apart / 6;
          at[3 * v + i] += net.kind[v] == Net.CREASE ? apart / 6 : 0;
        }
      }
    }
  }

  private static void round(Net net, int v, int first, Stencil stencil) {
    Net.Walk walk = net.new Walk(v, first);
    boolean isClosed = net.kind[v] == Net.SMOOTH;
    stencil.begin(v, isClosed, walk.runsWithFace());
    do {
      stencil.add(net.vertices + walk.from, net.vertices + net.edges + net.faceOf(walk.corner));
    } while (walk.goOn());
    stencil.end(net.isSmooth(walk.to) == isClosed ? net.vertices + walk.to : Net.NONE);
  }

  private static void onEdge(Net net, int e, Stencil stencil) {
    int c = net.sides[2 * e];
    int d = net.sides[2 * e + 1];
    int a = net.cornerVertex[c];
    int b = net.cornerVertex[net.next(c)];
    int middle = net.vertices + net.edges;
    stencil.begin(net.vertices + e, d != Net.NONE, true);
    stencil.add(b, net.vertices + net.cornerEdge[net.next(c)]);
    stencil.add(middle + net.faceOf(c), net.vertices + net.cornerEdge[net.previous(c)]);
    if (d != Net.NONE) {
      boolean isTurned = net.cornerVertex[d] == a;
      int atA = net.cornerEdge[isTurned ? net.previous(d) : net.next(d)];
      int atB = net.cornerEdge[isTurned ? net.next(d) : net.previous(d)];
      stencil.add(a, net.vertices + atA);
      stencil.add(middle + net.faceOf(d), net.vertices + atB);
    }
    stencil.end(a);
  }

  private static void onFace(Net net, int f, Stencil stencil) {
    stencil.begin(net.vertices + net.edges + f, true, true);
    for (int c = net.start(f); c < net.start(f + 1); c++) {
      stencil.add(net.vertices + net.cornerEdge[c], net.cornerVertex[net.next(c)]);
    }
    stencil.end(Net.NONE);
  }

  /** The mean of the quads round where there is no tangent plane. */
  private static void means(int[] quads, double[] at, double[] normals) {
    BitSet without = new BitSet();
    for (int v = 0; v < at.length / 3; v++) {
      if (normals[3 * v] == 0 && normals[3 * v + 1] == 0 && normals[3 * v + 2] == 0) {
        without.set(v);
      }
    }
    Limit limit = new Limit(at, normals);
    for (int q = 0; q < quads.length; q++) {
      int v = quads[q];
      if (without.get(v)) {
        Vec3 p = limit.position(v);
        Vec3 next = limit.position(quads[q & ~3 | q + 1 & 3]).minus(p);
        Vec3 last = limit.position(quads[q & ~3 | q + 3 & 3]).minus(p);
        add(normals, v, next.cross(last));
      }
    }
    without.stream().forEach(v -> set(normals, v, limit.normal(v)));
  }

  private static void add(double[] to, int v, Vec3 what) {
    if (what.isFinite()) {
      to[3 * v] += what.x();
      to[3 * v + 1] += what.y();
      to[3 * v + 2] += what.z();
    }
  }

  private static void set(double[] normals, int v, Vec3 n) {
    double length = n.length();
    double by = length > 0 && Double.isFinite(length) ? 1 / length : 0;
    normals[3 * v] = n.x() * by;
    normals[3 * v + 1] = n.y() * by;
    normals[3 * v + 2] = n.z() * by;
  }
}
