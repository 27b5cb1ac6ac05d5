package fairedge.core.flow;

import fairedge.core.mesh.Mesh;
import java.util.Arrays;
import java.util.BitSet;

/**
 * How the elements of a mesh hang together, read off once for all who ask. Positions play no part.
 *
 * <ol>
 *   <li>A <em>use</em> of an edge is a side of a face on it: 1 border, 2 two-sided, 3 and more
 *       crowded, 0 loose. A two-sided edge whose uses run the same way is inconsistent.
 *   <li>A <em>fan</em> at a vertex: faces there, joined through edges at that vertex.
 *   <li>A vertex in faces is crowded (more than one fan, or end of a crowded edge), else border
 *       (end of a border edge), else inner.
 * </ol>
 *
 * The mesh must not change while this is in use. Cost: the mesh, nearly linear.
 */
public final class Topology {
  /** What a vertex is. */
  public enum VertexClass {
    /** In no face. */
    APART,
    INNER,
    BORDER,
    CROWDED
  }

  private static final VertexClass[] CLASSES = VertexClass.values();

  private final Mesh mesh;
  private final byte[] uses;
  private final int[] valence;
  private final int[] fans;
  private final byte[] vertexClass;
  private final BitSet inconsistent = new BitSet();
  private final Unions fanOfCorner;

  public Topology(Mesh mesh) {
    this.mesh = mesh;
    uses = new byte[mesh.edgeEnd()];
    valence = new int[mesh.vertexEnd()];
    fans = new int[mesh.vertexEnd()];
    vertexClass = new byte[mesh.vertexEnd()];
    fanOfCorner = new Unions(mesh.cornerEnd());
    for (int e = 0; e < uses.length; e++) {
      if (mesh.hasEdge(e)) {
        readEdge(e);
      }
    }
    joinCornersOfOneFace();
    countFans();
    classify();
  }

  private void readEdge(int e) {
    int start = mesh.cornerOn(e);
    if (start == Mesh.NONE) {
      return;
    }
    int a = mesh.first(e);
    int b = mesh.second(e);
    valence[a]++;
    valence[b]++;
    int count = 1;
    int startAtA = atVertex(start, a);
    int startAtB = atVertex(start, b);
    for (int c = mesh.nextOnEdge(start); c != start; c = mesh.nextOnEdge(c)) {
      fanOfCorner.join(startAtA, atVertex(c, a));
      fanOfCorner.join(startAtB, atVertex(c, b));
      count++;
    }
    uses[e] = (byte) Math.min(count, 3);
    if (count == 2 && mesh.vertexOf(start) == mesh.vertexOf(mesh.nextOnEdge(start))) {
      inconsistent.set(e);
    }
  }

  /** The corner at v of the face whose side leaves corner c. */
  private int atVertex(int c, int v) {
    return mesh.vertexOf(c) == v ? c : mesh.next(c);
  }

  /** A face that comes to a vertex more than once is one face there. */
  private void joinCornersOfOneFace() {
    for (int f = 0; f < mesh.faceEnd(); f++) {
      if (!mesh.hasFace(f) || mesh.size(f) < 4) {
        continue;
      }
      if (mesh.size(f) == 4) {
        joinIfSameVertex(mesh.firstCorner(f), mesh.next(mesh.next(mesh.firstCorner(f))));
        int second = mesh.next(mesh.firstCorner(f));
        joinIfSameVertex(second, mesh.next(mesh.next(second)));
      } else {
        joinRepeated(f);
      }
    }
  }

  private void joinIfSameVertex(int c, int d) {
    if (mesh.vertexOf(c) == mesh.vertexOf(d)) {
      fanOfCorner.join(c, d);
    }
  }

  private void joinRepeated(int f) {
    long[] corners = new long[mesh.size(f)];
    int c = mesh.firstCorner(f);
    for (int i = 0; i < corners.length; i++) {
      corners[i] = (long) mesh.vertexOf(c) << 32 | c;
      c = mesh.next(c);
    }
    Arrays.sort(corners);
    for (int i = 1; i < corners.length; i++) {
      joinIfSameVertex((int) corners[i - 1], (int) corners[i]);
    }
  }

  private void countFans() {
    for (int f = 0; f < mesh.faceEnd(); f++) {
      if (!mesh.hasFace(f)) {
        continue;
      }
      int c = mesh.firstCorner(f);
      for (int i = mesh.size(f); i > 0; i--) {
        fans[mesh.vertexOf(c)] += fanOfCorner.rootOf(c) == c ? 1 : 0;
        c = mesh.next(c);
      }
    }
  }

  private void classify() {
    for (int v = 0; v < vertexClass.length; v++) {
      if (valence[v] > 0) {
        raise(v, fans[v] > 1 ? VertexClass.CROWDED : VertexClass.INNER);
      }
    }
    for (int e = 0; e < uses.length; e++) {
      if (uses[e] == 1 || uses[e] == 3) {
        VertexClass at = uses[e] == 1 ? VertexClass.BORDER : VertexClass.CROWDED;
        raise(mesh.first(e), at);
        raise(mesh.second(e), at);
      }
    }
  }

  private void raise(int v, VertexClass to) {
    vertexClass[v] = (byte) Math.max(vertexClass[v], to.ordinal());
  }

  public Mesh mesh() {
    return mesh;
  }

  /** 0, 1, 2, or 3 for three and more. */
  public int uses(int e) {
    return uses[e];
  }

  public boolean isInconsistent(int e) {
    return inconsistent.get(e);
  }

  public BitSet inconsistentEdges() {
    return (BitSet) inconsistent.clone();
  }

  /** Edges of faces at v. */
  public int valence(int v) {
    return valence[v];
  }

  public int fans(int v) {
    return fans[v];
  }

  public VertexClass classOf(int v) {
    return CLASSES[vertexClass[v]];
  }

  /** Inner vertices whose valence is not 4. */
  public boolean isPole(int v) {
    return vertexClass[v] == VertexClass.INNER.ordinal() && valence[v] != 4;
  }

  /** A number for the fan of a corner, the same for all corners of the fan. */
  int fanOf(int corner) {
    return fanOfCorner.rootOf(corner);
  }
}
