package fairedge.core.inspect;

import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import fairedge.core.near.SegmentGrid;
import java.util.ArrayList;
import java.util.List;

/**
 * {@code touching}, a T-junction: a vertex in a face, and an edge of a face that it is no end of,
 *
 * <ol>
 *   <li>whose distance to the edge is the weld distance or less;
 *   <li>and which is farther than that from both its ends (else it is a {@code double}).
 * </ol>
 *
 * One finding a vertex and edge; of a vertex that touches more than {@value #EDGES} edges, the
 * first so many by id. Cost: the edges, and for each vertex what lies in its cells ({@link
 * SegmentGrid}).
 */
final class TouchingFinder implements Finder {
  private static final int EDGES = 4;

  @Override
  public List<Finding> find(Subject subject) {
    Mesh mesh = subject.mesh();
    double weld = subject.weld();
    SegmentGrid grid = new SegmentGrid(mesh, e -> subject.topology().uses(e) > 0, weld);
    grid.beAskedAboutAll();
    return Blocks.collect(
        mesh.vertexEnd(),
        (v, found) -> {
          if (subject.topology().valence(v) == 0 || !mesh.hasPlace(v)) {
            return;
          }
          Vec3 at = mesh.position(v);
          List<Integer> touched = new ArrayList<>();
          grid.nearBut(
              v,
              at,
              weld,
              e -> {
                if (at.distance(mesh.position(mesh.first(e))) > weld
                    && at.distance(mesh.position(mesh.second(e))) > weld) {
                  touched.add(e);
                }
              });
          touched.stream()
              .sorted()
              .limit(EDGES)
              .forEach(e -> found.accept(finding(mesh, v, e, grid.distance(e, at))));
        });
  }

  private static Finding finding(Mesh mesh, int v, int e, double distance) {
    return new Finding.Told(
        Rule.TOUCHING,
        List.of(Element.vertex(v), Element.edge(e)),
        mesh.position(v),
        Places.meanEdge(mesh, mesh.facesOn(e)),
        new Measure(distance, Measure.Unit.LENGTH),
        "Vertex on an edge it is no end of",
        Tell.words(
            "This vertex lies on an edge that does not end at it (%.2g apart): a T-junction. The"
                + " surface is not joined here and gapes as soon as it bends. Split the edge there"
                + " and weld.",
            distance));
  }
}
