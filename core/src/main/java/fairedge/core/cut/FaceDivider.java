package fairedge.core.cut;

import fairedge.core.cut.Arrangement.Piece;
import fairedge.core.effort.Effort;
import fairedge.core.geometry.Vec3;
import fairedge.core.local.MeshEdit;
import fairedge.core.local.Refusal;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;

/**
 * Divides one face along the pieces of an arrangement, path by path: each path runs from a vertex
 * that the face or one of its parts has to another, over places that become vertices (an open ear
 * decomposition; Whitney, "Non-separable and planar graphs", 1932). Pieces that hang on the border
 * at one vertex only, or not at all (an island), are first joined to it by short edges, as few as
 * will do, so that no part has a hole. Cost: for each path the parts at its ends.
 */
final class FaceDivider {
  /**
   * A second joining edge may be this much longer than the shortest to lie farther from the first.
   */
  private static final double LONGER = 1.25;

  private static final int MOST_PAIRS = 60_000;
  private static final int NO_TIP = -1;

  /** Directions that differ by less, in radians, are not told apart by rounded places. */
  private static final double UNCLEAR = 1e-6;

  private final MeshEdit edit;
  private final Mesh mesh;
  private final int face;
  private final Arrangement plan;
  private final Set<Integer> parts = new HashSet<>();
  private final Map<Integer, TreeSet<Integer>> open = new TreeMap<>();

  private record Candidate(int from, int to, double length) {}

  private record Corners(int part, int from, int to) {}

  FaceDivider(MeshEdit edit, int face, Arrangement plan) {
    this.edit = edit;
    this.mesh = edit.mesh();
    this.face = face;
    this.plan = plan;
    parts.add(face);
  }

  /**
   * @throws Refusal.Raised where a second edge would come between two vertices
   */
  void divide() {
    for (Piece piece : planar()) {
      open(piece.a(), piece.b());
    }
    while (!open.isEmpty()) {
      List<Integer> path = findPath();
      if (path == null) {
        joinToBorder();
      } else {
        cut(path);
      }
    }
  }

  /** Where pieces cross within the merge distance of a side of the face, that side is split. */
  private List<Piece> planar() {
    List<Piece> pieces = plan.planar();
    for (var on = plan.anyOnBorder(); on != null; on = plan.anyOnBorder()) {
      int side = mesh.findEdge(plan.vertexOf(on.side().a()), plan.vertexOf(on.side().b()));
      boolean isForward = mesh.first(side) == plan.vertexOf(on.side().a());
      Vec3 at = mesh.along(side, isForward ? on.t() : 1 - on.t());
      plan.splitBorder(on, edit.splitEdge(side, at), at);
      pieces = plan.planar();
    }
    return pieces;
  }

  private void open(int a, int b) {
    open.computeIfAbsent(a, n -> new TreeSet<>()).add(b);
    open.computeIfAbsent(b, n -> new TreeSet<>()).add(a);
  }

  private void close(int a, int b) {
    closeAt(a, b);
    closeAt(b, a);
  }

  private void closeAt(int a, int b) {
    TreeSet<Integer> left = open.get(a);
    if (left != null) {
      left.remove(b);
      if (left.isEmpty()) {
        open.remove(a);
      }
    }
  }

  /** From the lowest vertex on to which pieces hang that lead on to another; null if none do. */
  private @Nullable List<Integer> findPath() {
    for (int start : open.keySet()) {
      if (plan.isRealised(start)) {
        Effort.check();
        List<Integer> path = shortestFrom(start);
        if (path != null) {
          return path;
        }
      }
    }
    return null;
  }

  private @Nullable List<Integer> shortestFrom(int start) {
    Map<Integer, Integer> cameFrom = new HashMap<>(Map.of(start, start));
    Deque<Integer> next = new ArrayDeque<>(List.of(start));
    while (!next.isEmpty()) {
      int at = next.poll();
      for (int to : open.getOrDefault(at, new TreeSet<>())) {
        if (cameFrom.putIfAbsent(to, at) == null) {
          if (plan.isRealised(to)) {
            return wayTo(to, start, cameFrom);
          }
          next.add(to);
        }
      }
    }
    return null;
  }

  private static List<Integer> wayTo(int end, int start, Map<Integer, Integer> cameFrom) {
    List<Integer> path = new ArrayList<>(List.of(end));
    while (path.getLast() != start) {
      path.add(cameFrom.getOrDefault(path.getLast(), start));
    }
    return path.reversed();
  }

