package fairedge.core.mend;

import fairedge.core.effort.Effort;
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

/** Routes beside each other, none in another's way. */
final class RoutesBeside {
  private final Mesh mesh;
  private final RouteSearch search;
  private final Set<Found> settled = new LinkedHashSet<>();

  /** Of what is settled, by edge and by quad. */
  private final Map<Integer, Found> onEdge = new HashMap<>();

  private final Map<Integer, List<Found>> inQuad = new HashMap<>();

  RoutesBeside(Mesh mesh, RouteSearch search) {
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

  /** A way that others are in the way of: with other partners if no dearer, else it goes round. */
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
    return search.past(way.from(), way.to(), taken(others), RouteSet.DEAREST);
  }

  private List<Found> beside(List<Found> rest, List<int[]> ends) {
    List<Found> all = new ArrayList<>(rest);
    for (int[] pair : ends) {
      search.past(pair[0], pair[1], taken(all), RouteSet.DEAREST).ifPresent(all::add);
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
