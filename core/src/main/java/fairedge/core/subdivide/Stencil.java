package fairedge.core.subdivide;

import java.util.Arrays;

/**
 * What lies round one vertex, in its order, and where the vertex ends: edges e(0), e(1) ... and
 * between each two of them the corner of their quad that is opposite the vertex.
 */
final class Stencil {
  private final double[] at;
  private int vertex;
  private boolean isClosed;
  private boolean isTurned;
  private boolean isWhole;
  private int[] edge = new int[16];
  private int[] opposite = new int[16];
  private int quads;

  private double turned;
  private int filled;
  private double[] cosine = new double[0];
  private double[] sine = new double[0];
  private final double[] mean = new double[3];
  private final double[] one = new double[3];
  private final double[] other = new double[3];

  /**
   * @param at places of the level's vertices
   */
  Stencil(double[] at) {
    this.at = at;
  }

  /**
   * @param isClosed whether the quads go all the way round
   * @param runsWithFaces whether they come in the order in which their fronts turn to the left
   */
  void begin(int vertex, boolean isClosed, boolean runsWithFaces) {
    this.vertex = vertex;
    this.isClosed = isClosed;
    this.isTurned = !runsWithFaces;
    this.isWhole = true;
    this.quads = 0;
  }

  /** The next edge, and what is opposite in the quad after it. */
  void add(int nextEdge, int nextOpposite) {
    if (quads + 1 == edge.length) {
      edge = Arrays.copyOf(edge, 2 * edge.length);
      opposite = Arrays.copyOf(opposite, 2 * opposite.length);
    }
    edge[quads] = nextEdge;
    opposite[quads++] = nextOpposite;
  }

  /** The last edge, where the quads are open; {@link Net#NONE} where there is no such order. */
  void end(int lastEdge) {
    isWhole = isClosed || lastEdge != Net.NONE;
    edge[quads] = isClosed ? edge[0] : lastEdge;
  }

  /** Writes the vertex's normal and, inside the surface, where it ends. */
  void write(int v, double[] ends, double[] normals) {
    Arrays.fill(one, 0);
    Arrays.fill(other, 0);
    if (isClosed) {
      middle(v, ends);
    }
    if (isClosed && quads >= 3) {
      tangents();
    } else if (!isClosed && isWhole && quads >= 2) {
      borderTangents();
    }
    double x = one[1] * other[2] - one[2] * other[1];
    double y = one[2] * other[0] - one[0] * other[2];
    double z = one[0] * other[1] - one[1] * other[0];
    double length = Math.sqrt(x * x + y * y + z * z);
    // Where the tangents are parallel but for rounding there is no plane.
    double most = length(one) * length(other);
    if (length > 1e-9 * most && length < Double.POSITIVE_INFINITY) {
      double by = (isTurned ? -1 : 1) / length;
      normals[3 * v] = x * by;
      normals[3 * v + 1] = y * by;
      normals[3 * v + 2] = z * by;
    }
  }

  private static double length(double[] of) {
    return Math.sqrt(of[0] * of[0] + of[1] * of[1] + of[2] * of[2]);
  }

  private void middle(int v, double[] ends) {
    Arrays.fill(mean, 0);
    double n = quads;
    add(mean, vertex, n * n);
    for (int i = 0; i < quads; i++) {
      add(mean, edge[i], 4);
      add(mean, opposite[i], 1);
    }
    for (int i = 0; i < 3; i++) {
      ends[3 * v + i] = mean[i] / (n * (n + 5));
    }
  }

  private void tangents() {
    turns(2 * Math.PI / quads);
    double weight = 1 + cosine[1] + Math.cos(Math.PI / quads) * Math.sqrt(2 * (9 + cosine[1]));
    for (int i = 0; i < quads; i++) {
      add(one, edge[i], weight * cosine[i]);
      add(other, edge[i], weight * sine[i]);
      add(one, opposite[i], cosine[i] + cosine[i + 1]);
      add(other, opposite[i], sine[i] + sine[i + 1]);
    }
  }

  /** Cosines and sines of the edges' directions; most vertices have as many as the one before. */
  private void turns(double turn) {
    if (turn == turned && quads <= filled) {
      return;
    }
    turned = turn;
    filled = quads;
    if (cosine.length <= quads) {
      cosine = new double[edge.length];
      sine = new double[edge.length];
    }
    for (int i = 0; i <= quads; i++) {
      cosine[i] = Math.cos(i * turn);
      sine[i] = Math.sin(i * turn);
    }
  }

  private void borderTangents() {
    turns(Math.PI / quads);
    double scale = 1 / ((3 + cosine[1]) * quads);
    double ends = (1 + cosine[1]) / sine[1] * scale;
    add(one, edge[0], 1);
    add(one, edge[quads], -1);
    add(other, vertex, 4 * ends * (cosine[1] - 1));
    add(other, edge[0], -ends * (1 + 2 * cosine[1]));
    add(other, edge[quads], -ends * (1 + 2 * cosine[1]));
    for (int i = 0; i < quads; i++) {
      add(other, opposite[i], (sine[i] + sine[i + 1]) * scale);
      if (i > 0) {
        add(other, edge[i], 4 * sine[i] * scale);
      }
    }
  }

  private void add(double[] to, int v, double weight) {
    to[0] += weight * at[3 * v];
    to[1] += weight * at[3 * v + 1];
    to[2] += weight * at[3 * v + 2];
  }
}
