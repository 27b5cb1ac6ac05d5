package fairedge.core.survey;

import fairedge.core.geometry.Tolerance;
import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;
import fairedge.core.near.PointGrid;
import fairedge.core.near.SegmentGrid;
import fairedge.core.survey.Wanted.Line;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.Deque;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.IntStream;

/**
 * Marks on a starter: chosen by element, kept by place, so that they hold for any file too. Cost of
 * marking: what is marked already and what is chosen; of asking what is marked: the starter.
 */
public final class Marking {
  private Marking() {}

  /** What is marked. */
  public enum Sort {
    /** Edges that are hard however little they turn. */
    HARD,
    /** Vertices in the middle of ends that something will cover. */
    COVERED,
    /** Faces that may be cut. */
    CUTTABLE,
    /** Vertices that are to stay. */
    HELD,
    /** Edges along which edges are to run. */
    LINE
  }

  /**
   * Marks elements of a starter; where all of them are marked already, takes the mark off.
   *
   * @param ids of edges, vertices or faces, as the sort has it
   * @throws IllegalArgumentException if the starter has no such element, or it has no place
   */
  public static Wanted marked(
      Wanted wanted, Sort sort, Starter starter, Tolerance tolerance, List<Integer> ids) {
    Mesh mesh = starter.mesh();
    double near = tolerance.flat();
    return switch (sort) {
      case HARD -> with(wanted, sort, lines(wanted.hardLines(), edges(mesh, ids)), List.of());
      case LINE -> lined(wanted, mesh, ids);
      case COVERED ->
          with(wanted, sort, List.of(), places(wanted.coveredEnds(), vertices(mesh, ids), near));
      case HELD -> with(wanted, sort, List.of(), places(wanted.held(), vertices(mesh, ids), near));
      case CUTTABLE ->
          with(wanted, sort, List.of(), cuttable(wanted.cuttable(), starter, faces(mesh, ids)));
    };
  }

  /**
   * The same for edges of any mesh, along which edges are to run.
   *
   * @throws IllegalArgumentException if the mesh has no such edge, or it has no place
   */
  public static Wanted lined(Wanted wanted, Mesh mesh, List<Integer> edges) {
    return with(wanted, Sort.LINE, lines(wanted.lines(), edges(mesh, edges)), List.of());
  }

  private static Wanted with(Wanted w, Sort sort, List<Line> lines, List<Vec3> places) {
    return new Wanted(
        w.parts(),
        w.faces(),
        w.distance(),
        w.mirror(),
        w.rightRound(),
        sort == Sort.LINE ? lines : w.lines(),
        sort == Sort.HARD ? lines : w.hardLines(),
        sort == Sort.COVERED ? places : w.coveredEnds(),
        sort == Sort.CUTTABLE ? places : w.cuttable(),
        sort == Sort.HELD ? places : w.held(),
        w.pardons());
  }

  private static List<Vec3> vertices(Mesh mesh, List<Integer> ids) {
    return ids.stream()
        .map(v -> {
          require(mesh.hasVertex(v) && mesh.hasPlace(v), "there is no vertex " + v);
          return mesh.position(v);
        })
        .toList();
  }

  private static List<Segment> edges(Mesh mesh, List<Integer> ids) {
    return ids.stream()
        .map(e -> {
          require(
              mesh.hasEdge(e) && mesh.hasPlace(mesh.first(e)) && mesh.hasPlace(mesh.second(e)),
              "there is no edge " + e);
          return Segment.of(mesh.position(mesh.first(e)), mesh.position(mesh.second(e)));
        })
        .toList();
  }

  private static List<Integer> faces(Mesh mesh, List<Integer> ids) {
    for (int f : ids) {
      require(mesh.hasFace(f) && mesh.isMeasurable(f), "there is no face " + f);
    }
    return ids;
  }

  private static void require(boolean holds, String told) {
    if (!holds) {
      throw new IllegalArgumentException(told);
    }
  }

  private static List<Vec3> places(List<Vec3> marked, List<Vec3> chosen, double near) {
    PointGrid before = grid(marked, near);
    List<Vec3> more = chosen.stream().filter(p -> !before.hasNear(p)).toList();
    if (more.isEmpty()) {
      PointGrid off = grid(chosen, near);
      return marked.stream().filter(p -> !off.hasNear(p)).toList();
    }
    List<Vec3> next = new ArrayList<>(marked);
    for (Vec3 place : more) {
      // Two of the chosen may lie in one place.
      if (!before.hasNear(place)) {
        before.add(place);
        next.add(place);
      }
    }
    return next;
  }

  private static PointGrid grid(List<Vec3> places, double near) {
    PointGrid grid = new PointGrid(near);
    places.forEach(grid::add);
    return grid;
  }

