package fairedge.core.mend;

import fairedge.core.effort.Effort;
import fairedge.core.mend.RouteSearch.Found;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** The ways between the odd faces of a part, as far as they are known. */
final class RouteWays {
  /** So many ways from each are looked for at first. */
  private static final int FIRST = 2;

  private static final int MOST_GREEDY = 64;

  /**
   * One unit of cost, in the weights of a matching, which may not go far beyond a billion; what is
   * below it are lengths, all of a matching together.
   */
  private static final double UNIT = 1 << 16;

  /** So many steps of a weight are told apart. */
  private static final double STEPS = 1 << 10;

  /** Of a face that stays alone: dearer than any way. */
  private static final int ALONE = 4 * RouteSet.DEAREST;

  private final Ground ground;
  private final RouteSearch search;
  private final List<Integer> odd;
  private final Map<Integer, Integer> numbers = new LinkedHashMap<>();
  private final int[] within;

  /** By the numbers of both, or of the one for the border. */
  private final Map<List<Integer>, Found> known = new LinkedHashMap<>();

  RouteWays(Ground ground, RouteSearch search, List<Integer> odd) {
    this.ground = ground;
    this.search = search;
    this.odd = odd;
    this.within = new int[odd.size()];
    for (int i = 0; i < odd.size(); i++) {
      numbers.put(odd.get(i), i);
    }
  }

  List<Found> least() {
    for (int i = 0; i < odd.size(); i++) {
      add(i, search.nearest(odd.get(i), FIRST));
    }
    while (true) {
      Effort.check();
      Matching matching = Matching.least(odd.size(), pairs());
      if (!grow(matching.duals())) {
        return taken(matching.mates());
      }
    }
  }

  /** The cheapest pairs first; those that are left over look farther. */
  List<Found> greedy() {
    Set<Integer> used = new HashSet<>();
    List<Found> taken = new ArrayList<>();
    for (int most = FIRST; most <= MOST_GREEDY && used.size() < odd.size(); most *= 4) {
      for (int i = 0; i < odd.size(); i++) {
        Effort.check();
        if (!used.contains(odd.get(i))) {
          add(i, search.nearest(odd.get(i), most));
        }
      }
      known.values().stream()
          .sorted(Found.CHEAPEST)
          .forEach(way -> {
            if (!used.contains(way.from()) && (way.isToBorder() || !used.contains(way.to()))) {
              used.add(way.from());
              used.add(way.isToBorder() ? way.from() : way.to());
              taken.add(way);
            }
          });
    }
    return taken;
  }

  /** Whether there could be a way that is not known and would be taken. */
  private boolean grow(double[] duals) {
    boolean isMore = false;
    for (int i = 0; i < within.length; i++) {
      // Of two for which a way is missing, the one with the higher dual has looked far enough.
      int far = (int) Math.min(RouteSet.DEAREST, Math.ceil(2 * duals[i] / UNIT));
      if (within[i] < far) {
        // Step by step: that of one that would stay alone falls when it finds another.
        add(i, search.within(odd.get(i), Math.min(far, Math.max(8, within[i] * 3 / 2))));
        isMore = true;
      }
    }
    return isMore;
  }

  private void add(int i, RouteSearch.Near near) {
    within[i] = Math.max(within[i], near.within());
    for (Found way : near.ways()) {
      Integer other = way.isToBorder() ? Integer.valueOf(i) : numbers.get(way.to());
      if (other != null && way.cost() <= RouteSet.DEAREST) {
        keep(i, other, way);
      }
    }
    for (int e : ground.mesh().edges(odd.get(i))) {
      int g = OddFace.beyond(ground.mesh(), e, odd.get(i));
      Integer other = numbers.get(g);
      if (other != null) {
        Redo.lifted(ground, odd.get(i), g).ifPresent(way -> keep(i, other, way));
      }
    }
  }

  private void keep(int i, int other, Found way) {
    known.merge(
        List.of(Math.min(i, other), Math.max(i, other)),
        way,
        (a, b) -> Found.CHEAPEST.compare(b, a) < 0 ? b : a);
  }

  private List<Matching.Pair> pairs() {
    double longest = known.values().stream().mapToDouble(Found::length).max().orElse(0);
    double share = longest == 0 ? 0 : UNIT / 2 / (longest * odd.size());
    List<Matching.Pair> pairs = new ArrayList<>();
    for (int i = 0; i < odd.size(); i++) {
      if (!known.containsKey(List.of(i, i))) {
        pairs.add(new Matching.Pair(i, i, ALONE * UNIT));
      }
    }
    known.forEach((both, way) ->
        pairs.add(
            new Matching.Pair(
                both.getFirst(),
                both.getLast(),
                way.cost() * UNIT + Math.rint(way.length() * share * STEPS) / STEPS)));
    return pairs;
  }

  private List<Found> taken(int[] mates) {
    List<Found> taken = new ArrayList<>();
    for (int i = 0; i < mates.length; i++) {
      Found way = mates[i] < i ? null : known.get(List.of(i, mates[i]));
      if (way != null) {
        taken.add(way);
      }
    }
    return taken;
  }
}
