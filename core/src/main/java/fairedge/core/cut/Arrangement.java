package fairedge.core.cut;

import fairedge.core.effort.Effort;
import fairedge.core.geometry.Predicates;
import fairedge.core.geometry.Projection;
import fairedge.core.geometry.Vec3;
import fairedge.core.local.Refusal;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.IntUnaryOperator;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;

/**
 * The pieces of a cut in one face, seen along the face's normal, made planar: no piece runs through
 * a node or across another. Nodes are the face's vertices and places inside it; where pieces cross
 * a node comes, and what runs along the border or twice is left out. Cost: the square of the
 * pieces, and pieces times nodes, both less where they lie apart.
 */
final class Arrangement {
  private static final int MOST_CROSSINGS = 5000;

  private final int face;
  private final Projection projection;
  private final double merge;
  private final boolean isPlanar;
  private final List<Vec3> places = new ArrayList<>();
  private final List<Double> across = new ArrayList<>();
  private final List<Double> up = new ArrayList<>();
  private final List<Integer> vertices = new ArrayList<>();
  private final Map<Integer, Integer> ofVertex = new HashMap<>();
  private final Set<Piece> border = new LinkedHashSet<>();
  private Set<Piece> pieces = new LinkedHashSet<>();
  private int crossed;

  /** Pieces to the left of which, from their first node on, all is of one kind; see PlanarCut. */
  private final Set<Long> directed = new HashSet<>();

  private IntUnaryOperator kindOf = vertex -> 0;

  /** A straight piece between two nodes, the lower first. */
  record Piece(int a, int b) {
    static Piece between(int a, int b) {
      return a < b ? new Piece(a, b) : new Piece(b, a);
    }

    boolean endsAt(int node) {
      return a == node || b == node;
    }

    boolean meets(Piece other) {
      return endsAt(other.a) || endsAt(other.b);
    }
  }

  private record On(double t, int node) {}

  /**
   * @param shape the face's normal before any of it was cut
   */
  Arrangement(Mesh mesh, int face, Vec3 shape, double merge) {
    this(mesh, face, shape, merge, false);
  }

  /**
   * @param isPlanar whether it is known that no piece runs through a node or across another
   */
  Arrangement(Mesh mesh, int face, Vec3 shape, double merge, boolean isPlanar) {
    this.isPlanar = isPlanar;
    this.face = face;
    this.projection = Projection.along(shape);
    this.merge = merge;
    int[] ring = mesh.vertices(face);
    for (int v : ring) {
      if (!ofVertex.containsKey(v)) {
        realise(addNode(mesh.position(v)), v);
      }
    }
    for (int i = 0; i < ring.length; i++) {
      border.add(Piece.between(nodeOf(ring[i]), nodeOf(ring[(i + 1) % ring.length])));
    }
  }

  int addNode(Vec3 at) {
    places.add(at);
    across.add(projection.across(at));
    up.add(projection.up(at));
    vertices.add(Mesh.NONE);
    return places.size() - 1;
  }

  void realise(int node, int vertex) {
    vertices.set(node, vertex);
    ofVertex.put(vertex, node);
  }

  int nodeOf(int vertex) {
    Integer node = ofVertex.get(vertex);
    if (node == null) {
      throw new IllegalArgumentException("vertex " + vertex + " is not in the face that is cut");
    }
    return node;
  }

  int vertexOf(int node) {
    return vertices.get(node);
  }

  boolean isRealised(int node) {
    return vertices.get(node) != Mesh.NONE;
  }

  Vec3 at(int node) {
    return places.get(node);
  }

  /** The node at a place; one within the merge distance is that place. */
  int place(Vec3 at) {
    Effort.check();
    for (int i = 0; i < places.size(); i++) {
      if (places.get(i).distance(at) <= merge) {
        return i;
      }
    }
    return addNode(at);
  }

  void add(int a, int b) {
    if (a != b) {
      pieces.add(Piece.between(a, b));
    }
  }

  void direct(int from, int to) {
    directed.add((long) from << 32 | to);
  }

  /** What a side says of what lies to its left: 1 or -1; 0 where it says nothing. */
  int saysOfLeft(int from, int to) {
    boolean forward = directed.contains((long) from << 32 | to);
    boolean back = directed.contains((long) to << 32 | from);
    return forward == back ? 0 : forward ? 1 : -1;
  }

  void tell(IntUnaryOperator kindOf) {
    this.kindOf = kindOf;
  }

  /** Of which kind a vertex is, as {@link #saysOfLeft}. */
  int saysOf(int vertex) {
    return kindOf.applyAsInt(vertex);
  }

  boolean isPlanarByNature() {
    return isPlanar;
  }

  /** A place that belongs on a side of the border, at t along it from its lower node. */
  record OnBorder(int node, Piece side, double t) {}