  private static List<Vec3> cuttable(List<Vec3> marked, Starter starter, List<Integer> chosen) {
    Map<Integer, Vec3> now = new LinkedHashMap<>();
    for (Vec3 place : marked) {
      starter.facesAt(List.of(place)).stream().forEach(f -> now.put(f, place));
    }
    if (now.keySet().containsAll(chosen)) {
      chosen.forEach(now::remove);
    } else {
      chosen.forEach(f -> now.putIfAbsent(f, Places.onFace(starter.mesh(), f)));
    }
    return List.copyOf(now.values());
  }

  /** One straight piece of a line, whichever way it runs. */
  private record Segment(Vec3 a, Vec3 b) {
    static Segment of(Vec3 a, Vec3 b) {
      int order = Double.compare(a.x(), b.x());
      order = order != 0 ? order : Double.compare(a.y(), b.y());
      order = order != 0 ? order : Double.compare(a.z(), b.z());
      return order <= 0 ? new Segment(a, b) : new Segment(b, a);
    }
  }

  /** Lines with pieces more or less, each as long as no third piece meets it. */
  private static List<Line> lines(List<Line> marked, List<Segment> chosen) {
    Set<Segment> now = new LinkedHashSet<>();
    for (Line line : marked) {
      for (int i = 1; i < line.points().size(); i++) {
        now.add(Segment.of(line.points().get(i - 1), line.points().get(i)));
      }
    }
    if (now.containsAll(chosen)) {
      chosen.forEach(now::remove);
    } else {
      now.addAll(chosen);
    }
    return joined(List.copyOf(now));
  }

  private static List<Line> joined(List<Segment> all) {
    Map<Vec3, List<Integer>> at = new HashMap<>();
    for (int i = 0; i < all.size(); i++) {
      at.computeIfAbsent(all.get(i).a(), p -> new ArrayList<>()).add(i);
      at.computeIfAbsent(all.get(i).b(), p -> new ArrayList<>()).add(i);
    }
    boolean[] used = new boolean[all.size()];
    List<Line> lines = new ArrayList<>();
    for (int i = 0; i < all.size(); i++) {
      if (!used[i]) {
        used[i] = true;
        Deque<Vec3> points = new ArrayDeque<>(List.of(all.get(i).a(), all.get(i).b()));
        follow(all, at, used, points);
        lines.add(new Line(List.copyOf(points)));
      }
    }
    return lines;
  }

  /** Adds pieces at both ends, as long as exactly one goes on there. */
  private static void follow(
      List<Segment> all, Map<Vec3, List<Integer>> at, boolean[] used, Deque<Vec3> points) {
    for (boolean atEnd : new boolean[] {true, false}) {
      int next = next(at, used, atEnd ? points.getLast() : points.getFirst());
      while (next >= 0) {
        used[next] = true;
        Segment piece = all.get(next);
        if (atEnd) {
          points.addLast(piece.a().equals(points.getLast()) ? piece.b() : piece.a());
        } else {
          points.addFirst(piece.a().equals(points.getFirst()) ? piece.b() : piece.a());
        }
        next = next(at, used, atEnd ? points.getLast() : points.getFirst());
      }
    }
  }

  private static int next(Map<Vec3, List<Integer>> at, boolean[] used, Vec3 end) {
    List<Integer> there = at.getOrDefault(end, List.of());
    return there.size() == 2 ? there.stream().filter(i -> !used[i]).findFirst().orElse(-1) : -1;
  }

  /**
   * What of a starter is marked, by its ids.
   *
   * @param locked the faces that may not be cut; none where all may
   */
  public record Marks(
      List<Integer> hard,
      List<Integer> covered,
      List<Integer> cuttable,
      List<Integer> locked,
      List<Integer> held) {
    public static final Marks NONE =
        new Marks(List.of(), List.of(), List.of(), List.of(), List.of());
  }

  /** What is marked of a starter. */
  public static Marks of(Wanted wanted, Starter starter, Tolerance tolerance) {
    Mesh mesh = starter.mesh();
    List<Integer> cuttable = ids(starter.facesAt(wanted.cuttable()));
    List<Integer> locked = ids(starter.lockedBut(wanted.cuttable()));
    return new Marks(
        hardEdges(wanted, mesh, tolerance),
        ids(starter.verticesAt(wanted.coveredEnds())),
        cuttable,
        locked,
        ids(starter.verticesAt(wanted.held())));
  }

  /** The edges of a mesh along which a marked hard line runs. */
  public static List<Integer> hardEdges(Wanted wanted, Mesh mesh, Tolerance tolerance) {
    if (wanted.hardLines().isEmpty()) {
      return List.of();
    }
    SegmentGrid lines = new Asking(wanted, List.of()).hardLines(tolerance);
    return IntStream.range(0, mesh.edgeEnd())
        .filter(e ->
            mesh.hasEdge(e)
                && mesh.hasPlace(mesh.first(e))
                && mesh.hasPlace(mesh.second(e))
                && lines.covers(mesh.position(mesh.first(e)), mesh.position(mesh.second(e))))
        .boxed()
        .toList();
  }

  private static List<Integer> ids(BitSet set) {
    return set.stream().boxed().toList();
  }
}
