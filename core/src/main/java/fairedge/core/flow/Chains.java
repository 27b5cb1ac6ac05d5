package fairedge.core.flow;

import fairedge.core.mesh.IdSet;
import fairedge.core.mesh.Mesh;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.SequencedSet;
import java.util.TreeSet;
import java.util.function.IntPredicate;

/**
 * Nodes that hang together to chains, open or closed, kept up to date as nodes come, go and hang
 * together anew. Each node has two ports, 2n and 2n + 1; a port leads to a port of another node,
 * and that one back, or the chain ends there.
 *
 * <p>A chain keeps all nodes that are not touched as they are: what is left of it is known by where
 * it was cut and where it ended, and is joined again along what lies between. So an update costs
 * what is touched; where a chain falls apart, the shorter of two pieces besides; where it is cut at
 * several places, its length.
 */
final class Chains {
  /** How nodes hang together. */
  interface Links {
    /** The port that a port leads to, or {@link Mesh#NONE} where the chain ends. */
    int next(int port);

    boolean isNode(int node);
  }

  /** A node that is touched and was met on the way from a cut. */
  private static final int MET = -2;

  private final Links links;

  /** Of each node a chain; by {@link #rootOf} the one that it has become. */
  private int[] chainOf;

  private int[] parent = new int[64];
  private int[] lengths = new int[64];

  /** A node of each chain. */
  private int[] some = new int[64];

  /** Of each chain its two ends, as ports; or {@link Mesh#NONE}, twice, where it is closed. */
  private int[] ends = new int[128];

  private int count;

  /** Nodes that count when it is asked whether a chain has any such. */
  private final BitSet heavy = new BitSet();

  private int[] weights = new int[64];

  /**
   * @param joined nodes that hang together
   * @param goesOn whether a port leads on
   */
  Chains(Links links, int nodes, Unions joined, IntPredicate goesOn) {
    this.links = links;
    this.chainOf = new int[nodes];
    for (int n = 0; n < nodes; n++) {
      if (!links.isNode(n)) {
        chainOf[n] = Mesh.NONE;
        continue;
      }
      int root = joined.rootOf(n);
      chainOf[n] = root == n ? made(n) : chainOf[root];
      lengths[chainOf[n]]++;
      for (int port = 2 * n; port < 2 * n + 2; port++) {
        if (!goesOn.test(port)) {
          endAt(chainOf[n], port);
        }
      }
    }
  }

  private int made(int node) {
    if (count == parent.length) {
      parent = Arrays.copyOf(parent, 2 * count);
      lengths = Arrays.copyOf(lengths, 2 * count);
      some = Arrays.copyOf(some, 2 * count);
      weights = Arrays.copyOf(weights, 2 * count);
      ends = Arrays.copyOf(ends, 4 * count);
    }
    parent[count] = count;
    some[count] = node;
    ends[2 * count] = Mesh.NONE;
    ends[2 * count + 1] = Mesh.NONE;
    return count++;
  }

  private void endAt(int chain, int port) {
    ends[2 * chain + (ends[2 * chain] == Mesh.NONE ? 0 : 1)] = port;
  }

  private int rootOf(int chain) {
    int root = chain;
    while (parent[root] != root) {
      parent[root] = parent[parent[root]];
      root = parent[root];
    }
    return root;
  }

  /** The chain of a node; {@link Mesh#NONE} if it is none. */
  int of(int node) {
    return node >= chainOf.length || chainOf[node] < 0 ? Mesh.NONE : rootOf(chainOf[node]);
  }

  /** The chains there are. */
  List<Integer> all() {
    List<Integer> all = new ArrayList<>();
    for (int chain = 0; chain < count; chain++) {
      if (parent[chain] == chain && lengths[chain] > 0) {
        all.add(chain);
      }
    }
    return all;
  }

  int length(int chain) {
    return lengths[chain];
  }

  boolean isClosed(int chain) {
    return ends[2 * chain] == Mesh.NONE;
  }

  /** The ports at which a chain ends: two or none. */
  int[] ends(int chain) {
    return isClosed(chain) ? new int[0] : Arrays.copyOfRange(ends, 2 * chain, 2 * chain + 2);
  }

  /** All nodes of a chain, one after the other. Cost: its length. */
  int[] nodesOf(int chain) {
    int[] nodes = new int[lengths[chain]];
    int out = isClosed(chain) ? 2 * some[chain] : ends[2 * chain] ^ 1;
    for (int i = 0; i < nodes.length; i++) {
      nodes[i] = out >> 1;
      int in = links.next(out);
      out = in ^ 1;
    }
    return nodes;
  }

  /** Whether a node is to count. Precondition: it is one. */
  void weigh(int node, boolean isHeavy) {
    if (heavy.get(node) != isHeavy) {
      heavy.set(node, isHeavy);
      weights[of(node)] += isHeavy ? 1 : -1;
    }
  }

  /** How many nodes of a chain count. */
  int weightOf(int chain) {
    return weights[chain];
  }

  /** A node of a chain. */
  int someOf(int chain) {
    return some[chain];
  }

  /**
   * What an update did.
   *
   * @param gone the chains that are no more as they were, by their numbers before
   * @param come those that are there now instead; their numbers may be those of some that are gone
   */
  record Changed(List<Integer> gone, List<Come> come) {}

