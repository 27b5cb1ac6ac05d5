package fairedge.core.mend;

import fairedge.core.inspect.finding.SidesFinding;
import fairedge.core.inspect.sides.TriangleFinder;
import fairedge.core.mesh.Mesh;
import fairedge.core.step.Change;
import fairedge.core.step.Tidying;
import fairedge.core.survey.PairMatching;
import fairedge.core.tidy.Cap;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.TreeSet;

/** Pairs, fans and stray ones. */
final class Triangles {
  private Triangles() {}

  static String plan(Ground ground, SidesFinding.Triangle finding, Plans plans) {
    return switch (finding.form()) {
      case PAIR -> pair(ground, finding.faces(), plans);
      case FAN -> fan(ground, finding, plans);
      case STRAY -> OddFace.plan(ground, finding.faces().getFirst(), plans);
    };
  }

  private static String pair(Ground ground, List<Integer> faces, Plans plans) {
    Redo.plan(ground, "Lift this edge: two triangles become one quad.", faces, plans);
    OddFace.plan(ground, faces.getFirst(), plans);
    return "";
  }

  private static String fan(Ground ground, SidesFinding.Triangle finding, Plans plans) {
    Mesh mesh = ground.mesh();
    List<Integer> faces = finding.faces();
    int middle = finding.elements().getFirst().id();
    List<Integer> spokes = spokes(mesh, faces, middle);
    boolean isClosed = spokes.size() == faces.size();
    if (faces.size() % 2 == 0 && (faces.size() >= 6 || !isClosed)) {
      alternate(spokes, 0, plans);
      if (isClosed) {
        alternate(spokes, 1, plans);
      }
    }
    if (isClosed && faces.size() % 2 == 0) {
      filled(mesh, faces, middle, plans);
    }
    OddFace.plan(ground, faces.getFirst(), plans);
    return isClosed && faces.size() % 2 != 0
        ? "A fan with an odd number of triangles becomes quads only together with another odd face."
        : "";
  }

  private static void alternate(List<Integer> spokes, int first, Plans plans) {
    List<Integer> lifted = new ArrayList<>();
    for (int i = first; i < spokes.size(); i += 2) {
      lifted.add(spokes.get(i));
    }
    plans.accept(
        Plan.of(
            "Lift every second edge of the fan: its triangles become %d quads."
                .formatted(lifted.size()),
            new Tidying.LiftChange(lifted, List.of(), false)));
  }

  /** The middle out, and what is left filled. */
  private static void filled(Mesh mesh, List<Integer> faces, int middle, Plans plans) {
    Change lift = new Tidying.LiftChange(List.of(), List.of(middle), false);
    int kept = new TreeSet<>(faces).first();
    int sides = faces.size();
    if (sides == 4) {
      plans.accept(Plan.of("Lift the middle of the fan: one quad is left.", lift));
      return;
    }
    for (int start = 0; start < Math.min(4, sides / 2) && sides >= 6; start++) {
      int along = Math.max(1, sides / 4);
      int corner =
          mesh.vertices(kept)[0] == middle ? mesh.vertices(kept)[1] : mesh.vertices(kept)[0];
      Cap.Plan grid = new Cap.Plan(kept, null, Cap.Form.GRID, along, start, 0, 0, corner);
      plans.accept(
          Plan.of(
              "Fill the end with %d by %d quads in place of the fan."
                  .formatted(along, sides / 2 - along),
              lift,
              new Tidying.CapChange(grid)));
    }
    plans.accept(
        Plan.of(
            "Fill the end with a ring of quads and a grid in place of the fan.",
            lift,
            new Tidying.CapChange(new Cap.Plan(kept, null, Cap.Form.RINGS, 0, 0, 1, 0.6))));
  }

  /** The edges between them at the middle, in order round it. */
  private static List<Integer> spokes(Mesh mesh, List<Integer> faces, int middle) {
    TreeSet<Integer> own = new TreeSet<>(faces);
    int start = own.first();
    for (int f : own) {
      // Of an open fan one at its end.
      if (neighbours(mesh, f, middle, own).size() == 1) {
        start = f;
        break;
      }
    }
    List<Integer> spokes = new ArrayList<>();
    int f = start;
    int last = Mesh.NONE;
    do {
      int next = Mesh.NONE;
      for (int e : neighbours(mesh, f, middle, own)) {
        if (e != last && (next == Mesh.NONE || e < next)) {
          next = e;
        }
      }
      if (next == Mesh.NONE) {
        break;
      }
      spokes.add(next);
      last = next;
      f = OddFace.beyond(mesh, next, f);
    } while (f != start && spokes.size() < faces.size());
    return spokes;
  }

  private static List<Integer> neighbours(Mesh mesh, int f, int middle, TreeSet<Integer> own) {
    return Arrays.stream(mesh.edges(f))
        .filter(e -> mesh.first(e) == middle || mesh.second(e) == middle)
        .filter(e -> own.contains(OddFace.beyond(mesh, e, f)))
        .sorted()
        .boxed()
        .toList();
  }

  /** All pairs of a mesh of triangles at once. */
  static String all(Ground ground, Plans plans) {
    List<PairMatching.Candidate> candidates =
        TriangleFinder.candidates(ground.facts(), ground.facts().otherThanQuads().triangles());
    List<Integer> lifted =
        PairMatching.best(candidates).stream().map(PairMatching.Candidate::edge).sorted().toList();
    if (!lifted.isEmpty()) {
      plans.accept(
          Plan.of(
              "Lift %d edges: as many pairs of triangles as can be become quads."
                  .formatted(lifted.size()),
              new Tidying.LiftChange(lifted, List.of(), false)));
    }
    return "No two triangles here make a quad.";
  }
}
