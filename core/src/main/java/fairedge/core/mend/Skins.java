package fairedge.core.mend;

import fairedge.core.inspect.finding.SurfaceFinding;
import fairedge.core.meet.Meet.MeetWay;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import fairedge.core.step.Forming;
import fairedge.core.step.Mending;
import fairedge.core.step.Tidying;
import fairedge.core.tidy.Relax;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.Deque;
import java.util.List;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.IntStream;

/** Where a mesh is no sound surface. */
final class Skins {
  /** Taken apart by so much of S, and by more where the weld distance is more. */
  private static final double APART = 1e-5;

  /** A patch of more faces is no small thing to take out, unless all others are larger. */
  private static final int MOST_PATCHES = 6;

  private Skins() {}

  static String plan(Ground ground, SurfaceFinding finding, Plans plans) {
    List<Integer> faces = Ground.ids(finding.elements(), Element.Kind.FACE);
    List<Integer> edges = Ground.ids(finding.elements(), Element.Kind.EDGE);
    List<Integer> vertices = Ground.ids(finding.elements(), Element.Kind.VERTEX);
    return switch (finding) {
      case SurfaceFinding.Border f -> Holes.plan(ground, edges, plans);
      case SurfaceFinding.CrowdedEdge f -> crowded(ground, edges.getFirst(), plans);
      case SurfaceFinding.BowTie f -> bowTie(ground, vertices.getFirst(), plans);
      case SurfaceFinding.Flipped f -> flipped(faces, "Turn %d %s over.", plans);
      case SurfaceFinding.OneSurface f ->
          "This surface has one side only: no turning of faces makes them alike.";
      case SurfaceFinding.InsideOut f -> insideOut(ground, faces.getFirst(), plans);
      case SurfaceFinding.RepeatedCorner f ->
          "Its repeated corner was left out when the file was read: written again, it is whole.";
      case SurfaceFinding.UnreadableFace f ->
          "The face was left out when the file was read: what it was to be is not known.";
      case SurfaceFinding.NoPlace f -> noPlace(ground, vertices.getFirst(), plans);
      case SurfaceFinding.TwinFaces f -> twins(faces, plans);
      case SurfaceFinding.InnerFaces f -> gone(faces, "Delete the inner faces.", plans);
      case SurfaceFinding.NoArea f -> thin(ground, faces.getFirst(), plans);
      case SurfaceFinding.Sliver f -> thin(ground, faces.getFirst(), plans);
      case SurfaceFinding.Concave f -> bent(ground, faces.getFirst(), plans);
      case SurfaceFinding.Warped f -> bent(ground, faces.getFirst(), plans);
      case SurfaceFinding.Folded f -> folded(ground, edges.getFirst(), plans);
      case SurfaceFinding.Crossing f -> crossing(ground, faces, plans);
      case SurfaceFinding.Tangled f ->
          "Too much passes through itself here to be mended one by one.";
      case SurfaceFinding.OtherParts f ->
          "Which part is too many, or what was to be joined, is for you to say.";
    };
  }

  /** A patch of surface at the edge out, the smallest first; or two of them joined no more. */
  private static String crowded(Ground ground, int e, Plans plans) {
    Mesh mesh = ground.mesh();
    TreeMap<Integer, List<Integer>> patches = new TreeMap<>();
    TreeSet<Integer> known = new TreeSet<>();
    for (int f : mesh.facesOn(e)) {
      if (!known.contains(f)) {
        List<Integer> patch = patch(mesh, f);
        known.addAll(patch);
        patches.put(f, patch);
      }
    }
    List<List<Integer>> order = new ArrayList<>(patches.values());
    order.sort(Comparator.comparingInt(List::size));
    for (List<Integer> patch : order.subList(0, Math.min(MOST_PATCHES, order.size()))) {
      gone(patch, "Delete the patch of %d %s at this edge.", plans);
    }
    for (int f : mesh.facesOn(e)) {
      gone(List.of(f), "Delete this face at the edge.", plans);
    }
    for (int i = 0; i < order.size(); i++) {
      for (int k = i + 1; k < order.size(); k++) {
        List<Integer> both = new ArrayList<>(order.get(i));
        both.addAll(order.get(k));
        gone(both, "Delete two patches of %d %s at this edge.", plans);
      }
    }
    return "";
  }

  /** Faces that hang together without crowded edges. */
  private static List<Integer> patch(Mesh mesh, int start) {
    TreeSet<Integer> patch = new TreeSet<>(List.of(start));
    Deque<Integer> open = new ArrayDeque<>(patch);
    while (!open.isEmpty()) {
      int f = open.remove();
      for (int e : mesh.edges(f)) {
        if (mesh.uses(e) == 2) {
          for (int g : mesh.facesOn(e)) {
            if (patch.add(g)) {
              open.add(g);
            }
          }
        }
      }
    }
    return List.copyOf(patch);
  }

  private static String gone(List<Integer> faces, String does, Plans plans) {
    plans.accept(
        Plan.other(
            does.formatted(faces.size(), faces.size() == 1 ? "face" : "faces"),
            new Tidying.DeleteChange(faces, List.of(), List.of())));
    return "";
  }

  private static String twins(List<Integer> faces, Plans plans) {
    TreeSet<Integer> all = new TreeSet<>(faces);
    gone(List.copyOf(all.tailSet(all.first(), false)), "Delete the doubled faces but one.", plans);
    gone(List.copyOf(all.headSet(all.last(), false)), "Delete the doubled faces but one.", plans);
    gone(List.copyOf(all), "Delete all %d %s that lie on each other.", plans);
    return "";
  }

