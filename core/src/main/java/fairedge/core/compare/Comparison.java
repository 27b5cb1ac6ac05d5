package fairedge.core.compare;

import fairedge.core.geometry.Tolerance;
import fairedge.core.geometry.Vec3;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.PriorityQueue;
import java.util.Queue;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;

/**
 * Which findings of the last attempt are gone, which still there, which are new.
 *
 * <p>Two findings match if they are of one kind and their places lie within the larger of twice the
 * mean edge of their faces and 1 % of S; nearest pairs first, each finding once, ties by order.
 * Element numbers play no part: a file made anywhere may number anew. A finding without a finite
 * place matches none. Cost: n log n where findings lie apart; memory: the findings.
 *
 * @param match for each finding now the index of the one before that it still is, or -1 if new
 * @param gone indices of the findings before that are not there any more
 */
public record Comparison(List<Integer> match, List<Integer> gone) {

  /** What is known of a finding of an attempt, now or from the store. */
  public record Spot(String kind, Vec3 place, double reach) {}

  /**
   * The first of some findings now that are alike, with the nearest one before that was left when
   * it asked. Those alike ask one after the other: all at once they would ask for the same.
   */
  private record Offer(int before, Queue<Integer> alike, double distance) {
    int now() {
      return alike.element();
    }
  }

  public static Comparison of(List<Spot> before, List<Spot> now, Tolerance tolerance) {
    int[] matchOfNow = new int[now.size()];
    Arrays.fill(matchOfNow, -1);
    Map<String, NearestSpots> kinds = kinds(before, tolerance);
    PriorityQueue<Offer> offers =
        new PriorityQueue<>(
            Comparator.comparingDouble(Offer::distance)
                .thenComparingInt(Offer::before)
                .thenComparingInt(Offer::now));
    Map<Spot, Queue<Integer>> alike = new LinkedHashMap<>();
    for (int j = 0; j < now.size(); j++) {
      alike.computeIfAbsent(now.get(j), spot -> new ArrayDeque<>()).add(j);
    }
    alike.forEach((spot, those) -> offer(offers, kinds.get(spot.kind()), spot, those));
    boolean[] taken = new boolean[before.size()];
    for (Offer offer = offers.poll(); offer != null; offer = offers.poll()) {
      Spot spot = now.get(offer.now());
      NearestSpots kind = Objects.requireNonNull(kinds.get(spot.kind()));
      if (!taken[offer.before()]) {
        taken[offer.before()] = true;
        kind.take(offer.before());
        matchOfNow[offer.alike().remove()] = offer.before();
      }
      // The next of those alike asks, or the same once more, whose nearest went to a nearer one.
      offer(offers, kind, spot, offer.alike());
    }
    int[] gone = IntStream.range(0, taken.length).filter(i -> !taken[i]).toArray();
    return new Comparison(
        Arrays.stream(matchOfNow).boxed().toList(), Arrays.stream(gone).boxed().toList());
  }

  private static Map<String, NearestSpots> kinds(List<Spot> before, Tolerance tolerance) {
    Map<String, List<Integer>> byKind = new HashMap<>();
    for (int i = 0; i < before.size(); i++) {
      if (before.get(i).place().isFinite()) {
        byKind.computeIfAbsent(before.get(i).kind(), k -> new ArrayList<>()).add(i);
      }
    }
    Map<String, NearestSpots> kinds = new HashMap<>();
    byKind.forEach((kind, own) -> {
      int[] indices = own.stream().mapToInt(i -> i).toArray();
      kinds.put(kind, new NearestSpots(before, indices, tolerance.samePlace()));
    });
    return kinds;
  }

  private static void offer(
      PriorityQueue<Offer> offers, @Nullable NearestSpots kind, Spot spot, Queue<Integer> alike) {
    if (kind == null || alike.isEmpty() || !spot.place().isFinite()) {
      return;
    }
    NearestSpots.Found found = kind.nearest(spot);
    if (found.index() >= 0) {
      offers.add(new Offer(found.index(), alike, found.distance()));
    }
  }

  public int stillThere() {
    return (int) match.stream().filter(m -> m >= 0).count();
  }

  public int fresh() {
    return match.size() - stillThere();
  }
}
