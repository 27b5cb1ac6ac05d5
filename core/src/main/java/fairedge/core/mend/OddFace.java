package fairedge.core.mend;

import fairedge.core.fill.QuadParts;
import fairedge.core.mesh.Mesh;
import fairedge.core.step.Mending;
import fairedge.core.step.Tidying;
import java.util.Arrays;
import java.util.List;
import java.util.TreeSet;

/**
 * A face with an odd number of sides: by itself it can't be made quads; two of them can, or one and
 * the border.
 */
final class OddFace {
  private static final int MOST_PARTNERS = 4;

  /** No way is looked for that is dearer: it would be no small change any more. */
  private static final int DEAREST = 4000;

  /** A side is short that is shorter than so much of the mean of its face. */
  private static final double SHORT = 0.5;

  /** So far the ends of an edge drawn out of a vertex move. */
  private static final double DRAWN = 0.25;

  private OddFace() {}

  static String plan(Ground ground, int f, Plans plans) {
    Mesh mesh = ground.mesh();
    if (mesh.size(f) > QuadParts.MOST_SIDES) {
      return "A face of so many sides is not mended at once: cut it into smaller ones first.";
    }
    together(ground, f, plans);
    drawnOut(ground, f, plans);
    plans.later((then, more) -> routes(then, f, more));
    weld(ground, f, plans);
    for (int e : mesh.edges(f)) {
      if (mesh.isTwoSided(e)) {
        plans.accept(
            Plan.of(
                "Turn this edge: the odd face meets another.", new Tidying.TurnChange(List.of(e))));
      }
    }
    return "A face with an odd number of sides becomes quads only together with another, or with a"
        + " border: from here no quads lead to one.";
  }

  private static void routes(Ground ground, int f, Plans plans) {
    new RouteSearch(ground)
        .from(f, MOST_PARTNERS, DEAREST)
        .forEach(way -> Routes.plan(ground, way, plans));
  }

  /** With an odd face at one of its sides, or beyond a quad. */
  private static void together(Ground ground, int f, Plans plans) {
    Mesh mesh = ground.mesh();
    TreeSet<Integer> odd = new TreeSet<>();
    TreeSet<Integer> quads = new TreeSet<>();
    for (int e : mesh.edges(f)) {
      int g = beyond(mesh, e, f);
      if (g != Mesh.NONE) {
        (mesh.size(g) % 2 != 0 ? odd : quads).add(g);
      }
    }
    for (int g : odd) {
      Redo.plan(ground, Redo.LIFT, List.of(f, g), plans);
    }
    for (int q : quads) {
      if (mesh.size(q) == 4) {
        beyond(ground, f, q, odd, plans);
      }
    }
  }

  private static void beyond(Ground ground, int f, int q, TreeSet<Integer> beside, Plans plans) {
    Mesh mesh = ground.mesh();
    TreeSet<Integer> far = new TreeSet<>();
    for (int e : mesh.edges(q)) {
      int g = beyond(mesh, e, q);
      if (g != Mesh.NONE && g != f && mesh.size(g) % 2 != 0 && !beside.contains(g)) {
        far.add(g);
      }
    }
    for (int g : far) {
      Redo.plan(
          ground,
          "Lift two edges and divide anew: two odd faces and the quad between become quads.",
          List.of(f, q, g),
          plans);
    }
  }

  /** Of a triangle with one that it meets in a corner alone, the corner. */
  private static void drawnOut(Ground ground, int f, Plans plans) {
    Mesh mesh = ground.mesh();
    if (mesh.size(f) != 3) {
      return;
    }
    for (int v : mesh.vertices(f)) {
      TreeSet<Integer> across = new TreeSet<>();
      for (int g : mesh.facesAt(v)) {
        if (g != f && mesh.size(g) == 3 && isApart(mesh, f, g, v)) {
          across.add(g);
        }
      }
      for (int g : across) {
        plans.accept(
            Plan.of(
                "Draw the corner of two triangles out into an edge: both become quads.",
                new Mending.DrawOutChange(v, f, g, DRAWN)));
      }
    }
  }

  private static boolean isApart(Mesh mesh, int f, int g, int v) {
    return Arrays.stream(mesh.edgesAt(v))
        .noneMatch(e -> mesh.isTwoSided(e) && beyond(mesh, e, f) == g && isSideOf(mesh, e, f));
  }

  private static boolean isSideOf(Mesh mesh, int e, int f) {
    return Arrays.stream(mesh.facesOn(e)).anyMatch(g -> g == f);
  }

  static int beyond(Mesh mesh, int e, int f) {
    int[] both = mesh.facesOn(e);
    if (!mesh.isTwoSided(e) || both.length != 2) {
      return Mesh.NONE;
    }
    return both[0] == f ? both[1] : both[0];
  }

  private static void weld(Ground ground, int f, Plans plans) {
    Mesh mesh = ground.mesh();
    int shortest = Mesh.NONE;
    double sum = 0;
    for (int e : mesh.edges(f)) {
      sum += mesh.length(e);
      if (shortest == Mesh.NONE || mesh.length(e) < mesh.length(shortest)) {
        shortest = e;
      }
    }
    int g = beyond(mesh, shortest, f);
    boolean isAlone = g == Mesh.NONE ? mesh.uses(shortest) == 1 : mesh.size(g) % 2 != 0;
    if (isAlone && mesh.length(shortest) < SHORT * sum / mesh.size(f)) {
      plans.accept(
          Plan.of(
              "Weld its short side: it loses a corner.",
              new Tidying.CollapseChange(List.of(shortest))));
    }
  }
}
