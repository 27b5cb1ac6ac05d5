package fairedge.core.mesh;

import fairedge.core.geometry.Bounds;
import fairedge.core.geometry.Polygon;
import fairedge.core.geometry.Vec3;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.function.UnaryOperator;
import org.jspecify.annotations.Nullable;

/**
 * Everything that a polygon file can hold, however bad: n-gons, borders, edges with three or more
 * faces, fans that touch in one vertex, loose edges, lone vertices, faces that use an edge twice.
 *
 * <p><b>Shape.</b> A radial-edge structure on primitive arrays (Weiler, "The radial edge
 * structure", 1988). A face is a ring of <em>corners</em>; a corner is one vertex's use in one face
 * and stands also for the side that leaves it. All sides on one edge hang round it in a cycle, and
 * all edges at one vertex in another. There is at most one edge between two vertices; its first
 * vertex is the one with the lower id.
 *
 * <p><b>Ids.</b> Vertices, edges and faces have stable ids: a change adds ids and frees ids, it
 * renumbers nothing, and what is freed is not used again along one line of steps. Corner ids are
 * internal to a state. The order within the cycles is not part of the state: no result may depend
 * on it, and {@link MeshBytes} doesn't hold it.
 *
 * <p><b>Attributes.</b> A face has a {@link Label}; a corner may carry texture coordinates and a
 * normal. A mesh whose file has none pays nothing for them.
 *
 * <p><b>Memory.</b> About 220 bytes for each quad of a large mesh. Not safe for use by several
 * threads while it changes; {@link MeshLinks} alone writes to it.
 */
public final class Mesh {
  /** No such element. */
  public static final int NONE = -1;

  static final int DEAD = -2;

  double[] x;
  double[] y;
  double[] z;
  int[] vertexEdge;
  int vertexEnd;
  int vertexCount;

  int[] edgeFirst;
  int[] edgeSecond;
  int[] edgeNextAtFirst;
  int[] edgePreviousAtFirst;
  int[] edgeNextAtSecond;
  int[] edgePreviousAtSecond;
  int[] edgeCorner;
  int edgeEnd;
  int edgeCount;

  int[] faceCorner;
  int[] faceSize;
  int faceEnd;
  int faceCount;

  int[] cornerVertex;
  int[] cornerEdge;
  int[] cornerFace;
  int[] cornerNext;
  int[] cornerPrevious;
  int[] cornerNextOnEdge;
  int[] cornerPreviousOnEdge;
  int cornerEnd;
  int freeCorner = NONE;

  /** By {@link Attribute}; null where no corner carries it. */
  final @Nullable CornerLayer[] layers = new CornerLayer[Attribute.COUNT];

  /** Which label each face id has; null while all have {@link Label#NONE}, which is the first. */
  int @Nullable [] faceLabel;

  final List<Label> labels = new ArrayList<>(List.of(Label.NONE));
  final List<String> materialFiles = new ArrayList<>();

  Mesh() {
    this(16, 16, 16, 64);
  }

  /** An empty mesh with room for so many elements. */
  Mesh(int vertices, int edges, int faces, int corners) {
    x = new double[vertices];
    y = new double[vertices];
    z = new double[vertices];
    vertexEdge = new int[vertices];
    edgeFirst = new int[edges];
    edgeSecond = new int[edges];
    edgeNextAtFirst = new int[edges];
    edgePreviousAtFirst = new int[edges];
    edgeNextAtSecond = new int[edges];
    edgePreviousAtSecond = new int[edges];
    edgeCorner = new int[edges];
    faceCorner = new int[faces];
    faceSize = new int[faces];
    cornerVertex = new int[corners];
    cornerEdge = new int[corners];
    cornerFace = new int[corners];
    cornerNext = new int[corners];
    cornerPrevious = new int[corners];
    cornerNextOnEdge = new int[corners];
    cornerPreviousOnEdge = new int[corners];
  }

