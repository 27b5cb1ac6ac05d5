package fairedge.core.subdivide;

import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.Runs;

/**
 * The Catmull-Clark surface of a mesh (Catmull and Clark, "Recursively generated B-spline surfaces
 * on arbitrary topological meshes", 1978): at every level every face with n corners becomes n
 * quads. Borders are curves of their own, as are edges of more than two faces: their vertices and
 * edges take part along them only (DeRose et al., "Subdivision surfaces in character animation",
 * 1998); a vertex at which not two such edges meet stays, so does one that several fans share.
 * Faces with a corner that has no place are left out. How the levels hang together is {@link
 * Net}'s, the weights are here. Cost: the corners, times four a level.
 */
public final class CatmullClark {
  /** More levels show nothing that these don't. */
  public static final int MOST_LEVELS = 6;

  private CatmullClark() {}

  /** How many faces the mesh has after so many levels. */
  public static long faces(Mesh mesh, int levels) {
    long corners = 0;
    for (int f = 0; f < mesh.faceEnd(); f++) {
      corners += mesh.hasFace(f) && mesh.isMeasurable(f) ? mesh.size(f) : 0;
    }
    return levels == 0 ? mesh.faceCount() : corners << 2 * (levels - 1);
  }

  /**
   * The mesh refined so many times.
   *
   * @throws IllegalArgumentException if that is under 1 or over {@link #MOST_LEVELS}, or if there
   *     would be more quads than can be counted
   */
  public static Refined refined(Mesh mesh, int levels) {
    if (levels < 1 || levels > MOST_LEVELS || faces(mesh, levels) > Integer.MAX_VALUE / 16) {
      throw new IllegalArgumentException(levels + " levels");
    }
    Net net = Net.of(mesh);
    int[] firstCorner = new int[mesh.faceEnd() + 1];
    for (int f = 0; f <= mesh.faceEnd(); f++) {
      firstCorner[f] = net.start(f);
    }
    double[] at = places(mesh);
    int[] vertices = new int[levels + 1];
    vertices[0] = net.vertices;
    for (int level = 1; level < levels; level++) {
      at = refine(net, at);
      net = net.split();
      vertices[level] = net.vertices;
    }
    double[] last = refine(net, at);
    vertices[levels] = last.length / 3;
    return new Refined(mesh, levels, vertices, firstCorner, net, net.splitCorners(), last);
  }

  private static double[] places(Mesh mesh) {
    double[] at = new double[3 * mesh.vertexEnd()];
    Runs.each(
        mesh.vertexEnd(),
        (from, to) -> {
          for (int v = from; v < to; v++) {
            boolean there = mesh.hasVertex(v);
            at[3 * v] = there ? mesh.x(v) : Double.NaN;
            at[3 * v + 1] = there ? mesh.y(v) : Double.NaN;
            at[3 * v + 2] = there ? mesh.z(v) : Double.NaN;
          }
        });
    return at;
  }

  private static double[] refine(Net net, double[] at) {
    double[] next = new double[3 * (net.vertices + net.edges + net.faces)];
    Runs.each(net.faces, (from, to) -> middles(net, at, next, from, to));
    Runs.each(net.edges, (from, to) -> onEdges(net, at, next, from, to));
    onVertices(net, at, next);
    return next;
  }

  private static void middles(Net net, double[] at, double[] next, int from, int to) {
    for (int f = from; f < to; f++) {
      double x = 0;
      double y = 0;
      double z = 0;
      int first = net.start(f);
      int end = net.start(f + 1);
      for (int c = first; c < end; c++) {
        int v = 3 * net.cornerVertex[c];
        x += at[v];
        y += at[v + 1];
        z += at[v + 2];
      }
      int to3 = 3 * (net.vertices + net.edges + f);
      double share = 1.0 / (end - first);
      next[to3] = x * share;
      next[to3 + 1] = y * share;
      next[to3 + 2] = z * share;
    }
  }

  private static void onEdges(Net net, double[] at, double[] next, int from, int to) {
    int middles = 3 * (net.vertices + net.edges);
    for (int e = from; e < to; e++) {
      int to3 = 3 * (net.vertices + e);
      int a = 3 * net.ends[2 * e];
      int b = 3 * net.ends[2 * e + 1];
      for (int i = 0; i < 3; i++) {
        if (a < 0) {
          next[to3 + i] = Double.NaN;
        } else if (!net.isSmooth(e)) {
          next[to3 + i] = 0.5 * (at[a + i] + at[b + i]);
        } else {
          int f = middles + 3 * net.faceOf(net.sides[2 * e]);
          int g = middles + 3 * net.faceOf(net.sides[2 * e + 1]);
          next[to3 + i] = 0.25 * (at[a + i] + at[b + i] + next[f + i] + next[g + i]);
        }
      }
    }
  }

  /**
   * A smooth vertex S of valence n goes to ((n - 2) S + (ends + middles) / n) / n, with the sums of
   * the other ends of its edges and of the middles of its faces. An edge's new vertex is a quarter
   * of its ends and middles, and each face lies at two of the edges: so the sum over the edges of
   * four times that, less both ends and half the middles, is what is wanted.
   */
  private static void onVertices(Net net, double[] at, double[] next) {
    double[] sum = new double[3 * net.vertices];
    int middles = 3 * (net.vertices + net.edges);
    for (int e = 0; e < net.edges; e++) {
      if (!net.isSmooth(e)) {
        continue;
      }
      int a = 3 * net.ends[2 * e];
      int b = 3 * net.ends[2 * e + 1];
      int f = middles + 3 * net.faceOf(net.sides[2 * e]);
      int g = middles + 3 * net.faceOf(net.sides[2 * e + 1]);
      for (int i = 0; i < 3; i++) {
        double half = 0.5 * (next[f + i] + next[g + i]);
        sum[a + i] += at[b + i] + half;
        sum[b + i] += at[a + i] + half;
      }
    }
    Runs.each(
        net.vertices,
        (from, to) -> {
          for (int v = from; v < to; v++) {
            boolean isSmooth = net.kind[v] == Net.SMOOTH;
            double n = net.valence[v];
            for (int i = 3 * v; i < 3 * v + 3; i++) {
              next[i] = isSmooth ? (at[i] * (n - 2) + sum[i] / n) / n : at[i];
            }
          }
        });
    creases(net, at, next);
  }

  private static void creases(Net net, double[] at, double[] next) {
    for (int e : net.sharp) {
      for (int end = 0; end < 2; end++) {
        int v = net.ends[2 * e + end];
        if (net.kind[v] == Net.CREASE) {
          for (int i = 0; i < 3; i++) {
            double other = at[3 * net.ends[2 * e + 1 - end] + i];
            next[3 * v + i] += 0.125 * (other - at[3 * v + i]);
          }
        }
      }
    }
  }
}
