package fairedge.core.inspect;

import fairedge.core.flow.Topology;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import java.util.ArrayList;
import java.util.List;

/**
 * {@code crowded-edge}: an edge with 3 uses or more. {@code bow-tie}: a vertex with more than one
 * fan. One finding an edge, one a vertex. Cost: every edge and vertex once.
 */
final class CrowdedFinder implements Finder {
  @Override
  public List<Finding> find(Subject subject) {
    Mesh mesh = subject.mesh();
    Topology topology = subject.topology();
    List<Finding> found = new ArrayList<>();
    for (int e = 0; e < mesh.edgeEnd(); e++) {
      if (topology.uses(e) == 3) {
        found.add(crowded(mesh, e));
      }
    }
    for (int v = 0; v < mesh.vertexEnd(); v++) {
      if (topology.fans(v) > 1) {
        found.add(bowTie(mesh, v, topology.fans(v)));
      }
    }
    return found;
  }

  private static Finding crowded(Mesh mesh, int e) {
    int uses = mesh.uses(e);
    return new Finding.Told(
        Rule.CROWDED_EDGE,
        List.of(Element.edge(e)),
        Places.onEdge(mesh, e),
        Places.meanEdge(mesh, mesh.facesOn(e)),
        new Measure(uses, Measure.Unit.USES),
        uses + " faces on one edge",
        uses
            + " faces meet at this edge: a surface has 2 sides at most there, and no ring or loop"
            + " can tell how to go on.");
  }

  private static Finding bowTie(Mesh mesh, int v, int fans) {
    return new Finding.Told(
        Rule.BOW_TIE,
        List.of(Element.vertex(v)),
        Places.ofVertex(mesh, v),
        Places.meanEdge(mesh, mesh.facesAt(v)),
        new Measure(fans, Measure.Unit.FANS),
        fans + " surfaces touch in one vertex",
        fans
            + " pieces of surface hang together in this one vertex only: part them, or join them"
            + " along an edge.");
  }
}
