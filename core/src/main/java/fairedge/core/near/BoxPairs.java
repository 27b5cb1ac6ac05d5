package fairedge.core.near;

import fairedge.core.effort.Effort;
import java.util.concurrent.RecursiveAction;
import java.util.concurrent.atomic.LongAdder;
import java.util.stream.IntStream;

/**
 * All pairs of boxes that meet, out of many. A balanced tree is laid out along a space-filling
 * curve and descended against itself, on all processors. Cost: n log n, and the pairs.
 */
public final class BoxPairs {
  private static final int LEAF = 4;
  private static final int SMALLEST_TASK = 4096;

  private final int[] order;
  private final float[] boxes;
  private final float[] nodes;
  private final int n;

  /** What is told of a pair; from several threads at once. */
  @FunctionalInterface
  public interface Pair {
    /** How much it cost to look at the pair. */
    long meet(int a, int b);
  }

  /**
   * @param corners of each box its lowest and its highest corner, finite
   */
  public BoxPairs(double[] corners) {
    n = corners.length / 6;
    order = BoxTree.alongCurve(corners);
    boxes = new float[6 * n];
    IntStream.range(0, n)
        .parallel()
        .forEach(i -> {
          for (int axis = 0; axis < 3; axis++) {
            boxes[6 * i + axis] = Math.nextDown((float) corners[6 * order[i] + axis]);
            boxes[6 * i + 3 + axis] = Math.nextUp((float) corners[6 * order[i] + 3 + axis]);
          }
        });
    nodes = new float[n == 0 ? 0 : 6 * 4 * Integer.highestOneBit(Math.max(1, (n - 1) / LEAF + 1))];
    if (n > 0) {
      new Fit(0, 0, n).invoke();
    }
  }

  /** The box of a node; its children are 2 i + 1 and 2 i + 2, each of half of the boxes. */
  private final class Fit extends RecursiveAction {
    private final int node;
    private final int from;
    private final int to;

    Fit(int node, int from, int to) {
      this.node = node;
      this.from = from;
      this.to = to;
    }

    @Override
    protected void compute() {
      if (to - from <= LEAF) {
        fit(boxes, from, to);
        return;
      }
      int half = (from + to) >>> 1;
      Fit left = new Fit(2 * node + 1, from, half);
      Fit right = new Fit(2 * node + 2, half, to);
      if (to - from > SMALLEST_TASK) {
        invokeAll(left, right);
      } else {
        left.compute();
        right.compute();
      }
      for (int i = 0; i < 3; i++) {
        int a = 6 * left.node + i;
        int b = 6 * right.node + i;
        nodes[6 * node + i] = Math.min(nodes[a], nodes[b]);
        nodes[6 * node + 3 + i] = Math.max(nodes[a + 3], nodes[b + 3]);
      }
    }

    private void fit(float[] of, int first, int end) {
      for (int i = 0; i < 3; i++) {
        float low = Float.POSITIVE_INFINITY;
        float high = Float.NEGATIVE_INFINITY;
        for (int k = first; k < end; k++) {
          low = Math.min(low, of[6 * k + i]);
          high = Math.max(high, of[6 * k + 3 + i]);
        }
        nodes[6 * node + i] = low;
        nodes[6 * node + 3 + i] = high;
      }
    }
  }

  /**
   * Tells every pair that meets once, in no order.
   *
   * @param most gives up where they cost more together, having told about as many
   * @return whether all were told
   */
  public boolean each(Pair pair, long most) {
    return each(new Asked(pair, most, new LongAdder(), SMALLEST_TASK));
  }

  /** The same on one thread: where it gives up, it is always at the same pair. */
  public boolean eachInOrder(Pair pair, long most) {
    return each(new Asked(pair, most, new LongAdder(), Integer.MAX_VALUE));
  }

  /**
   * Tells every box of one lot that meets one of another, once, in no order and from several
   * threads at once.
   *
   * @param ones of each box its lowest and its highest corner, finite
   * @param most gives up where they cost more together, having told about as many
   * @return whether all were told
   */
  public static boolean between(double[] ones, double[] others, Pair pair, long most) {
    BoxPairs one = new BoxPairs(ones);
    BoxPairs other = new BoxPairs(others);
    Asked asked = new Asked(pair, most, new LongAdder(), SMALLEST_TASK);
    if (one.n > 0 && other.n > 0) {
      one.new Between(other, 0, 0, one.n, 0, 0, other.n, asked).invoke();
    }
    return !asked.isOver();
  }

