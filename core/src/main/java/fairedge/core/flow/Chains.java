package fairedge.core.flow;

import fairedge.core.mesh.Mesh;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.List;
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
  static final int MET = -2;

  final Links links;

  /** Of each node a chain; by {@link #rootOf} the one that it has become. */
  int[] chainOf;

  int[] parent = new int[64];
  int[] lengths = new int[64];

  /** A node of each chain. */
  int[] some = new int[64];

  /** Of each chain its two ends, as ports; or {@link Mesh#NONE}, twice, where it is closed. */
  int[] ends = new int[128];

  private int count;

  /** Nodes that count when it is asked whether a chain has any such. */
  final BitSet heavy = new BitSet();

  int[] weights = new int[64];

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

  int made(int node) {
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

  void endAt(int chain, int port) {
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
    return new ChainsRenewal(this, touched, rim).changed();
  }
}