  /** A copy in which every vertex that has a place lies where it is sent to. */
  public Mesh moved(UnaryOperator<Vec3> place) {
    return moved(place, UnaryOperator.identity());
  }

  /** The same, with the normals that corners carry turned as well. */
  public Mesh moved(UnaryOperator<Vec3> place, UnaryOperator<Vec3> normal) {
    Mesh moved = copy();
    CornerLayer normals = moved.layers[Attribute.NORMAL.ordinal()];
    if (normals != null) {
      normals.change(normal);
    }
    MeshLinks links = new MeshLinks(moved);
    for (int v = 0; v < vertexEnd; v++) {
      if (hasVertex(v) && hasPlace(v)) {
        links.move(v, place.apply(position(v)));
      }
    }
    return moved;
  }

  /** The same mesh once more, the caller's to change or to read while this one changes. */
  public Mesh copy() {
    Mesh copy = new Mesh(0, 0, 0, 0);
    copy.x = x.clone();
    copy.y = y.clone();
    copy.z = z.clone();
    copy.vertexEdge = vertexEdge.clone();
    copy.vertexEnd = vertexEnd;
    copy.vertexCount = vertexCount;
    copy.edgeFirst = edgeFirst.clone();
    copy.edgeSecond = edgeSecond.clone();
    copy.edgeNextAtFirst = edgeNextAtFirst.clone();
    copy.edgePreviousAtFirst = edgePreviousAtFirst.clone();
    copy.edgeNextAtSecond = edgeNextAtSecond.clone();
    copy.edgePreviousAtSecond = edgePreviousAtSecond.clone();
    copy.edgeCorner = edgeCorner.clone();
    copy.edgeEnd = edgeEnd;
    copy.edgeCount = edgeCount;
    copy.faceCorner = faceCorner.clone();
    copy.faceSize = faceSize.clone();
    copy.faceEnd = faceEnd;
    copy.faceCount = faceCount;
    copy.cornerVertex = cornerVertex.clone();
    copy.cornerEdge = cornerEdge.clone();
    copy.cornerFace = cornerFace.clone();
    copy.cornerNext = cornerNext.clone();
    copy.cornerPrevious = cornerPrevious.clone();
    copy.cornerNextOnEdge = cornerNextOnEdge.clone();
    copy.cornerPreviousOnEdge = cornerPreviousOnEdge.clone();
    copy.cornerEnd = cornerEnd;
    copy.freeCorner = freeCorner;
    for (int i = 0; i < layers.length; i++) {
      CornerLayer layer = layers[i];
      copy.layers[i] = layer == null ? null : layer.copy();
    }
    copy.faceLabel = faceLabel == null ? null : faceLabel.clone();
    copy.labels.clear();
    copy.labels.addAll(labels);
    copy.materialFiles.addAll(materialFiles);
    return copy;
  }

  /** One more than the highest vertex id ever given along this line of steps. */
  public int vertexEnd() {
    return vertexEnd;
  }

  public int edgeEnd() {
    return edgeEnd;
  }

  public int faceEnd() {
    return faceEnd;
  }

  /** Corners have lower numbers. */
  public int cornerEnd() {
    return cornerEnd;
  }

  public int vertexCount() {
    return vertexCount;
  }

  public int edgeCount() {
    return edgeCount;
  }

  public int faceCount() {
    return faceCount;
  }

  public boolean hasVertex(int v) {
    return v >= 0 && v < vertexEnd && vertexEdge[v] != DEAD;
  }

  public boolean hasEdge(int e) {
    return e >= 0 && e < edgeEnd && edgeFirst[e] != DEAD;
  }

  public boolean hasFace(int f) {
    return f >= 0 && f < faceEnd && faceCorner[f] != DEAD;
  }

  public Vec3 position(int v) {
    return new Vec3(x[v], y[v], z[v]);
  }

  /** The first number of the place of v; these three for where every object counts. */
  public double x(int v) {
    return x[v];
  }

  public double y(int v) {
    return y[v];
  }

  public double z(int v) {
    return z[v];
  }

