package fairedge.core.mend;

import fairedge.core.fill.QuadParts;
import fairedge.core.inspect.finding.SidesFinding;
import fairedge.core.mend.RouteSearch.Found;
import fairedge.core.mesh.Mesh;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
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
  /** No way is looked for that is dearer. */
  static final int DEAREST = 4000;

  /** So many faces of a part are matched exactly. */
  static final int MOST_EXACT = 400;

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
    RouteWays ways = new RouteWays(ground, search, odd);
    boolean isExact = odd.size() <= MOST_EXACT;
    List<Found> least = isExact ? ways.least() : ways.greedy();
    List<Found> settled = new RoutesBeside(ground.mesh(), search).settled(least);
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
}
