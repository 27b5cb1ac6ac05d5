package fairedge.core.survey;

import fairedge.core.geometry.Tolerance;
import fairedge.core.mesh.Mesh;
import java.util.List;
import java.util.stream.IntStream;

/**
 * Which edges one mesh has and another has not: those that do not lie within 1e-4 S of the other's
 * edges along their whole length. By place, never by number. Cost: both meshes, and for each edge
 * what lies near.
 *
 * @param fresh edges of the later mesh that the earlier one has not, ascending
 * @param gone edges of the earlier mesh that the later one has not, ascending
 */
public record EdgeChange(List<Integer> fresh, List<Integer> gone) {

  public static EdgeChange of(Mesh before, Mesh now, Tolerance tolerance) {
    return new EdgeChange(only(now, before, tolerance), only(before, now, tolerance));
  }

  private static List<Integer> only(Mesh mesh, Mesh other, Tolerance tolerance) {
    Starter known = new Starter(other, tolerance.samePlace());
    return IntStream.range(0, mesh.edgeEnd())
        .parallel()
        .filter(e -> mesh.hasEdge(e) && mesh.uses(e) > 0 && !known.hasEdge(mesh, e))
        .boxed()
        .toList();
  }
}
