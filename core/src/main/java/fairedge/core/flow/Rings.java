package fairedge.core.flow;

import fairedge.core.mesh.IdSet;
import fairedge.core.mesh.Mesh;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import java.util.function.IntPredicate;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;

/**
 * All edge rings of a mesh: longest chains of quads, each joined to the next by opposite sides
 * across two-sided edges. Winding does not matter. The lengths of all rings add up to twice the
 * quads. Cost: the quads.
 */
public final class Rings {
  /**
   * A ring by its numbers.
   *
   * @param length quads passed; one passed both ways counts twice
   * @param ends the stops of an open ring, two; none if closed
   */
  public record Summary(int length, boolean closed, List<Stop> ends) implements FlowTally.Counted {
    @Override
    public List<String> causes() {
      return ends.stream().map(stop -> stop.cause().name()).toList();
    }

    @Override
    public List<Integer> poles() {
      return List.of();
    }

    /** Each edge between two quads once, and those at the ends. */
    @Override
    public int edges() {
      return length + (closed ? 0 : 1);
    }

    /** Closed, or both ends at borders. */
    @Override
    public boolean isComplete() {
      return ends.stream().allMatch(s -> s.cause() == Stop.Cause.BORDER);
    }
  }

  private Mesh mesh;
  private final Topology topology;

  /** Of passages: each quad is passed both ways. */
  private final Chains chains;

  /** By number; null where a number is not in use. */
  private final List<@Nullable Summary> rings = new ArrayList<>();

  /** Rings that pass a quad both ways. */
  private final BitSet crossing = new BitSet();

  private final FlowTally tally = new FlowTally();

  public Rings(Topology topology) {
    this.topology = topology;
    this.mesh = topology.mesh();
    Unions ways = new Unions(2 * mesh.faceEnd());
    BitSet goesOn = new BitSet(4 * mesh.faceEnd());
    // Joined edge by edge: walking ring by ring would jump about in memory.
    for (int e = 0; e < mesh.edgeEnd(); e++) {
      if (topology.uses(e) == 2) {
        int c = mesh.cornerOn(e);
        int d = mesh.nextOnEdge(c);
        if (mesh.size(mesh.faceOf(c)) == 4 && mesh.size(mesh.faceOf(d)) == 4) {
          int out = portOf(c);
          int in = portOf(d);
          ways.join(out >> 1, in >> 1);
          goesOn.set(out);
          goesOn.set(in);
        }
      }
    }
    this.chains = new Chains(new Ways(), 2 * mesh.faceEnd(), ways, goesOn::get);
    chains.all().forEach(this::come);
    for (int f = 0; f < mesh.faceEnd(); f++) {
      int ring = chains.of(2 * f);
      if (ring != Mesh.NONE && ring == chains.of(2 * f + 1)) {
        crossing.set(ring);
      }
    }
  }

  /** Passages hang together across two-sided edges. */
  private final class Ways implements Chains.Links {
    @Override
    public int next(int port) {
      int side = sideOf(port);
      if (topology.uses(mesh.edgeOf(side)) != 2) {
        return Mesh.NONE;
      }
      int beyond = mesh.nextOnEdge(side);
      return mesh.size(mesh.faceOf(beyond)) == 4 ? portOf(beyond) : Mesh.NONE;
    }

    @Override
    public boolean isNode(int passage) {
      return mesh.hasFace(passage >> 1) && mesh.size(passage >> 1) == 4;
    }
  }

  /** Of a quad's four sides the first and third lead out of one passage, the others out of one. */
  private int portOf(int side) {
    int f = mesh.faceOf(side);
    int c = mesh.firstCorner(f);
    int at = 0;
    while (c != side) {
      c = mesh.next(c);
      at++;
    }
    return 4 * f + 2 * (at & 1) + (at >> 1);
  }

  private int sideOf(int port) {
    int c = mesh.firstCorner(port >> 2);
    for (int at = (port >> 1 & 1) + 2 * (port & 1); at > 0; at--) {
      c = mesh.next(c);
    }
    return c;
  }

  private void come(int number) {
    List<Stop> ends = new ArrayList<>();
    for (int port : chains.ends(number)) {
      ends.add(stopAt(sideOf(port)));
    }
    ends.sort(Comparator.comparingInt(Stop::edge));
    Summary ring = new Summary(chains.length(number), ends.isEmpty(), List.copyOf(ends));
    while (rings.size() <= number) {
      rings.add(null);
    }
    rings.set(number, ring);
    tally.add(ring, 1);
  }

  /**
   * What an update met.
   *
   * @param turned rings that are complete now and were not before, or the other way round
   * @param stopping faces at which rings end or ended that are others now
   */
  public record Met(List<Integer> turned, int[] stopping) {}

