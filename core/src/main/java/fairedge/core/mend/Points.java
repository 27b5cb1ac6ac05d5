package fairedge.core.mend;

import fairedge.core.geometry.Vec3;
import fairedge.core.inspect.finding.VerticesFinding;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import fairedge.core.step.Change;
import fairedge.core.step.Forming;
import fairedge.core.step.Mending;
import fairedge.core.step.Tidying;
import fairedge.core.tidy.Weld;
import fairedge.core.work.Scope;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.TreeSet;

/** Vertices and edges too many, or not joined. */
final class Points {
  private Points() {}

  static String plan(Ground ground, VerticesFinding finding, Plans plans) {
    List<Integer> vertices = Ground.ids(finding.elements(), Element.Kind.VERTEX);
    List<Integer> edges = Ground.ids(finding.elements(), Element.Kind.EDGE);
    return switch (finding) {
      case VerticesFinding.IdleVertex f -> idle(ground, vertices.getFirst(), plans);
      case VerticesFinding.BentVertex f -> idle(ground, vertices.getFirst(), plans);
      case VerticesFinding.DoubleVertices f -> together(ground, vertices, plans);
      case VerticesFinding.Seam f -> seam(ground, edges, plans);
      case VerticesFinding.Touching f ->
          touching(ground, vertices.getFirst(), edges.getFirst(), plans);
      case VerticesFinding.ShortEdge f -> shortEdge(ground, edges.getFirst(), plans);
      case VerticesFinding.Slit f -> slit(ground, vertices.getFirst(), plans);
      case VerticesFinding.LooseVertex f -> loose(List.of(), vertices, "vertex", plans);
      case VerticesFinding.LooseEdge f -> loose(edges, List.of(), "edge", plans);
      case VerticesFinding.IdleLoop f -> Loop.lift(edges, plans);
    };
  }

  private static String idle(Ground ground, int v, Plans plans) {
    Mesh mesh = ground.mesh();
    plans.accept(
        Plan.of(
            "Lift this vertex: its two edges become one.",
            new Tidying.LiftChange(List.of(), List.of(v), false)));
    for (int f : mesh.facesAt(v)) {
      if (mesh.size(f) == 4) {
        // Without its idle corner it is a triangle, which wants a partner.
        liftedAndRouted(ground, v, f, plans);
      }
    }
    runOn(ground, v, plans);
    return "";
  }

  /** The face without the vertex is odd: with the odd face beyond, or through what lies flat. */
  private static void liftedAndRouted(Ground ground, int v, int f, Plans plans) {
    Mesh mesh = ground.mesh();
    for (int e : mesh.edges(f)) {
      int g = OddFace.beyond(mesh, e, f);
      if (g != Mesh.NONE && mesh.size(g) == 3 && mesh.first(e) != v && mesh.second(e) != v) {
        plans.accept(
            Plan.of(
                "Lift this vertex and the edge to the triangle beside it: one quad is left.",
                new Tidying.LiftChange(List.of(e), List.of(v), false)));
      }
    }
  }

  /** From a vertex on a side of two faces on, across both and the rings beyond. */
  private static void runOn(Ground ground, int v, Plans plans) {
    Mesh mesh = ground.mesh();
    List<Change> both = new ArrayList<>();
    for (int f : mesh.facesAt(v)) {
      List<Integer> way = Loop.across(mesh, v, f);
      if (way.isEmpty()) {
        return;
      }
      both.add(new Mending.RouteChange(v, way));
    }
    if (!both.isEmpty()) {
      plans.accept(Plan.of("Run an edge loop on from this vertex.", both.toArray(Change[]::new)));
    }
  }

