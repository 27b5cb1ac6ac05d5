package fairedge.core.flow;

import fairedge.core.mesh.Mesh;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.Collections;
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
    this.topology = topology;
    this.mesh = topology.mesh();
    this.loopOf = new int[mesh.edgeEnd()];
    // Joined vertex by vertex: walking loop by loop would jump about in memory.
    Unions lines = new Unions(loopOf.length);
    BitSet goesOn = new BitSet(2 * loopOf.length);
    for (int v = 0; v < mesh.vertexEnd(); v++) {
      if (mesh.hasVertex(v) && canGoOnAt(v)) {
        joinAt(v, lines, goesOn);
      }
    }
    number(lines);
    List<List<End>> ends = ends(goesOn);
    int[] lengths = new int[firsts.size()];
    for (int loop : loopOf) {
      if (loop != Mesh.NONE) {
        lengths[loop]++;
      }
    }
    boolean[] isComplete = new boolean[lengths.length];
    for (int i = 0; i < lengths.length; i++) {
      List<End> found = ends.get(i);
      loops.add(new Summary(lengths[i], found.isEmpty(), found));
      isComplete[i] = loops.get(i).isComplete();
    }
    for (int e = 0; e < loopOf.length; e++) {
      inComplete.set(e, loopOf[e] != Mesh.NONE && isComplete[loopOf[e]]);
    }
  }

  private EdgeLoops(Topology topology, int edge) {
    this.topology = topology;
    this.mesh = topology.mesh();
    this.loopOf = new int[mesh.edgeEnd()];
    Arrays.fill(loopOf, Mesh.NONE);
    if (topology.uses(edge) == 2) {
      loopAlong(edge);
    }
  }

  /**
   * The loop of one edge alone; none where the edge is not two-sided. Cost: its length, and an
   * array of all edges.
   */
  public static EdgeLoops through(Topology topology, int e) {
    return new EdgeLoops(topology, e);
  }

  private void joinAt(int v, Unions lines, BitSet goesOn) {
    int start = mesh.edgeAt(v);
    int e = start;
    do {
      int next = topology.uses(e) > 0 ? onward(e, v) : Mesh.NONE;
      if (next != Mesh.NONE) {
        goesOn.set(2 * e + (mesh.first(e) == v ? 0 : 1));
        if (e < next) {
          lines.join(e, next);
        }
      }
      e = mesh.nextEdgeAt(v, e);
    } while (e != start);
  }

  private void number(Unions lines) {
    for (int e = 0; e < loopOf.length; e++) {
      if (topology.uses(e) != 2) {
        loopOf[e] = Mesh.NONE;
        continue;
      }
      int root = lines.rootOf(e);
      if (root == e) {
        loopOf[e] = firsts.size();
        firsts.add(e);
      } else {
        loopOf[e] = loopOf[root];
      }
    }
  }

  /** The ends of each loop: two of an open one, by the edges. */
  private List<List<End>> ends(BitSet goesOn) {
    List<List<End>> ends = new ArrayList<>(Collections.nCopies(firsts.size(), List.of()));
    for (int e = 0; e < loopOf.length; e++) {
      for (int side = 0; loopOf[e] != Mesh.NONE && side < 2; side++) {
        if (!goesOn.get(2 * e + side)) {
          List<End> before = ends.get(loopOf[e]);
          End end = endAt(side == 0 ? mesh.first(e) : mesh.second(e));
          ends.set(loopOf[e], before.isEmpty() ? List.of(end) : List.of(before.getFirst(), end));
        }
      }
    }
    return ends;
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
      take(next);
      v = mesh.otherEnd(next, v);
      at = next;
    }
  }

  private boolean canGoOnAt(int v) {
    return topology.classOf(v) == Topology.VertexClass.INNER && topology.valence(v) == 4;
  }

  /**
   * The edge opposite e at v, to which e lies opposite as well (where a face comes to the vertex
   * twice that need not be so); or {@link Mesh#NONE}.
   */
  private int onward(int e, int v) {
    if (!canGoOnAt(v)) {
      return Mesh.NONE;
    }
    int found = opposite(e, v);
    return found != Mesh.NONE && opposite(found, v) == e ? found : Mesh.NONE;
  }

  /** The one edge at v that shares no face corner with e, if there is just one. */
  private int opposite(int e, int v) {
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
