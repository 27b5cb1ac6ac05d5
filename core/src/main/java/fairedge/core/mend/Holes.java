package fairedge.core.mend;

import fairedge.core.flow.Ring;
import fairedge.core.flow.Stop;
import fairedge.core.inspect.finding.SurfaceFinding;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import fairedge.core.step.Change;
import fairedge.core.step.Tidying;
import fairedge.core.tidy.Cap;
import fairedge.core.tidy.Weld;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.TreeSet;

/** Borders: welded where they are seams, filled with quads where they are holes. */
final class Holes {
  private static final int MOST_RINGS = 4;

  private static final String LOOPED = "Put a loop across a ring that ends here, and fill";

  private Holes() {}

  static String plan(Ground ground, List<Integer> edges, Plans plans) {
    int sides = edges.size();
    int first = edges.getFirst();
    welded(ground, edges, plans);
    List<Change> before = turned(ground, edges);
    if (sides == 4) {
      List<Change> all = new ArrayList<>(before);
      all.add(new Tidying.FaceChange(edges));
      plans.accept(Plan.other("Fill this hole with one quad.", all.toArray(Change[]::new)));
    }
    if (sides % 2 == 0) {
      filled(first, sides, "", before, plans);
      return "";
    }
    for (Ring ring : rings(ground.mesh(), edges)) {
      int at = ring.edges().stream().filter(edges::contains).findFirst().orElseThrow();
      List<Change> all = new ArrayList<>(before);
      all.add(Change.LoopsChange.of(at, 0.5));
      if (sides == 3) {
        all.add(new Tidying.CapChange(new Cap.Plan(null, at, Cap.Form.GRID, 0, 0, 0, 0)));
        plans.accept(
            Plan.other(
                "Put a loop across %d %s, so that the hole has 4 sides, and fill it."
                    .formatted(ring.quads().size(), ring.quads().size() == 1 ? "quad" : "quads"),
                all.toArray(Change[]::new)));
      } else {
        filled(at, sides + 1, LOOPED, all, plans);
      }
    }
    return "With an odd number of sides it can't be filled with quads alone, and no ring that ends"
        + " here can be given a loop.";
  }

  /** Where vertices of the border lie in one place the hole is none. */
  private static void welded(Ground ground, List<Integer> edges, Plans plans) {
    Mesh mesh = ground.mesh();
    TreeSet<Integer> vertices = new TreeSet<>();
    edges.forEach(e -> {
      vertices.add(mesh.first(e));
      vertices.add(mesh.second(e));
    });
    double weld = ground.facts().weld();
    List<Change> welds = new ArrayList<>();
    while (!vertices.isEmpty()) {
      int v = vertices.removeFirst();
      vertices.stream()
          .filter(w -> mesh.position(w).distance(mesh.position(v)) <= weld)
          .findFirst()
          .ifPresent(w -> {
            vertices.remove(w);
            welds.add(new Tidying.WeldChange(List.of(v, w), Weld.At.FIRST));
          });
    }
    if (!welds.isEmpty()) {
      plans.accept(
          Plan.of(
              "Weld the vertices of the border that lie in one place.",
              welds.toArray(Change[]::new)));
    }
  }

  /** What has to be turned over first, so that all faces at a border look the same way. */
  private static List<Change> turned(Ground ground, List<Integer> edges) {
    Mesh mesh = ground.mesh();
    TreeSet<Integer> beside = new TreeSet<>();
    edges.forEach(e -> Arrays.stream(mesh.facesOn(e)).forEach(beside::add));
    return ground.report().findings().stream()
        .map(a -> a.finding())
        .filter(SurfaceFinding.Flipped.class::isInstance)
        .map(f -> Ground.ids(f.elements(), Element.Kind.FACE))
        .filter(faces -> faces.stream().anyMatch(beside::contains))
        .<Change>map(Tidying.FlipChange::new)
        .toList();
  }

  private static void filled(int edge, int sides, String first, List<Change> before, Plans plans) {
    int half = sides / 2;
    int tried = 0;
    for (int along = Math.max(1, sides / 4); along >= 1 && tried < 8 && sides > 4; along--) {
      int starts = Math.min(4, half);
      for (int start = 0; start < starts && tried < 8; start++, tried++) {
        grid(edge, along, half - along, start, first, before, plans);
      }
    }
    if (sides >= 6) {
      List<Change> all = new ArrayList<>(before);
      all.add(new Tidying.CapChange(new Cap.Plan(null, edge, Cap.Form.RINGS, 0, 0, 1, 0.6)));
      plans.accept(
          Plan.other(
              "Fill this hole with a ring of quads and a grid.", all.toArray(Change[]::new)));
    }
  }

  private static void grid(
      int edge, int along, int across, int start, String first, List<Change> before, Plans plans) {
    List<Change> all = new ArrayList<>(before);
    all.add(new Tidying.CapChange(new Cap.Plan(null, edge, Cap.Form.GRID, along, start, 0, 0)));
    plans.accept(
        Plan.other(
            "%s this hole with %d by %d quads."
                .formatted(first.isEmpty() ? "Fill" : first, along, across),
            all.toArray(Change[]::new)));
  }

  /**
   * Open ones that end at one of some border edges and nowhere else at them, the shortest first.
   */
  private static List<Ring> rings(Mesh mesh, List<Integer> edges) {
    TreeSet<Integer> own = new TreeSet<>(edges);
    return own.stream()
        .flatMap(e -> Ring.through(mesh, e).stream())
        .filter(ring ->
            !ring.closed()
                && ring.edges().stream().filter(own::contains).count() == 1
                && ring.stops().stream().allMatch(stop -> stop.cause() != Stop.Cause.CROWDED))
        .sorted(Comparator.comparingInt(ring -> ring.quads().size()))
        .limit(MOST_RINGS)
        .toList();
  }
}