  /** Whether all three numbers of the vertex are finite; others take part in topology only. */
  public boolean hasPlace(int v) {
    return Double.isFinite(x[v]) && Double.isFinite(y[v]) && Double.isFinite(z[v]);
  }

  /** Any edge at v, or {@link #NONE} for a lone vertex; which one is not part of the state. */
  public int edgeAt(int v) {
    return vertexEdge[v];
  }

  /** The edge after e in the cycle round v, one of e's ends. */
  public int nextEdgeAt(int v, int e) {
    return edgeFirst[e] == v ? edgeNextAtFirst[e] : edgeNextAtSecond[e];
  }

  /** The end of e with the lower id; fractions along an edge are measured from it. */
  public int first(int e) {
    return edgeFirst[e];
  }

  public int second(int e) {
    return edgeSecond[e];
  }

  public int otherEnd(int e, int v) {
    return edgeFirst[e] == v ? edgeSecond[e] : edgeFirst[e];
  }

  /** Any side on e, or {@link #NONE} for a loose edge; which one is not part of the state. */
  public int cornerOn(int e) {
    return edgeCorner[e];
  }

  /**
   * Of the sides on e that of the face with the lowest id, the first from its first corner; {@link
   * #NONE} for a loose edge. Unlike {@link #cornerOn} the same however the state came about, so
   * that results may depend on it. Cost: the uses of e.
   */
  public int firstSideOn(int e) {
    int start = edgeCorner[e];
    int best = start;
    if (start == NONE) {
      return NONE;
    }
    for (int c = cornerNextOnEdge[start]; c != start; c = cornerNextOnEdge[c]) {
      int f = cornerFace[c];
      if (f < cornerFace[best] || f == cornerFace[best] && comesBefore(c, best, f)) {
        best = c;
      }
    }
    return best;
  }

  private boolean comesBefore(int c, int d, int f) {
    int at = faceCorner[f];
    while (at != c && at != d) {
      at = cornerNext[at];
    }
    return at == c;
  }

  /** The side after c round its edge. */
  public int nextOnEdge(int c) {
    return cornerNextOnEdge[c];
  }

  /** How many sides of faces lie on e: 1 border, 2 two-sided, 3 and more crowded, 0 loose. */
  public int uses(int e) {
    int start = edgeCorner[e];
    if (start == NONE) {
      return 0;
    }
    int uses = 0;
    int c = start;
    do {
      uses++;
      c = cornerNextOnEdge[c];
    } while (c != start);
    return uses;
  }

  public boolean isTwoSided(int e) {
    int c = edgeCorner[e];
    return c != NONE && cornerNextOnEdge[c] != c && cornerNextOnEdge[cornerNextOnEdge[c]] == c;
  }

  /** The corner with which face f begins; part of the state, as files keep it. */
  public int firstCorner(int f) {
    return faceCorner[f];
  }

  public int size(int f) {
    return faceSize[f];
  }

  public int next(int c) {
    return cornerNext[c];
  }

  public int previous(int c) {
    return cornerPrevious[c];
  }

  public int vertexOf(int c) {
    return cornerVertex[c];
  }

  /** The edge that the side leaving corner c lies on. */
  public int edgeOf(int c) {
    return cornerEdge[c];
  }

  public int faceOf(int c) {
    return cornerFace[c];
  }

  /** Whether corners may carry this attribute here. */
  public boolean carries(Attribute attribute) {
    return layers[attribute.ordinal()] != null;
  }

  /** Which value corner c has of an attribute, for {@link #value}; or {@link #NONE}. */
  public int valueAt(Attribute attribute, int c) {
    CornerLayer layer = layers[attribute.ordinal()];
    return layer == null ? NONE : layer.ofCorner[c];
  }

  /** One more than the highest value of an attribute; values are shared by corners. */
  public int valueEnd(Attribute attribute) {
    CornerLayer layer = layers[attribute.ordinal()];
    return layer == null ? 0 : layer.end;
  }

