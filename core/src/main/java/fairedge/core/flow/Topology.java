package fairedge.core.flow;

import fairedge.core.mesh.Mesh;
import java.util.Arrays;
import java.util.BitSet;
import java.util.Map;
import java.util.TreeMap;

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
 * The mesh must not change while this is in use, but by what {@link #update} is told. Cost: the
 * mesh, nearly linear; of an update the elements touched and what hangs at them.
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

  private Mesh mesh;
  private byte[] uses;
  private int[] valence;
  private int[] fans;
  private byte[] vertexClass;
  private final BitSet inconsistent = new BitSet();
  private final BitSet border = new BitSet();
  private final BitSet bowTies = new BitSet();
  private final BitSet apart = new BitSet();
  private final BitSet loose = new BitSet();
  private final int[] edgesByUses = new int[4];
  private int fanCount;
  private int bowTieCount;
  private int apartCount;
  private int inconsistentCount;
  private int[] innerValences = new int[16];
  private int[] borderValences = new int[16];

  public Topology(Mesh mesh) {
    this.mesh = mesh;
    uses = new byte[mesh.edgeEnd()];
    valence = new int[mesh.vertexEnd()];
    fans = new int[mesh.vertexEnd()];
    vertexClass = new byte[mesh.vertexEnd()];
    Unions fanOfCorner = new Unions(mesh.cornerEnd());
    for (int e = 0; e < uses.length; e++) {
      if (mesh.hasEdge(e)) {
        readEdge(e, fanOfCorner);
      }
    }
    joinCornersOfOneFace(fanOfCorner);
    countFans(fanOfCorner);
    classify();
    for (int e = 0; e < uses.length; e++) {
      countEdge(e, 1);
    }
    for (int v = 0; v < vertexClass.length; v++) {
      countVertex(v, 1);
    }
  }

  /**
   * After a change of the mesh.
   *
   * @param now the mesh as it is: the same, or a copy of it
   * @param vertices whatever was made, freed or met by another edge or face; more does no harm
   * @param edges whatever was made, freed or got other faces; more does no harm
   * @return whether borders are or were at one of them
   */
  public boolean update(Mesh now, int[] vertices, int[] edges) {
    mesh = now;
    boolean borders = areAtBorders(vertices);
    for (int e : edges) {
      if (e < uses.length) {
        countEdge(e, -1);
      }
    }
    for (int v : vertices) {
      if (v < fans.length) {
        countVertex(v, -1);
      }
    }
    grow();
    for (int e : edges) {
      readUses(e);
      countEdge(e, 1);
    }
    for (int v : vertices) {
      readVertex(v);
      countVertex(v, 1);
    }
    return borders || areAtBorders(vertices);
  }

  /** Where fans hang together anew, so may borders. */
  private boolean areAtBorders(int[] vertices) {
    for (int v : vertices) {
      VertexClass at = v < fans.length ? classOf(v) : VertexClass.APART;
      if (at == VertexClass.BORDER || at == VertexClass.CROWDED) {
        return true;
      }
    }
    return false;
  }

  private void grow() {
    uses = uses.length < mesh.edgeEnd() ? Arrays.copyOf(uses, roomFor(mesh.edgeEnd())) : uses;
    if (fans.length < mesh.vertexEnd()) {
      int room = roomFor(mesh.vertexEnd());
      valence = Arrays.copyOf(valence, room);
      fans = Arrays.copyOf(fans, room);
      vertexClass = Arrays.copyOf(vertexClass, room);
    }
  }

  /** How much room an array gets at once, so that growing step by step costs little. */
  public static int roomFor(int end) {
    return end + end / 16 + 64;
  }

  private void readUses(int e) {
    if (e >= uses.length) {
      return;
    }
    uses[e] = (byte) (mesh.hasEdge(e) ? Math.min(mesh.uses(e), 3) : 0);
    int c = uses[e] == 2 ? mesh.cornerOn(e) : Mesh.NONE;
    boolean isAgainst = c != Mesh.NONE && mesh.vertexOf(c) == mesh.vertexOf(mesh.nextOnEdge(c));
    inconsistentCount += put(inconsistent, e, isAgainst);
  }

  private void readVertex(int v) {
    if (v >= fans.length) {
      return;
    }
    valence[v] = 0;
    fans[v] = 0;
    vertexClass[v] = (byte) VertexClass.APART.ordinal();
    if (!mesh.hasVertex(v)) {
      return;
    }
    valence[v] = mesh.valence(v);
    if (valence[v] == 0) {
      return;
    }
    fans[v] = Fans.at(mesh, v).count();
    raise(v, fans[v] > 1 ? VertexClass.CROWDED : VertexClass.INNER);
    for (int e : mesh.edgesAt(v)) {
      if (uses[e] == 1 || uses[e] == 3) {
        raise(v, uses[e] == 1 ? VertexClass.BORDER : VertexClass.CROWDED);
      }
    }
  }

  private void countEdge(int e, int by) {
    boolean is = by > 0 && mesh.hasEdge(e);
    boolean was = by < 0 && (uses[e] > 0 || loose.get(e));
    if (is || was) {
      edgesByUses[uses[e]] += by;
    }
    border.set(e, is && uses[e] == 1);
    loose.set(e, is && uses[e] == 0);
  }

  private void countVertex(int v, int by) {
    if (v >= fans.length) {
      return;
    }
    fanCount += by * fans[v];
    bowTieCount += put(bowTies, v, by > 0 && fans[v] > 1);
    apartCount += put(apart, v, by > 0 && valence[v] == 0 && mesh.hasVertex(v));
    switch (classOf(v)) {
      case INNER -> innerValences = added(innerValences, valence[v], by);
      case BORDER -> borderValences = added(borderValences, valence[v], by);
      case APART, CROWDED -> {}
    }
  }

  /** By how much that makes the set larger. */
  private static int put(BitSet set, int id, boolean isIn) {
    if (set.get(id) == isIn) {
      return 0;
    }
    set.set(id, isIn);
    return isIn ? 1 : -1;
  }

  private static int[] added(int[] counts, int valence, int by) {
    int[] roomy = valence < counts.length ? counts : Arrays.copyOf(counts, roomFor(valence));
    roomy[valence] += by;
    return roomy;
  }

  private void readEdge(int e, Unions fanOfCorner) {
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
      inconsistentCount += put(inconsistent, e, true);
    }
  }

  /** The corner at v of the face whose side leaves corner c. */
  private int atVertex(int c, int v) {
    return mesh.vertexOf(c) == v ? c : mesh.next(c);
  }

  /** A face that comes to a vertex more than once is one face there. */
  private void joinCornersOfOneFace(Unions fanOfCorner) {
    for (int f = 0; f < mesh.faceEnd(); f++) {
      if (!mesh.hasFace(f) || mesh.size(f) < 4) {
        continue;
      }
      if (mesh.size(f) == 4) {
        joinIfSameVertex(
            fanOfCorner, mesh.firstCorner(f), mesh.next(mesh.next(mesh.firstCorner(f))));
        int second = mesh.next(mesh.firstCorner(f));
        joinIfSameVertex(fanOfCorner, second, mesh.next(mesh.next(second)));
      } else {
        joinRepeated(fanOfCorner, f);
      }
    }
  }

  private void joinIfSameVertex(Unions fanOfCorner, int c, int d) {
    if (mesh.vertexOf(c) == mesh.vertexOf(d)) {
      fanOfCorner.join(c, d);
    }
  }

  private void joinRepeated(Unions fanOfCorner, int f) {
    long[] corners = new long[mesh.size(f)];
    int c = mesh.firstCorner(f);
    for (int i = 0; i < corners.length; i++) {
      corners[i] = (long) mesh.vertexOf(c) << 32 | c;
      c = mesh.next(c);
    }
    Arrays.sort(corners);
    for (int i = 1; i < corners.length; i++) {
      joinIfSameVertex(fanOfCorner, (int) corners[i - 1], (int) corners[i]);
    }
  }

  private void countFans(Unions fanOfCorner) {
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

  public int inconsistentCount() {
    return inconsistentCount;
  }

  public boolean hasInconsistent() {
    return inconsistentCount > 0;
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

  /** Edges with one use. */
  public BitSet borderEdges() {
    return (BitSet) border.clone();
  }

  /** The first vertex from a given one on that has more than one fan; -1 if there is none. */
  public int nextBowTie(int from) {
    return bowTies.nextSetBit(from);
  }

  public int bowTieCount() {
    return bowTieCount;
  }

  public int apartCount() {
    return apartCount;
  }

  /** Vertices in no face. */
  public BitSet verticesApart() {
    return (BitSet) apart.clone();
  }

  /** The fans at all vertices together. */
  public int fanCount() {
    return fanCount;
  }

  /**
   * How many edges have so many uses.
   *
   * @param uses 0 to 3, which stands for three and more
   */
  public int edgesWith(int uses) {
    return edgesByUses[uses];
  }

  /** How many inner vertices have which valence. */
  public Map<Integer, Integer> innerValences() {
    return counted(innerValences);
  }

  public Map<Integer, Integer> borderValences() {
    return counted(borderValences);
  }

  private static Map<Integer, Integer> counted(int[] counts) {
    Map<Integer, Integer> counted = new TreeMap<>();
    for (int valence = 0; valence < counts.length; valence++) {
      if (counts[valence] > 0) {
        counted.put(valence, counts[valence]);
      }
    }
    return counted;
  }
}
