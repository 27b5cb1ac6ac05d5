package fairedge.core.survey;

import fairedge.core.effort.Effort;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;

/**
 * Makes a matching cheaper without making it smaller: along every way that leaves a node by its
 * pair, goes on over another edge, then by a pair again, and so on, and that ends at a node without
 * a pair or where it began, the edges take the place of the pairs if they cost less. Ways of up to
 * {@value PairMatching#EXCHANGED} pairs are tried, from every node, until none helps: each exchange
 * lowers the cost, so it ends. Cost: for each node the ways from it, a few where nodes have three
 * edges at most; again where pairs were exchanged.
 */
final class PairExchange {
  private static final int NONE = MaximumMatching.NONE;

  /** What an exchange has to save, so that rounding exchanges nothing to and fro. */
  private static final double LEAST = 1e-9;

  private final int[][] neighbours;
  private final double[][] costs;
  private final int[] mate;
  private final Deque<Integer> open = new ArrayDeque<>();
  private final boolean[] isOpen;

  /** The nodes of the way that is tried: a pair, a pair, ... */
  private final List<Integer> way = new ArrayList<>();

  /**
   * @param neighbours for each node those joined to it
   * @param costs of the edges to them
   * @param mate for each node its partner, or {@link MaximumMatching#NONE}; becomes the result
   */
  PairExchange(int[][] neighbours, double[][] costs, int[] mate) {
    this.neighbours = neighbours;
    this.costs = costs;
    this.mate = mate;
    this.isOpen = new boolean[mate.length];
  }

  void improve() {
    for (int n = 0; n < mate.length; n++) {
      open(n);
    }
    while (!open.isEmpty()) {
      Effort.check();
      int from = open.removeFirst();
      isOpen[from] = false;
      way.clear();
      if (mate[from] != NONE && isImprovedFrom(from, 0)) {
        open(from);
      }
    }
  }

  private void open(int node) {
    if (!isOpen[node]) {
      isOpen[node] = true;
      open.addLast(node);
    }
  }

  /**
   * @param node the way comes to it, and goes on by its pair
   * @param saved by the way so far
   */
  private boolean isImprovedFrom(int node, double saved) {
    int partner = mate[node];
    if (way.contains(node) || way.contains(partner)) {
      return false;
    }
    way.add(node);
    way.add(partner);
    double without = saved + cost(node, partner);
    for (int k = 0; k < neighbours[partner].length; k++) {
      int to = neighbours[partner][k];
      double with = without - costs[partner][k];
      if (to != node && isImprovedBy(to, with)) {
        return true;
      }
    }
    way.removeLast();
    way.removeLast();
    return false;
  }

  private boolean isImprovedBy(int to, double saved) {
    if (mate[to] == NONE || to == way.getFirst()) {
      if (saved > LEAST) {
        exchange(to);
        return true;
      }
      return false;
    }
    return way.size() < 2 * PairMatching.EXCHANGED && isImprovedFrom(to, saved);
  }

  /** The nodes of the way are joined anew, each partner to what came after it. */
  private void exchange(int end) {
    way.add(end);
    if (end != way.getFirst()) {
      mate[way.getFirst()] = NONE;
    }
    for (int i = 1; i + 1 < way.size(); i += 2) {
      mate[way.get(i)] = way.get(i + 1);
      mate[way.get(i + 1)] = way.get(i);
    }
    for (int node : way) {
      open(node);
      for (int next : neighbours[node]) {
        open(next);
      }
    }
  }

  private double cost(int a, int b) {
    double least = Double.POSITIVE_INFINITY;
    for (int k = 0; k < neighbours[a].length; k++) {
      if (neighbours[a][k] == b) {
        least = Math.min(least, costs[a][k]);
      }
    }
    return least;
  }
}
