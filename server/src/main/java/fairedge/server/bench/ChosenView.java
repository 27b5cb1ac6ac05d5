package fairedge.server.bench;

import fairedge.core.flow.Choosing;
import fairedge.core.mesh.Mesh;
import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.function.Function;

/** Chosen elements by their ids. */
public record ChosenView(List<Integer> faces, List<Integer> edges, List<Integer> vertices) {
  private static final int MOST = 200_000;

  public ChosenView {
    faces = List.copyOf(faces);
    edges = List.copyOf(edges);
    vertices = List.copyOf(vertices);
  }

  /** How to go on from what is chosen. */
  public enum Way {
    /** The edge loops through the chosen edges. */
    loop,
    /** The edge rings across the chosen edges; with faces, the rings of faces. */
    ring,
    /** The faces of the rings across the chosen edges. */
    faceRing,
    grow,
    shrink,
    connected,
    /** Every second one of the loop through the first chosen edge. */
    everySecondOfLoop,
    /** Every second one of the ring across the first chosen edge. */
    everySecondOfRing,
    /** The smallest part that the line of the last step parted off. */
    partedOff,
    /** The edges that the exercise marks as hard, as well. */
    markedHard
  }

  static ChosenView grown(Mesh mesh, Way way, ChosenView from) {
    Choosing choosing = new Choosing(mesh);
    return switch (way) {
      case loop -> from.withEdges(all(from.edges, choosing::loop));
      case ring -> from.withEdges(all(from.edges, choosing::ring));
      case faceRing ->
          new ChosenView(all(from.edges, choosing::faceRing), List.of(), from.vertices);
      case everySecondOfLoop -> from.withEdges(everySecond(from.edges, choosing::loop));
      case everySecondOfRing -> from.withEdges(everySecond(from.edges, choosing::ring));
      case grow ->
          new ChosenView(
              list(choosing.growFaces(from.faces)),
              list(choosing.growEdges(from.edges)),
              list(choosing.growVertices(from.vertices)));
      case shrink ->
          new ChosenView(
              list(choosing.shrinkFaces(from.faces)),
              list(choosing.shrinkEdges(from.edges)),
              list(choosing.shrinkVertices(from.vertices)));
      case connected ->
          new ChosenView(
              list(choosing.connectedFaces(from.faces)),
              from.edges,
              list(choosing.connectedVertices(from.vertices)));
      case partedOff, markedHard ->
          throw new IllegalArgumentException(way + " is not told by the mesh alone");
    };
  }

  /** The same with more edges. */
  ChosenView withMore(List<Integer> more) {
    LinkedHashSet<Integer> all = new LinkedHashSet<>(edges);
    all.addAll(more);
    return withEdges(list(all));
  }

  private ChosenView withEdges(List<Integer> other) {
    return new ChosenView(faces, other, vertices);
  }

  private static List<Integer> all(List<Integer> edges, Function<Integer, List<Integer>> from) {
    LinkedHashSet<Integer> found = new LinkedHashSet<>();
    for (int e : edges) {
      // A loop that another chosen edge lies on is found already.
      if (!found.contains(e)) {
        found.addAll(from.apply(e));
      }
      if (found.size() > MOST) {
        break;
      }
    }
    return list(found);
  }

  private static List<Integer> everySecond(
      List<Integer> edges, Function<Integer, List<Integer>> from) {
    if (edges.isEmpty()) {
      return List.of();
    }
    List<Integer> line = from.apply(edges.getFirst());
    int start = Math.max(0, line.indexOf(edges.getFirst()));
    List<Integer> turned = new ArrayList<>(line.subList(start % 2, line.size()));
    return Choosing.everySecond(turned);
  }

  private static List<Integer> list(Collection<Integer> ids) {
    return List.copyOf(ids);
  }
}
