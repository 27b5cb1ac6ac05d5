package fairedge.core.mend;

import fairedge.core.cut.LoopPlaces;
import fairedge.core.cut.Loops;
import fairedge.core.flow.Ring;
import fairedge.core.inspect.finding.FlowFinding;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import fairedge.core.step.Change;
import fairedge.core.step.Mending;
import fairedge.core.step.Tidying;
import fairedge.core.work.Scope;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;

/** Rings that stop, loops that end, poles, widths. */
final class Loop {
  private static final int MOST_LOOPS = 4;

  private Loop() {}

  static String plan(Ground ground, FlowFinding finding, Plans plans) {
    List<Integer> faces = Ground.ids(finding.elements(), Element.Kind.FACE);
    List<Integer> edges = Ground.ids(finding.elements(), Element.Kind.EDGE);
    List<Integer> vertices = Ground.ids(finding.elements(), Element.Kind.VERTEX);
    return switch (finding) {
      case FlowFinding.RingStop f -> face(ground, faces.getFirst(), plans);
      case FlowFinding.LoopEnd f -> ends(ground, vertices, edges, plans);
      case FlowFinding.DeadEnd f -> ends(ground, vertices, edges, plans);
      case FlowFinding.Pole f -> pole(ground, vertices.getFirst(), plans);
      case FlowFinding.Spiral f -> turns(ground, faces, plans);
      case FlowFinding.Jump f -> jump(ground, edges, plans);
      case FlowFinding.Stretched f -> stretched(ground, faces.getFirst(), f.aspect(), plans);
      case FlowFinding.Askew f ->
          "How edges run over a bent form is decided where they are cut: lift them and cut anew.";
    };
  }

  /** What makes quads of a face. */
  static String face(Ground ground, int f, Plans plans) {
    Mesh mesh = ground.mesh();
    List<Integer> idle = EvenFace.idle(mesh, f);
    if (!idle.isEmpty() && mesh.size(f) - idle.size() >= 3) {
      plans.accept(
          Plan.of(
              idle.size() == 1
                  ? "Lift the idle vertex of this face."
                  : "Lift the %d idle vertices of this face.".formatted(idle.size()),
              new Tidying.LiftChange(List.of(), idle, false)));
      if ((mesh.size(f) - idle.size()) % 2 == 0) {
        Price price = Price.at(ground, f);
        plans.accept(
            Plan.of(
                "Lift the idle vertices of this face, and divide it into quads.",
                (now, made) -> List.of(new Tidying.LiftChange(List.of(), idle, false)),
                (now, made) -> {
                  List<Divide.Parts> ways = Divide.all(now, f, price);
                  return ways.isEmpty() ? List.of() : ways.getFirst().changes();
                }));
      }
    }
    if (mesh.size(f) == 3) {
      return ground
          .triangleAt(f)
          .map(triangle -> Triangles.plan(ground, triangle, plans))
          .orElseGet(() -> OddFace.plan(ground, f, plans));
    }
    if (mesh.size(f) % 2 != 0) {
      return OddFace.plan(ground, f, plans);
    }
    EvenFace.plan(ground, f, plans);
    return "";
  }

  private static String ends(
      Ground ground, List<Integer> vertices, List<Integer> edges, Plans plans) {
    Mesh mesh = ground.mesh();
    TreeSet<Integer> faces = new TreeSet<>();
    for (int v : vertices) {
      for (int f : mesh.facesAt(v)) {
        if (mesh.size(f) != 4) {
          faces.add(f);
        }
      }
    }
    lift(edges, plans);
    String reason = "";
    for (int f : faces) {
      reason = face(ground, f, plans);
    }
    return reason;
  }

  /** A loop taken back. */
  static String lift(List<Integer> edges, Plans plans) {
    plans.accept(
        Plan.of(
            "Lift this loop of %d %s."
                .formatted(edges.size(), edges.size() == 1 ? "edge" : "edges"),
            new Tidying.LiftChange(edges, List.of(), true)));
    return "";
  }

