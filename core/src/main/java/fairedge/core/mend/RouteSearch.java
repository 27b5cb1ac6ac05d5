package fairedge.core.mend;

import fairedge.core.effort.Effort;
import fairedge.core.fill.QuadParts;
import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;

/**
 * The cheapest ways from a face with an odd number of sides across quads to others, and to the
 * border: shortest paths over quads and the side of entry (Dijkstra, "A note on two problems in
 * connexion with graphs", 1959, with a bucket for each cost: Dial, 1969).
 *
 * <p>A way costs the faces that it adds; {@link Price#STEP} for each step of a valence away from 4,
 * less as much for one towards it; {@value #HARD} for a hard edge crossed. Of equal ones the
 * shorter comes first. Cost of a search: the sides that lie nearer than what is found.
 */
final class RouteSearch {
  private static final int HARD = 6;

  /** An end is seldom cheaper than less so much: then nothing that comes later is better. */
  private static final int SELDOM = -16;

  /** Costs are counted from less so much. */
  private static final int BELOW = 256;

  /** What costs twice as much as the cheapest, and more than this besides, is not looked for. */
  private static final int FAR = 24;

  static final int IMPOSSIBLE = 1 << 20;

  /** The number of a side in its page. */
  private static final int LOW = Page.SIDES - 1;

  private final Ground ground;
  private final Mesh mesh;

  /** What is known of sides, so many of them at a time: most of a large mesh is never looked at. */
  private final @Nullable Page[] pages;

  private int number;

  /** No end is cheaper. */
  private int cheapestEnd = SELDOM;

  private final Map<Long, Integer> ends = new HashMap<>();

  /** Of some sides that follow each other, how they are reached in the search that is numbered. */
  private static final class Page {
    static final int BITS = 8;
    static final int SIDES = 1 << BITS;

    final int[] search = new int[SIDES];
    final int[] cost = new int[SIDES];
    final double[] length = new double[SIDES];
    final int[] before = new int[SIDES];
  }

  private Page page(int side) {
    Page page = pages[side >> Page.BITS];
    if (page == null) {
      page = new Page();
      pages[side >> Page.BITS] = page;
    }
    return page;
  }

  /** What other routes have, and a way may not have too: edges, and quads in which they turn. */
  record Taken(Set<Integer> edges, Set<Integer> quads) {
    static final Taken NOTHING = new Taken(Set.of(), Set.of());
  }

  /**
   * A way.
   *
   * @param to the face at its end; {@link Mesh#NONE} for the border
   * @param edges that it crosses in their middles, from a side of the one face to one of the other;
   *     none where the edge between the two is lifted instead
   */
  record Found(int from, int to, List<Integer> edges, int cost, double length) {
    static final Comparator<Found> CHEAPEST =
        Comparator.comparingInt(Found::cost)
            .thenComparingDouble(Found::length)
            .thenComparingInt(Found::to)
            .thenComparing(f -> f.edges().isEmpty() ? Mesh.NONE : f.edges().getFirst())
            .thenComparing(f -> f.edges().isEmpty() ? Mesh.NONE : f.edges().getLast());

    boolean isToBorder() {
      return to == Mesh.NONE;
    }
  }

  /**
   * Ways from one face.
   *
   * @param within all that cost no more than this are there
   */
  record Near(List<Found> ways, int within) {}

  RouteSearch(Ground ground) {
    this.ground = ground;
    this.mesh = ground.mesh();
    pages = new Page[(mesh.cornerEnd() >> Page.BITS) + 1];
  }

  /**
   * How a face, or the border, is reached.
   *
   * @param last the edge crossed last
   * @param through the side by which the quad before that was entered, if there is one
   * @param cost in all
   */
  private record Reached(int last, int through, int cost, double length) {}

  /** When a search has found enough. */
  @FunctionalInterface
  private interface Enough {
    /**
     * @param cost nothing cheaper than this is still to come
     */
    boolean isFound(Run run, int cost);
  }

  /** One search. */
  private final class Run {
    final int from;
    final Taken taken;
    final Enough enough;
    @Nullable int[][] buckets = new int[2 * BELOW][];
    int[] filled = new int[2 * BELOW];
    final Map<Integer, Reached> reached = new HashMap<>();
    int pending;
    int cheapest = IMPOSSIBLE;

    Run(int from, Taken taken, Enough enough) {
      this.from = from;
      this.taken = taken;
      this.enough = enough;
      number++;
    }

    Near found() {
      start();
      int k = 0;
      while (pending > 0 && !enough.isFound(this, k - BELOW + cheapestEnd)) {
        Effort.check();
        for (int i = 0; i < filled[k]; i++) {
          pending--;
          int side = buckets[k][i];
          if (page(side).cost[side & LOW] == k) {
            // Only once: no longer way of the same cost comes after it.
            go(side);
          }
        }
        k++;
      }
      List<Found> ways =
          reached.entrySet().stream()
              .map(e -> way(e.getKey(), e.getValue()))
              .filter(w -> isSound(w.edges()))
              .sorted(Found.CHEAPEST)
              .toList();
      return new Near(ways, pending == 0 ? IMPOSSIBLE : k - BELOW + cheapestEnd - 1);
    }

