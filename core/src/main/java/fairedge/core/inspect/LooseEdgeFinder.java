package fairedge.core.inspect;

import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import java.util.BitSet;
import java.util.List;
import java.util.function.Consumer;

/** {@code loose-edge}: an edge in no face. Cost: every edge once. */
final class LooseEdgeFinder extends ElementFinder {
  LooseEdgeFinder() {
    super(Element.Kind.EDGE);
  }

  @Override
  BitSet candidates(Subject subject) {
    return subject.topology().looseEdges();
  }

  @Override
  void look(Subject subject, int e, Consumer<Finding> found) {
    Mesh mesh = subject.mesh();
    if (mesh.hasEdge(e) && mesh.cornerOn(e) == Mesh.NONE) {
      found.accept(
          new Finding.Told(
              Rule.LOOSE_EDGE,
              List.of(Element.edge(e)),
              Places.onEdge(mesh, e),
              0,
              new Measure(1, Measure.Unit.EDGES),
              "Loose edge",
              "1 edge here belongs to no face: delete it, or close it to a face."));
    }
  }
}
