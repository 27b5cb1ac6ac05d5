package fairedge.core.survey;

import fairedge.core.effort.Effort;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.jspecify.annotations.Nullable;

/**
 * Chooses pairs of triangles: as many as possible, of those choices the one that costs least.
 *
 * <p>Triangles that could pair fall into groups that touch. In a group of up to {@value #EXACT}
 * triangles the choice is exact, by dynamic programming over the set of triangles still free, taken
 * in breadth-first order so that few sets arise. In a larger group, or one with more than {@value
 * #STATES} sets, the cheapest pairs are taken first, {@link MaximumMatching} adds what is missing
 * to as many as possible, and then up to {@value #EXCHANGED} pairs are exchanged for as many
 * others, until no such exchange costs less. Ties by the lower faces.
 */
public final class PairMatching {
  private static final Comparator<Candidate> BY_COST =
      Comparator.comparingDouble(Candidate::cost).thenComparingInt(Candidate::edge);

  /** The most triangles in a group whose choice is exact. */
  static final int EXACT = 60;

  /** The most pairs that are exchanged at once. */
  static final int EXCHANGED = 3;

  private static final int STATES = 50_000;

  /**
   * Two triangles that could be one quad.
   *
   * @param edge the edge between them
   * @param cost how far the quad is from square
   */
  public record Candidate(int face, int other, int edge, double cost) {}

  private record Choice(int pairs, double cost, @Nullable Candidate first, @Nullable Choice rest) {
    static final Choice NONE = new Choice(0, 0, null, null);

    Choice with(Candidate c) {
      return new Choice(pairs + 1, cost + c.cost(), c, this);
    }

    boolean beats(Choice o) {
      return pairs > o.pairs || pairs == o.pairs && cost < o.cost - 1e-12;
    }
  }

  private static final int UNSEEN = -1;

  private final List<Candidate> candidates;

  private final Numbering numbers;

  /** Of each triangle its candidates, one after the other in their order. */
  private final int[] starts;

  private final int[] items;

  /** The place of each triangle in its group. */
  private final int[] places;

  /** The triangles of all groups met so far, in breadth-first order. */
  private final int[] met;

  private int metCount;

  /** By the lower face. */
  private final @Nullable Candidate[] chosen;

  /** Whether the number of pairs is all that is asked. */
  private final boolean onlyCounted;

  /** The chosen pairs, by their lower face. Cost: n log n in the candidates, mostly. */
  public static List<Candidate> best(List<Candidate> candidates) {
    return candidates.isEmpty() ? List.of() : new PairMatching(candidates, false).chosen();
  }

  /** How many pairs there are at most. */
  public static int most(List<Candidate> candidates) {
    return candidates.isEmpty() ? 0 : new PairMatching(candidates, true).chosen().size();
  }

  private PairMatching(List<Candidate> candidates, boolean onlyCounted) {
    this.candidates = candidates;
    this.onlyCounted = onlyCounted;
    this.numbers = new Numbering(candidates);
    this.starts = new int[numbers.count + 1];
    for (Candidate c : candidates) {
      starts[numbers.of(c.face()) + 1]++;
      starts[numbers.of(c.other()) + 1]++;
    }
    Arrays.parallelPrefix(starts, Integer::sum);
    this.items = new int[2 * candidates.size()];
    int[] filled = Arrays.copyOf(starts, numbers.count);
    for (int i = 0; i < candidates.size(); i++) {
      items[filled[numbers.of(candidates.get(i).face())]++] = i;
      items[filled[numbers.of(candidates.get(i).other())]++] = i;
    }
    this.places = new int[numbers.count];
    Arrays.fill(places, UNSEEN);
    this.met = new int[numbers.count];
    this.chosen = new Candidate[numbers.count];
  }

  /** Numbers the triangles in the order of their ids, however far apart these are. */
  private static final class Numbering {
    private final int lowest;
    private final long[] there;

    /** How many have lower ids than those of a word of bits. */
    private final int[] before;

    private final int count;

    Numbering(List<Candidate> candidates) {
      int low = Integer.MAX_VALUE;
      int high = 0;
      for (Candidate c : candidates) {
        low = Math.min(low, Math.min(c.face(), c.other()));
        high = Math.max(high, Math.max(c.face(), c.other()));
      }
      lowest = low;
      there = new long[(high - low) / Long.SIZE + 1];
      for (Candidate c : candidates) {
        there[(c.face() - low) / Long.SIZE] |= 1L << c.face() - low;
        there[(c.other() - low) / Long.SIZE] |= 1L << c.other() - low;
      }
      before = new int[there.length];
      int sum = 0;
      for (int i = 0; i < there.length; i++) {
        before[i] = sum;
        sum += Long.bitCount(there[i]);
      }
      count = sum;
    }

    int of(int face) {
      int word = (face - lowest) / Long.SIZE;
      return before[word] + Long.bitCount(there[word] & (1L << face - lowest) - 1);
    }
  }

  private List<Candidate> chosen() {
    for (int t = 0; t < places.length; t++) {
      if (places[t] == UNSEEN && starts[t] < starts[t + 1]) {
        Effort.check();
        choose(group(t));
      }
    }
    return Arrays.stream(chosen).filter(Objects::nonNull).map(Objects::requireNonNull).toList();
  }