  private boolean each(Asked asked) {
    if (n > 1) {
      new Within(0, 0, n, asked).invoke();
    }
    return !asked.isOver();
  }

  /**
   * Who asks, and what the pairs that were told cost.
   *
   * @param smallest number of boxes that is worth the while of several threads
   */
  private record Asked(Pair pair, long most, LongAdder cost, int smallest) {
    boolean isOver() {
      return cost.sum() > most;
    }
  }

  private final class Within extends RecursiveAction {
    private final int node;
    private final int from;
    private final int to;
    private final transient Asked asked;

    Within(int node, int from, int to, Asked asked) {
      this.node = node;
      this.from = from;
      this.to = to;
      this.asked = asked;
    }

    @Override
    protected void compute() {
      if (asked.isOver()) {
        return;
      }
      if (to - from <= LEAF) {
        for (int i = from; i < to; i++) {
          against(i, BoxPairs.this, i + 1, to, asked);
        }
        return;
      }
      int half = (from + to) >>> 1;
      Within left = new Within(2 * node + 1, from, half, asked);
      Within right = new Within(2 * node + 2, half, to, asked);
      Between across =
          new Between(BoxPairs.this, left.node, from, half, right.node, half, to, asked);
      if (to - from > asked.smallest) {
        invokeAll(left, right, across);
      } else {
        left.compute();
        right.compute();
        across.compute();
      }
    }
  }

  /** Boxes of this tree against those of another, or of the same. */
  private final class Between extends RecursiveAction {
    private final transient BoxPairs other;
    private final int a;
    private final int aFrom;
    private final int aTo;
    private final int b;
    private final int bFrom;
    private final int bTo;
    private final transient Asked asked;

    Between(BoxPairs other, int a, int aFrom, int aTo, int b, int bFrom, int bTo, Asked asked) {
      this.other = other;
      this.a = a;
      this.aFrom = aFrom;
      this.aTo = aTo;
      this.b = b;
      this.bFrom = bFrom;
      this.bTo = bTo;
      this.asked = asked;
    }

    @Override
    protected void compute() {
      if (!meet(nodes, a, other.nodes, b) || asked.isOver()) {
        return;
      }
      Effort.check();
      int inA = aTo - aFrom;
      int inB = bTo - bFrom;
      if (inA <= LEAF && inB <= LEAF) {
        for (int i = aFrom; i < aTo; i++) {
          against(i, other, bFrom, bTo, asked);
        }
      } else if (inA >= inB) {
        int half = (aFrom + aTo) >>> 1;
        run(
            new Between(other, 2 * a + 1, aFrom, half, b, bFrom, bTo, asked),
            new Between(other, 2 * a + 2, half, aTo, b, bFrom, bTo, asked));
      } else {
        int half = (bFrom + bTo) >>> 1;
        run(
            new Between(other, a, aFrom, aTo, 2 * b + 1, bFrom, half, asked),
            new Between(other, a, aFrom, aTo, 2 * b + 2, half, bTo, asked));
      }
    }

    private void run(Between one, Between two) {
      if (aTo - aFrom + bTo - bFrom > asked.smallest) {
        invokeAll(one, two);
      } else {
        one.compute();
        two.compute();
      }
    }
  }

  private void against(int i, BoxPairs other, int from, int to, Asked asked) {
    long cost = 0;
    for (int k = from; k < to; k++) {
      if (meet(boxes, i, other.boxes, k)) {
        int p = order[i];
        int q = other.order[k];
        cost += other != this || p < q ? asked.pair.meet(p, q) : asked.pair.meet(q, p);
      }
    }
    if (cost > 0) {
      asked.cost.add(cost);
    }
  }

  private static boolean meet(float[] p, int a, float[] q, int b) {
    return p[6 * a] <= q[6 * b + 3]
        && q[6 * b] <= p[6 * a + 3]
        && p[6 * a + 1] <= q[6 * b + 4]
        && q[6 * b + 1] <= p[6 * a + 4]
        && p[6 * a + 2] <= q[6 * b + 5]
        && q[6 * b + 2] <= p[6 * a + 5];
  }
}