  private static String bowTie(Ground ground, int v, Plans plans) {
    double by = Math.max(APART * ground.facts().tolerance().scale(), 4 * ground.facts().weld());
    for (double times : new double[] {1, 10, 100}) {
      plans.accept(
          Plan.of(
              "Take the pieces apart that hang together here.",
              new Mending.ApartChange(List.of(v), times * by)));
    }
    return "";
  }

  private static String flipped(List<Integer> faces, String does, Plans plans) {
    plans.accept(
        Plan.other(
            does.formatted(faces.size(), faces.size() == 1 ? "face" : "faces"),
            new Tidying.FlipChange(faces)));
    return "";
  }

  private static String insideOut(Ground ground, int face, Plans plans) {
    Mesh mesh = ground.mesh();
    int part = ground.facts().parts().partOf(face);
    List<Integer> faces =
        IntStream.range(0, mesh.faceEnd())
            .filter(f -> mesh.hasFace(f) && ground.facts().parts().partOf(f) == part)
            .boxed()
            .toList();
    return flipped(faces, "Turn the whole part over: %d %s.", plans);
  }

  private static String noPlace(Ground ground, int v, Plans plans) {
    if (ground.mesh().isInFace(v)) {
      plans.accept(
          Plan.of(
              "Lift the vertex that has no place.",
              new Tidying.LiftChange(List.of(), List.of(v), false)));
    }
    plans.accept(
        Plan.other(
            "Delete the vertex that has no place.",
            new Tidying.DeleteChange(List.of(), List.of(), List.of(v))));
    return "";
  }

  /** Its short side into one vertex, or its long side turned. */
  private static String thin(Ground ground, int f, Plans plans) {
    Mesh mesh = ground.mesh();
    List<Integer> sides =
        Arrays.stream(mesh.edges(f))
            .boxed()
            .distinct()
            .sorted(Comparator.comparingDouble(mesh::length))
            .toList();
    int shortest = sides.getFirst();
    int longest = sides.getLast();
    plans.accept(
        Plan.of("Collapse its short side.", new Tidying.CollapseChange(List.of(shortest))));
    if (mesh.isTwoSided(longest)) {
      plans.accept(Plan.of("Turn its long side.", new Tidying.TurnChange(List.of(longest))));
    }
    for (int e : sides.reversed()) {
      int g = OddFace.beyond(mesh, e, f);
      if (g != Mesh.NONE) {
        Redo.plan(ground, "Join it with the face beside it.", List.of(f, g), plans);
      }
    }
    for (int e : sides) {
      plans.accept(Plan.of("Collapse this side.", new Tidying.CollapseChange(List.of(e))));
    }
    if (mesh.size(f) == 4) {
      plans.accept(
          Plan.of(
              "Collapse both short sides.",
              new Tidying.CollapseChange(List.of(sides.get(0), sides.get(1)))));
    }
    gone(List.of(f), "Delete this face.", plans);
    return "";
  }

  private static String bent(Ground ground, int f, Plans plans) {
    Mesh mesh = ground.mesh();
    for (int e : mesh.edges(f)) {
      int g = OddFace.beyond(mesh, e, f);
      if (g != Mesh.NONE) {
        Redo.plan(ground, "Turn this edge: the two faces are divided anew.", List.of(f, g), plans);
      }
    }
    List<Integer> corners = Arrays.stream(mesh.vertices(f)).boxed().distinct().toList();
    for (int rounds : new int[] {3, 10, 30}) {
      plans.accept(
          Plan.of(
              "Relax the corners of this face.",
              new Tidying.RelaxChange(corners, rounds, 0.5, Relax.RelaxWay.EVEN)));
    }
    return "";
  }

  /** Where one part lies in another they become one, or one is taken away from the other. */
  private static String crossing(Ground ground, List<Integer> faces, Plans plans) {
    int first = faces.isEmpty() ? Mesh.NONE : faces.getFirst();
    faces.stream()
        .filter(f -> ground.facts().parts().partOf(f) != ground.facts().parts().partOf(first))
        .findFirst()
        .ifPresent(other -> {
          plans.accept(met("Let the two parts meet and become one.", first, other, MeetWay.JOIN));
          plans.accept(
              met("Take the one part away from the other.", first, other, MeetWay.SUBTRACT));
          plans.accept(
              met("Take the other part away from this one.", other, first, MeetWay.SUBTRACT));
        });
    return "Where faces pass through each other it is for you to say what is to stay.";
  }

  private static Plan met(String does, int first, int second, MeetWay way) {
    return Plan.other(
        does,
        new Forming.MeetChange(List.of(first), List.of(second), null, way, 0, null, null, null));
  }

  private static String folded(Ground ground, int e, Plans plans) {
    Mesh mesh = ground.mesh();
    for (int f : mesh.facesOn(e)) {
      for (int v : mesh.vertices(f)) {
        if (v != mesh.first(e) && v != mesh.second(e)) {
          plans.accept(
              Plan.of(
                  "Lift the vertex of the fold.",
                  new Tidying.LiftChange(List.of(), List.of(v), false)));
        }
      }
    }
    plans.accept(Plan.of("Collapse the edge of the fold.", new Tidying.CollapseChange(List.of(e))));
    plans.accept(
        Plan.of(
            "Lift the edge of the fold.", new Tidying.LiftChange(List.of(e), List.of(), false)));
    return "No vertex of this fold can be lifted without worse.";
  }
}
