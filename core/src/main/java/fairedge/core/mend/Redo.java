package fairedge.core.mend;

import fairedge.core.mesh.Mesh;
import fairedge.core.step.Change;
import fairedge.core.step.Tidying;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.TreeSet;

/**
 * Faces joined into one, and that divided into quads without a new vertex: two triangles into a
 * quad, a triangle, a quad and a triangle into two quads.
 */
final class Redo {
  private static final int MOST_WAYS = 6;

  /** Faces of more corners in all are no small matter. */
  private static final int MOST_CORNERS = 64;

  private Redo() {}

  /**
   * @param faces that hang together by edges of two faces
   */
  static void plan(Ground ground, String does, List<Integer> faces, Plans plans) {
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
