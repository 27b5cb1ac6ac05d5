package fairedge.core.inspect;

import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import java.util.BitSet;
import java.util.List;
import java.util.function.Consumer;

/** {@code loose-vertex}: a vertex at no edge. Cost: every vertex once. */
final class LooseVertexFinder extends ElementFinder {
  LooseVertexFinder() {
    super(Element.Kind.VERTEX);
  }

  @Override
  BitSet candidates(Subject subject) {
    return subject.topology().verticesApart();
  }

  @Override
  void look(Subject subject, int v, Consumer<Finding> found) {
    Mesh mesh = subject.mesh();
    if (mesh.hasVertex(v) && mesh.edgeAt(v) == Mesh.NONE) {
      found.accept(
          new Finding.Told(
              Rule.LOOSE_VERTEX,
              List.of(Element.vertex(v)),
              Places.ofVertex(mesh, v),
              0,
              new Measure(1, Measure.Unit.VERTICES),
              "Loose vertex",
              "1 vertex here belongs to no edge and no face: delete it."));
    }
  }
}
