package fairedge.core.flow;

import fairedge.core.mesh.IdSet;
import fairedge.core.mesh.Mesh;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.SequencedSet;
import java.util.TreeSet;

/**
 * One update of {@link Chains}: what is left of chains between the places where they were cut, and
 * how that is joined again along what lies between.
 */
final class ChainsRenewal {
  private final Chains chains;

  /** What is left of a chain between two ports, or a few of these of which it is not told apart. */
  private static final class Piece {
    private final int chain;
    private final int from;
    private final int length;

    /** Where it ends for good. */
    private final List<Integer> kept = new ArrayList<>();

    Piece(int chain, int from, int length) {
      this.chain = chain;
      this.from = from;
      this.length = length;
    }
  }

  /** A way from a cut to another, or to an end, over nodes that were touched. */
  private record Way(int to, int[] nodes, int end) {}

  private final TreeSet<Integer> gone = new TreeSet<>();
  private final Map<Integer, List<Integer>> cutsOf = new HashMap<>();
  private final Map<Integer, Way> wayFrom = new HashMap<>();
  private final Map<Integer, Piece> pieceAt = new HashMap<>();
  private final List<Piece> pieces = new ArrayList<>();
  private final List<Chains.Come> come = new ArrayList<>();
  private final IdSet cuts = new IdSet();

  /** Of a chain that was part of another, that one. */
  private final Map<Integer, Integer> partedFrom = new HashMap<>();

  private final int[] touched;

  ChainsRenewal(Chains chains, int[] touched, int[] rim) {
    this.chains = chains;
    this.touched = touched;
    for (int n : touched) {
      int chain = chains.of(n);
      if (chain != Mesh.NONE) {
        gone.add(chain);
        chains.lengths[chain]--;
        chains.weigh(n, false);
        chains.chainOf[n] = Mesh.NONE;
      }
    }
    for (int port : rim) {
      int chain = chains.of(port >> 1);
      if (chain != Mesh.NONE && cuts.add(port)) {
        gone.add(chain);
        cutsOf.computeIfAbsent(chain, c -> new ArrayList<>()).add(port);
      }
    }
    cutsOf.values().forEach(ports -> ports.forEach(this::lead));
    gone.forEach(this::cut);
    joinPieces();
    makeNew();
  }

  Chains.Changed changed() {
    return new Chains.Changed(List.copyOf(gone), come);
  }

  /** From a cut over nodes that were touched to another cut, or to where it ends. */
  private void lead(int cut) {
    if (wayFrom.containsKey(cut)) {
      return;
    }
    Nodes met = new Nodes();
    int out = cut;
    int in = chains.links.next(out);
    while (in != Mesh.NONE && chains.chainOf[in >> 1] == Mesh.NONE) {
      chains.chainOf[in >> 1] = Chains.MET;
      met.add(in >> 1);
      out = in ^ 1;
      in = chains.links.next(out);
    }
    wayFrom.put(cut, new Way(in, met.all(), out));
    if (in != Mesh.NONE) {
      wayFrom.put(in, new Way(cut, new int[0], Mesh.NONE));
    }
  }

  /** Finds the pieces of a chain. */
  private void cut(int chain) {
    SequencedSet<Integer> ports = new LinkedHashSet<>(cutsOf.getOrDefault(chain, List.of()));
    List<Integer> kept = new ArrayList<>();
    for (int end : chains.ends(chain)) {
      if (chains.chainOf[end >> 1] >= 0 && !cuts.has(end)) {
        kept.add(end);
      }
    }
    if (ports.isEmpty()) {
      return;
    }
    if (ports.size() + kept.size() > 2 && !isJoinedAgain(ports, kept)) {
      tellApart(chain, ports, kept);
    }
    Piece rest = new Piece(chain, ports.getFirst(), chains.lengths[chain]);
    chains.some[chain] = ports.getFirst() >> 1;
    add(rest, ports, kept);
  }

  private void add(Piece piece, Collection<Integer> ports, List<Integer> kept) {
    pieces.add(piece);
    ports.forEach(port -> pieceAt.put(port, piece));
    piece.kept.addAll(kept);
  }

  /** Whether a chain of two ends was cut once, and the cut leads to itself. */
  private boolean isJoinedAgain(SequencedSet<Integer> ports, List<Integer> kept) {
    Way way = wayFrom.get(ports.getFirst());
    return ports.size() == 2 && kept.size() == 2 && way != null && way.to == ports.getLast();
  }

  /**
   * Walks from two cuts at a time until one is at the other side of its piece; that becomes a chain
   * of its own, until one piece is left.
   */
  private void tellApart(int chain, SequencedSet<Integer> ports, List<Integer> kept) {
    while (ports.size() + kept.size() > 2) {
      Walk one = new Walk(ports.getFirst());
      Walk other = new Walk(ports.getLast());
      boolean isOther = ports.size() > 1;
      while (!one.isOver() && !(isOther && other.isOver())) {
        one.step();
        if (isOther) {
          other.step();
        }
      }
      Walk over = one.isOver() ? one : other;
      part(chain, over, ports, kept);
    }
  }

