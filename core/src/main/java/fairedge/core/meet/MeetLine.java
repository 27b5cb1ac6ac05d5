package fairedge.core.meet;

import fairedge.core.effort.Effort;
import fairedge.core.geometry.Predicates;
import fairedge.core.geometry.Vec3;
import fairedge.core.local.Refusal;
import fairedge.core.meet.TrianglePair.Met;
import fairedge.core.meet.TrianglePair.Piece;
import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.Runs;
import fairedge.core.near.BoxPairs;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.concurrent.ConcurrentLinkedQueue;

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
   * @param met what of each skin is there
   * @param pieces of the line that end there
   */
  record Spot(int number, Met met, Vec3 at, List<Piece> pieces) {}

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
    double[] ofA = boxes(a);
    double[] ofB = boxes(b);
    int[] inA = within(ofA, ofB);
    int[] inB = within(ofB, ofA);
    TrianglePair pair = new TrianglePair(a, b);
    ConcurrentLinkedQueue<Piece> found = new ConcurrentLinkedQueue<>();
    boolean isAll =
        BoxPairs.between(
            some(ofA, inA),
            some(ofB, inB),
            (i, k) -> {
              Piece piece = pair.piece(inA[i], inB[k]);
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

  private static double[] boxes(Skin skin) {
    double[] boxes = new double[6 * skin.count()];
    Runs.each(
        skin.count(),
        (from, to) -> {
          for (int t = from; t < to; t++) {
            skin.box(t, boxes, 6 * t);
          }
        });
    return boxes;
  }

  /** Which boxes reach into that round all others. */
  private static int[] within(double[] boxes, double[] others) {
    double[] all = new double[6];
    Arrays.fill(all, 0, 3, Double.POSITIVE_INFINITY);
    Arrays.fill(all, 3, 6, Double.NEGATIVE_INFINITY);
    for (int at = 0; at < others.length; at += 6) {
      for (int axis = 0; axis < 3; axis++) {
        all[axis] = Math.min(all[axis], others[at + axis]);
        all[3 + axis] = Math.max(all[3 + axis], others[at + 3 + axis]);
      }
    }
    int[] found = new int[boxes.length / 6];
    int count = 0;
    for (int t = 0; t < found.length; t++) {
      int at = 6 * t;
      if (boxes[at] <= all[3]
          && boxes[at + 1] <= all[4]
          && boxes[at + 2] <= all[5]
          && boxes[at + 3] >= all[0]
          && boxes[at + 4] >= all[1]
          && boxes[at + 5] >= all[2]) {
        found[count++] = t;
      }
    }
    return Arrays.copyOf(found, count);
  }

  private static double[] some(double[] boxes, int[] which) {
    double[] some = new double[6 * which.length];
    for (int i = 0; i < which.length; i++) {
      System.arraycopy(boxes, 6 * which[i], some, 6 * i, 6);
    }
    return some;
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
      known = new Spot(inOrder.size(), met, located(met, piece), new ArrayList<>(2));
      spots.put(met, known);
      inOrder.add(known);
    }
    known.pieces().add(piece);
    return known;
  }

  private Vec3 located(Met met, Piece piece) {
    if (met.kindA() == TrianglePair.VERTEX) {
      return placeOf(a, piece.ta(), met.idA());
    }
    if (met.kindB() == TrianglePair.VERTEX) {
      return placeOf(b, piece.tb(), met.idB());
    }
    // Where a side lies in the other's plane, it is the other's side that crosses.
    return met.kindA() == TrianglePair.SIDE && met.idA() != piece.alongA()
        ? crossing(a, met.idA(), piece.ta(), b, piece.tb())
        : crossing(b, met.idB(), piece.tb(), a, piece.ta());
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
    Skin other = ofA ? b : a;
    return (one, two) -> {
      double s = one.at().minus(p).dot(whole);
      double t = two.at().minus(p).dot(whole);
      if (Math.abs(s - t) > 1e-12 * whole.dot(whole)) {
        return Double.compare(s, t);
      }
      int u = crossed(one, ofA, p, q);
      int v = crossed(two, ofA, p, q);
      int exact =
          u < 0 || v < 0
              ? Double.compare(s, t)
              : Predicates.compareShares(
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

  /** A triangle of the other skin at a place whose plane a side crosses there; -1 if none does. */
  private int crossed(Spot spot, boolean ofA, Vec3 p, Vec3 q) {
    Skin other = ofA ? b : a;
    int kind = ofA ? spot.met().kindB() : spot.met().kindA();
    int id = ofA ? spot.met().idB() : spot.met().idA();
    Set<Integer> at = new TreeSet<>();
    for (Piece piece : spot.pieces()) {
      int u = ofA ? piece.tb() : piece.ta();
      at.add(u);
      if (kind == TrianglePair.SIDE) {
        at.add(other.across(id, u));
      } else if (kind == TrianglePair.VERTEX) {
        at.addAll(other.around(id, u));
      }
    }
    at.remove(Mesh.NONE);
    for (int u : at) {
      Vec3 r = other.place(u, 0);
      Vec3 s = other.place(u, 1);
      Vec3 t = other.place(u, 2);
      if (Predicates.side(r, s, t, p) != Predicates.side(r, s, t, q)) {
        return u;
      }
    }
    return -1;
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
