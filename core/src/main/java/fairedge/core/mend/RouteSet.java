package fairedge.core.mend;

import fairedge.core.effort.Effort;
import fairedge.core.fill.QuadParts;
import fairedge.core.inspect.finding.SidesFinding;
import fairedge.core.mend.RouteSearch.Found;
import fairedge.core.mesh.Mesh;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.IntStream;

/**
 * Which faces with an odd number of sides go together, and by which routes, so that all of them
 * cost the least, each route reckoned alone.
 *
 * <p>Up to {@value #MOST_EXACT} faces of a part the set is exact: the routes between those that lie
 * near each other are searched for, the least matching of them found ({@link Matching}), and the
 * search goes on about those whose duals leave room for a dearer route, until there is none. Beyond
 * that the cheapest pairs are taken first. Then routes that would share an edge, or a quad other
 * than straight across, get other partners, or the dearer goes round.
 *
 * @param routes the cheapest first
 * @param alone faces for which there is no way
 * @param isExact whether it is known to be the least, each route reckoned alone
 * @param over what it costs beyond that because routes may not be in each other's way
 */
record RouteSet(List<Found> routes, List<Integer> alone, boolean isExact, int over) {
  /** So many faces of a part are matched exactly. */
  static final int MOST_EXACT = 400;

  /** So many ways from each are looked for at first. */
  private static final int FIRST = 2;

  private static final int MOST_GREEDY = 64;

  /** No way is looked for that is dearer. */
  private static final int DEAREST = 4000;

  /**
   * One unit of cost, in the weights of a matching, which may not go far beyond a billion; what is
   * below it are lengths, all of a matching together.
   */
  private static final double UNIT = 1 << 16;

  /** So many steps of a weight are told apart. */
  private static final double STEPS = 1 << 10;

  /** Of a face that stays alone: dearer than any way. */
  private static final int ALONE = 4 * DEAREST;

  RouteSet {
    routes = List.copyOf(routes);
    alone = List.copyOf(alone);
  }

  /** The faces that are at the ends of routes: odd, not hidden, in no pair and no fan. */
  static List<Integer> odd(Ground ground) {
    Set<Integer> together = new HashSet<>();
    ground
        .report()
        .findings()
        .forEach(a -> {
          if (a.finding() instanceof SidesFinding.Triangle triangle
              && triangle.form() != SidesFinding.Triangle.Form.STRAY) {
            together.addAll(triangle.faces());
          }
        });
    Mesh mesh = ground.mesh();
    return IntStream.range(0, mesh.faceEnd())
        .filter(f -> mesh.hasFace(f) && mesh.size(f) % 2 != 0)
        .filter(f -> mesh.size(f) <= QuadParts.MOST_SIDES)
        .filter(f -> ground.isOpen(f) && !together.contains(f))
        .boxed()
        .toList();
  }

  /**
   * The sets of all parts in which some faces lie.
   *
   * <p>Cost: for each odd face what lies within twice its dual, which is about as far as its
   * partner; the matching, some milliseconds for hundreds.
   */
  static RouteSet of(Ground ground, Collection<Integer> faces) {
    Map<Integer, List<Integer>> parts = new TreeMap<>();
    for (int f : odd(ground)) {
      parts.computeIfAbsent(ground.facts().parts().partOf(f), p -> new ArrayList<>()).add(f);
    }
    Set<Integer> wanted = new HashSet<>();
    faces.forEach(f -> wanted.add(ground.facts().parts().partOf(f)));
    RouteSearch search = new RouteSearch(ground);
    List<Found> routes = new ArrayList<>();
    List<Integer> alone = new ArrayList<>();
    boolean isExact = true;
    int over = 0;
    for (Map.Entry<Integer, List<Integer>> part : parts.entrySet()) {
      if (wanted.contains(part.getKey())) {
        RouteSet own = ofPart(ground, search, part.getValue());
        routes.addAll(own.routes);
        alone.addAll(own.alone);
        isExact &= own.isExact;
        over += own.over;
      }
    }
    routes.sort(Found.CHEAPEST);
    return new RouteSet(routes, alone, isExact, over);
  }

  /**
   * What is to be known of the set, for people.
   *
   * @param made how many of its routes were made
   */
  String told(int made) {
    String routes = made == 1 ? "1 route" : made + " routes";
    if (!isExact) {
      return "%s, the cheapest first: more than %d odd faces of a part are not put together exactly."
          .formatted(routes, MOST_EXACT);
    }
    return over == 0
        ? routes + ", of all sets the one that costs least."
        : "%s that cost %d more than the least, so that none is in another's way."
            .formatted(routes, over);
  }

  private static RouteSet ofPart(Ground ground, RouteSearch search, List<Integer> odd) {
    search.among(odd);
    Ways ways = new Ways(ground, search, odd);
    boolean isExact = odd.size() <= MOST_EXACT;
    List<Found> least = isExact ? ways.least() : ways.greedy();
    List<Found> settled = new Beside(ground.mesh(), search).settled(least);
    List<Integer> alone = alone(odd, settled);
    boolean isWhole = alone.size() == alone(odd, least).size();
    int over = cost(settled) - cost(least);
    return new RouteSet(settled, alone, isExact, isWhole ? over : 0);
  }

  private static List<Integer> alone(List<Integer> odd, List<Found> ways) {
    Set<Integer> alone = new TreeSet<>(odd);
    for (Found way : ways) {
      alone.remove(way.from());
      alone.remove(way.to());
    }
    return List.copyOf(alone);
  }

  private static int cost(List<Found> ways) {
    return ways.stream().mapToInt(Found::cost).sum();
  }