  private void cut(List<Integer> path) {
    for (int i = 1; i < path.size(); i++) {
      close(path.get(i - 1), path.get(i));
    }
    int a = plan.vertexOf(path.getFirst());
    int b = plan.vertexOf(path.getLast());
    if (path.size() == 2 && mesh.findEdge(a, b) != Mesh.NONE) {
      requireOwnEdge(mesh.findEdge(a, b));
      return;
    }
    Corners corners = cornersFor(path);
    List<Integer> inner = path.subList(1, path.size() - 1);
    int made = mesh.vertexEnd();
    List<Vec3> bends = inner.stream().map(plan::at).toList();
    parts.add(edit.splitFace(corners.part(), corners.from(), corners.to(), bends));
    for (int node : inner) {
      plan.realise(node, made++);
    }
  }

  /** Where an edge of this face runs already no cut is needed; another edge forbids it. */
  private void requireOwnEdge(int e) {
    for (int f : mesh.facesOn(e)) {
      if (parts.contains(f)) {
        return;
      }
    }
    throw Refusal.because(
        "Another edge joins these two vertices already; a second one can't be.", Element.edge(e));
  }

  private Corners cornersFor(List<Integer> path) {
    int a = plan.vertexOf(path.getFirst());
    int b = plan.vertexOf(path.getLast());
    int[] both =
        Arrays.stream(mesh.facesAt(a))
            .filter(part -> parts.contains(part) && mesh.findCorner(part, b) != Mesh.NONE)
            .toArray();
    if (both.length == 1 && mesh.corners(both[0], a) == 1 && mesh.corners(both[0], b) == 1) {
      // It can be nowhere else, whatever rounded places say of the way it sets out.
      return new Corners(both[0], mesh.findCorner(both[0], a), mesh.findCorner(both[0], b));
    }
    for (int part : plan.isPlanarByNature() ? new int[0] : both) {
      int from = cornerOpenTo(part, a, path.get(1));
      int to = cornerOpenTo(part, b, path.get(path.size() - 2));
      if (from != Mesh.NONE && to != Mesh.NONE) {
        return new Corners(part, from, to);
      }
    }
    // Of a face that crosses itself, or where places were rounded: it is cut where it can best be.
    List<Roomy> rooms = Arrays.stream(both).mapToObj(part -> roomiest(part, path)).toList();
    double most = rooms.stream().mapToDouble(Roomy::room).max().orElse(0);
    List<Roomy> best = rooms.stream().filter(r -> r.room() >= most - UNCLEAR).toList();
    if (best.size() == 1) {
      return best.getFirst().corners();
    }
    return best.stream()
        .min(
            Comparator.<Roomy>comparingInt(r -> conflicts(r.corners(), path))
                .thenComparing(Comparator.comparingDouble(Roomy::room).reversed()))
        .map(Roomy::corners)
        .orElseThrow(() ->
            Refusal.because(
                "This face crosses itself, so it can't be told where the cut runs.",
                Element.face(face)));
  }

  /** How many sides of what a path would make say otherwise of it than most do. */
  private int conflicts(Corners corners, List<Integer> path) {
    int[] says = new int[2];
    for (int i = 1; i < path.size(); i++) {
      count(plan.saysOfLeft(path.get(i - 1), path.get(i)), says);
    }
    int[] left = says.clone();
    int[] right = {says[1], says[0]};
    // On from the path's end to its start lies what is to its left; from its start on, the rest.
    countSides(corners.to(), corners.from(), left);
    countSides(corners.from(), corners.to(), right);
    return Math.min(left[0], left[1]) + Math.min(right[0], right[1]);
  }

  private void countSides(int from, int to, int[] says) {
    for (int c = from; c != to; c = mesh.next(c)) {
      if (c != from) {
        count(plan.saysOf(mesh.vertexOf(c)), says);
      }
      int a = plan.nodeOf(mesh.vertexOf(c));
      count(plan.saysOfLeft(a, plan.nodeOf(mesh.vertexOf(mesh.next(c)))), says);
    }
  }

  private static void count(int said, int[] says) {
    if (said != 0) {
      says[said > 0 ? 0 : 1]++;
    }
  }

  /** How far from its sides a path sets out and comes in, in radians. */
  private record Roomy(Corners corners, double room) {}