  /** Precondition: below {@link #valueEnd}. */
  public Vec3 value(Attribute attribute, int index) {
    CornerLayer layer = layers[attribute.ordinal()];
    if (layer == null) {
      throw new IllegalArgumentException("no " + attribute + " here");
    }
    return layer.value(index);
  }

  /** Which of {@link #labels} face f has. */
  public int labelOf(int f) {
    return faceLabel == null ? 0 : faceLabel[f];
  }

  /** What faces may be labelled with; the first is {@link Label#NONE}. */
  public List<Label> labels() {
    return Collections.unmodifiableList(labels);
  }

  /** The names of files that describe the materials. */
  public List<String> materialFiles() {
    return Collections.unmodifiableList(materialFiles);
  }

  /** The vertices of f in order from its first corner. */
  public int[] vertices(int f) {
    int[] result = new int[faceSize[f]];
    int c = faceCorner[f];
    for (int i = 0; i < result.length; i++) {
      result[i] = cornerVertex[c];
      c = cornerNext[c];
    }
    return result;
  }

  /** The edges of the sides of f in order from its first corner. */
  public int[] edges(int f) {
    int[] result = new int[faceSize[f]];
    int c = faceCorner[f];
    for (int i = 0; i < result.length; i++) {
      result[i] = cornerEdge[c];
      c = cornerNext[c];
    }
    return result;
  }

  /** The faces with a side on e, each once, by id. */
  public int[] facesOn(int e) {
    int[] result = new int[uses(e)];
    int c = edgeCorner[e];
    for (int i = 0; i < result.length; i++) {
      result[i] = cornerFace[c];
      c = cornerNextOnEdge[c];
    }
    return distinctSorted(result);
  }

  /** The edges at v by id. Cost: its edges. */
  public int[] edgesAt(int v) {
    int start = vertexEdge[v];
    if (start == NONE) {
      return new int[0];
    }
    int[] result = new int[8];
    int count = 0;
    int e = start;
    do {
      if (count == result.length) {
        result = Arrays.copyOf(result, 2 * count);
      }
      result[count++] = e;
      e = nextEdgeAt(v, e);
    } while (e != start);
    result = Arrays.copyOf(result, count);
    Arrays.sort(result);
    return result;
  }

  /** The faces with a corner at v, each once, by id. Cost: the uses of its edges. */
  public int[] facesAt(int v) {
    int[] result = new int[8];
    int count = 0;
    for (int e : edgesAt(v)) {
      for (int f : facesOn(e)) {
        if (count == result.length) {
          result = Arrays.copyOf(result, 2 * count);
        }
        result[count++] = f;
      }
    }
    return distinctSorted(Arrays.copyOf(result, count));
  }

  private static int[] distinctSorted(int[] values) {
    Arrays.sort(values);
    int count = 0;
    for (int i = 0; i < values.length; i++) {
      if (i == 0 || values[i] != values[i - 1]) {
        values[count++] = values[i];
      }
    }
    return count == values.length ? values : Arrays.copyOf(values, count);
  }

  /** Edges of faces at v; loose edges don't count. */
  public int valence(int v) {
    int count = 0;
    for (int e : edgesAt(v)) {
      if (edgeCorner[e] != NONE) {
        count++;
      }
    }
    return count;
  }

  /** A corner of f at v, the first from the face's first corner, or {@link #NONE}. */
  public int findCorner(int f, int v) {
    int start = faceCorner[f];
    int c = start;
    do {
      if (cornerVertex[c] == v) {
        return c;
      }
      c = cornerNext[c];
    } while (c != start);
    return NONE;
  }

  /** How often f comes to v. Cost: the corners of f. */
  public int corners(int f, int v) {
    int count = 0;
    int c = faceCorner[f];
    for (int i = faceSize[f]; i > 0; i--) {
      count += cornerVertex[c] == v ? 1 : 0;
      c = cornerNext[c];
    }
    return count;
  }

