package fairedge.core.near;

import java.util.Arrays;
import java.util.function.IntConsumer;

/**
 * Boxes by id in a binary tree that is kept balanced while boxes come and go. A new box goes where
 * the surface of the boxes above it grows least, and heights are evened by rotation (Catto,
 * "Dynamic bounding volume hierarchies", 2019); a first filling is laid out along a space-filling
 * curve (Lauterbach et al., "Fast BVH construction on GPUs", 2009).
 *
 * <p>Boxes are kept as floats, rounded outwards. Memory: about 76 bytes a box. Cost: n log n for
 * the first filling, log n for a change, what is met and log n for a question.
 */
final class BoxTree {
  private static final int NONE = -1;
  private static final int AXIS_BITS = 13;
  private static final int INDEX_BITS = 25;

  private float[] boxes = new float[6 * 16];
  private int[] parent = new int[16];
  private int[] left = new int[16];

  /** Of a leaf the id of its box. */
  private int[] right = new int[16];

  private byte[] height = new byte[16];
  private int[] leafOf = new int[0];
  private int root = NONE;
  private int end;
  private int free = NONE;

  boolean isEmpty() {
    return root == NONE;
  }

  /** Levels from the root to the deepest leaf. */
  int height() {
    return root == NONE ? 0 : height[root];
  }

  boolean has(int id) {
    return id < leafOf.length && leafOf[id] != NONE;
  }

  /**
   * Fills an empty tree.
   *
   * @param ids at most 2^25
   * @param corners of each box its lowest and its highest corner
   */
  void fill(int[] ids, double[] corners) {
    int n = ids.length;
    if (n == 0) {
      return;
    }
    grow(2 * n);
    long[] order = alongCurve(corners, n);
    root = build(ids, corners, order, 0, n);
    parent[root] = NONE;
  }

  /** Boxes in the order in which a space-filling curve comes to their middles. */
  static int[] alongCurve(double[] corners) {
    long[] keys = alongCurve(corners, corners.length / 6);
    int[] order = new int[keys.length];
    for (int i = 0; i < order.length; i++) {
      order[i] = (int) (keys[i] & (1L << INDEX_BITS) - 1);
    }
    return order;
  }

  private static long[] alongCurve(double[] corners, int n) {
    double[] low = new double[3];
    double[] high = new double[3];
    Arrays.fill(low, Double.POSITIVE_INFINITY);
    Arrays.fill(high, Double.NEGATIVE_INFINITY);
    for (int i = 0; i < n; i++) {
      for (int axis = 0; axis < 3; axis++) {
        double middle = middle(corners, i, axis);
        low[axis] = Math.min(low[axis], middle);
        high[axis] = Math.max(high[axis], middle);
      }
    }
    // Cells as wide as they are high: those of a thin form would be cut up along its thinness.
    double width = 0;
    for (int axis = 0; axis < 3; axis++) {
      width = Math.max(width, high[axis] - low[axis]);
    }
    long[] order = new long[n];
    for (int i = 0; i < n; i++) {
      long key = 0;
      for (int axis = 0; axis < 3; axis++) {
        double share = width > 0 ? (middle(corners, i, axis) - low[axis]) / width : 0;
        key |= spread((long) (share * ((1 << AXIS_BITS) - 1))) << axis;
      }
      order[i] = key << INDEX_BITS | i;
    }
    Arrays.parallelSort(order);
    return order;
  }

  private static double middle(double[] corners, int i, int axis) {
    return 0.5 * corners[6 * i + axis] + 0.5 * corners[6 * i + 3 + axis];
  }

  /** Sets two empty bits between every two of a number's bits. */
  private static long spread(long bits) {
    long x = bits;
    x = (x | x << 16) & 0x00_00FF_0000_FFL;
    x = (x | x << 8) & 0x00F0_0F00_F00FL;
    x = (x | x << 4) & 0x0C30_C30C_30C3L;
    x = (x | x << 2) & 0x2492_4924_9249L;
    return x;
  }

  private int build(int[] ids, double[] corners, long[] order, int from, int to) {
    if (to - from == 1) {
      int at = (int) (order[from] & (1L << INDEX_BITS) - 1);
      return leaf(ids[at], corners, 6 * at);
    }
    int half = (from + to) >>> 1;
    int node = node();
    int a = build(ids, corners, order, from, half);
    int b = build(ids, corners, order, half, to);
    join(node, a, b);
    return node;
  }

  private void join(int node, int a, int b) {
    left[node] = a;
    right[node] = b;
    parent[a] = node;
    parent[b] = node;
    refit(node);
  }

  /** Whether it made a difference. */
  private boolean refit(int node) {
    int a = 6 * left[node];
    int b = 6 * right[node];
    int at = 6 * node;
    boolean differs = false;
    for (int i = 0; i < 3; i++) {
      float low = Math.min(boxes[a + i], boxes[b + i]);
      float high = Math.max(boxes[a + 3 + i], boxes[b + 3 + i]);
      differs |= low != boxes[at + i] || high != boxes[at + 3 + i];
      boxes[at + i] = low;
      boxes[at + 3 + i] = high;
    }
    byte levels = (byte) (1 + Math.max(height[left[node]], height[right[node]]));
    differs |= levels != height[node];
    height[node] = levels;
    return differs;
  }

  private static float rounded(double[] corners, int at, int i) {
    float near = (float) corners[at + i];
    return i < 3 ? Math.nextDown(near) : Math.nextUp(near);
  }