  private Roomy roomiest(int part, List<Integer> path) {
    int from = roomiest(part, plan.vertexOf(path.getFirst()), path.get(1));
    int to = roomiest(part, plan.vertexOf(path.getLast()), path.get(path.size() - 2));
    double room = Math.min(room(from, path.get(1)), room(to, path.get(path.size() - 2)));
    return new Roomy(new Corners(part, from, to), room);
  }

  /** Of the corners of a part at a vertex the one from which the way has the most room. */
  private int roomiest(int part, int v, int towards) {
    int best = mesh.findCorner(part, v);
    int c = mesh.firstCorner(part);
    for (int i = mesh.size(part); i > 0; i--, c = mesh.next(c)) {
      if (mesh.vertexOf(c) == v && room(c, towards) > room(best, towards)) {
        best = c;
      }
    }
    return best;
  }

  private double room(int c, int towards) {
    return plan.room(
        plan.nodeOf(mesh.vertexOf(mesh.previous(c))),
        plan.nodeOf(mesh.vertexOf(c)),
        plan.nodeOf(mesh.vertexOf(mesh.next(c))),
        towards);
  }

  /** The corner of a part at a vertex from which the way towards a node sets out into it. */
  private int cornerOpenTo(int part, int v, int towards) {
    int c = mesh.firstCorner(part);
    for (int i = mesh.size(part); i > 0; i--) {
      if (mesh.vertexOf(c) == v && isOpen(c, towards)) {
        return c;
      }
      c = mesh.next(c);
    }
    return Mesh.NONE;
  }

  private boolean isOpen(int c, int towards) {
    return plan.opensTo(
        plan.nodeOf(mesh.vertexOf(mesh.previous(c))),
        plan.nodeOf(mesh.vertexOf(c)),
        plan.nodeOf(mesh.vertexOf(mesh.next(c))),
        towards);
  }

  /** Joins the first group of pieces that can be joined to the border of the part round it. */
  private void joinToBorder() {
    for (List<Integer> group : groups()) {
      List<Integer> hung = group.stream().filter(plan::isRealised).toList();
      int part = partRound(group, hung);
      if (part != Mesh.NONE
          && (join(group, hung, part, false)
              || plan.isPlanarByNature() && join(group, hung, part, true))) {
        return;
      }
    }
    throw Refusal.because(
        "A closed line inside this face can't be joined to its border: end it on an edge.",
        Element.face(face));
  }

  private List<List<Integer>> groups() {
    List<List<Integer>> groups = new ArrayList<>();
    Set<Integer> known = new HashSet<>();
    for (int start : open.keySet()) {
      if (known.add(start)) {
        List<Integer> group = new ArrayList<>(List.of(start));
        for (int i = 0; i < group.size(); i++) {
          for (int to : open.getOrDefault(group.get(i), new TreeSet<>())) {
            if (known.add(to)) {
              group.add(to);
            }
          }
        }
        groups.add(group);
      }
    }
    return groups;
  }

  private int partRound(List<Integer> group, List<Integer> hung) {
    if (hung.isEmpty()) {
      return partHolding(group);
    }
    int at = hung.getFirst();
    for (int towards : open.getOrDefault(at, new TreeSet<>())) {
      for (int part : mesh.facesAt(plan.vertexOf(at))) {
        if (parts.contains(part) && cornerOpenTo(part, plan.vertexOf(at), towards) != Mesh.NONE) {
          return part;
        }
      }
    }
    return Mesh.NONE;
  }

  /** The part in which most of them lie: rounded, one may have come to lie on a side of it. */
  private int partHolding(List<Integer> group) {
    int best = Mesh.NONE;
    long most = 0;
    for (int part : new TreeSet<>(parts)) {
      int[] ring = ring(part);
      long held = group.stream().filter(node -> plan.holds(ring, node)).count();
      if (held > most) {
        most = held;
        best = part;
      }
    }
    return best;
  }

  private int[] ring(int part) {
    return Arrays.stream(mesh.vertices(part)).map(plan::nodeOf).toArray();
  }

