package fairedge.core.fill;

import fairedge.core.fill.GridPlaces.Flat;
import fairedge.core.geometry.Vec3;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;

/**
 * Of all starts of a grid in a ring the one whose four corners turn most and where no quad turns
 * over; of equal ones the first. Cost: the corners times the quads.
 */
final class GridStarts {
  /** So many starts are tried with vertices moved, where none does as it is. */
  private static final int MOST_MOVED = 8;

  /** Turns that differ by less, in degrees, count as equal. */
  private static final double EQUAL = 1e-6;

  private final Vec3[] ring;
  private final @Nullable Flat plane;
  private final double[] turns;

  private GridStarts(Vec3[] ring, @Nullable Flat plane) {
    this.ring = ring;
    this.plane = plane;
    this.turns = new double[ring.length];
    for (int i = 0; i < ring.length; i++) {
      turns[i] = turn(i);
    }
  }

  /**
   * @param plane in which the ring lies; null where it does not: any start does then
   */
  static GridStarts of(Vec3[] ring, @Nullable Flat plane) {
    return new GridStarts(ring, plane);
  }

  /** Turns to the left, as the plane is looked at; where there is none any turn. */
  private double turn(int i) {
    Vec3 p = ring[Math.floorMod(i - 1, ring.length)];
    Vec3 q = ring[i];
    Vec3 r = ring[(i + 1) % ring.length];
    double turn = q.minus(p).angleTo(r.minus(q));
    return plane == null || plane.looksUp(p, q, r) ? turn : -turn;
  }

  /** Empty where quads turn over at every start. */
  Optional<GridPlaces> best(int a) {
    int n = ring.length;
    int b = n / 2 - a;
    if (n % 2 == 1 || a < 1 || b < 1) {
      return Optional.empty();
    }
    List<Integer> starts =
        IntStream.range(0, n)
            .boxed()
            .sorted(Comparator.comparingLong(s -> -Math.round(sum(s, a, b) / EQUAL)))
            .toList();
    Flat flat = plane;
    if (flat == null) {
      return Optional.of(GridPlaces.blended(ring, a, starts.getFirst()));
    }
    for (int s : starts) {
      GridPlaces places = GridPlaces.blended(ring, a, s);
      if (places.isSound(flat)) {
        return Optional.of(places);
      }
    }
    return starts.stream()
        .limit(MOST_MOVED)
        .flatMap(s -> GridPlaces.blended(ring, a, s).unfolded(flat).stream())
        .findFirst();
  }

  private double sum(int s, int a, int b) {
    return turns[s]
        + turns[(s + a) % ring.length]
        + turns[(s + a + b) % ring.length]
        + turns[(s + 2 * a + b) % ring.length];
  }
}
