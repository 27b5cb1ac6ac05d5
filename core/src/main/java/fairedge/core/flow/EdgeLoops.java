package fairedge.core.flow;

import fairedge.core.mesh.IdSet;
import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.Runs;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.Deque;
import java.util.List;
import java.util.Objects;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;

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
  public record Summary(int length, boolean closed, List<End> ends) implements FlowTally.Counted {
    @Override
    public List<String> causes() {
      return ends.stream().map(end -> end.cause().name()).toList();
    }

    @Override
    public List<Integer> poles() {
      return ends.stream().filter(end -> end.cause() == Cause.POLE).map(End::valence).toList();
    }

    @Override
    public int edges() {
      return length;
    }

    /** Closed, or both ends at borders. */
    @Override
    public boolean isComplete() {
      return ends.stream().allMatch(e -> e.cause() == Cause.BORDER);
    }
  }

  private static final int[] NONE = {};

  private Mesh mesh;
  private final Topology topology;
  private final Lines lines;

  /** Of edges. */
  private final Chains chains;

  /** By number; null where a number is not in use. */
  private final List<@Nullable Summary> loops = new ArrayList<>();

  /** Loops that lie on two opposite sides of one quad. */
  private final BitSet beside = new BitSet();

  private final FlowTally tally = new FlowTally();

  public EdgeLoops(Topology topology) {
    this.topology = topology;
    this.mesh = topology.mesh();
    this.lines = new Lines(topology);
    // Joined vertex by vertex: walking loop by loop would jump about in memory.
    Unions joined = new Unions(mesh.edgeEnd());
    BitSet goesOn = new BitSet(2 * mesh.edgeEnd());
    for (int v = 0; v < mesh.vertexEnd(); v++) {
      if (mesh.hasVertex(v) && lines.canGoOnAt(v)) {
        lines.joinAt(v, joined, goesOn);
      }
    }
    this.chains = new Chains(lines, mesh.edgeEnd(), joined, goesOn::get);
    chains.all().forEach(this::come);
    Runs.each(mesh.faceEnd(), this::noteBeside);
  }

  private void noteBeside(int from, int to) {
    BitSet here = new BitSet();
    for (int f = from; f < to; f++) {
      if (mesh.hasFace(f) && mesh.size(f) == 4) {
        int c = mesh.firstCorner(f);
        noteBeside(c, here);
        noteBeside(mesh.next(c), here);
      }
    }
    synchronized (beside) {
      beside.or(here);
    }
  }

  private void noteBeside(int side, BitSet loops) {
    if (isBesideItself(side)) {
      loops.set(loopOf(mesh.edgeOf(side)));
    }
  }

  /**
   * Whether the loop along a side of a face comes round within one quad of itself there: it runs
   * along the opposite side too, and the two share no vertex.
   */
  public boolean isBesideItself(int side) {
    if (mesh.size(mesh.faceOf(side)) != 4) {
      return false;
    }
    int e = mesh.edgeOf(side);
    int g = mesh.edgeOf(mesh.next(mesh.next(side)));
    int loop = loopOf(e);
    if (loop == Mesh.NONE || e == g || loop != loopOf(g)) {
      return false;
    }
    int a = mesh.first(e);
    int b = mesh.second(e);
    return a != mesh.first(g) && a != mesh.second(g) && b != mesh.first(g) && b != mesh.second(g);
  }

  private void come(int number) {
    List<End> ends = new ArrayList<>();
    int[] ports = chains.ends(number);
    Arrays.sort(ports);
    for (int port : ports) {
      ends.add(lines.endAt(lines.vertexAt(port)));
    }
    Summary loop = new Summary(chains.length(number), ends.isEmpty(), List.copyOf(ends));
    while (loops.size() <= number) {
      loops.add(null);
    }
    loops.set(number, loop);
    tally.add(loop, 1);
  }

  /**
   * The loop through one edge alone.
   *
   * @param edges one after the other
   * @param ends two, or none if it closes
   */
  public record Single(List<Integer> edges, List<End> ends) {}

  /** The loop through an edge; null where that is not two-sided. Cost: its length. */
  public static @Nullable Single through(Topology topology, int e) {
    Lines lines = new Lines(topology);
    if (!lines.isNode(e)) {
      return null;
    }
    Deque<Integer> edges = new ArrayDeque<>(List.of(e));
    int last = 2 * e + 1;
    for (int in = lines.next(last); in != Mesh.NONE; in = lines.next(last)) {
      if (in >> 1 == e) {
        return new Single(List.copyOf(edges), List.of());
      }
      edges.addLast(in >> 1);
      last = in ^ 1;
    }
    int first = 2 * e;
    for (int in = lines.next(first); in != Mesh.NONE; in = lines.next(first)) {
      edges.addFirst(in >> 1);
      first = in ^ 1;
    }
    List<End> ends = List.of(lines.endAt(lines.vertexAt(first)), lines.endAt(lines.vertexAt(last)));
    return new Single(List.copyOf(edges), ends);
  }

  /**
   * After a change of the mesh of which the topology was told. Cost: {@link Chains#update}; where
   * loops are joined, or come round beside themselves, their lengths.
   *
   * @param vertices those that were made, freed, or met by another edge or face
   * @param edges those that were made, freed or got other faces
   * @return the numbers of the loops that are others now
   */
  public IdSet update(Mesh now, int[] vertices, int[] edges) {
    mesh = now;
    IdSet at = IdSet.of(vertices);
    IdSet touched = IdSet.of(edges);
    // What lies between two such vertices is soon walked: it need not be told apart.
    eachEdgeAt(
        vertices,
        (v, e) -> {
          if (at.has(mesh.otherEnd(e, v))) {
            touched.add(e);
          }
        });
    IntStream.Builder rim = IntStream.builder();
    eachEdgeAt(
        vertices,
        (v, e) -> {
          if (!touched.has(e)) {
            rim.add(lines.portAt(e, v));
          }
        });
    int[] ids = touched.sorted();
    return noted(chains.update(mesh.edgeEnd(), ids, rim.build().toArray()), ids);
  }

  private interface EdgeAt {
    void visit(int v, int e);
  }

  private void eachEdgeAt(int[] vertices, EdgeAt visit) {
    for (int v : vertices) {
      for (int e : mesh.hasVertex(v) ? mesh.edgesAt(v) : NONE) {
        visit.visit(v, e);
      }
    }
  }

  private IdSet noted(Chains.Changed changed, int[] touched) {
    IdSet wasBeside = new IdSet();
    for (int number : changed.gone()) {
      tally.add(loop(number), -1);
      if (beside.get(number)) {
        wasBeside.add(number);
        beside.clear(number);
      }
      loops.set(number, null);
    }
    IdSet come = new IdSet();
    for (Chains.Come loop : changed.come()) {
      come(loop.chain());
      come.add(loop.chain());
      boolean was = loop.from().stream().anyMatch(wasBeside::has);
      noteBeside(Arrays.stream(was ? chains.nodesOf(loop.chain()) : loop.smaller()));
    }
    noteBeside(Arrays.stream(touched).filter(e -> loopOf(e) != Mesh.NONE));
    return come;
  }

  private void noteBeside(IntStream edges) {
    edges.forEach(e -> {
      noteBeside(mesh.cornerOn(e), beside);
      noteBeside(mesh.nextOnEdge(mesh.cornerOn(e)), beside);
    });
  }

  /** A loop by its number. */
  public Summary loop(int number) {
    return Objects.requireNonNull(loops.get(number));
  }

  /** All loops, in no certain order after an update. */
  public List<Summary> all() {
    return loops.stream().filter(Objects::nonNull).map(Objects::requireNonNull).toList();
  }

  /** The loops in numbers. */
  public FlowTally tally() {
    return tally;
  }

  /** Whether some loop comes round within one quad of itself. */
  public boolean hasBeside() {
    return !beside.isEmpty();
  }

  /** The number of the loop that an edge is in; {@link Mesh#NONE} if it is in none. */
  public int loopOf(int e) {
    return chains.of(e);
  }

  /** An edge of a loop. */
  public int someEdgeOf(int number) {
    return chains.someOf(number);
  }

  /**
   * The edges of a loop, one after the other; a closed one from its lowest edge on, as that runs to
   * its second vertex, an open one along its lowest edge in the same way. Cost: its length.
   */
  public int[] edgesOf(int number) {
    int[] edges = chains.nodesOf(number);
    int lowest = 0;
    for (int i = 1; i < edges.length; i++) {
      lowest = edges[i] < edges[lowest] ? i : lowest;
    }
    boolean closed = loop(number).closed();
    int e = edges[lowest];
    int beyond = lines.next(2 * e + 1);
    int next = beyond == Mesh.NONE ? Mesh.NONE : beyond >> 1;
    boolean isTurned =
        lowest + 1 < edges.length || closed
            ? edges[(lowest + 1) % edges.length] != next
            : next != Mesh.NONE;
    int[] ordered = new int[edges.length];
    for (int i = 0; i < edges.length; i++) {
      int at = closed ? lowest + (isTurned ? -i : i) : isTurned ? edges.length - 1 - i : i;
      ordered[i] = edges[Math.floorMod(at, edges.length)];
    }
    return ordered;
  }
}
