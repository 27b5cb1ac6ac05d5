package fairedge.core.compare;

import fairedge.core.geometry.Tolerance;
import fairedge.core.geometry.Vec3;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;

/**
 * Which findings of the last attempt are gone, which still there, which are new.
 *
 * <p>Two findings match if they are of one kind and their places lie within the larger of twice the
 * mean edge of their faces and 1 % of S; nearest pairs first, each finding once, ties by order.
 * Element numbers play no part: a file made anywhere may number anew. Cost: pairs of one kind.
 *
 * @param match for each finding now the index of the one before that it still is, or -1 if new
 * @param gone indices of the findings before that are not there any more
 */
public record Comparison(List<Integer> match, List<Integer> gone) {

  /** What is known of a finding of an attempt, now or from the store. */
  public record Spot(String kind, Vec3 place, double reach) {}

  private record Pair(int before, int now, double distance) {}

  public static Comparison of(List<Spot> before, List<Spot> now, Tolerance tolerance) {
    List<Pair> pairs = new ArrayList<>();
    for (int i = 0; i < before.size(); i++) {
      for (int j = 0; j < now.size(); j++) {
        addIfNear(pairs, before.get(i), i, now.get(j), j, tolerance);
      }
    }
    pairs.sort(
        Comparator.comparingDouble(Pair::distance)
            .thenComparingInt(Pair::before)
            .thenComparingInt(Pair::now));
    int[] matchOfNow = new int[now.size()];
    Arrays.fill(matchOfNow, -1);
    boolean[] taken = new boolean[before.size()];
    for (Pair pair : pairs) {
      if (!taken[pair.before()] && matchOfNow[pair.now()] == -1) {
        taken[pair.before()] = true;
        matchOfNow[pair.now()] = pair.before();
      }
    }
    List<Integer> gone = new ArrayList<>();
    for (int i = 0; i < taken.length; i++) {
      if (!taken[i]) {
        gone.add(i);
      }
    }
    return new Comparison(Arrays.stream(matchOfNow).boxed().toList(), List.copyOf(gone));
  }

  private static void addIfNear(
      List<Pair> pairs, Spot before, int i, Spot now, int j, Tolerance tolerance) {
    if (!before.kind().equals(now.kind())) {
      return;
    }
    double distance = before.place().distance(now.place());
    double near = Math.max(2 * Math.max(before.reach(), now.reach()), tolerance.samePlace());
    if (distance <= near) {
      pairs.add(new Pair(i, j, distance));
    }
  }

  public int stillThere() {
    return (int) match.stream().filter(m -> m >= 0).count();
  }

  public int fresh() {
    return match.size() - stillThere();
  }
}
