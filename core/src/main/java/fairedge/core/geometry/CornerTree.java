package fairedge.core.geometry;

/**
 * The corners of a polygon in the plane, to be asked which of them lie in a triangle, while one
 * after the other is taken out: a tree that halves them by turns along both axes (Bentley,
 * "Multidimensional binary search trees", 1975). Cost to make: n log n; to take one out: log n; to
 * ask: about the square root of n, and what is found.
 */
final class CornerTree {
  /** Told false, the asking ends. */
  @FunctionalInterface
  interface Found {
    boolean goOn(int corner);
  }

  /** What is out by less may be in by a rounding; the caller tells exactly. */
  private static final double ROUNDING = 1e-12;

  private final double[] u;
  private final double[] v;

  /** Corners in the order of the tree: those of a range left and right of its middle one. */
  private final int[] order;

  private final int[] placeOf;

  /** Of the range whose middle stands here: how many are left in it, and their box. */
  private final int[] left;

  private final double[] boxes;

  CornerTree(double[] u, double[] v) {
    this.u = u;
    this.v = v;
    int n = u.length;
    order = new int[n];
    placeOf = new int[n];
    left = new int[n];
    boxes = new double[4 * n];
    for (int i = 0; i < n; i++) {
      order[i] = i;
    }
    build(0, n, true);
    for (int i = 0; i < n; i++) {
      placeOf[order[i]] = i;
    }
  }

  private void build(int from, int to, boolean across) {
    if (from >= to) {
      return;
    }
    int middle = (from + to) >>> 1;
    select(from, to - 1, middle, across ? u : v);
    left[middle] = to - from;
    int box = 4 * middle;
    boxes[box] = Double.POSITIVE_INFINITY;
    boxes[box + 1] = Double.POSITIVE_INFINITY;
    boxes[box + 2] = Double.NEGATIVE_INFINITY;
    boxes[box + 3] = Double.NEGATIVE_INFINITY;
    for (int i = from; i < to; i++) {
      boxes[box] = Math.min(boxes[box], u[order[i]]);
      boxes[box + 1] = Math.min(boxes[box + 1], v[order[i]]);
      boxes[box + 2] = Math.max(boxes[box + 2], u[order[i]]);
      boxes[box + 3] = Math.max(boxes[box + 3], v[order[i]]);
    }
    build(from, middle, !across);
    build(middle + 1, to, !across);
  }

  /** Lets the corner that would stand at k in order stand there (Hoare, "Find", 1961). */
  private void select(int from, int to, int k, double[] by) {
    int low = from;
    int high = to;
    while (low < high) {
      double pivot = by[order[(low + high) >>> 1]];
      int i = low;
      int j = high;
      while (i <= j) {
        while (by[order[i]] < pivot) {
          i++;
        }
        while (pivot < by[order[j]]) {
          j--;
        }
        if (i <= j) {
          int swapped = order[i];
          order[i++] = order[j];
          order[j--] = swapped;
        }
      }
      if (k <= j) {
        high = j;
      } else if (k >= i) {
        low = i;
      } else {
        return;
      }
    }
  }

  /** Takes a corner out; once. */
  void remove(int corner) {
    int place = placeOf[corner];
    placeOf[corner] = -1;
    int from = 0;
    int to = order.length;
    while (true) {
      int middle = (from + to) >>> 1;
      left[middle]--;
      if (place == middle) {
        return;
      }
      if (place < middle) {
        to = middle;
      } else {
        from = middle + 1;
      }
    }
  }

  /**
   * Tells the corners left in or hardly outside the triangle of corners a, b, c, which winds left.
   *
   * @return false where the asking was ended
   */
  boolean eachIn(int a, int b, int c, Found found) {
    return eachIn(0, order.length, new int[] {a, b, c}, found);
  }

  private boolean eachIn(int from, int to, int[] triangle, Found found) {
    if (from >= to) {
      return true;
    }
    int middle = (from + to) >>> 1;
    if (left[middle] == 0 || isBeside(4 * middle, triangle)) {
      return true;
    }
    int corner = order[middle];
    if (placeOf[corner] >= 0 && !found.goOn(corner)) {
      return false;
    }
    return eachIn(from, middle, triangle, found) && eachIn(middle + 1, to, triangle, found);
  }

  /** Whether a box lies all to the right of a side, by more than rounding. */
  private boolean isBeside(int box, int[] triangle) {
    for (int i = 0; i < 3; i++) {
      double au = u[triangle[i]];
      double av = v[triangle[i]];
      double du = u[triangle[(i + 1) % 3]] - au;
      double dv = v[triangle[(i + 1) % 3]] - av;
      // The corner of the box that lies farthest to the left.
      double along = du * ((du > 0 ? boxes[box + 3] : boxes[box + 1]) - av);
      double over = dv * ((dv > 0 ? boxes[box] : boxes[box + 2]) - au);
      if (along - over < -ROUNDING * (Math.abs(along) + Math.abs(over))) {
        return true;
      }
    }
    return false;
  }
}
