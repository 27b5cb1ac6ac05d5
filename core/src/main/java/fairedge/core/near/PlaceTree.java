package fairedge.core.near;

import fairedge.core.geometry.Vec3;
import java.util.List;

/**
 * Places in a tree of boxes, to be asked how far the nearest one is. Cost to make: n log n; of a
 * question: log n where places are spread.
 */
public final class PlaceTree {
  private static final int LEAF = 4;

  /** In the order of the tree, three numbers each. */
  private final double[] places;

  private final int count;

  /** Of each node its box; its children are 2 i + 1 and 2 i + 2, each with half of the places. */
  private final double[] boxes;

  public PlaceTree(List<Vec3> all) {
    count = all.size();
    float[] rough = new float[3 * count];
    for (int i = 0; i < count; i++) {
      for (int axis = 0; axis < 3; axis++) {
        rough[3 * i + axis] = (float) all.get(i).along(axis);
      }
    }
    int[] order = Halving.order(rough);
    places = new double[3 * count];
    for (int i = 0; i < count; i++) {
      for (int axis = 0; axis < 3; axis++) {
        places[3 * i + axis] = all.get(order[i]).along(axis);
      }
    }
    boxes = new double[6 * 4 * Integer.highestOneBit(Math.max(1, count / LEAF + 1))];
    if (count > 0) {
      fit(0, 0, count);
    }
  }

  private void fit(int node, int from, int to) {
    for (int axis = 0; axis < 3; axis++) {
      double low = Double.POSITIVE_INFINITY;
      double high = Double.NEGATIVE_INFINITY;
      for (int i = from; i < to; i++) {
        low = Math.min(low, places[3 * i + axis]);
        high = Math.max(high, places[3 * i + axis]);
      }
      boxes[6 * node + axis] = low;
      boxes[6 * node + 3 + axis] = high;
    }
    if (to - from > LEAF) {
      int half = (from + to) >>> 1;
      fit(2 * node + 1, from, half);
      fit(2 * node + 2, half, to);
    }
  }

  /** How far the nearest place is, if it is nearer than that; else infinitely far. */
  public double nearest(Vec3 from, double within) {
    double squared = within * within;
    double found = count == 0 ? squared : search(from, 0, 0, count, squared);
    return found < squared ? Math.sqrt(found) : Double.POSITIVE_INFINITY;
  }

  private double search(Vec3 p, int node, int from, int to, double best) {
    double found = best;
    if (to - from <= LEAF) {
      for (int i = from; i < to; i++) {
        double x = places[3 * i] - p.x();
        double y = places[3 * i + 1] - p.y();
        double z = places[3 * i + 2] - p.z();
        found = Math.min(found, x * x + y * y + z * z);
      }
      return found;
    }
    int half = (from + to) >>> 1;
    double left = toBox(p, 2 * node + 1);
    double right = toBox(p, 2 * node + 2);
    boolean leftFirst = left <= right;
    for (int turn = 0; turn < 2; turn++) {
      boolean isLeft = leftFirst == (turn == 0);
      if ((isLeft ? left : right) < found) {
        found =
            isLeft
                ? search(p, 2 * node + 1, from, half, found)
                : search(p, 2 * node + 2, half, to, found);
      }
    }
    return found;
  }

  private double toBox(Vec3 p, int node) {
    double sum = 0;
    for (int axis = 0; axis < 3; axis++) {
      double value = p.along(axis);
      double outside =
          Math.max(0, Math.max(boxes[6 * node + axis] - value, value - boxes[6 * node + 3 + axis]));
      sum += outside * outside;
    }
    return sum;
  }
}
