package fairedge.core.inspect;

import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import java.util.List;
import java.util.function.Consumer;

/**
 * {@code slit}: a vertex of valence 1 in a face: the face goes along the edge there and comes back
 * along it. Loose edges don't count. Cost: every vertex once.
 */
final class SlitFinder extends ElementFinder {
  SlitFinder() {
    super(Element.Kind.VERTEX);
  }

  @Override
  void look(Subject subject, int v, Consumer<Finding> found) {
    Mesh mesh = subject.mesh();
    if (subject.topology().valence(v) == 1) {
      found.accept(
          new Finding.Told(
              Rule.SLIT,
              List.of(Element.vertex(v)),
              Places.ofVertex(mesh, v),
              Places.meanEdge(mesh, mesh.facesAt(v)),
              new Measure(1, Measure.Unit.VERTICES),
              "Slit in a face",
              "A face goes along one edge to this vertex and back: the same face lies on both sides"
                  + " of it. Connect the vertex across the face, or lay the face anew."));
    }
  }
}