  /** Makes what was walked a chain of its own. */
  private void part(int chain, Walk walk, SequencedSet<Integer> ports, List<Integer> kept) {
    int own = chains.made(walk.from >> 1);
    int[] nodes = walk.nodes.all();
    for (int n : nodes) {
      chains.chainOf[n] = own;
      chains.weights[own] += chains.heavy.get(n) ? 1 : 0;
    }
    chains.weights[chain] -= chains.weights[own];
    chains.lengths[own] = nodes.length;
    chains.lengths[chain] -= nodes.length;
    List<Integer> cutAt = new ArrayList<>(List.of(walk.from));
    List<Integer> endsAt = new ArrayList<>();
    ports.remove(walk.from);
    if (!ports.remove(walk.at)) {
      kept.remove((Integer) walk.at);
      endsAt.add(walk.at);
    } else {
      cutAt.add(walk.at);
    }
    Piece parted = new Piece(own, walk.from, nodes.length);
    partedFrom.put(own, chain);
    add(parted, cutAt, endsAt);
  }

  /** From a cut inward along what was not touched. */
  private final class Walk {
    private final int from;
    private final Nodes nodes = new Nodes();

    /** The port by which the last node is left, and where that leads. */
    private int at;

    private int beyond;

    Walk(int from) {
      this.from = from;
      goTo(from);
    }

    private void goTo(int in) {
      at = in ^ 1;
      beyond = cuts.has(at) ? Mesh.NONE : chains.links.next(at);
      nodes.add(at >> 1);
    }

    boolean isOver() {
      return beyond == Mesh.NONE;
    }

    void step() {
      goTo(beyond);
    }
  }

  /** Follows pieces and the ways between them. */
  private void joinPieces() {
    Map<Piece, List<Integer>> portsOf = new HashMap<>();
    pieceAt.forEach(
        (port, piece) -> portsOf.computeIfAbsent(piece, p -> new ArrayList<>()).add(port));
    IdSet done = new IdSet();
    for (Piece piece : pieces) {
      if (!done.has(piece.from)) {
        join(piece, portsOf, done);
      }
    }
  }

  private void join(Piece first, Map<Piece, List<Integer>> portsOf, IdSet done) {
    List<Piece> together = new ArrayList<>(List.of(first));
    List<Integer> endsAt = new ArrayList<>();
    List<int[]> between = new ArrayList<>();
    done.add(first.from);
    int length = 0;
    Piece largest = first;
    for (int i = 0; i < together.size(); i++) {
      Piece piece = together.get(i);
      largest = piece.length > largest.length ? piece : largest;
      length += piece.length;
      endsAt.addAll(piece.kept);
      for (int port : portsOf.getOrDefault(piece, List.of())) {
        Way way = wayFrom.get(port);
        if (way == null) {
          continue;
        }
        between.add(way.nodes);
        length += way.nodes.length;
        Piece beyond = way.to == Mesh.NONE ? null : pieceAt.get(way.to);
        if (beyond == null) {
          endsAt.add(way.end);
        } else if (done.add(beyond.from)) {
          together.add(beyond);
        }
      }
    }
    settle(together, largest.chain, length, endsAt, between);
  }

  private void settle(
      List<Piece> together, int chain, int length, List<Integer> endsAt, List<int[]> between) {
    TreeSet<Integer> origins = new TreeSet<>();
    Nodes smaller = new Nodes();
    for (Piece piece : together) {
      if (piece.chain != chain) {
        chains.parent[piece.chain] = chain;
        chains.weights[chain] += chains.weights[piece.chain];
        walk(piece, smaller);
      }
      origins.add(partedFrom.getOrDefault(piece.chain, piece.chain));
    }
    for (int[] nodes : between) {
      for (int n : nodes) {
        chains.chainOf[n] = chain;
      }
    }
    put(chain, length, endsAt);
    come.add(new Chains.Come(chain, List.copyOf(origins), smaller.all()));
  }

  private void walk(Piece piece, Nodes nodes) {
    int out = piece.from ^ 1;
    nodes.add(out >> 1);
    for (int i = 1; i < piece.length; i++) {
      out = chains.links.next(out) ^ 1;
      nodes.add(out >> 1);
    }
  }

  private void put(int chain, int length, List<Integer> endsAt) {
    chains.lengths[chain] = length;
    chains.ends[2 * chain] = Mesh.NONE;
    chains.ends[2 * chain + 1] = Mesh.NONE;
    endsAt.forEach(port -> chains.endAt(chain, port));
  }

  /** Chains of nodes that were touched, and of no others. */
  private void makeNew() {
    for (int n : touched) {
      if (n < chains.chainOf.length && chains.chainOf[n] == Mesh.NONE && chains.links.isNode(n)) {
        int chain = chains.made(n);
        chains.chainOf[n] = chain;
        int length = 1;
        List<Integer> endsAt = new ArrayList<>();
        for (int port = 2 * n; port < 2 * n + 2; port++) {
          int out = port;
          int in = chains.links.next(out);
          while (in != Mesh.NONE && chains.chainOf[in >> 1] == Mesh.NONE) {
            chains.chainOf[in >> 1] = chain;
            length++;
            out = in ^ 1;
            in = chains.links.next(out);
          }
          if (in == Mesh.NONE) {
            endsAt.add(out);
          }
        }
        put(chain, length, endsAt);
        come.add(new Chains.Come(chain, List.of(), new int[0]));
      }
    }
  }

  /** A list of nodes that grows. */
  private static final class Nodes {
    private int[] nodes = new int[16];
    private int count;

    void add(int node) {
      nodes = count == nodes.length ? Arrays.copyOf(nodes, 2 * count) : nodes;
      nodes[count++] = node;
    }

    int[] all() {
      return Arrays.copyOf(nodes, count);
    }
  }
}