  /** The ways between the odd faces of a part, as far as they are known. */
  private static final class Ways {
    final Ground ground;
    final RouteSearch search;
    final List<Integer> odd;
    final Map<Integer, Integer> numbers = new LinkedHashMap<>();
    final int[] within;

    /** By the numbers of both, or of the one for the border. */
    final Map<List<Integer>, Found> known = new LinkedHashMap<>();

    Ways(Ground ground, RouteSearch search, List<Integer> odd) {
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
        int far = (int) Math.min(DEAREST, Math.ceil(2 * duals[i] / UNIT));
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
        if (other != null && way.cost() <= DEAREST) {
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

  /** Routes beside each other, none in another's way. */
  private static final class Beside {
    final Mesh mesh;
    final RouteSearch search;
    final Set<Found> settled = new LinkedHashSet<>();

    /** Of what is settled, by edge and by quad. */
    final Map<Integer, Found> onEdge = new HashMap<>();

    final Map<Integer, List<Found>> inQuad = new HashMap<>();

    Beside(Mesh mesh, RouteSearch search) {
      this.mesh = mesh;
      this.search = search;
    }

    List<Found> settled(List<Found> least) {
      List<Found> order = new ArrayList<>(least);
      order.sort(Found.CHEAPEST);
      List<Found> blocked = new ArrayList<>();
      for (Found way : order) {
        if (inWayOf(way).isEmpty()) {
          settle(way);
        } else {
          blocked.add(way);
        }
      }
      blocked.forEach(this::fit);
      return settled.stream().sorted(Found.CHEAPEST).toList();
    }

    private void settle(Found way) {
      settled.add(way);
      edges(way).forEach(e -> onEdge.put(e, way));
      quads(way).keySet().forEach(q -> inQuad.computeIfAbsent(q, k -> new ArrayList<>()).add(way));
    }

    private void remove(Found way) {
      settled.remove(way);
      edges(way).forEach(onEdge::remove);
      quads(way).keySet().forEach(q -> inQuad.getOrDefault(q, new ArrayList<>()).remove(way));
    }

    /** Those that share an edge with a way, or a quad in which both don't go straight. */
    private List<Found> inWayOf(Found way) {
      Set<Found> found = new LinkedHashSet<>();
      for (int e : edges(way)) {
        Found other = onEdge.get(e);
        if (other != null) {
          found.add(other);
        }
      }
      quads(way)
          .forEach((quad, turns) -> {
            for (Found other : inQuad.getOrDefault(quad, List.of())) {
              if (turns || quads(other).getOrDefault(quad, false)) {
                found.add(other);
              }
            }
          });
      return List.copyOf(found);
    }

    /**
     * A way that others are in the way of: with other partners if no dearer, else it goes round.
     */
    private void fit(Found way) {
      Effort.check();
      List<Found> others = inWayOf(way);
      if (others.isEmpty()) {
        settle(way);
        return;
      }
      List<Found> best = round(way, settled).map(List::of).orElse(List.of());
      Found replaced = null;
      int least = best.isEmpty() ? RouteSearch.IMPOSSIBLE : best.getFirst().cost();
      for (Found other : others) {
        List<Found> rest = new ArrayList<>(settled);
        rest.remove(other);
        for (List<int[]> ends : swapped(way, other)) {
          List<Found> both = beside(rest, ends);
          int cost = both.stream().mapToInt(Found::cost).sum() - other.cost();
          if (both.size() == ends.size() && cost < least) {
            best = both;
            least = cost;
            replaced = other;
          }
        }
      }
      if (replaced != null) {
        remove(replaced);
      }
      best.forEach(this::settle);
    }

    private Optional<Found> round(Found way, Collection<Found> others) {
      return search.past(way.from(), way.to(), taken(others), DEAREST);
    }

    private List<Found> beside(List<Found> rest, List<int[]> ends) {
      List<Found> all = new ArrayList<>(rest);
      for (int[] pair : ends) {
        search.past(pair[0], pair[1], taken(all), DEAREST).ifPresent(all::add);
      }
      return List.copyOf(all.subList(rest.size(), all.size()));
    }

    /** How the ends of two ways could go together otherwise, each from a face. */
    private static List<List<int[]>> swapped(Found a, Found b) {
      if (a.isToBorder() && b.isToBorder()) {
        return List.of(List.of(new int[] {a.from(), b.from()}));
      }
      Found c = a.isToBorder() ? b : a;
      Found d = a.isToBorder() ? a : b;
      return List.of(
          List.of(new int[] {c.from(), d.from()}, new int[] {c.to(), d.to()}),
          List.of(new int[] {c.to(), d.from()}, new int[] {c.from(), d.to()}));
    }

    private RouteSearch.Taken taken(Collection<Found> ways) {
      Set<Integer> edges = new HashSet<>();
      Set<Integer> turned = new HashSet<>();
      for (Found way : ways) {
        edges.addAll(edges(way));
        quads(way)
            .forEach((quad, turns) -> {
              if (turns) {
                turned.add(quad);
              }
            });
      }
      return new RouteSearch.Taken(edges, turned);
    }

    /** Those that it crosses, or the one that is lifted. */
    private List<Integer> edges(Found way) {
      return way.edges().isEmpty()
          ? Arrays.stream(mesh.edges(way.from()))
              .filter(e -> OddFace.beyond(mesh, e, way.from()) == way.to())
              .boxed()
              .toList()
          : way.edges();
    }

    /** The quads that it goes through, and whether it turns there. */
    private Map<Integer, Boolean> quads(Found way) {
      Map<Integer, Boolean> quads = new LinkedHashMap<>();
      for (int i = 1; i < way.edges().size(); i++) {
        int a = way.edges().get(i - 1);
        int b = way.edges().get(i);
        quads.put(search.between(a, b), !search.isOpposite(a, b));
      }
      return quads;
    }
  }
}
