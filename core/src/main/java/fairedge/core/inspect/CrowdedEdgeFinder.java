package fairedge.core.inspect;

import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import java.util.BitSet;
import java.util.List;
import java.util.function.Consumer;

/** {@code crowded-edge}: an edge with 3 uses or more. Cost: every edge once. */
final class CrowdedEdgeFinder extends ElementFinder {
  CrowdedEdgeFinder() {
    super(Element.Kind.EDGE);
  }

  @Override
  BitSet candidates(Subject subject) {
    return subject.topology().crowdedEdges();
  }

  @Override
  void look(Subject subject, int e, Consumer<Finding> found) {
    if (subject.topology().uses(e) == 3) {
      found.accept(finding(subject.mesh(), e));
    }
  }

  private static Finding finding(Mesh mesh, int e) {
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
}
