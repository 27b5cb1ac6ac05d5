package fairedge.core.mend;

import java.util.HashMap;
import java.util.Map;
import java.util.stream.IntStream;

/**
 * What edges more at vertices cost, by how far their valences go from 4: that of some vertices as
 * they are when a plan is made. Every other vertex is one that the plan makes on an edge.
 */
final class Price {
  /** For each step of a valence. */
  static final int STEP = 4;

  /** Of a vertex that is made on an edge, until an edge leads away from it on the other side. */
  static final int FRESH = 3;

  private record Known(int valence, int weight) {}

  private static final Known MADE = new Known(FRESH, 1);

  private final Map<Integer, Known> known = new HashMap<>();

  /** Of the corners of a face. */
  static Price at(Ground ground, int f) {
    Price price = new Price();
    for (int v : ground.mesh().vertices(f)) {
      price.know(ground, v);
    }
    return price;
  }

  /** Of one vertex that gains one edge. */
  static int ofOneMore(Ground ground, int v) {
    return ground.isInner(v) ? step(ground.valence(v), ground.weight(v)) : 0;
  }

  Price know(Ground ground, int v) {
    known.put(v, new Known(ground.valence(v), ground.isInner(v) ? ground.weight(v) : 0));
    return this;
  }

  /** Of one that loses an edge. */
  int ofOneLess(int v) {
    Known at = known.getOrDefault(v, MADE);
    return at.valence > 4 ? -STEP * Math.min(1, at.weight) : STEP * at.weight;
  }

  /** The vertices of an edge that goes before. */
  void lose(int... ends) {
    for (int v : ends) {
      known.computeIfPresent(v, (id, at) -> new Known(at.valence - 1, at.weight));
    }
  }

  /**
   * @param more a vertex for each edge that it gains
   */
  int of(IntStream more) {
    int sum = 0;
    for (Map.Entry<Integer, Integer> entry : gained(more).entrySet()) {
      Known at = known.getOrDefault(entry.getKey(), MADE);
      for (int i = 0; i < entry.getValue() && at.weight > 0; i++) {
        sum += step(at.valence + i, at.weight);
      }
    }
    return sum;
  }

  /**
   * How many poles come, less those that go.
   *
   * @param more as for {@link #of}
   */
  int poles(IntStream more) {
    int sum = 0;
    for (Map.Entry<Integer, Integer> entry : gained(more).entrySet()) {
      Known at = known.getOrDefault(entry.getKey(), MADE);
      int before = at.valence == 4 ? 0 : at.weight;
      int after = at.valence + entry.getValue() == 4 ? 0 : at.weight;
      sum += after - before;
    }
    return sum;
  }

  private static Map<Integer, Integer> gained(IntStream more) {
    Map<Integer, Integer> gained = new HashMap<>();
    more.forEach(v -> gained.merge(v, 1, Integer::sum));
    return gained;
  }

  private static int step(int valence, int weight) {
    return valence < 4 ? -STEP : STEP * weight;
  }
}
