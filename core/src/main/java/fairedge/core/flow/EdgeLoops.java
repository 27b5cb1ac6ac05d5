package fairedge.core.flow;

import fairedge.core.mesh.Mesh;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.List;

/**
 * All edge loops of a mesh. Two-sided edges only; at an inner vertex of valence 4 an edge goes on
 * to the one that shares no face corner with it, whatever the sides of the faces. The lengths of
 * all loops add up to the two-sided edges. Cost: the edges.
 */
public final class EdgeLoops {
  /** Why a loop does not go on at a vertex. */
  public enum Cause {
    /** A border vertex. */
    BORDER,
    /** An inner vertex whose valence is not 4. */
    POLE,
    /** A crowded vertex, or one of valence 4 at which no edge lies opposite. */
    CROWDED
  }

  /**
   * @param valence that of the vertex
   */
  public record End(Cause cause, int vertex, int valence) {}

  /**
   * A loop by its numbers.
   *
   * @param length edges
   * @param ends two, or none if it closes
   */
  public record Summary(int length, boolean closed, List<End> ends) {
    /** Closed, or both ends at borders. */
    public boolean isComplete() {
      return ends.stream().allMatch(e -> e.cause() == Cause.BORDER);
    }
  }

  private final Mesh mesh;
  private final Topology topology;
  private final List<Summary> loops = new ArrayList<>();

  /** Of each edge the loop it is in. */
  private final int[] loopOf;

  private final List<Integer> firsts = new ArrayList<>();
  private final BitSet inComplete = new BitSet();
  private int[] along = new int[64];
  private int length;

  public EdgeLoops(Topology topology) {
    this(topology, 0, topology.mesh().edgeEnd());
  }

  private EdgeLoops(Topology topology, int from, int to) {
    this.topology = topology;
    this.mesh = topology.mesh();
    this.loopOf = new int[mesh.edgeEnd()];
    Arrays.fill(loopOf, Mesh.NONE);
    for (int e = from; e < to; e++) {
      if (topology.uses(e) == 2 && loopOf[e] == Mesh.NONE) {
        loopAlong(e);
      }
    }
  }

  /**
   * The loop of one edge alone; none where the edge is not two-sided. Cost: its length, and an
   * array of all edges.
   */
  public static EdgeLoops through(Topology topology, int e) {
    return new EdgeLoops(topology, e, e + 1);
  }

  /** The loops, by the lowest edge. */
  public List<Summary> all() {
    return loops;
  }

  /** Edges of complete loops. */
  public BitSet edgesInComplete() {
    return inComplete;
  }

  /** The loop that an edge is in, as {@link #all} counts them; {@link Mesh#NONE} if in none. */
  public int loopOf(int e) {
    return loopOf[e];
  }

  /** The edges of a loop, one after the other. Cost: its length. */
  public int[] edgesOf(int loop) {
    int n = loops.get(loop).length();
    int e = firsts.get(loop);
    int[] line = new int[2 * n];
    int from = n;
    int to = n;
    line[to++] = e;
    int v = mesh.second(e);
    for (int at = next(e, v, loop); at != Mesh.NONE && at != e && to - from < n; ) {
      line[to++] = at;
      v = mesh.otherEnd(at, v);
      at = next(at, v, loop);
    }
    v = mesh.first(e);
    for (int at = next(e, v, loop); at != Mesh.NONE && to - from < n; ) {
      line[--from] = at;
      v = mesh.otherEnd(at, v);
      at = next(at, v, loop);
    }
    return Arrays.copyOfRange(line, from, to);
  }

  private int next(int e, int v, int loop) {
    int next = onward(e, v);
    return next != Mesh.NONE && loopOf[next] == loop ? next : Mesh.NONE;
  }

  private void loopAlong(int e) {
    length = 0;
    firsts.add(e);
    take(e);
    int last = walk(e, mesh.second(e));
    List<End> ends =
        last == Mesh.NONE ? List.of() : List.of(endAt(walk(e, mesh.first(e))), endAt(last));
    Summary loop = new Summary(length, last == Mesh.NONE, ends);
    loops.add(loop);
    if (loop.isComplete()) {
      for (int i = 0; i < length; i++) {
        inComplete.set(along[i]);
      }
    }
  }

  private void take(int e) {
    loopOf[e] = loops.size();
    if (length == along.length) {
      along = Arrays.copyOf(along, 2 * length);
    }
    along[length++] = e;
  }

  /** The vertex at which it ends, or {@link Mesh#NONE} if it comes back to e. */
  private int walk(int e, int towards) {
    int at = e;
    int v = towards;
    while (true) {
      int next = onward(at, v);
      if (next == Mesh.NONE) {
        return v;
      }
      if (next == e) {
        return Mesh.NONE;
      }
      if (loopOf[next] != Mesh.NONE) {
        // Lying opposite goes both ways but where a face comes to the vertex twice.
        return v;
      }
      take(next);
      v = mesh.otherEnd(next, v);
      at = next;
    }
  }

  /** The edge opposite e at v, or {@link Mesh#NONE}. */
  private int onward(int e, int v) {
    if (topology.classOf(v) != Topology.VertexClass.INNER || topology.valence(v) != 4) {
      return Mesh.NONE;
    }
    int c = mesh.cornerOn(e);
    int one = besideAt(c, v);
    int other = besideAt(mesh.nextOnEdge(c), v);
    int found = Mesh.NONE;
    int at = mesh.edgeAt(v);
    do {
      if (at != e && at != one && at != other && topology.uses(at) > 0) {
        if (found != Mesh.NONE) {
          return Mesh.NONE;
        }
        found = at;
      }
      at = mesh.nextEdgeAt(v, at);
    } while (at != mesh.edgeAt(v));
    return found;
  }

  /** The other edge at v of the face whose side leaves corner c. */
  private int besideAt(int c, int v) {
    return mesh.vertexOf(c) == v ? mesh.edgeOf(mesh.previous(c)) : mesh.edgeOf(mesh.next(c));
  }

  private End endAt(int v) {
    Cause cause =
        switch (topology.classOf(v)) {
          case BORDER -> Cause.BORDER;
          case INNER -> topology.valence(v) == 4 ? Cause.CROWDED : Cause.POLE;
          case CROWDED, APART -> Cause.CROWDED;
        };
    return new End(cause, v, topology.valence(v));
  }
}