  /** The pieces made planar, in order; those along the border are left out. */
  List<Piece> planar() {
    for (int known = -1; !isPlanar && places.size() > known; ) {
      // A crossing may come to lie on a third piece, which then bends to it.
      known = places.size();
      pieces = splitAtNodes();
      pieces = splitAtCrossings();
    }
    pieces.removeAll(border);
    return List.copyOf(pieces);
  }

  /**
   * Of the places of the pieces made {@link #planar} one within the merge distance of a side of the
   * border: it is on that side, which has to be split there and told by {@link #splitBorder}.
   */
  @Nullable OnBorder anyOnBorder() {
    for (Piece piece : isPlanar ? Set.<Piece>of() : pieces) {
      Effort.check();
      OnBorder found = onBorder(piece.a);
      found = found == null ? onBorder(piece.b) : found;
      if (found != null) {
        return found;
      }
    }
    return null;
  }

  private @Nullable OnBorder onBorder(int node) {
    if (!isRealised(node)) {
      for (Piece side : border) {
        if (isOn(side, places.get(node))) {
          return new OnBorder(node, side, along(side, places.get(node)));
        }
      }
    }
    return null;
  }

  /** A place became a vertex on a side of the border. */
  void splitBorder(OnBorder on, int vertex, Vec3 at) {
    places.set(on.node, at);
    across.set(on.node, projection.across(at));
    up.set(on.node, projection.up(at));
    realise(on.node, vertex);
    border.remove(on.side);
    border.add(Piece.between(on.side.a, on.node));
    border.add(Piece.between(on.node, on.side.b));
  }

  private Set<Piece> splitAtNodes() {
    Set<Piece> split = new LinkedHashSet<>();
    int[] order = leftToRight();
    for (Piece piece : pieces) {
      Effort.check();
      List<On> on = new ArrayList<>();
      for (int i = firstFrom(left(piece) - merge, order); i < order.length; i++) {
        int k = order[i];
        if (across.get(k) > right(piece) + merge) {
          break;
        }
        if (!piece.endsAt(k) && isOn(piece, places.get(k))) {
          on.add(new On(along(piece, places.get(k)), k));
        }
      }
      addParts(piece, on, split);
    }
    return split;
  }

  private int[] leftToRight() {
    return IntStream.range(0, places.size())
        .boxed()
        .sorted(Comparator.comparingDouble(across::get))
        .mapToInt(Integer::intValue)
        .toArray();
  }

  /** The place in an order from left to right of the first node that is not left of a line. */
  private int firstFrom(double line, int[] order) {
    int low = 0;
    int high = order.length;
    while (low < high) {
      int middle = (low + high) >>> 1;
      if (across.get(order[middle]) < line) {
        low = middle + 1;
      } else {
        high = middle;
      }
    }
    return low;
  }

  private boolean isOn(Piece piece, Vec3 p) {
    double t = along(piece, p);
    return t > 0
        && t < 1
        && places.get(piece.a).towards(places.get(piece.b), t).distance(p) <= merge;
  }

  private double along(Piece piece, Vec3 p) {
    Vec3 whole = places.get(piece.b).minus(places.get(piece.a));
    return p.minus(places.get(piece.a)).dot(whole) / whole.dot(whole);
  }

  private static void addParts(Piece piece, List<On> on, Set<Piece> to) {
    on.sort(Comparator.comparingDouble(On::t).thenComparingInt(On::node));
    int last = piece.a;
    for (On next : on) {
      if (next.node != last) {
        to.add(Piece.between(last, next.node));
        last = next.node;
      }
    }
    if (last != piece.b) {
      to.add(Piece.between(last, piece.b));
    }
  }

  /** By a sweep over the pieces from left to right. */
  private Set<Piece> splitAtCrossings() {
    List<Piece> byLeft = new ArrayList<>(pieces);
    byLeft.sort(Comparator.comparingDouble(this::left));
    Map<Piece, List<On>> crossings = new HashMap<>();
    for (int i = 0; i < byLeft.size(); i++) {
      Effort.check();
      Piece piece = byLeft.get(i);
      for (int j = i + 1; j < byLeft.size() && left(byLeft.get(j)) <= right(piece); j++) {
        if (!piece.meets(byLeft.get(j)) && cross(piece, byLeft.get(j))) {
          noteCrossing(piece, byLeft.get(j), crossings);
        }
      }
    }
    Set<Piece> split = new LinkedHashSet<>();
    for (Piece piece : pieces) {
      addParts(piece, crossings.getOrDefault(piece, new ArrayList<>()), split);
    }
    return split;
  }

  private double left(Piece piece) {
    return Math.min(across.get(piece.a), across.get(piece.b));
  }

  private double right(Piece piece) {
    return Math.max(across.get(piece.a), across.get(piece.b));
  }

