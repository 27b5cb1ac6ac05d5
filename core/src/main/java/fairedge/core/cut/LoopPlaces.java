package fairedge.core.cut;

import java.util.List;
import java.util.stream.IntStream;

/** Where loops lie on the edges of a ring, from the side of the named edge's first vertex. */
public sealed interface LoopPlaces {
  /** Loops that lie nearer to each other, or more of them, are not meant. */
  int MOST = 200;

  /** What stays the same from edge to edge. */
  enum Measure {
    /** The share of every edge. */
    FRACTION,
    /** The distance from the first side, as long as on the named edge. */
    LENGTH
  }

  /**
   * The places on one edge as shares of it, in order.
   *
   * @param named how long the named edge is
   * @param length how long this one is
   */
  double[] on(double named, double length);

  /** How many loops there are. */
  int count();

  /** At given shares of the named edge. */
  record At(List<Double> fractions, Measure by) implements LoopPlaces {
    public At {
      fractions = fractions.stream().sorted().toList();
      by = by == null ? Measure.FRACTION : by;
    }

    @Override
    public double[] on(double named, double length) {
      double scale = by == Measure.LENGTH ? named / length : 1;
      return fractions.stream().mapToDouble(f -> f * scale).toArray();
    }

    @Override
    public int count() {
      return fractions.size();
    }
  }

  /**
   * Evenly.
   *
   * @param spread how far apart: 1 parts the edge evenly, less draws the loops to the middle
   * @param shift how far all are moved towards the second side, as a share of the edge
   */
  record Even(int count, double spread, double shift, Measure by) implements LoopPlaces {
    public Even {
      by = by == null ? Measure.FRACTION : by;
    }

    @Override
    public double[] on(double named, double length) {
      double scale = by == Measure.LENGTH ? named / length : 1;
      return IntStream.rangeClosed(1, Math.clamp(count, 0, MOST))
          .mapToDouble(i -> (0.5 + ((double) i / (count + 1) - 0.5) * spread + shift) * scale)
          .toArray();
    }
  }

  /** One loop at a distance from the first side or the second. */
  record FromSide(double distance, boolean second) implements LoopPlaces {
    @Override
    public double[] on(double named, double length) {
      double share = distance / length;
      return new double[] {second ? 1 - share : share};
    }

    @Override
    public int count() {
      return 1;
    }
  }

  /** Two support loops, each at the same distance from its side. */
  record Pair(double distance) implements LoopPlaces {
    @Override
    public double[] on(double named, double length) {
      return new double[] {distance / length, 1 - distance / length};
    }

    @Override
    public int count() {
      return 2;
    }
  }
}
