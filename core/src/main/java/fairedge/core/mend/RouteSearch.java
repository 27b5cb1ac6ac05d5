package fairedge.core.mend;

import fairedge.core.effort.Effort;
import fairedge.core.fill.QuadParts;
import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.IntStream;

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
  private static final int CHEAPEST_END = 16;

  /** Costs are counted from less so much. */
  private static final int BELOW = 1024;

  /** What costs twice as much as the cheapest, and more than this besides, is not looked for. */
  private static final int FAR = 24;

  private static final int[] NONE = {};
  private static final int IMPOSSIBLE = 1 << 20;

  private final Ground ground;
  private final Mesh mesh;

  /** By side, in the search that is numbered. */
  private final int[] search;

  private final int[] cost;
  private final double[] length;
  private final int[] before;
  private int number;

  private final Map<Long, Integer> ends = new HashMap<>();

  /**
   * A way.
   *
   * @param to the face at its end; {@link Mesh#NONE} for the border
   * @param edges that it crosses in their middles, from a side of the one face to one of the other
   */
  record Found(int from, int to, List<Integer> edges, int cost, double length) {
    static final Comparator<Found> CHEAPEST =
        Comparator.comparingInt(Found::cost)
            .thenComparingDouble(Found::length)
            .thenComparingInt(Found::to)
            .thenComparing(f -> f.edges().getFirst())
            .thenComparing(f -> f.edges().getLast());
  }

  RouteSearch(Ground ground) {
    this.ground = ground;
    this.mesh = ground.mesh();
    int sides = mesh.cornerEnd();
    search = new int[sides];
    cost = new int[sides];
    length = new double[sides];
    before = new int[sides];
  }

  /**
   * How a face, or the border, is reached.
   *
   * @param last the edge crossed last
   * @param through the side by which the quad before that was entered, if there is one
   * @param cost in all
   */
  private record Reached(int last, int through, int cost, double length) {}

  /** One search. */
  private final class Run {
    final int from;
    final int most;
    final int limit;
    final List<int[]> buckets = new ArrayList<>();
    final List<Integer> filled = new ArrayList<>();
    final Map<Integer, Reached> reached = new HashMap<>();
    int pending;
    int cheapest = IMPOSSIBLE;

    Run(int from, int most, int limit) {
      this.from = from;
      this.most = most;
      this.limit = limit;
      number++;
    }

    List<Found> found() {
      start();
      for (int k = 0; pending > 0 && !isOver(k); k++) {
        Effort.check();
        for (int i = 0; k < buckets.size() && i < filled.get(k); i++) {
          pending--;
          int side = buckets.get(k)[i];
          if (cost[side] == k) {
            // Only once: no longer way of the same cost comes after it.
            go(side);
          }
        }
      }
      return reached.entrySet().stream()
          .map(e -> way(e.getKey(), e.getValue()))
          .filter(w -> isSound(w.edges()))
          .sorted(Found.CHEAPEST)
          .toList();
    }

    private boolean isOver(int k) {
      int now = k - BELOW - CHEAPEST_END;
      return now > limit
          || now > FAR + 2 * cheapest
          || reached.size() >= most
              && reached.values().stream()
                  .sorted(Comparator.comparingInt(Reached::cost))
                  .skip(most - 1L)
                  .anyMatch(r -> r.cost < now);
    }

    private void start() {
      int c = mesh.firstCorner(from);
      for (int i = mesh.size(from); i > 0; i--, c = mesh.next(c)) {
        int own = endCost(from, c);
        int e = mesh.edgeOf(c);
        if (own >= IMPOSSIBLE) {
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
      if (search[side] == number && (cost[side] < k || cost[side] == k && length[side] <= way)) {
        return;
      }
      boolean isQueued = search[side] == number && cost[side] == k;
      search[side] = number;
      cost[side] = k;
      length[side] = way;
      before[side] = previous;
      if (!isQueued) {
        queue(side, k);
      }
    }

    private void queue(int side, int k) {
      while (buckets.size() <= k) {
        buckets.add(NONE);
        filled.add(0);
      }
      int n = filled.get(k);
      if (n == buckets.get(k).length) {
        buckets.set(k, Arrays.copyOf(buckets.get(k), Math.max(8, 2 * n)));
      }
      buckets.get(k)[n] = side;
      filled.set(k, n + 1);
      pending++;
    }

    private void go(int side) {
      int f = mesh.faceOf(side);
      int at = cost[side] - BELOW;
      if (f == from || !ground.isOpen(f)) {
        return;
      }
      if (mesh.size(f) % 2 != 0) {
        int end = endCost(f, side);
        if (end < IMPOSSIBLE && !(before[side] == Mesh.NONE && isTriangleAtAnEnd(f))) {
          reach(f, mesh.edgeOf(side), before[side], at + end, length[side]);
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
      double way = length[side] + middle(side).distance(middle(exit));
      int sum = at + crossing(e);
      int uses = mesh.uses(e);
      if (uses == 1) {
        reach(Mesh.NONE, e, side, at, way);
      } else if (uses == 2) {
        push(mesh.nextOnEdge(exit), sum, way, side);
      }
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
      for (int side = at.through; side != Mesh.NONE; side = before[side]) {
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
    return new Run(face, most, limit).found();
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

  private boolean isOpposite(int a, int b) {
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