  private void noteCrossing(Piece p, Piece q, Map<Piece, List<On>> crossings) {
    if (++crossed > MOST_CROSSINGS) {
      throw Refusal.because(
          "The cut crosses itself more than %d times in this face: cut it in parts."
              .formatted(MOST_CROSSINGS),
          Element.face(face));
    }
    double t = crossingAlong(p, q);
    double s = crossingAlong(q, p);
    Vec3 onP = places.get(p.a).towards(places.get(p.b), t);
    Vec3 onQ = places.get(q.a).towards(places.get(q.b), s);
    int node = place(onP.towards(onQ, 0.5));
    crossings.computeIfAbsent(p, k -> new ArrayList<>()).add(new On(t, node));
    crossings.computeIfAbsent(q, k -> new ArrayList<>()).add(new On(s, node));
  }

  /** Where along p it crosses q. */
  private double crossingAlong(Piece p, Piece q) {
    double qu = across.get(q.b) - across.get(q.a);
    double qv = up.get(q.b) - up.get(q.a);
    double a = qu * (up.get(p.a) - up.get(q.a)) - qv * (across.get(p.a) - across.get(q.a));
    double b = qu * (up.get(p.b) - up.get(q.a)) - qv * (across.get(p.b) - across.get(q.a));
    return a / (a - b);
  }

  /** Which way nodes a, b, c turn as seen along the normal. */
  int turn(int a, int b, int c) {
    return Predicates.turn(
        across.get(a), up.get(a), across.get(b), up.get(b), across.get(c), up.get(c));
  }

  /** Whether two pieces cross between their ends. */
  boolean cross(Piece p, Piece q) {
    return turn(p.a, p.b, q.a) * turn(p.a, p.b, q.b) < 0
        && turn(q.a, q.b, p.a) * turn(q.a, q.b, p.b) < 0;
  }

  /** Whether a node lies on a piece, between its ends. */
  boolean liesOn(int node, Piece p) {
    if (p.endsAt(node) || turn(p.a, p.b, node) != 0) {
      return false;
    }
    double du = across.get(p.b) - across.get(p.a);
    double dv = up.get(p.b) - up.get(p.a);
    double along = (across.get(node) - across.get(p.a)) * du + (up.get(node) - up.get(p.a)) * dv;
    return along > 0 && along < du * du + dv * dv;
  }

  /**
   * Whether the way from node i towards another sets out between the side that leaves it, to {@code
   * after}, and the one that comes to it, from {@code before}; the inside lies to the left.
   */
  boolean opensTo(int before, int i, int after, int towards) {
    boolean leftOfOut = turn(i, after, towards) > 0;
    boolean rightOfIn = turn(i, before, towards) < 0;
    int turn = turn(before, i, after);
    if (turn == 0) {
      return isSpike(before, i, after) || leftOfOut;
    }
    return turn > 0 ? leftOfOut && rightOfIn : leftOfOut || rightOfIn;
  }

  /**
   * The same with a number: by how much, in radians, the way keeps away from the nearer of both
   * sides; negative outside.
   */
  double room(int before, int i, int after, int towards) {
    if (isAt(i, towards) || isAt(i, before) || isAt(i, after)) {
      return 0;
    }
    double from = angle(i, after);
    double back = turned(from, angle(i, before));
    double whole = back == 0 ? 2 * Math.PI : back;
    double way = turned(from, angle(i, towards));
    return way <= whole ? Math.min(way, whole - way) : -Math.min(way - whole, 2 * Math.PI - way);
  }

  private boolean isAt(int node, int other) {
    return across.get(node).equals(across.get(other)) && up.get(node).equals(up.get(other));
  }

  private double angle(int from, int to) {
    return Math.atan2(up.get(to) - up.get(from), across.get(to) - across.get(from));
  }

  /** From one direction to the left to another, less than a whole turn. */
  private static double turned(double from, double to) {
    double by = to - from;
    return by < 0 ? by + 2 * Math.PI : by;
  }

  private boolean isSpike(int before, int i, int after) {
    return (across.get(before) - across.get(i)) * (across.get(after) - across.get(i))
            + (up.get(before) - up.get(i)) * (up.get(after) - up.get(i))
        > 0;
  }

  /** Whether a node lies inside a ring of nodes by the even-odd rule. */
  boolean holds(int[] ring, int node) {
    boolean inside = false;
    for (int i = 0, j = ring.length - 1; i < ring.length; j = i++) {
      boolean high = up.get(ring[i]) > up.get(node);
      if (high != up.get(ring[j]) > up.get(node)) {
        int side = turn(ring[j], ring[i], node);
        if (up.get(ring[i]) > up.get(ring[j]) == side > 0) {
          inside = !inside;
        }
      }
    }
    return inside;
  }
}