  /**
   * @param loosely where rounded places came to lie on a side, the way may run along it
   */
  private boolean join(List<Integer> group, List<Integer> hung, int part, boolean loosely) {
    int[] ring = ring(part);
    List<Piece> inTheWay = piecesOf(ring);
    int start = hung.isEmpty() ? group.getFirst() : hung.getFirst();
    List<Set<Integer>> tips = Tips.of(open, start, !hung.isEmpty());
    List<Integer> from = group.stream().filter(n -> tipOf(n, tips) != NO_TIP).toList();
    List<Candidate> candidates = candidates(from, ring);
    Candidate first =
        hung.isEmpty()
            ? firstFree(candidates, inTheWay, part, loosely)
            : new Candidate(hung.getFirst(), hung.getFirst(), 0);
    if (first == null) {
      return false;
    }
    int tip = tipOf(first.from(), tips);
    List<Candidate> fromOthers =
        candidates.stream().filter(c -> tipOf(c.from(), tips) != tip).toList();
    Candidate second = oppositeOf(first, fromOthers, inTheWay, part, ring, loosely);
    if (second == null) {
      second = oppositeOf(first, candidates, inTheWay, part, ring, loosely);
    }
    if (second == null) {
      return false;
    }
    if (hung.isEmpty()) {
      open(first.from(), first.to());
    }
    open(second.from(), second.to());
    return true;
  }

  private static int tipOf(int node, List<Set<Integer>> tips) {
    for (int i = 0; i < tips.size(); i++) {
      if (tips.get(i).contains(node)) {
        return i;
      }
    }
    return NO_TIP;
  }

  private List<Piece> piecesOf(int[] ring) {
    List<Piece> pieces = new ArrayList<>();
    for (int i = 0; i < ring.length; i++) {
      pieces.add(Piece.between(ring[i], ring[(i + 1) % ring.length]));
    }
    open.forEach((a, ends) -> ends.tailSet(a).forEach(b -> pieces.add(new Piece(a, b))));
    return pieces;
  }

  /** All ways from the group to the ring, of many only some, the shortest first. */
  private List<Candidate> candidates(List<Integer> group, int[] ring) {
    int stride = 1 + (int) ((long) group.size() * ring.length / MOST_PAIRS);
    List<Candidate> candidates = new ArrayList<>();
    for (int i = 0; i < group.size(); i += stride) {
      int from = group.get(i);
      for (int to : ring) {
        if (!plan.isRealised(from) && from != to) {
          candidates.add(new Candidate(from, to, plan.at(from).distance(plan.at(to))));
        }
      }
    }
    candidates.sort(
        Comparator.comparingDouble(Candidate::length)
            .thenComparingInt(Candidate::from)
            .thenComparingInt(Candidate::to));
    return candidates;
  }

  private @Nullable Candidate firstFree(
      List<Candidate> candidates, List<Piece> inTheWay, int part, boolean loosely) {
    for (Candidate c : candidates) {
      if (isFree(c, inTheWay, part, loosely)) {
        return c;
      }
    }
    return null;
  }

  /** Of the short ways apart from the first the one that leaves the border most evenly parted. */
  private @Nullable Candidate oppositeOf(
      Candidate first,
      List<Candidate> candidates,
      List<Piece> inTheWay,
      int part,
      int[] ring,
      boolean loosely) {
    Piece taken = Piece.between(first.from(), first.to());
    int from = position(ring, first.to());
    Candidate best = null;
    int bestApart = -1;
    double longest = Double.POSITIVE_INFINITY;
    for (Candidate c : candidates) {
      if (c.length() > longest) {
        break;
      }
      boolean apart = c.from() != first.from() && c.to() != first.to();
      if (!apart || plan.cross(taken, Piece.between(c.from(), c.to()))) {
        continue;
      }
      int steps = Math.floorMod(position(ring, c.to()) - from, ring.length);
      int between = Math.min(steps, ring.length - steps);
      if (between > bestApart && isFree(c, inTheWay, part, loosely)) {
        longest = best == null ? c.length() * LONGER : longest;
        best = c;
        bestApart = between;
      }
    }
    return best;
  }

  private static int position(int[] ring, int node) {
    for (int i = 0; i < ring.length; i++) {
      if (ring[i] == node) {
        return i;
      }
    }
    return 0;
  }

  private boolean isFree(Candidate c, List<Piece> inTheWay, int part, boolean loosely) {
    int to = plan.vertexOf(c.to());
    boolean isOpen =
        loosely
            ? room(roomiest(part, to, c.from()), c.from()) >= 0
            : cornerOpenTo(part, to, c.from()) != Mesh.NONE;
    if (!isOpen) {
      return false;
    }
    Piece way = Piece.between(c.from(), c.to());
    for (Piece other : inTheWay) {
      boolean touches =
          plan.liesOn(other.a(), way)
              || plan.liesOn(other.b(), way)
              || plan.liesOn(c.from(), other);
      if (plan.cross(way, other) || touches && !loosely) {
        return false;
      }
    }
    return true;
  }
}
