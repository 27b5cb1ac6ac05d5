package fairedge.core.survey;

import java.util.Arrays;

/**
 * Numbers of which it is asked which stands at a share of their order, while some come and go.
 * Those that came and went since all were sorted are kept beside. Cost to make: n log n; of a
 * change what has changed since, until that is much, when it is merged in; of a question log n.
 */
final class Ranked {
  private static final int MANY = 1 << 13;

  private double[] sorted;

  /** Not among those sorted. */
  private double[] come = new double[64];

  /** Among those sorted. */
  private double[] gone = new double[64];

  private int comeCount;
  private int goneCount;

  /** Of these numbers; what is not a number is left out. */
  Ranked(double[] numbers) {
    sorted = Arrays.stream(numbers).filter(k -> !Double.isNaN(k)).toArray();
    Arrays.parallelSort(sorted);
  }

  void add(double number) {
    if (!Double.isNaN(number)) {
      come = put(come, comeCount++, number);
      settle();
    }
  }

  /** Precondition: it is among them. */
  void remove(double number) {
    int at = Arrays.binarySearch(come, 0, comeCount, number);
    if (at >= 0) {
      System.arraycopy(come, at + 1, come, at, comeCount - at - 1);
      comeCount--;
    } else if (!Double.isNaN(number)) {
      gone = put(gone, goneCount++, number);
      settle();
    }
  }

  private static double[] put(double[] into, int count, double number) {
    double[] roomy = count < into.length ? into : Arrays.copyOf(into, 2 * count);
    int at = upTo(roomy, count, number);
    System.arraycopy(roomy, at, roomy, at + 1, count - at);
    roomy[at] = number;
    return roomy;
  }

  private void settle() {
    if (comeCount + goneCount < MANY) {
      return;
    }
    double[] all = new double[sorted.length + comeCount - goneCount];
    int filled = 0;
    int in = 0;
    int out = 0;
    for (double number : sorted) {
      while (in < comeCount && come[in] <= number) {
        all[filled++] = come[in++];
      }
      if (out < goneCount && gone[out] == number) {
        out++;
      } else {
        all[filled++] = number;
      }
    }
    System.arraycopy(come, in, all, filled, comeCount - in);
    sorted = all;
    comeCount = 0;
    goneCount = 0;
  }

  /** The number under which lies so large a share of all; infinite where there is none. */
  double at(double share) {
    int count = sorted.length + comeCount - goneCount;
    if (count == 0) {
      return Double.POSITIVE_INFINITY;
    }
    int rank = (int) (share * count);
    return Math.min(least(sorted, sorted.length, rank), least(come, comeCount, rank));
  }

  /** The least of some of the numbers up to which there are more than the rank. */
  private double least(double[] some, int count, int rank) {
    int low = 0;
    int high = count;
    while (low < high) {
      int middle = (low + high) >>> 1;
      if (upTo(some[middle]) > rank) {
        high = middle;
      } else {
        low = middle + 1;
      }
    }
    return low == count ? Double.POSITIVE_INFINITY : some[low];
  }

  /** How many there are up to a number, with it. */
  private int upTo(double number) {
    return upTo(sorted, sorted.length, number)
        + upTo(come, comeCount, number)
        - upTo(gone, goneCount, number);
  }

  private static int upTo(double[] some, int count, double number) {
    int low = 0;
    int high = count;
    while (low < high) {
      int middle = (low + high) >>> 1;
      if (some[middle] <= number) {
        low = middle + 1;
      } else {
        high = middle;
      }
    }
    return low;
  }
}
