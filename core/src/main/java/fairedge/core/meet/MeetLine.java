package fairedge.core.meet;

import fairedge.core.effort.Effort;
import fairedge.core.geometry.Bounds;
import fairedge.core.geometry.Predicates;
import fairedge.core.geometry.Vec3;
import fairedge.core.local.Refusal;
import fairedge.core.meet.TrianglePair.Met;
import fairedge.core.meet.TrianglePair.Piece;
import fairedge.core.near.BoxPairs;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.stream.IntStream;

/**
 * The line in which two skins meet: places, and pieces between them. A place that lies within a
 * face of each, where hidden diagonals cross the line, is left out if it hardly bends there. Cost:
 * n log n, and the pairs of triangles whose boxes meet.
 */
final class MeetLine {
  private static final long MOST_PAIRS = 40_000_000;

  /**
   * A place of the line.
   *
   * @param number among all
   * @param planeA the triangle of a's skin whose plane a side of b's crosses there; -1 if none does
   * @param planeB the same the other way
   */
  record Spot(int number, Met met, Vec3 at, int planeA, int planeB) {}

  /** A piece between two places, with all pairs of triangles that have it in common. */
  record Stretch(int from, int to, List<Run> runs) {}

  /** A piece, and whether it runs as the stretch does. */
  record Run(Piece piece, boolean isForward) {}

  private final Skin a;
  private final Skin b;
  private final double merge;
  private final Map<Met, Spot> spots = new HashMap<>();
  private final List<Spot> inOrder = new ArrayList<>();
  private final Map<Long, Stretch> stretches = new LinkedHashMap<>();

  /**
   * @param merge how far a place may lie from the line between its neighbours to be left out
   */
  MeetLine(Skin a, Skin b, double merge) {
    this.a = a;
    this.b = b;
    this.merge = merge;
    List<Piece> found = new ArrayList<>(pieces());
    found.sort(Comparator.comparingInt(Piece::ta).thenComparingInt(Piece::tb));
    for (Piece piece : found) {
      add(spot(piece.from(), piece), spot(piece.to(), piece), piece);
    }
    straighten();
  }

  List<Spot> spots() {
    return inOrder;
  }

  Collection<Stretch> stretches() {
    return stretches.values();
  }

  private Collection<Piece> pieces() {
    Bounds both = common(a.bounds(), b.bounds());
    int[] ofA = within(a, both);
    int[] ofB = within(b, both);
    double[] boxes = new double[6 * (ofA.length + ofB.length)];
    IntStream.range(0, ofA.length).forEach(i -> box(a, ofA[i], boxes, 6 * i));
    IntStream.range(0, ofB.length).forEach(i -> box(b, ofB[i], boxes, 6 * (ofA.length + i)));
    TrianglePair pair = new TrianglePair(a, b);
    ConcurrentLinkedQueue<Piece> found = new ConcurrentLinkedQueue<>();
    boolean isAll =
        new BoxPairs(boxes)
            .each(
                (i, k) -> {
                  if (i >= ofA.length || k < ofA.length) {
                    return 0;
                  }
                  Piece piece = pair.piece(ofA[i], ofB[k - ofA.length]);
                  if (piece != null) {
                    found.add(piece);
                  }
                  return 1;
                },
                MOST_PAIRS);
    if (!isAll) {
      throw Refusal.because("These parts lie along each other in too many faces to be met.");
    }
    return found;
  }

  private static Bounds common(Bounds p, Bounds q) {
    return new Bounds(
        new Vec3(
            Math.max(p.min().x(), q.min().x()),
            Math.max(p.min().y(), q.min().y()),
            Math.max(p.min().z(), q.min().z())),
        new Vec3(
            Math.min(p.max().x(), q.max().x()),
            Math.min(p.max().y(), q.max().y()),
            Math.min(p.max().z(), q.max().z())));
  }

  private static int[] within(Skin skin, Bounds box) {
    return IntStream.range(0, skin.count())
        .filter(t -> {
          for (int axis = 0; axis < 3; axis++) {
            double p = skin.place(t, 0).along(axis);
            double q = skin.place(t, 1).along(axis);
            double r = skin.place(t, 2).along(axis);
            if (Math.max(p, Math.max(q, r)) < box.min().along(axis)
                || Math.min(p, Math.min(q, r)) > box.max().along(axis)) {
              return false;
            }
          }
          return true;
        })
        .toArray();
  }

  private static void box(Skin skin, int t, double[] boxes, int at) {
    for (int axis = 0; axis < 3; axis++) {
      double p = skin.place(t, 0).along(axis);
      double q = skin.place(t, 1).along(axis);
      double r = skin.place(t, 2).along(axis);
      boxes[at + axis] = Math.min(p, Math.min(q, r));
      boxes[at + 3 + axis] = Math.max(p, Math.max(q, r));
    }
  }

  private void add(Spot from, Spot to, Piece piece) {
    long key = key(from.number(), to.number());
    Stretch stretch =
        stretches.computeIfAbsent(
            key, k -> new Stretch(from.number(), to.number(), new ArrayList<>()));
    stretch.runs().add(new Run(piece, stretch.from() == from.number()));
  }

  private Spot spot(Met met, Piece piece) {
    Spot known = spots.get(met);
    if (known == null) {
      known = located(met, piece);
      spots.put(met, known);
      inOrder.add(known);
    }
    return known;
  }

