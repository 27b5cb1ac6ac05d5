package fairedge.core.mend;

import fairedge.core.form.Inset;
import fairedge.core.form.Support;
import fairedge.core.inspect.finding.SupportFinding;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import fairedge.core.step.Forming;
import fairedge.core.survey.Places;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.TreeSet;

/** How the form fares when it is made smooth. */
final class Holds {
  private static final double[] SHARES = {0.4, 0.25, 0.15, 0.1, 0.06, 0.03, 0.015};

  private Holds() {}

  static String plan(Ground ground, SupportFinding finding, Plans plans) {
    List<Integer> edges = Ground.ids(finding.elements(), Element.Kind.EDGE);
    return switch (finding) {
      case SupportFinding.SoftEdge f -> support(ground, edges, plans);
      case SupportFinding.Pinch f -> pinch(ground, finding, plans);
      case SupportFinding.Tight f -> Slides.wider(ground, edges, plans);
      case SupportFinding.NoCollar f -> collar(ground, edges, plans);
    };
  }

  /** Hard edges where it pinches, held. */
  private static String pinch(Ground ground, SupportFinding finding, Plans plans) {
    Mesh mesh = ground.mesh();
    TreeSet<Integer> near = new TreeSet<>();
    for (Element element : finding.elements()) {
      switch (element.kind()) {
        case VERTEX -> Arrays.stream(mesh.edgesAt(element.id())).forEach(near::add);
        case EDGE -> near.add(element.id());
        case FACE -> Arrays.stream(mesh.edges(element.id())).forEach(near::add);
      }
    }
    List<Integer> hard = near.stream().filter(ground.facts().hardEdges()::isHard).toList();
    if (!hard.isEmpty()) {
      support(ground, hard, plans);
    }
    return "What pinches here is how the cage lies: hold the edges near it, or move them apart.";
  }

  /** The largest distance first. */
  private static String support(Ground ground, List<Integer> edges, Plans plans) {
    Mesh mesh = ground.mesh();
    double beside = Double.POSITIVE_INFINITY;
    for (int e : edges) {
      beside = Math.min(beside, Places.meanEdge(mesh, mesh.facesOn(e)));
    }
    for (double share : SHARES) {
      double distance = share * beside;
      plans.accept(
          Plan.of(
              String.format(
                  Locale.ROOT,
                  "Support %s by loops %.3g beside %s.",
                  edges.size() == 1 ? "this edge" : edges.size() + " edges",
                  distance,
                  edges.size() == 1 ? "it" : "them"),
              new Forming.SupportChange(
                  edges,
                  null,
                  Support.Holding.asked(null, distance, null, null, null, null, null, null))));
    }
    return "No line beside these edges holds them without worse.";
  }

  /** Round what stands on the other side of the outline. */
  private static String collar(Ground ground, List<Integer> edges, Plans plans) {
    Mesh mesh = ground.mesh();
    TreeSet<Integer> one = new TreeSet<>();
    for (int e : edges) {
      for (int f : mesh.facesOn(e)) {
        one.add(f);
      }
    }
    int[] sides =
        Arrays.stream(mesh.facesOn(edges.getFirst())).map(ground.facts().patches()::of).toArray();
    for (int flat : sides) {
      List<Integer> walls =
          one.stream().filter(f -> ground.facts().patches().of(f) != flat).toList();
      for (double share : new double[] {0.4, 0.2, 0.1, 0.05}) {
        double width = share * Places.meanEdge(mesh, mesh.facesOn(edges.getFirst()));
        if (!walls.isEmpty()) {
          plans.accept(
              Plan.of(
                  String.format(Locale.ROOT, "Lay a collar of quads round it, %.3g wide.", width),
                  new Forming.InsetChange(
                      walls, false, new Inset.Margin(width, 0, true, false, false))));
        }
      }
    }
    return "There is no room for a collar here.";
  }
}