  /**
   * After a change of the mesh of which the topology was told. Cost: {@link Chains#update}; where
   * rings are joined, or pass a quad both ways, their lengths.
   *
   * @param faces those that were made, freed or altered
   * @param edges those that were made, freed or got other faces, and all sides of these faces
   */
  public Met update(Mesh now, int[] faces, int[] edges) {
    mesh = now;
    IdSet touched = IdSet.of(faces);
    IntStream.Builder passages = IntStream.builder();
    for (int f : faces) {
      passages.add(2 * f);
      passages.add(2 * f + 1);
    }
    IntStream.Builder rim = IntStream.builder();
    for (int e : edges) {
      int start = mesh.hasEdge(e) ? mesh.cornerOn(e) : Mesh.NONE;
      for (int c = start; c != Mesh.NONE; ) {
        if (mesh.size(mesh.faceOf(c)) == 4 && !touched.has(mesh.faceOf(c))) {
          rim.add(portOf(c));
        }
        c = mesh.nextOnEdge(c) == start ? Mesh.NONE : mesh.nextOnEdge(c);
      }
    }
    return noted(
        chains.update(2 * mesh.faceEnd(), passages.build().toArray(), rim.build().toArray()),
        faces);
  }

  private Met noted(Chains.Changed changed, int[] touched) {
    IdSet stopping = new IdSet();
    IdSet wasCrossing = new IdSet();
    IdSet wasComplete = new IdSet();
    for (int number : changed.gone()) {
      Summary ring = ring(number);
      tally.add(ring, -1);
      note(ring, stopping);
      if (ring.isComplete()) {
        wasComplete.add(number);
      }
      if (crossing.get(number)) {
        wasCrossing.add(number);
        crossing.clear(number);
      }
      rings.set(number, null);
    }
    List<Integer> turned = new ArrayList<>();
    for (Chains.Come come : changed.come()) {
      int number = come.chain();
      come(number);
      note(ring(number), stopping);
      boolean complete = ring(number).isComplete();
      if (come.from().isEmpty()
          || come.from().stream().anyMatch(r -> wasComplete.has(r) != complete)) {
        turned.add(number);
      }
      boolean was = come.from().stream().anyMatch(wasCrossing::has);
      IntStream asked = Arrays.stream(was ? chains.nodesOf(number) : come.smaller());
      crossing.set(number, passesBothWays(asked));
    }
    IntStream here = Arrays.stream(touched).map(f -> 2 * f);
    here.filter(p -> passesBothWays(IntStream.of(p))).map(chains::of).forEach(crossing::set);
    return new Met(turned, stopping.sorted());
  }

  private boolean passesBothWays(IntStream passages) {
    return passages.anyMatch(p -> chains.of(p) != Mesh.NONE && chains.of(p) == chains.of(p ^ 1));
  }

  private static void note(Summary ring, IdSet stopping) {
    for (Stop stop : ring.ends()) {
      if (stop.face() != Mesh.NONE) {
        stopping.add(stop.face());
      }
    }
  }

  /**
   * Notes where support strips may be.
   *
   * @param faces those of which it may be another now
   * @param holds edges that may hold a strip beside them
   */
  public void markStrips(int[] faces, IntPredicate holds) {
    for (int f : faces) {
      if (mesh.hasFace(f) && mesh.size(f) == 4) {
        int c = mesh.firstCorner(f);
        int d = mesh.next(c);
        boolean first = holds.test(mesh.edgeOf(c)) || holds.test(mesh.edgeOf(mesh.next(d)));
        boolean second = holds.test(mesh.edgeOf(d)) || holds.test(mesh.edgeOf(mesh.previous(c)));
        // Beside an edge runs the ring that crosses the sides next to it.
        chains.weigh(2 * f + 1, first);
        chains.weigh(2 * f, second);
      }
    }
  }

  /** Whether a ring passes a place where a support strip may be. */
  public boolean mayBeStrip(int number) {
    return chains.weightOf(number) > 0;
  }

  /** The sides of quads by which a ring passes them, one of the two for each. Cost: its length. */
  public int[] sidesOf(int number) {
    return Arrays.stream(chains.nodesOf(number)).map(p -> sideOf(2 * p)).toArray();
  }

  /** Why a ring does not go on from the quad of a side across its edge. Precondition: so it is. */
  private Stop stopAt(int side) {
    int e = mesh.edgeOf(side);
    if (topology.uses(e) != 2) {
      return topology.uses(e) == 1 ? Stop.border(e) : Stop.crowded(e);
    }
    int f = mesh.faceOf(mesh.nextOnEdge(side));
    return Stop.face(e, f, mesh.size(f));
  }

  /** A ring by its number. */
  public Summary ring(int number) {
    return Objects.requireNonNull(rings.get(number));
  }

  /** All rings, in no certain order after an update. */
  public List<Summary> all() {
    return rings.stream().filter(Objects::nonNull).map(Objects::requireNonNull).toList();
  }

  /** The rings in numbers. */
  public FlowTally tally() {
    return tally;
  }

  /** Whether some ring passes a quad both ways. */
  public boolean hasCrossing() {
    return !crossing.isEmpty();
  }

  /**
   * The number of the ring that passes a quad.
   *
   * @param way 0: across its first and third side; 1: across the others
   */
  public int ringOf(int f, int way) {
    return chains.of(2 * f + way);
  }

  /** The number of the ring that passes the quad of a side across it and the one opposite. */
  public int ringAcross(int side) {
    return chains.of(portOf(side) >> 1);
  }
}