  private static String pole(Ground ground, int v, Plans plans) {
    Mesh mesh = ground.mesh();
    TreeSet<Integer> near = new TreeSet<>();
    for (int f : mesh.facesAt(v)) {
      for (int e : mesh.edges(f)) {
        near.add(e);
      }
    }
    boolean isMany = mesh.valence(v) > 4;
    for (int e : near) {
      boolean isAt = mesh.first(e) == v || mesh.second(e) == v;
      if (isAt == isMany && mesh.isTwoSided(e)) {
        plans.accept(
            Plan.of(
                "Turn this edge: it joins other vertices.", new Tidying.TurnChange(List.of(e))));
      }
    }
    for (int e : mesh.edgesAt(v)) {
      Ring.through(mesh, e)
          .filter(ring -> ring.edges().size() <= 200)
          .ifPresent(ring ->
              plans.accept(
                  Plan.of(
                      "Collapse the ring of %d quads here.".formatted(ring.quads().size()),
                      new Tidying.CollapseChange(ring.edges()))));
    }
    return "No edge can be turned here without a pole as bad elsewhere.";
  }

  private static String turns(Ground ground, List<Integer> faces, Plans plans) {
    Mesh mesh = ground.mesh();
    TreeSet<Integer> near = new TreeSet<>();
    for (int f : faces) {
      for (int e : mesh.edges(f)) {
        near.add(e);
      }
    }
    for (int e : near) {
      if (mesh.isTwoSided(e)) {
        plans.accept(
            Plan.of(
                "Turn this edge: the ring goes on elsewhere.", new Tidying.TurnChange(List.of(e))));
      }
    }
    return "";
  }

  private static String jump(Ground ground, List<Integer> edges, Plans plans) {
    Mesh mesh = ground.mesh();
    int e = edges.getFirst();
    Slides.between(ground, e, plans);
    int wide = Mesh.NONE;
    for (int c = mesh.firstSideOn(e), i = 0; i < mesh.uses(e); i++, c = mesh.nextOnEdge(c)) {
      int rung = mesh.edgeOf(mesh.next(c));
      if (mesh.size(mesh.faceOf(c)) == 4
          && (wide == Mesh.NONE || mesh.length(rung) > mesh.length(wide))) {
        wide = rung;
      }
    }
    if (wide == Mesh.NONE) {
      return "";
    }
    loops(wide, 1, "Put %d %s into the wide strip.", plans);
    return "";
  }

  private static String stretched(Ground ground, int f, double aspect, Plans plans) {
    Mesh mesh = ground.mesh();
    int longest = Mesh.NONE;
    for (int e : mesh.edges(f)) {
      if (longest == Mesh.NONE || mesh.length(e) > mesh.length(longest)) {
        longest = e;
      }
    }
    loops(longest, (int) Math.ceil(aspect / 8) - 1, "Put %d %s across the long quad.", plans);
    return "";
  }

  private static void loops(int e, int least, String does, Plans plans) {
    for (int n = Math.max(1, least); n < Math.max(1, least) + MOST_LOOPS; n++) {
      plans.accept(
          Plan.of(
              does.formatted(n, n == 1 ? "loop" : "loops"),
              new Change.LoopsChange(
                  e,
                  new LoopPlaces.Even(n, 1, 0, LoopPlaces.Measure.FRACTION),
                  Loops.Shape.STRAIGHT,
                  false,
                  Scope.WHOLE)));
    }
  }

  /**
   * From a vertex in a face of 5 sides across to the side opposite, and straight on over quads to a
   * border or a face that is none; the edges crossed, or none where it comes back to itself.
   */
  static List<Integer> across(Mesh mesh, int v, int f) {
    if (mesh.size(f) != 5) {
      return List.of();
    }
    List<Integer> edges = new ArrayList<>();
    Set<Integer> seen = new HashSet<>();
    int side = mesh.next(mesh.next(mesh.findCorner(f, v)));
    while (true) {
      int e = mesh.edgeOf(side);
      if (!seen.add(e) || mesh.uses(e) > 2) {
        return List.of();
      }
      edges.add(e);
      if (mesh.uses(e) == 1) {
        return edges;
      }
      side = mesh.nextOnEdge(side);
      if (mesh.size(mesh.faceOf(side)) != 4) {
        return edges;
      }
      side = mesh.next(mesh.next(side));
    }
  }

  /** A line that ends in a vertex, run on into the faces ahead. */
  static void runOn(Ground ground, List<Integer> ends, List<Integer> line, Plans plans) {
    Mesh mesh = ground.mesh();
    Set<Integer> own = new HashSet<>(line);
    for (int v : ends) {
      for (int f : mesh.facesAt(v)) {
        boolean isAhead = Arrays.stream(mesh.edges(f)).noneMatch(own::contains);
        List<Integer> way = isAhead ? across(mesh, v, f) : List.of();
        if (!way.isEmpty()) {
          plans.accept(
              Plan.of("Run this line on across the ring.", new Mending.RouteChange(v, way)));
        }
      }
    }
  }
}
