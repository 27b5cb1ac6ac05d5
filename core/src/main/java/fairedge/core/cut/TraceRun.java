package fairedge.core.cut;

import fairedge.core.geometry.Vec3;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.List;
import java.util.function.ToDoubleFunction;

/**
 * One run of a trace. It closes where its last anchor equals its first.
 *
 * @param thin a freehand stroke leaves out every point that lies within this distance of the line
 *     without it; 0 keeps all
 */
public record TraceRun(List<TracePoint> points, double thin) {
  public TraceRun {
    points = List.copyOf(points);
  }

  public static TraceRun of(List<TracePoint> points) {
    return new TraceRun(points, 0);
  }

  boolean isClosed() {
    return points.size() > 3 && points.getFirst().anchor().equals(points.getLast().anchor());
  }

  /**
   * Which points stay (Douglas and Peucker, "Algorithms for the reduction of the number of points",
   * 1973). The first and the last do.
   *
   * @param places where the points lie
   */
  List<Integer> kept(List<Vec3> places) {
    BitSet kept = new BitSet();
    if (!(thin > 0)) {
      kept.set(0, places.size());
      return kept.stream().boxed().toList();
    }
    kept.set(0);
    kept.set(places.size() - 1);
    List<int[]> open = new ArrayList<>(List.of(new int[] {0, places.size() - 1}));
    while (!open.isEmpty()) {
      int[] span = open.removeLast();
      int far = farthest(places, span[0], span[1]);
      if (far > span[0]) {
        kept.set(far);
        open.add(new int[] {span[0], far});
        open.add(new int[] {far, span[1]});
      }
    }
    return kept.stream().boxed().toList();
  }

  /** The point farthest from the line between two; the first of the two if none is far. */
  private int farthest(List<Vec3> places, int from, int to) {
    ToDoubleFunction<Vec3> off = fromLine(places.get(from), places.get(to));
    int far = from;
    double farthest = thin;
    for (int i = from + 1; i < to; i++) {
      double distance = off.applyAsDouble(places.get(i));
      if (distance > farthest) {
        far = i;
        farthest = distance;
      }
    }
    return far;
  }

  private static ToDoubleFunction<Vec3> fromLine(Vec3 a, Vec3 b) {
    Vec3 whole = b.minus(a);
    double square = whole.dot(whole);
    return p -> {
      double t = square > 0 ? Math.clamp(p.minus(a).dot(whole) / square, 0, 1) : 0;
      return a.towards(b, t).distance(p);
    };
  }
}
