package fairedge.core.flow;

import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.Runs;
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

  /** Stands for this many uses of an edge and more. */
  private static final int CROWD = 3;

  private Mesh mesh;
  private byte[] uses;
  private int[] valence;
  private int[] fans;
  private byte[] vertexClass;
  private final BitSet inconsistent = new BitSet();
  private final BitSet border = new BitSet();
  private final BitSet bowTies = new BitSet();
  private final BitSet poles = new BitSet();
  private final BitSet apart = new BitSet();
  private final BitSet loose = new BitSet();
  private final BitSet crowded = new BitSet();
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
    Runs.each(uses.length, this::readUses);
    Runs.each(fans.length, this::readVertices);
    for (int e = 0; e < uses.length; e++) {
      countEdge(e, 1);
    }
    for (int v = 0; v < vertexClass.length; v++) {
      countVertex(v, 1);
    }
  }

  private void readUses(int from, int to) {
    for (int e = from; e < to; e++) {
      readUses(e);
    }
  }

  private void readVertices(int from, int to) {
    for (int v = from; v < to; v++) {
      readVertex(v);
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
    if (e < uses.length) {
      uses[e] = (byte) (mesh.hasEdge(e) ? Math.min(mesh.uses(e), CROWD) : 0);
    }
  }

  private void readVertex(int v) {
    if (v >= fans.length) {
      return;
    }
    int edges = 0;
    int sides = 0;
    VertexClass is = VertexClass.APART;
    int start = mesh.hasVertex(v) ? mesh.edgeAt(v) : Mesh.NONE;
    int at = Mesh.NONE;
    for (int e = start; e != Mesh.NONE; ) {
      if (uses[e] > 0) {
        at = at == Mesh.NONE || uses[e] == 1 ? e : at;
        edges++;
        sides += uses[e];
        is = larger(is, uses[e] == 1 ? VertexClass.BORDER : VertexClass.INNER);
        is = uses[e] == CROWD ? VertexClass.CROWDED : is;
      }
      e = mesh.nextEdgeAt(v, e) == start ? Mesh.NONE : mesh.nextEdgeAt(v, e);
    }
    valence[v] = edges;
    fans[v] = edges == 0 ? 0 : fansAt(v, at, is == VertexClass.CROWDED, sides / 2);
    vertexClass[v] = (byte) (fans[v] > 1 ? VertexClass.CROWDED : is).ordinal();
  }

  private static VertexClass larger(VertexClass a, VertexClass b) {
    return a.compareTo(b) > 0 ? a : b;
  }

  /**
   * How many fans: one if going on from face to face meets all corners, which is soon seen.
   *
   * @param e an edge of faces there; at a border that
   * @param corners how many there are
   */
  private int fansAt(int v, int e, boolean isCrowded, int corners) {
    return !isCrowded && cornersMet(v, mesh.cornerOn(e)) == corners ? 1 : Fans.at(mesh, v).count();
  }

  /**
   * How many corners at v are met from the face of a side there on, up to a border or all round.
   */
  private int cornersMet(int v, int side) {
    int met = 0;
    int in = side;
    int out;
    do {
      met++;
      out = mesh.vertexOf(in) == v ? mesh.previous(in) : mesh.next(in);
      in = mesh.nextOnEdge(out);
    } while (in != out && in != side);
    return met;
  }

  private void countEdge(int e, int by) {
    boolean is = by > 0 && mesh.hasEdge(e);
    boolean was = by < 0 && (uses[e] > 0 || loose.get(e));
    if (is || was) {
      edgesByUses[uses[e]] += by;
    }
    inconsistentCount += put(inconsistent, e, is && runsAgainst(e));
    put(border, e, is && uses[e] == 1);
    put(crowded, e, is && uses[e] == CROWD);
    put(loose, e, is && uses[e] == 0);
  }

  /** Whether the two uses of an edge run the same way. */
  private boolean runsAgainst(int e) {
    int c = uses[e] == 2 ? mesh.cornerOn(e) : Mesh.NONE;
    return c != Mesh.NONE && mesh.vertexOf(c) == mesh.vertexOf(mesh.nextOnEdge(c));
  }

  private void countVertex(int v, int by) {
    if (v >= fans.length) {
      return;
    }
    fanCount += by * fans[v];
    bowTieCount += put(bowTies, v, by > 0 && fans[v] > 1);
    put(poles, v, by > 0 && isPole(v));
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

  /** Whether v is an inner vertex whose valence is not 4. */
  public boolean isPole(int v) {
    return vertexClass[v] == VertexClass.INNER.ordinal() && valence[v] != 4;
  }

  /** Edges with one use. */
  public BitSet borderEdges() {
    return (BitSet) border.clone();
  }

  /** Edges with three uses and more. */
  public BitSet crowdedEdges() {
    return (BitSet) crowded.clone();
  }

  /** Edges with no use. */
  public BitSet looseEdges() {
    return (BitSet) loose.clone();
  }

  /** Vertices that have more than one fan. */
  public BitSet bowTies() {
    return (BitSet) bowTies.clone();
  }

  /** Inner vertices whose valence is not 4. */
  public BitSet poles() {
    return (BitSet) poles.clone();
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