  private Spot located(Met met, Piece piece) {
    int number = inOrder.size();
    if (met.kindA() == TrianglePair.VERTEX) {
      return new Spot(number, met, placeOf(a, piece.ta(), met.idA()), -1, -1);
    }
    if (met.kindB() == TrianglePair.VERTEX) {
      return new Spot(number, met, placeOf(b, piece.tb(), met.idB()), -1, -1);
    }
    // Where a side lies in the other's plane, it is the other's side that crosses.
    if (met.kindA() == TrianglePair.SIDE && met.idA() != piece.alongA()) {
      return new Spot(
          number, met, crossing(a, met.idA(), piece.ta(), b, piece.tb()), -1, piece.tb());
    }
    return new Spot(number, met, crossing(b, met.idB(), piece.tb(), a, piece.ta()), piece.ta(), -1);
  }

  private static Vec3 placeOf(Skin skin, int t, int vertex) {
    for (int k = 0; k < 3; k++) {
      if (skin.vertex(t, k) == vertex) {
        return skin.place(t, k);
      }
    }
    throw new IllegalArgumentException("vertex " + vertex + " is no corner of triangle " + t);
  }

  private static Vec3 crossing(Skin of, int side, int t, Skin other, int u) {
    Vec3 p = placeOf(of, t, of.end(side, false));
    Vec3 q = placeOf(of, t, of.end(side, true));
    return p.towards(q, share(other, u, p, q));
  }

  private static double share(Skin other, int u, Vec3 p, Vec3 q) {
    return Predicates.share(other.place(u, 0), other.place(u, 1), other.place(u, 2), p, q);
  }

  /** Compares places on a side of a's skin, or of b's, by how far they lie from its first end. */
  Comparator<Spot> along(boolean ofA, Vec3 p, Vec3 q) {
    Vec3 whole = q.minus(p);
    return (one, two) -> {
      double s = one.at().minus(p).dot(whole);
      double t = two.at().minus(p).dot(whole);
      int u = ofA ? one.planeB() : one.planeA();
      int v = ofA ? two.planeB() : two.planeA();
      if (u < 0 || v < 0 || Math.abs(s - t) > 1e-12 * whole.dot(whole)) {
        return s == t ? Integer.compare(one.number(), two.number()) : Double.compare(s, t);
      }
      Skin other = ofA ? b : a;
      int exact =
          Predicates.compareShares(
              p,
              q,
              other.place(u, 0),
              other.place(u, 1),
              other.place(u, 2),
              other.place(v, 0),
              other.place(v, 1),
              other.place(v, 2));
      return exact != 0 ? exact : Integer.compare(one.number(), two.number());
    };
  }

  /** Leaves places out that lie within a face of each and hardly bend the line. */
  private void straighten() {
    Map<Integer, List<Stretch>> at = new HashMap<>();
    for (Stretch s : stretches.values()) {
      at.computeIfAbsent(s.from(), n -> new ArrayList<>()).add(s);
      at.computeIfAbsent(s.to(), n -> new ArrayList<>()).add(s);
    }
    for (Spot spot : inOrder) {
      Effort.check();
      List<Stretch> ends = at.getOrDefault(spot.number(), List.of());
      if (ends.size() == 2 && isHidden(spot, ends)) {
        leaveOut(spot, ends.getFirst(), ends.getLast(), at);
      }
    }
  }

  /** Whether nothing but hidden diagonals crosses the line there. */
  private boolean isHidden(Spot spot, List<Stretch> ends) {
    Met met = spot.met();
    return (isWithinFace(met.kindA(), met.idA(), a)
            || met.kindA() == TrianglePair.SIDE && runsAlong(met.idA(), true, ends))
        && (isWithinFace(met.kindB(), met.idB(), b)
            || met.kindB() == TrianglePair.SIDE && runsAlong(met.idB(), false, ends));
  }

  /** Whether pieces all run along a side. */
  private static boolean runsAlong(int side, boolean ofA, List<Stretch> pieces) {
    return pieces.stream()
        .allMatch(s ->
            s.runs().stream()
                .anyMatch(r -> (ofA ? r.piece().alongA() : r.piece().alongB()) == side));
  }

  static boolean isWithinFace(int kind, int id, Skin skin) {
    return kind == TrianglePair.INSIDE || kind == TrianglePair.SIDE && skin.isDiagonal(id);
  }

  private void leaveOut(Spot spot, Stretch one, Stretch two, Map<Integer, List<Stretch>> at) {
    int from = one.from() == spot.number() ? one.to() : one.from();
    int to = two.from() == spot.number() ? two.to() : two.from();
    Vec3 p = inOrder.get(from).at();
    Vec3 q = inOrder.get(to).at();
    if (from == to
        || spot.at().distanceToSegment(p, q) > merge
        || stretches.containsKey(key(from, to))) {
      return;
    }
    // What the first says of its sides holds for both: they lie in the same faces.
    boolean isTurned = one.from() == spot.number();
    Stretch whole = new Stretch(isTurned ? to : from, isTurned ? from : to, one.runs());
    stretches.remove(key(one.from(), one.to()));
    stretches.remove(key(two.from(), two.to()));
    stretches.put(key(from, to), whole);
    replace(at, from, one, whole);
    replace(at, to, two, whole);
    at.remove(spot.number());
  }

  private static long key(int from, int to) {
    return (long) Math.min(from, to) << 32 | Math.max(from, to);
  }

  private static void replace(
      Map<Integer, List<Stretch>> at, int spot, Stretch before, Stretch now) {
    List<Stretch> ends = at.getOrDefault(spot, new ArrayList<>());
    ends.remove(before);
    ends.add(now);
  }
}
