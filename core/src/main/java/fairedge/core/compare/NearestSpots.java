package fairedge.core.compare;

import fairedge.core.compare.Comparison.Spot;
import fairedge.core.geometry.Vec3;
import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;

/**
 * The spots of one kind, from which the nearest to a place is asked and taken out: a tree of halves
 * (Bentley, "Multidimensional binary search trees used for associative searching", 1975) over
 * boxes, each with what is left in it. Memory: the spots. Cost of a question: their logarithm where
 * few lie equally near.
 */
final class NearestSpots {
  private static final int LEAF = 8;

  private final List<Spot> spots;
  private final double always;

  /** By which those outside know the spots; ascending. */
  private final int[] names;

  /** Places in the list of spots, ordered so that each node has a run of them. */
  private final int[] order;

  private final int[] placeInOrder;
  private final double[] low;
  private final double[] high;
  private final double[] reach;
  private final int[] first;
  private final boolean[] taken;

  /**
   * @param all of which some are asked for
   * @param names indices of those, ascending; all of them have a finite place
   * @param always within this distance spots match whatever their reach
   */
  NearestSpots(List<Spot> all, int[] names, double always) {
    this.spots = Arrays.stream(names).mapToObj(all::get).toList();
    this.names = names;
    this.always = always;
    this.order = IntStream.range(0, names.length).toArray();
    int nodes = 4 * (names.length / LEAF + 1);
    this.low = new double[3 * nodes];
    this.high = new double[3 * nodes];
    this.reach = new double[nodes];
    this.first = new int[nodes];
    this.taken = new boolean[names.length];
    this.placeInOrder = new int[names.length];
    build(0, 0, order.length);
    for (int k = 0; k < order.length; k++) {
      placeInOrder[order[k]] = k;
    }
  }

  private void build(int node, int from, int to) {
    measure(node, from, to);
    if (to - from <= LEAF) {
      return;
    }
    int axis = widest(node);
    int middle = (from + to) >>> 1;
    split(from, to, middle, axis);
    build(2 * node + 1, from, middle);
    build(2 * node + 2, middle, to);
  }

  /** Box, longest reach and first index of what is left in a leaf or a run. */
  private void measure(int node, int from, int to) {
    first[node] = Integer.MAX_VALUE;
    reach[node] = 0;
    for (int axis = 0; axis < 3; axis++) {
      low[3 * node + axis] = Double.POSITIVE_INFINITY;
      high[3 * node + axis] = Double.NEGATIVE_INFINITY;
    }
    for (int k = from; k < to; k++) {
      if (taken[order[k]]) {
        continue;
      }
      Spot spot = spots.get(order[k]);
      first[node] = Math.min(first[node], order[k]);
      reach[node] = Math.max(reach[node], spot.reach());
      for (int axis = 0; axis < 3; axis++) {
        double at = along(spot.place(), axis);
        low[3 * node + axis] = Math.min(low[3 * node + axis], at);
        high[3 * node + axis] = Math.max(high[3 * node + axis], at);
      }
    }
  }

  private void join(int node) {
    int left = 2 * node + 1;
    first[node] = Math.min(first[left], first[left + 1]);
    reach[node] = Math.max(reach[left], reach[left + 1]);
    for (int axis = 0; axis < 3; axis++) {
      low[3 * node + axis] = Math.min(low[3 * left + axis], low[3 * left + 3 + axis]);
      high[3 * node + axis] = Math.max(high[3 * left + axis], high[3 * left + 3 + axis]);
    }
  }

  private int widest(int node) {
    int widest = 0;
    for (int axis = 1; axis < 3; axis++) {
      if (high[3 * node + axis] - low[3 * node + axis]
          > high[3 * node + widest] - low[3 * node + widest]) {
        widest = axis;
      }
    }
    return widest;
  }

  /** Orders a run so that what lies below its middle goes before it (Hoare's selection). */
  private void split(int from, int to, int middle, int axis) {
    int a = from;
    int b = to - 1;
    while (a < b) {
      double pivot = along(spots.get(order[(a + b) >>> 1]).place(), axis);
      int i = a;
      int j = b;
      while (i <= j) {
        while (along(spots.get(order[i]).place(), axis) < pivot) {
          i++;
        }
        while (along(spots.get(order[j]).place(), axis) > pivot) {
          j--;
        }
        if (i <= j) {
          int swap = order[i];
          order[i++] = order[j];
          order[j--] = swap;
        }
      }
      if (middle <= j) {
        b = j;
      } else if (middle >= i) {
        a = i;
      } else {
        return;
      }
    }
  }

  private static double along(Vec3 p, int axis) {
    return axis == 0 ? p.x() : axis == 1 ? p.y() : p.z();
  }

  /** The nearest spot to another that is left and matches it; of equally near ones the first. */
  private final class Search {
    final Spot to;
    int best = -1;
    double distance = Double.POSITIVE_INFINITY;

    Search(Spot to) {
      this.to = to;
    }

    void visit(int node, int from, int end) {
      if (!canHold(node)) {
        return;
      }
      if (end - from <= LEAF) {
        for (int k = from; k < end; k++) {
          look(order[k]);
        }
        return;
      }
      int middle = (from + end) >>> 1;
      int left = 2 * node + 1;
      if (isBetter(left, left + 1)) {
        visit(left, from, middle);
        visit(left + 1, middle, end);
      } else {
        visit(left + 1, middle, end);
        visit(left, from, middle);
      }
    }

    private boolean isBetter(int node, int other) {
      double difference = away(node) - away(other);
      return difference < 0 || difference == 0 && first[node] < first[other];
    }

    private boolean canHold(int node) {
      double away = away(node);
      return first[node] < Integer.MAX_VALUE
          && away <= near(reach[node])
          && (away < distance || away == distance && first[node] < best);
    }

    private double near(double reach) {
      return Math.max(2 * Math.max(reach, to.reach()), always);
    }

    /** From the box of a node; never more than from what lies in it, rounding included. */
    private double away(int node) {
      double sum = 0;
      for (int axis = 0; axis < 3; axis++) {
        double at = along(to.place(), axis);
        double d = Math.max(0, Math.max(low[3 * node + axis] - at, at - high[3 * node + axis]));
        sum += d * d;
      }
      return Math.sqrt(sum) * (1 - 1e-12);
    }

    private void look(int index) {
      Spot spot = spots.get(index);
      if (taken[index]) {
        return;
      }
      double d = to.place().distance(spot.place());
      if (d <= near(spot.reach()) && (d < distance || d == distance && index < best)) {
        best = index;
        distance = d;
      }
    }
  }

  /**
   * @param index of the spot among all, -1 if there is none
   */
  record Found(int index, double distance) {}

  Found nearest(Spot to) {
    Search search = new Search(to);
    search.visit(0, 0, order.length);
    return new Found(search.best < 0 ? -1 : names[search.best], search.distance);
  }

  /** Takes a spot out. Cost: the tree's depth. */
  void take(int index) {
    int own = Arrays.binarySearch(names, index);
    taken[own] = true;
    update(0, 0, order.length, placeInOrder[own]);
  }

  private void update(int node, int from, int to, int place) {
    if (to - from <= LEAF) {
      measure(node, from, to);
      return;
    }
    int middle = (from + to) >>> 1;
    if (place < middle) {
      update(2 * node + 1, from, middle, place);
    } else {
      update(2 * node + 2, middle, to, place);
    }
    join(node);
  }
}