  /**
   * A chain that is there now.
   *
   * @param from those that are gone of which it has something
   * @param smaller where it was joined of pieces, the nodes of all but the largest
   */
  record Come(int chain, List<Integer> from, int[] smaller) {}

  /**
   * @param nodes one more than the highest node there is
   * @param touched nodes that were made or freed, or whose links may be others
   * @param rim ports of other nodes that may lead elsewhere now
   */
  Changed update(int nodes, int[] touched, int[] rim) {
    if (chainOf.length < nodes) {
      int known = chainOf.length;
      chainOf = Arrays.copyOf(chainOf, Topology.roomFor(nodes));
      Arrays.fill(chainOf, known, chainOf.length, Mesh.NONE);
    }
    return new Renewal(touched, rim).changed();
  }

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

  private final class Renewal {
    private final TreeSet<Integer> gone = new TreeSet<>();
    private final Map<Integer, List<Integer>> cutsOf = new HashMap<>();
    private final Map<Integer, Way> wayFrom = new HashMap<>();
    private final Map<Integer, Piece> pieceAt = new HashMap<>();
    private final List<Piece> pieces = new ArrayList<>();
    private final List<Come> come = new ArrayList<>();
    private final IdSet cuts = new IdSet();

    /** Of a chain that was part of another, that one. */
    private final Map<Integer, Integer> partedFrom = new HashMap<>();

    private final int[] touched;

    Renewal(int[] touched, int[] rim) {
      this.touched = touched;
      for (int n : touched) {
        int chain = of(n);
        if (chain != Mesh.NONE) {
          gone.add(chain);
          lengths[chain]--;
          weigh(n, false);
          chainOf[n] = Mesh.NONE;
        }
      }
      for (int port : rim) {
        int chain = of(port >> 1);
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

    Changed changed() {
      return new Changed(List.copyOf(gone), come);
    }

    /** From a cut over nodes that were touched to another cut, or to where it ends. */
    private void lead(int cut) {
      if (wayFrom.containsKey(cut)) {
        return;
      }
      Nodes met = new Nodes();
      int out = cut;
      int in = links.next(out);
      while (in != Mesh.NONE && chainOf[in >> 1] == Mesh.NONE) {
        chainOf[in >> 1] = MET;
        met.add(in >> 1);
        out = in ^ 1;
        in = links.next(out);
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
      for (int end : ends(chain)) {
        if (chainOf[end >> 1] >= 0 && !cuts.has(end)) {
          kept.add(end);
        }
      }
      if (ports.isEmpty()) {
        return;
      }
      if (ports.size() + kept.size() > 2 && !isJoinedAgain(ports, kept)) {
        tellApart(chain, ports, kept);
      }
      Piece rest = new Piece(chain, ports.getFirst(), lengths[chain]);
      some[chain] = ports.getFirst() >> 1;
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
     * Walks from two cuts at a time until one is at the other side of its piece; that becomes a
     * chain of its own, until one piece is left.
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
      int own = made(walk.from >> 1);
      int[] nodes = walk.nodes.all();
      for (int n : nodes) {
        chainOf[n] = own;
        weights[own] += heavy.get(n) ? 1 : 0;
      }
      weights[chain] -= weights[own];
      lengths[own] = nodes.length;
      lengths[chain] -= nodes.length;
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
        beyond = cuts.has(at) ? Mesh.NONE : links.next(at);
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
          parent[piece.chain] = chain;
          weights[chain] += weights[piece.chain];
          walk(piece, smaller);
        }
        origins.add(partedFrom.getOrDefault(piece.chain, piece.chain));
      }
      for (int[] nodes : between) {
        for (int n : nodes) {
          chainOf[n] = chain;
        }
      }
      put(chain, length, endsAt);
      come.add(new Come(chain, List.copyOf(origins), smaller.all()));
    }

    private void walk(Piece piece, Nodes nodes) {
      int out = piece.from ^ 1;
      nodes.add(out >> 1);
      for (int i = 1; i < piece.length; i++) {
        out = links.next(out) ^ 1;
        nodes.add(out >> 1);
      }
    }

    private void put(int chain, int length, List<Integer> endsAt) {
      lengths[chain] = length;
      ends[2 * chain] = Mesh.NONE;
      ends[2 * chain + 1] = Mesh.NONE;
      endsAt.forEach(port -> endAt(chain, port));
    }

    /** Chains of nodes that were touched, and of no others. */
    private void makeNew() {
      for (int n : touched) {
        if (n < chainOf.length && chainOf[n] == Mesh.NONE && links.isNode(n)) {
          int chain = made(n);
          chainOf[n] = chain;
          int length = 1;
          List<Integer> endsAt = new ArrayList<>();
          for (int port = 2 * n; port < 2 * n + 2; port++) {
            int out = port;
            int in = links.next(out);
            while (in != Mesh.NONE && chainOf[in >> 1] == Mesh.NONE) {
              chainOf[in >> 1] = chain;
              length++;
              out = in ^ 1;
              in = links.next(out);
            }
            if (in == Mesh.NONE) {
              endsAt.add(out);
            }
          }
          put(chain, length, endsAt);
          come.add(new Come(chain, List.of(), new int[0]));
        }
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