  private int leaf(int id, double[] corners, int from) {
    int node = node();
    for (int i = 0; i < 6; i++) {
      boxes[6 * node + i] = rounded(corners, from, i);
    }
    left[node] = NONE;
    right[node] = id;
    height[node] = 0;
    if (id >= leafOf.length) {
      int before = leafOf.length;
      leafOf = Arrays.copyOf(leafOf, id + (id >> 2) + 16);
      Arrays.fill(leafOf, before, leafOf.length, NONE);
    }
    leafOf[id] = node;
    return node;
  }

  private int node() {
    if (free != NONE) {
      int node = free;
      free = parent[node];
      return node;
    }
    if (end == parent.length) {
      grow(end + (end >> 2) + 16);
    }
    return end++;
  }

  private void grow(int nodes) {
    boxes = Arrays.copyOf(boxes, 6 * nodes);
    parent = Arrays.copyOf(parent, nodes);
    left = Arrays.copyOf(left, nodes);
    right = Arrays.copyOf(right, nodes);
    height = Arrays.copyOf(height, nodes);
  }

  private void drop(int node) {
    parent[node] = free;
    free = node;
  }

  private void add(int id, double[] corners) {
    int leaf = leaf(id, corners, 0);
    if (root == NONE) {
      root = leaf;
      parent[leaf] = NONE;
      return;
    }
    int beside = placeFor(leaf);
    int above = parent[beside];
    int node = node();
    replaceIn(above, beside, node);
    join(node, beside, leaf);
    settleUp(above);
  }

  /**
   * Gives an id another box. One inside its old box stays where it hangs: most cuts leave less of a
   * face.
   */
  void put(int id, double[] corners) {
    if (has(id) && shrinks(leafOf[id], corners)) {
      settleUp(parent[leafOf[id]]);
      return;
    }
    if (has(id)) {
      remove(id);
    }
    add(id, corners);
  }

  private boolean shrinks(int leaf, double[] corners) {
    for (int i = 0; i < 6; i++) {
      float before = boxes[6 * leaf + i];
      float now = rounded(corners, 0, i);
      if (i < 3 ? now < before : now > before) {
        return false;
      }
    }
    for (int i = 0; i < 6; i++) {
      boxes[6 * leaf + i] = rounded(corners, 0, i);
    }
    return true;
  }

  /** Down from the root, to that child whose box grows less by the leaf's. */
  private int placeFor(int leaf) {
    int at = root;
    while (left[at] != NONE) {
      double a = growth(left[at], leaf);
      double b = growth(right[at], leaf);
      at = a <= b ? left[at] : right[at];
    }
    return at;
  }

  private double growth(int node, int leaf) {
    int a = 6 * node;
    int b = 6 * leaf;
    double x = boxes[a + 3] - boxes[a];
    double y = boxes[a + 4] - boxes[a + 1];
    double z = boxes[a + 5] - boxes[a + 2];
    double wide = Math.max(boxes[a + 3], boxes[b + 3]) - Math.min(boxes[a], boxes[b]);
    double deep = Math.max(boxes[a + 4], boxes[b + 4]) - Math.min(boxes[a + 1], boxes[b + 1]);
    double high = Math.max(boxes[a + 5], boxes[b + 5]) - Math.min(boxes[a + 2], boxes[b + 2]);
    double before = x * y + y * z + z * x;
    double after = wide * deep + deep * high + high * wide;
    return left[node] == NONE ? after : after - before;
  }

  private void replaceIn(int above, int old, int node) {
    parent[node] = above;
    if (above == NONE) {
      root = node;
    } else if (left[above] == old) {
      left[above] = node;
    } else {
      right[above] = node;
    }
  }

  /** Takes a box out. Precondition: {@link #has}. */
  void remove(int id) {
    int leaf = leafOf[id];
    leafOf[id] = NONE;
    int above = parent[leaf];
    drop(leaf);
    if (above == NONE) {
      root = NONE;
      return;
    }
    int sibling = left[above] == leaf ? right[above] : left[above];
    int over = parent[above];
    replaceIn(over, above, sibling);
    drop(above);
    settleUp(over);
  }

  /** Up from where something changed, as far as it makes a difference. */
  private void settleUp(int from) {
    int node = from;
    boolean goesOn = true;
    while (node != NONE && goesOn) {
      boolean differs = refit(node);
      int top = balance(node);
      goesOn = differs || top != node;
      node = parent[top];
    }
  }

  /** Lets the higher child take a node's place if it is higher by two; what stands there then. */
  private int balance(int node) {
    int lean = height[left[node]] - height[right[node]];
    if (Math.abs(lean) < 2) {
      return node;
    }
    int up = lean > 0 ? left[node] : right[node];
    int stays = lean > 0 ? right[node] : left[node];
    boolean leftHigher = height[left[up]] >= height[right[up]];
    int high = leftHigher ? left[up] : right[up];
    int low = leftHigher ? right[up] : left[up];
    replaceIn(parent[node], node, up);
    join(node, stays, low);
    join(up, node, high);
    return up;
  }

  /** Tells the ids of all boxes that may meet a region, in no order. */
  void find(Region region, IntConsumer found) {
    if (root == NONE) {
      return;
    }
    int[] stack = new int[2 * height[root] + 4];
    int depth = 0;
    stack[depth++] = root;
    while (depth > 0) {
      int node = stack[--depth];
      int at = 6 * node;
      if (region.mayMeet(
          boxes[at], boxes[at + 1], boxes[at + 2], boxes[at + 3], boxes[at + 4], boxes[at + 5])) {
        if (left[node] == NONE) {
          found.accept(right[node]);
        } else {
          stack[depth++] = left[node];
          stack[depth++] = right[node];
        }
      }
    }
  }
}