  /** Those that hang together with a triangle, in breadth-first order. */
  private int[] group(int triangle) {
    int from = metCount;
    meet(triangle, from);
    for (int i = from; i < metCount; i++) {
      for (int k = starts[met[i]]; k < starts[met[i] + 1]; k++) {
        int next = beyond(candidates.get(items[k]), met[i]);
        if (places[next] == UNSEEN) {
          meet(next, from);
        }
      }
    }
    return Arrays.copyOfRange(met, from, metCount);
  }

  private void meet(int triangle, int from) {
    places[triangle] = metCount - from;
    met[metCount++] = triangle;
  }

  private int beyond(Candidate c, int triangle) {
    int face = numbers.of(c.face());
    return face == triangle ? numbers.of(c.other()) : face;
  }

  private void take(Candidate c) {
    chosen[numbers.of(c.face())] = c;
  }

  private void choose(int[] group) {
    if (group.length == 2 && starts[group[0] + 1] - starts[group[0]] == 1) {
      take(candidates.get(items[starts[group[0]]]));
      return;
    }
    Choice choice = group.length <= EXACT ? new Exact(group).choose() : null;
    if (choice != null) {
      take(choice);
    } else {
      enlarge(group, cheapestFirst(group));
    }
  }

  private void take(Choice choice) {
    for (Choice c = choice; c != null; c = c.rest()) {
      if (c.first() != null) {
        take(c.first());
      }
    }
  }

  /** As many pairs as possible, from mates that may be fewer. */
  private void enlarge(int[] group, int[] mate) {
    int[][] neighbours = new int[group.length][];
    double[][] costs = new double[group.length][];
    for (int i = 0; i < group.length; i++) {
      int[] those = new int[starts[group[i] + 1] - starts[group[i]]];
      double[] theirs = new double[those.length];
      for (int k = 0; k < those.length; k++) {
        Candidate c = candidates.get(items[starts[group[i]] + k]);
        those[k] = places[beyond(c, group[i])];
        theirs[k] = c.cost();
      }
      neighbours[i] = those;
      costs[i] = theirs;
    }
    new MaximumMatching(neighbours, mate).augment();
    if (!onlyCounted) {
      new PairExchange(neighbours, costs, mate).improve();
    }
    for (int i = 0; i < group.length; i++) {
      if (mate[i] != MaximumMatching.NONE && group[i] < group[mate[i]]) {
        take(cheapest(group[i], group[mate[i]]));
      }
    }
  }

  /** Two triangles may have several edges between them. */
  private Candidate cheapest(int triangle, int other) {
    return Arrays.stream(items, starts[triangle], starts[triangle + 1])
        .mapToObj(candidates::get)
        .filter(c -> beyond(c, triangle) == other)
        .min(BY_COST)
        .orElseThrow();
  }

  /** Of each of a group the place of its mate, or {@link MaximumMatching#NONE}. */
  private int[] cheapestFirst(int[] group) {
    List<Candidate> all = new ArrayList<>();
    for (int t : group) {
      for (int k = starts[t]; k < starts[t + 1]; k++) {
        Candidate c = candidates.get(items[k]);
        if (numbers.of(c.face()) == t) {
          all.add(c);
        }
      }
    }
    Candidate[] cheapest = all.toArray(Candidate[]::new);
    Arrays.parallelSort(cheapest, BY_COST);
    int[] mate = new int[group.length];
    Arrays.fill(mate, MaximumMatching.NONE);
    for (Candidate c : cheapest) {
      int one = places[numbers.of(c.face())];
      int other = places[numbers.of(c.other())];
      if (mate[one] == MaximumMatching.NONE && mate[other] == MaximumMatching.NONE) {
        mate[one] = other;
        mate[other] = one;
      }
    }
    return mate;
  }

  /** The exact choice for one group; sets of triangles are bits of a long. */
  private final class Exact {
    private final int[] group;
    private final Map<Long, Choice> memory = new HashMap<>();

    Exact(int[] group) {
      this.group = group;
    }

    /** The best choice, or null where too many sets arise. */
    @Nullable Choice choose() {
      return best((1L << group.length) - 1);
    }

    private @Nullable Choice best(long free) {
      if (free == 0) {
        return Choice.NONE;
      }
      Choice known = memory.get(free);
      if (known != null) {
        return known;
      }
      if (memory.size() >= STATES) {
        return null;
      }
      int first = Long.numberOfTrailingZeros(free);
      Choice best = best(free & ~(1L << first));
      for (int k = starts[group[first]]; k < starts[group[first] + 1]; k++) {
        Candidate c = candidates.get(items[k]);
        long mask = maskOf(c.face()) | maskOf(c.other());
        if ((free & mask) == mask) {
          Choice rest = best(free & ~mask);
          if (rest == null || best == null) {
            return null;
          }
          Choice choice = rest.with(c);
          best = choice.beats(best) ? choice : best;
        }
      }
      if (best != null) {
        memory.put(free, best);
      }
      return best;
    }

    private long maskOf(int face) {
      return 1L << places[numbers.of(face)];
    }
  }
}