  private static String together(Ground ground, List<Integer> vertices, Plans plans) {
    Mesh mesh = ground.mesh();
    List<Integer> order = new ArrayList<>(vertices);
    vertices.stream()
        .filter(v -> mesh.edgeAt(v) != Mesh.NONE && ground.facts().hardEdges().meet(v))
        .findFirst()
        .ifPresent(v -> {
          order.remove(v);
          order.addFirst(v);
        });
    String does = "Weld these %d vertices into one.".formatted(vertices.size());
    plans.accept(Plan.of(does, new Tidying.WeldChange(order, Weld.At.FIRST)));
    plans.accept(Plan.of(does, new Tidying.WeldChange(vertices, Weld.At.MIDDLE)));
    if (!order.equals(vertices)) {
      plans.accept(Plan.of(does, new Tidying.WeldChange(vertices, Weld.At.FIRST)));
    }
    plans.accept(Plan.of(does, new Tidying.WeldChange(vertices, Weld.At.LAST)));
    List<Integer> lone = vertices.stream().filter(v -> !mesh.isInFace(v)).toList();
    if (!lone.isEmpty() && lone.size() < vertices.size()) {
      plans.accept(
          Plan.other(
              "Delete the vertices that are in no face.",
              new Tidying.DeleteChange(List.of(), List.of(), lone)));
    }
    pairwise(ground, vertices, plans);
    return "Welded, these vertices would pinch the surface or fold a face.";
  }

  /** Of a cluster that would pinch as one, those that lie nearest to each other. */
  private static void pairwise(Ground ground, List<Integer> vertices, Plans plans) {
    if (vertices.size() == 4) {
      for (int k = 1; k < 4; k++) {
        List<Integer> rest = new ArrayList<>(vertices);
        int first = rest.removeFirst();
        int mate = rest.remove(k - 1);
        plans.accept(
            Plan.of(
                "Weld these vertices in pairs.",
                new Tidying.WeldChange(List.of(first, mate), Weld.At.FIRST),
                new Tidying.WeldChange(rest, Weld.At.FIRST)));
      }
    }
  }

  private static String shortEdge(Ground ground, int e, Plans plans) {
    Mesh mesh = ground.mesh();
    List<Integer> ends = List.of(mesh.first(e), mesh.second(e));
    plans.accept(Plan.of("Weld the ends of this edge.", new Tidying.CollapseChange(List.of(e))));
    together(ground, ends, plans);
    return "Welded, the ends of this edge would pinch the surface or fold a face.";
  }

  /** The vertices of both runs, each to the nearest of the other run. */
  private static String seam(Ground ground, List<Integer> edges, Plans plans) {
    Mesh mesh = ground.mesh();
    plans.accept(Plan.of("Weld along the seam.", new Forming.RejoinChange(edges)));
    TreeSet<Integer> faces = new TreeSet<>();
    double mean = 0;
    for (int e : edges) {
      Arrays.stream(mesh.facesOn(e)).forEach(faces::add);
      mean += mesh.length(e) / edges.size();
    }
    for (double share : new double[] {0.05, 0.1, 0.02}) {
      plans.accept(
          Plan.of(
              "Weld along the seam.",
              new Tidying.WeldNearChange(share * mean, Scope.of(List.copyOf(faces)))));
    }
    plans.accept(SeamSplit.plan(mesh, edges));
    return "";
  }

  private static String touching(Ground ground, int v, int e, Plans plans) {
    Mesh mesh = ground.mesh();
    Vec3 from = mesh.position(mesh.first(e));
    Vec3 along = mesh.position(mesh.second(e)).minus(from);
    double t = mesh.position(v).minus(from).dot(along) / along.dot(along);
    plans.accept(
        Plan.of(
            "Split the edge where the vertex touches it, and weld both.",
            (now, made) -> List.of(new Tidying.SplitChange(List.of(e), t)),
            (now, made) ->
                List.of(
                    new Tidying.WeldChange(
                        List.of(v, made.getLast().newVertices().getFirst()), Weld.At.FIRST))));
    return "";
  }

  private static String slit(Ground ground, int v, Plans plans) {
    for (int e : ground.mesh().edgesAt(v)) {
      plans.accept(
          Plan.of(
              "Lift the edge that the face goes along there and back.",
              new Tidying.LiftChange(List.of(e), List.of(), false)));
    }
    return "";
  }

  private static String loose(
      List<Integer> edges, List<Integer> vertices, String what, Plans plans) {
    plans.accept(
        Plan.other(
            "Delete this loose %s.".formatted(what),
            new Tidying.DeleteChange(List.of(), edges, vertices)));
    return "";
  }
}