    /** How many are reached for less. */
    private int cheaperThan(int cost) {
      return (int) reached.values().stream().filter(r -> r.cost < cost).count();
    }

    private void start() {
      int c = mesh.firstCorner(from);
      for (int i = mesh.size(from); i > 0; i--, c = mesh.next(c)) {
        int own = endCost(from, c);
        int e = mesh.edgeOf(c);
        if (own >= IMPOSSIBLE || isTaken(e)) {
          continue;
        }
        if (mesh.uses(e) == 1 && mesh.size(from) > 3) {
          reach(Mesh.NONE, e, Mesh.NONE, own, 0);
        } else if (mesh.isTwoSided(e)) {
          push(mesh.nextOnEdge(c), own + crossing(e), 0, Mesh.NONE);
        }
      }
    }

    private void push(int side, int at, double way, int previous) {
      int k = Math.max(at + BELOW, 0);
      Page page = page(side);
      int i = side & LOW;
      boolean isKnown = page.search[i] == number;
      if (isKnown && (page.cost[i] < k || page.cost[i] == k && page.length[i] <= way)) {
        return;
      }
      boolean isQueued = isKnown && page.cost[i] == k;
      page.search[i] = number;
      page.cost[i] = k;
      page.length[i] = way;
      page.before[i] = previous;
      if (!isQueued) {
        queue(side, k);
      }
    }

    private void queue(int side, int k) {
      if (k >= buckets.length) {
        int length = Math.max(k + 1, 2 * buckets.length);
        buckets = Arrays.copyOf(buckets, length);
        filled = Arrays.copyOf(filled, length);
      }
      int[] bucket = buckets[k];
      if (bucket == null || filled[k] == bucket.length) {
        bucket = bucket == null ? new int[8] : Arrays.copyOf(bucket, 2 * bucket.length);
        buckets[k] = bucket;
      }
      bucket[filled[k]++] = side;
      pending++;
    }

    private void go(int side) {
      int f = mesh.faceOf(side);
      Page page = page(side);
      int at = page.cost[side & LOW] - BELOW;
      if (f == from || !ground.isOpen(f) || taken != Taken.NOTHING && taken.quads().contains(f)) {
        return;
      }
      if (mesh.size(f) % 2 != 0) {
        int end = endCost(f, side);
        int previous = page.before[side & LOW];
        if (end < IMPOSSIBLE && !(previous == Mesh.NONE && isTriangleAtAnEnd(f))) {
          reach(f, mesh.edgeOf(side), previous, at + end, page.length[side & LOW]);
        }
      } else if (mesh.size(f) == 4) {
        int left = mesh.next(side);
        int ahead = mesh.next(left);
        int right = mesh.next(ahead);
        leave(side, ahead, at + 1);
        leave(side, left, at + turn(mesh.vertexOf(right)));
        leave(side, right, at + turn(mesh.vertexOf(ahead)));
      }
    }

    /** A new vertex in one side of both would be idle in a triangle. */
    private boolean isTriangleAtAnEnd(int f) {
      return mesh.size(f) == 3 || mesh.size(from) == 3;
    }

    private void leave(int side, int exit, int at) {
      int e = mesh.edgeOf(exit);
      int uses = mesh.uses(e);
      if (uses > 2 || isTaken(e)) {
        return;
      }
      int beyond = uses == 1 ? Mesh.NONE : mesh.nextOnEdge(exit);
      int sum = uses == 1 ? at : at + crossing(e);
      if (uses == 2 && isCheaper(beyond, sum)) {
        return;
      }
      double way = page(side).length[side & LOW] + middle(side).distance(middle(exit));
      if (uses == 1) {
        reach(Mesh.NONE, e, side, sum, way);
      } else {
        push(beyond, sum, way, side);
      }
    }

    private boolean isTaken(int e) {
      return taken != Taken.NOTHING && taken.edges().contains(e);
    }

    /** Whether a side is known to be reached for less. */
    private boolean isCheaper(int side, int at) {
      Page page = page(side);
      return page.search[side & LOW] == number && page.cost[side & LOW] < at + BELOW;
    }

    private void reach(int face, int last, int through, int at, double way) {
      Reached old = reached.get(face);
      if (old == null || at < old.cost || at == old.cost && way < old.length) {
        reached.put(face, new Reached(last, through, at, way));
        cheapest = Math.min(cheapest, at);
      }
    }

    private Found way(int to, Reached at) {
      List<Integer> edges = new ArrayList<>();
      edges.add(at.last);
      for (int side = at.through; side != Mesh.NONE; side = page(side).before[side & LOW]) {
        edges.add(mesh.edgeOf(side));
      }
      Collections.reverse(edges);
      return new Found(from, to, List.copyOf(edges), at.cost, at.length);
    }

    private Vec3 middle(int side) {
      return mesh.along(mesh.edgeOf(side), 0.5);
    }
  }

