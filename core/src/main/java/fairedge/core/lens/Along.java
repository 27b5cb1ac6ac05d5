package fairedge.core.lens;

import fairedge.core.flow.EdgeLoops;
import fairedge.core.flow.Ring;
import fairedge.core.flow.Stop;
import fairedge.core.flow.Topology;
import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;
import fairedge.core.survey.Places;
import fairedge.core.survey.Say;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * The ring and the loop of an edge, where each ends and why.
 *
 * @param ring null where no quad lies at the edge
 * @param loop null where the edge is not two-sided
 */
public record Along(int edge, @Nullable Course ring, @Nullable Course loop) {

  /**
   * @param edges one after the other (of a loop), or side by side (of a ring)
   * @param faces the quads of a ring
   * @param ends two, or none where it closes
   * @param sentence its length and how it ends
   */
  public record Course(
      List<Integer> edges, List<Integer> faces, List<CourseEnd> ends, String sentence) {}

  /**
   * @param face that stops it; {@link Mesh#NONE} where none does
   * @param vertex at which it stops; {@link Mesh#NONE} where it is an edge or a face
   * @param words why
   */
  public record CourseEnd(int face, int vertex, Vec3 place, String words) {}

  static Along of(Mesh mesh, int e) {
    return new Along(e, ringOf(mesh, e), loopOf(mesh, e));
  }

  private static @Nullable Course ringOf(Mesh mesh, int e) {
    return Ring.through(mesh, e)
        .map(ring -> {
          List<CourseEnd> ends = ring.stops().stream().map(stop -> endAt(mesh, stop)).toList();
          String length = "A ring of " + Say.count(ring.quads().size(), "quad", "quads");
          return new Course(ring.edges(), ring.quads(), ends, sentence(length, ends));
        })
        .orElse(null);
  }

  private static CourseEnd endAt(Mesh mesh, Stop stop) {
    int face = stop.face();
    Vec3 place = face == Mesh.NONE ? Places.onEdge(mesh, stop.edge()) : Places.onFace(mesh, face);
    String words =
        switch (stop.cause()) {
          case BORDER -> "a border";
          case TRIANGLE -> "a triangle";
          case NGON -> "a face of " + stop.sides() + " sides";
          case CROWDED -> "an edge of three or more faces";
          case NOT_CHOSEN -> "a face that is not chosen";
        };
    return new CourseEnd(face, Mesh.NONE, place, words);
  }

  private static @Nullable Course loopOf(Mesh mesh, int e) {
    EdgeLoops.Single loop = EdgeLoops.through(new Topology(mesh), e);
    if (loop == null) {
      return null;
    }
    List<CourseEnd> ends = new ArrayList<>();
    for (EdgeLoops.End end : loop.ends()) {
      ends.add(
          new CourseEnd(
              Mesh.NONE, end.vertex(), Places.ofVertex(mesh, end.vertex()), wordsFor(end)));
    }
    List<Integer> edges = loop.edges();
    String length = "A loop of " + Say.count(edges.size(), "edge", "edges");
    return new Course(edges, List.of(), ends, sentence(length, ends));
  }

  private static String wordsFor(EdgeLoops.End end) {
    return switch (end.cause()) {
      case BORDER -> "a border";
      case POLE -> "a pole where " + Say.count(end.valence(), "edge meets", "edges meet");
      case CROWDED -> "a vertex where faces meet that are not joined all round";
    };
  }

  private static String sentence(String length, List<CourseEnd> ends) {
    if (ends.isEmpty()) {
      return length + ". It closes.";
    }
    String one = ends.getFirst().words();
    String other = ends.getLast().words();
    return one.equals(other)
        ? length + ". It ends at " + one + " on both sides."
        : length + ". It ends at " + one + " and at " + other + ".";
  }
}
