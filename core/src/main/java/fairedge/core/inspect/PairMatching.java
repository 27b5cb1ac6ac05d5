package fairedge.core.inspect;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;

/**
 * Chooses pairs of triangles: as many as possible, of those choices the one that costs least.
 *
 * <p>Triangles that could pair fall into groups that touch. In a group of up to {@value #EXACT}
 * triangles the choice is exact, by dynamic programming over the set of triangles still free, taken
 * in breadth-first order so that few sets arise. In a larger group, or one with more than {@value
 * #STATES} sets, the cheapest pairs are taken first, and {@link MaximumMatching} adds what is
 * missing to as many as possible. Ties by the lower faces.
 */
final class PairMatching {
  private static final int EXACT = 60;
  private static final int STATES = 50_000;

  /**
   * Two triangles that could be one quad.
   *
   * @param edge the edge between them
   * @param cost how far the quad is from square
   */
  record Candidate(int face, int other, int edge, double cost) {}

  private record Choice(int pairs, double cost, @Nullable Candidate first, @Nullable Choice rest) {
    static final Choice NONE = new Choice(0, 0, null, null);

    Choice with(Candidate c) {
      return new Choice(pairs + 1, cost + c.cost(), c, this);
    }

    boolean beats(Choice o) {
      return pairs > o.pairs || pairs == o.pairs && cost < o.cost - 1e-12;
    }
  }

  private PairMatching() {}

  /** The chosen pairs, by their lower face. */
  static List<Candidate> best(List<Candidate> candidates) {
    Map<Integer, List<Candidate>> byFace = new TreeMap<>();
    for (Candidate c : candidates) {
      byFace.computeIfAbsent(c.face(), f -> new ArrayList<>()).add(c);
      byFace.computeIfAbsent(c.other(), f -> new ArrayList<>()).add(c);
    }
    List<Candidate> chosen = new ArrayList<>();
    Set<Integer> seen = new HashSet<>();
    for (int face : byFace.keySet()) {
      if (!seen.contains(face)) {
        chosen.addAll(bestOf(group(face, byFace, seen), byFace));
      }
    }
    chosen.sort(Comparator.comparingInt(Candidate::face));
    return chosen;
  }

  private static List<Integer> group(
      int face, Map<Integer, List<Candidate>> byFace, Set<Integer> seen) {
    List<Integer> group = new ArrayList<>();
    Deque<Integer> open = new ArrayDeque<>(List.of(face));
    seen.add(face);
    while (!open.isEmpty()) {
      int f = open.remove();
      group.add(f);
      for (Candidate c : byFace.getOrDefault(f, List.of())) {
        int next = c.face() == f ? c.other() : c.face();
        if (seen.add(next)) {
          open.add(next);
        }
      }
    }
    return group;
  }

  private static List<Candidate> bestOf(List<Integer> group, Map<Integer, List<Candidate>> byFace) {
    if (group.size() <= EXACT) {
      Choice choice = new Exact(group, byFace).choose();
      if (choice != null) {
        return listed(choice);
      }
    }
    return enlarged(group, byFace, cheapestFirst(group, byFace));
  }

  /** As many pairs as possible, from a choice that may be smaller. */
  private static List<Candidate> enlarged(
      List<Integer> group, Map<Integer, List<Candidate>> byFace, List<Candidate> chosen) {
    Map<Integer, Integer> number = new HashMap<>();
    group.forEach(f -> number.put(f, number.size()));
    int[][] neighbours = new int[group.size()][];
    for (int i = 0; i < neighbours.length; i++) {
      int face = group.get(i);
      neighbours[i] =
          byFace.getOrDefault(face, List.of()).stream()
              .mapToInt(c -> number.getOrDefault(c.face() == face ? c.other() : c.face(), 0))
              .toArray();
    }
    int[] mate = new int[neighbours.length];
    Arrays.fill(mate, -1);
    for (Candidate c : chosen) {
      int f = number.getOrDefault(c.face(), 0);
      int g = number.getOrDefault(c.other(), 0);
      mate[f] = g;
      mate[g] = f;
    }
    new MaximumMatching(neighbours, mate).augment();
    List<Candidate> result = new ArrayList<>();
    for (int i = 0; i < mate.length; i++) {
      if (mate[i] >= 0) {
        int face = group.get(i);
        int other = group.get(mate[i]);
        byFace.getOrDefault(face, List.of()).stream()
            .filter(c -> c.face() == face && c.other() == other)
            .min(Comparator.comparingDouble(Candidate::cost).thenComparingInt(Candidate::edge))
            .ifPresent(result::add);
      }
    }
    return result;
  }

  private static List<Candidate> listed(Choice choice) {
    List<Candidate> result = new ArrayList<>();
    for (Choice c = choice; c != null; c = c.rest()) {
      if (c.first() != null) {
        result.add(c.first());
      }
    }
    return result;
  }

  private static List<Candidate> cheapestFirst(
      List<Integer> group, Map<Integer, List<Candidate>> byFace) {
    List<Candidate> all = new ArrayList<>();
    for (int f : group) {
      for (Candidate c : byFace.getOrDefault(f, List.of())) {
        if (c.face() == f) {
          all.add(c);
        }
      }
    }
    all.sort(Comparator.comparingDouble(Candidate::cost).thenComparingInt(Candidate::edge));
    Set<Integer> used = new HashSet<>();
    List<Candidate> chosen = new ArrayList<>();
    for (Candidate c : all) {
      if (!used.contains(c.face()) && !used.contains(c.other())) {
        used.add(c.face());
        used.add(c.other());
        chosen.add(c);
      }
    }
    return chosen;
  }

  /** The exact choice for one group; sets of triangles are bits of a long. */
  private static final class Exact {
    private final List<List<Candidate>> candidates = new ArrayList<>();
    private final Map<Integer, Integer> bit = new HashMap<>();
    private final Map<Long, Choice> memory = new HashMap<>();

    Exact(List<Integer> group, Map<Integer, List<Candidate>> byFace) {
      for (int f : group) {
        bit.put(f, bit.size());
        candidates.add(byFace.getOrDefault(f, List.of()));
      }
    }

    /** The best choice, or null where too many sets arise. */
    @Nullable Choice choose() {
      int n = candidates.size();
      return best((1L << n) - 1);
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
      int lowest = Long.numberOfTrailingZeros(free);
      long others = free & ~(1L << lowest);
      Choice best = best(others);
      for (Candidate c : candidates.get(lowest)) {
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
      Integer at = bit.get(face);
      return at == null ? 0 : 1L << at;
    }
  }
}
