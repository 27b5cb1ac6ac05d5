package fairedge.core.mend;

import fairedge.core.fill.QuadParts;
import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;
import fairedge.core.step.Change;
import fairedge.core.step.Tidying;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.TreeSet;
import java.util.function.Consumer;
import java.util.stream.IntStream;
import java.util.stream.Stream;

/**
 * Faces joined into one, and that divided into quads without a new vertex: two triangles into a
 * quad, a triangle, a quad and a triangle into two quads.
 */
final class Redo {
  static final String LIFT = "Lift the edge between two odd faces: only quads are left.";

  private static final int MOST_WAYS = 6;

  /** Faces of more corners in all are no small matter. */
  private static final int MOST_CORNERS = 64;

  private Redo() {}

  /**
   * @param faces that hang together by edges of two faces
   */
  static void plan(Ground ground, String does, List<Integer> faces, Consumer<Plan> plans) {
    Mesh mesh = ground.mesh();
    if (faces.stream().mapToInt(mesh::size).sum() > MOST_CORNERS) {
      return;
    }
    List<Integer> between = between(mesh, faces);
    int sides = faces.stream().mapToInt(mesh::size).sum() - 2 * between.size();
    if (sides < 4 || sides % 2 != 0 || !faces.stream().allMatch(ground::isOpen)) {
      return;
    }
    Change lift = new Tidying.LiftChange(between, List.of(), false);
    if (sides == 4) {
      plans.accept(Plan.of(does, lift));
      return;
    }
    int kept = new TreeSet<>(faces).first();
    Price price = new Price();
    faces.forEach(f -> Arrays.stream(mesh.vertices(f)).forEach(v -> price.know(ground, v)));
    between.forEach(e -> price.lose(mesh.first(e), mesh.second(e)));
    for (int way = 0; way < MOST_WAYS; way++) {
      int number = way;
      plans.accept(
          Plan.of(
              does,
              (now, made) -> List.of(lift),
              (now, made) -> {
                List<Divide.Parts> ways = Divide.all(now, kept, price);
                return number < ways.size() ? ways.get(number).changes() : List.of();
              }));
    }
  }

  /**
   * What it costs to lift the only edge between two odd faces and to divide what comes of it; empty
   * where they have more in common, or it can't be divided.
   */
  static Optional<RouteSearch.Found> lifted(Ground ground, int f, int g) {
    Mesh mesh = ground.mesh();
    List<Integer> between = between(mesh, List.of(f, g));
    int sides = mesh.size(f) + mesh.size(g) - 2;
    if (between.size() != 1
        || sides > QuadParts.MOST_SIDES
        || !mesh.isMeasurable(f)
        || !mesh.isMeasurable(g)) {
      return Optional.empty();
    }
    int e = between.getFirst();
    int[] ring = joined(mesh, e, f);
    Price price = new Price();
    Arrays.stream(ring).forEach(v -> price.know(ground, v));
    int less = price.ofOneLess(mesh.first(e)) + price.ofOneLess(mesh.second(e));
    price.lose(mesh.first(e), mesh.second(e));
    Vec3[] places = Arrays.stream(ring).mapToObj(mesh::position).toArray(Vec3[]::new);
    Stream<QuadParts.Way> ways =
        sides == 4
            ? Stream.of(QuadParts.Way.NOTHING)
            : QuadParts.all(places, normal(mesh, f, g), (i, k) -> mesh.findEdge(ring[i], ring[k]))
                .stream();
    return ways.map(way ->
            price.of(
                way.chords().stream()
                    .flatMapToInt(c -> IntStream.of(ring[c.from()], ring[c.to()]))))
        .min(Comparator.naturalOrder())
        .map(cost ->
            new RouteSearch.Found(
                Math.min(f, g), Math.max(f, g), List.of(), cost + less + sides / 2 - 3, 0));
  }

  private static Vec3 normal(Mesh mesh, int f, int g) {
    return mesh.polygon(f).newell().plus(mesh.polygon(g).newell());
  }

  /** The corners round both of the faces on an edge. */
  private static int[] joined(Mesh mesh, int e, int f) {
    int side = mesh.firstSideOn(e);
    int own = mesh.faceOf(side) == f ? side : mesh.nextOnEdge(side);
    List<Integer> ring = new ArrayList<>();
    for (int start : new int[] {own, mesh.nextOnEdge(own)}) {
      for (int c = mesh.next(start); c != start; c = mesh.next(c)) {
        ring.add(mesh.vertexOf(c));
      }
    }
    return ring.stream().mapToInt(Integer::intValue).toArray();
  }

  private static List<Integer> between(Mesh mesh, List<Integer> faces) {
    TreeSet<Integer> chosen = new TreeSet<>(faces);
    List<Integer> between = new ArrayList<>();
    for (int f : chosen) {
      for (int e : mesh.edges(f)) {
        int[] both = mesh.facesOn(e);
        if (mesh.isTwoSided(e)
            && both.length == 2
            && f == Math.min(both[0], both[1])
            && chosen.contains(Math.max(both[0], both[1]))) {
          between.add(e);
        }
      }
    }
    return between;
  }
}