  /**
   * The cheapest way to each of the next faces with an odd number of sides, and to the border.
   *
   * @param most so many of them, where there are as many that are not far dearer
   * @param limit nothing dearer
   */
  List<Found> from(int face, int most, int limit) {
    return new Run(
            face,
            Taken.NOTHING,
            (run, cost) ->
                cost > limit || cost > FAR + 2 * run.cheapest || run.cheaperThan(cost) >= most)
        .found()
        .ways();
  }

  /** Says which faces are odd, so that it is known how cheap an end can be. */
  void among(Collection<Integer> odd) {
    cheapestEnd = 0;
    for (int f : odd) {
      int c = mesh.firstCorner(f);
      for (int i = mesh.size(f); i > 0; i--, c = mesh.next(c)) {
        cheapestEnd = Math.min(cheapestEnd, endCost(f, c));
      }
    }
  }

  /** The cheapest ways to so many others at the least. */
  Near nearest(int face, int most) {
    return new Run(face, Taken.NOTHING, (run, cost) -> run.cheaperThan(cost) >= most).found();
  }

  /** The cheapest way to each other that costs no more, and to the border. */
  Near within(int face, int limit) {
    return new Run(face, Taken.NOTHING, (run, cost) -> cost > limit).found();
  }

  /**
   * The cheapest way to one face, or to the border, beside what is taken.
   *
   * @param limit nothing dearer
   */
  Optional<Found> past(int face, int to, Taken taken, int limit) {
    Enough enough =
        (run, cost) -> {
          Reached at = run.reached.get(to);
          return cost > limit || at != null && at.cost < cost;
        };
    return new Run(face, taken, enough)
        .found().ways().stream().filter(way -> way.to() == to && way.cost() <= limit).findFirst();
  }

  /** Each edge once; a quad twice only straight across. */
  private boolean isSound(List<Integer> edges) {
    Set<Integer> seen = new HashSet<>(edges);
    if (seen.size() < edges.size()) {
      return false;
    }
    Map<Integer, Boolean> crossed = new HashMap<>();
    for (int i = 1; i < edges.size(); i++) {
      int quad = between(edges.get(i - 1), edges.get(i));
      boolean isStraight = quad != Mesh.NONE && isOpposite(edges.get(i - 1), edges.get(i));
      Boolean earlier = crossed.put(quad, isStraight);
      if (earlier != null && !(earlier && isStraight)) {
        return false;
      }
    }
    return true;
  }

  boolean isOpposite(int a, int b) {
    return mesh.first(a) != mesh.first(b)
        && mesh.first(a) != mesh.second(b)
        && mesh.second(a) != mesh.first(b)
        && mesh.second(a) != mesh.second(b);
  }

  /** The quad of which both are sides. */
  int between(int a, int b) {
    int[] faces = mesh.facesOn(b);
    for (int f : mesh.facesOn(a)) {
      if (mesh.size(f) == 4 && IntStream.of(faces).anyMatch(g -> g == f)) {
        return f;
      }
    }
    return Mesh.NONE;
  }

  private int crossing(int e) {
    return ground.facts().hardEdges().isHard(e) ? HARD : 0;
  }

  /** Two faces more, the vertex inside, and an edge more at the corner opposite. */
  private int turn(int opposite) {
    int weight = ground.isInner(opposite) ? ground.weight(opposite) : 1;
    return 2 + Price.STEP * weight + Price.ofOneMore(ground, opposite);
  }

  private int endCost(int f, int side) {
    return ends.computeIfAbsent((long) f << 32 | side, key -> reckonEnd(f, side));
  }

  /** Of a new vertex in a side, with what it takes to make quads of the face then. */
  private int reckonEnd(int f, int side) {
    int n = mesh.size(f);
    int e = mesh.edgeOf(side);
    int weight =
        Math.min(ground.weight(mesh.vertexOf(side)), ground.weight(mesh.vertexOf(mesh.next(side))));
    int fresh = mesh.uses(e) == 1 ? 0 : Price.STEP * weight;
    if (n == 3) {
      return fresh;
    }
    if (n >= QuadParts.MOST_SIDES || !mesh.isMeasurable(f)) {
      return IMPOSSIBLE;
    }
    Vec3[] places = new Vec3[n + 1];
    int[] ring = new int[n + 1];
    int c = side;
    for (int i = 0; i <= n; i++) {
      boolean isNew = i == 1;
      places[i] = isNew ? mesh.along(e, 0.5) : mesh.position(mesh.vertexOf(c));
      ring[i] = isNew ? Mesh.NONE : mesh.vertexOf(c);
      c = isNew ? c : mesh.next(c);
    }
    Price price = Price.at(ground, f);
    List<QuadParts.Way> ways =
        QuadParts.all(
            places,
            mesh.polygon(f).newell(),
            (i, k) -> i == 1 || k == 1 ? Mesh.NONE : mesh.findEdge(ring[i], ring[k]));
    int best = IMPOSSIBLE;
    for (QuadParts.Way way : ways) {
      IntStream more =
          way.chords().stream().flatMapToInt(x -> IntStream.of(ring[x.from()], ring[x.to()]));
      IntStream counted = mesh.uses(e) == 1 ? more.filter(v -> v != Mesh.NONE) : more;
      best = Math.min(best, fresh + way.chords().size() + price.of(counted));
    }
    return best;
  }
}