  /** The edge between a and b, or {@link #NONE}. Cost: the smaller valence of the two. */
  public int findEdge(int a, int b) {
    int startA = vertexEdge[a];
    int startB = vertexEdge[b];
    if (startA == NONE || startB == NONE) {
      return NONE;
    }
    int ea = startA;
    int eb = startB;
    do {
      if (otherEnd(ea, a) == b) {
        return ea;
      }
      if (otherEnd(eb, b) == a) {
        return eb;
      }
      ea = nextEdgeAt(a, ea);
      eb = nextEdgeAt(b, eb);
    } while (ea != startA && eb != startB);
    return NONE;
  }

  /** Whether every corner of f has a place. */
  public boolean isMeasurable(int f) {
    int c = faceCorner[f];
    for (int i = faceSize[f]; i > 0; i--) {
      if (!hasPlace(cornerVertex[c])) {
        return false;
      }
      c = cornerNext[c];
    }
    return true;
  }

  /** The shape of face f. Precondition: {@link #isMeasurable}. */
  public Polygon polygon(int f) {
    Vec3[] corners = new Vec3[faceSize[f]];
    int c = faceCorner[f];
    for (int i = 0; i < corners.length; i++) {
      corners[i] = position(cornerVertex[c]);
      c = cornerNext[c];
    }
    return new Polygon(corners);
  }

  public Vec3 along(int e, double t) {
    return position(edgeFirst[e]).towards(position(edgeSecond[e]), t);
  }

  public double length(int e) {
    return position(edgeFirst[e]).distance(position(edgeSecond[e]));
  }

  /** The square of the length, but for rounding. */
  public double squaredLength(int e) {
    int a = edgeFirst[e];
    int b = edgeSecond[e];
    double dx = x[b] - x[a];
    double dy = y[b] - y[a];
    double dz = z[b] - z[a];
    return dx * dx + dy * dy + dz * dz;
  }

  /** The square of the distance from vertex v to edge e, but for rounding. */
  public double squaredDistance(int e, int v) {
    return squaredDistance(e, x[v], y[v], z[v]);
  }

  /** The square of the distance from a place to edge e, but for rounding. */
  public double squaredDistance(int e, double toX, double toY, double toZ) {
    int a = edgeFirst[e];
    int b = edgeSecond[e];
    double dx = x[b] - x[a];
    double dy = y[b] - y[a];
    double dz = z[b] - z[a];
    double px = toX - x[a];
    double py = toY - y[a];
    double pz = toZ - z[a];
    double whole = dx * dx + dy * dy + dz * dz;
    double t = whole > 0 ? Math.clamp((px * dx + py * dy + pz * dz) / whole, 0, 1) : 0;
    double offX = px - t * dx;
    double offY = py - t * dy;
    double offZ = pz - t * dz;
    return offX * offX + offY * offY + offZ * offZ;
  }

  /** The box round all vertices with a place that are in faces. Cost: the whole mesh. */
  public Bounds bounds() {
    // No object for each vertex.
    double lowX = Double.POSITIVE_INFINITY;
    double lowY = lowX;
    double lowZ = lowX;
    double highX = Double.NEGATIVE_INFINITY;
    double highY = highX;
    double highZ = highX;
    for (int v = 0; v < vertexEnd; v++) {
      if (hasVertex(v) && hasPlace(v) && isInFace(v)) {
        lowX = Math.min(lowX, x[v]);
        lowY = Math.min(lowY, y[v]);
        lowZ = Math.min(lowZ, z[v]);
        highX = Math.max(highX, x[v]);
        highY = Math.max(highY, y[v]);
        highZ = Math.max(highZ, z[v]);
      }
    }
    return new Bounds(new Vec3(lowX, lowY, lowZ), new Vec3(highX, highY, highZ));
  }

  public boolean isInFace(int v) {
    int start = vertexEdge[v];
    if (start < 0) {
      return false;
    }
    int e = start;
    do {
      if (edgeCorner[e] != NONE) {
        return true;
      }
      e = nextEdgeAt(v, e);
    } while (e != start);
    return false;
  }
}
