package fairedge.core.mend;

import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jgrapht.alg.interfaces.MatchingAlgorithm;
import org.jgrapht.alg.matching.blossom.v5.BlossomVOptions;
import org.jgrapht.alg.matching.blossom.v5.KolmogorovWeightedPerfectMatching;
import org.jgrapht.alg.matching.blossom.v5.ObjectiveSense;
import org.jgrapht.graph.DefaultWeightedEdge;
import org.jgrapht.graph.SimpleWeightedGraph;

/**
 * The cheapest way to put each of some items together with another, or to leave it by itself:
 * minimum-weight perfect matching on two copies of the items, joined where an item stays by itself
 * (Kolmogorov, "Blossom V: a new implementation of a minimum cost perfect matching algorithm",
 * 2009, as JGraphT has it).
 *
 * @param mates by item; itself where it stays by itself
 * @param duals by item: what is dearer than those of its two ends together would not be taken
 */
record Matching(int[] mates, double[] duals) {

  /** Two items that may go together; one with itself, that it stays by itself. */
  record Pair(int a, int b, double cost) {}

  /**
   * @param items numbered from 0; each is in a pair with itself
   * @param pairs each once
   */
  static Matching least(int items, List<Pair> pairs) {
    SimpleWeightedGraph<Integer, DefaultWeightedEdge> graph =
        new SimpleWeightedGraph<>(DefaultWeightedEdge.class);
    for (int i = 0; i < 2 * items; i++) {
      graph.addVertex(i);
    }
    for (Pair pair : pairs) {
      if (pair.a == pair.b) {
        // Those that stay by themselves are the same in both: they count for each.
        join(graph, pair.a, items + pair.a, 2 * pair.cost);
      } else {
        join(graph, pair.a, pair.b, pair.cost);
        join(graph, items + pair.a, items + pair.b, pair.cost);
      }
    }
    KolmogorovWeightedPerfectMatching<Integer, DefaultWeightedEdge> least =
        new KolmogorovWeightedPerfectMatching<>(
            graph, new BlossomVOptions(), ObjectiveSense.MINIMIZE);
    return new Matching(mates(items, graph, least.getMatching()), duals(items, least));
  }

  private static void join(
      SimpleWeightedGraph<Integer, DefaultWeightedEdge> graph, int a, int b, double cost) {
    DefaultWeightedEdge edge = graph.addEdge(a, b);
    if (edge == null) {
      throw new IllegalArgumentException("a pair given twice");
    }
    graph.setEdgeWeight(edge, cost);
  }

  private static int[] mates(
      int items,
      SimpleWeightedGraph<Integer, DefaultWeightedEdge> graph,
      MatchingAlgorithm.Matching<Integer, DefaultWeightedEdge> matching) {
    int[] mates = new int[items];
    for (DefaultWeightedEdge edge : matching.getEdges()) {
      int a = graph.getEdgeSource(edge);
      int b = graph.getEdgeTarget(edge);
      if (a < items) {
        mates[a] = b % items;
      }
      if (b < items) {
        mates[b] = a % items;
      }
    }
    return mates;
  }

  private static double[] duals(
      int items, KolmogorovWeightedPerfectMatching<Integer, DefaultWeightedEdge> least) {
    double[] both = new double[2 * items];
    for (Map.Entry<Set<Integer>, Double> dual :
        least.getDualSolution().getDualVariables().entrySet()) {
      dual.getKey().forEach(i -> both[i] += dual.getValue());
    }
    double[] duals = new double[items];
    Arrays.setAll(duals, i -> Math.max(both[i], both[items + i]));
    return duals;
  }
}
