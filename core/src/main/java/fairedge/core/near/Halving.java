package fairedge.core.near;

import java.util.concurrent.ForkJoinTask;
import java.util.concurrent.RecursiveAction;

/**
 * An order of places in which each half lies to one side of the other, across the longest extent,
 * and each half of the halves likewise (a k-d tree in place; Bentley, "Multidimensional binary
 * search trees used for associative searching", 1975; halves by Hoare's selection). The same on one
 * processor and on many. Cost: n log n.
 */
final class Halving extends RecursiveAction {
  private static final long serialVersionUID = 1L;
  private static final int FEW = 4;
  private static final int ALONE = 1 << 13;
  private static final int SOME = 512;
  private static final int ROUNDS = 48;

  private final transient float[] places;
  private final transient int[] order;
  private final int from;
  private final int to;

  private Halving(float[] places, int[] order, int from, int to) {
    this.places = places;
    this.order = order;
    this.from = from;
    this.to = to;
  }

  /**
   * @param places three numbers each; of what is not a number the order means nothing
   */
  static int[] order(float[] places) {
    int[] order = new int[places.length / 3];
    for (int i = 0; i < order.length; i++) {
      order[i] = i;
    }
    new Halving(places, order, 0, order.length).invoke();
    return order;
  }

  @Override
  protected void compute() {
    halve(from, to);
  }

  private void halve(int low, int high) {
    if (high - low <= FEW) {
      return;
    }
    int half = (low + high) >>> 1;
    select(low, high, half, widest(low, high));
    if (high - low > ALONE) {
      ForkJoinTask<?> left = new Halving(places, order, low, half).fork();
      halve(half, high);
      left.join();
    } else {
      halve(low, half);
      halve(half, high);
    }
  }

  /** By some of the places where there are many. */
  private int widest(int low, int high) {
    int stride = Math.max(1, (high - low) / SOME);
    int widest = 0;
    float most = -1;
    for (int axis = 0; axis < 3; axis++) {
      float least = Float.POSITIVE_INFINITY;
      float largest = Float.NEGATIVE_INFINITY;
      for (int i = low; i < high; i += stride) {
        float value = at(i, axis);
        least = Math.min(least, value);
        largest = Math.max(largest, value);
      }
      if (largest - least > most) {
        most = largest - least;
        widest = axis;
      }
    }
    return widest;
  }

  private float at(int i, int axis) {
    return places[3 * order[i] + axis];
  }

  /** Puts what is smaller before the half, what is larger behind it. */
  private void select(int begin, int end, int half, int axis) {
    int low = begin;
    int high = end - 1;
    for (int round = 0; low < high; round++) {
      float pivot = round < ROUNDS ? median(low, high, axis) : middle(low, high, axis);
      int i = low;
      int j = high;
      while (i <= j) {
        while (at(i, axis) < pivot) {
          i++;
        }
        while (at(j, axis) > pivot) {
          j--;
        }
        if (i <= j) {
          int swapped = order[i];
          order[i++] = order[j];
          order[j--] = swapped;
        }
      }
      if (half <= j) {
        high = j;
      } else if (half >= i) {
        low = i;
      } else {
        return;
      }
    }
  }

  /** Of three places: mostly near to the half. */
  private float median(int low, int high, int axis) {
    float a = at(low, axis);
    float b = at((low + high) >>> 1, axis);
    float c = at(high, axis);
    return Math.max(Math.min(a, b), Math.min(Math.max(a, b), c));
  }

  /**
   * Of the extent: where an order was made to mislead the median, it still comes to an end soon.
   */
  private float middle(int low, int high, int axis) {
    float least = at(low, axis);
    float largest = least;
    for (int i = low; i <= high; i++) {
      least = Math.min(least, at(i, axis));
      largest = Math.max(largest, at(i, axis));
    }
    return least + (largest - least) / 2;
  }
}
