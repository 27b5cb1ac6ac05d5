package fairedge.core.inspect;

import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import java.util.List;
import java.util.function.Consumer;

/** {@code no-place}: a vertex with a missing, NaN or infinite number. Cost: every vertex once. */
final class NoPlaceFinder extends ElementFinder {
  NoPlaceFinder() {
    super(Element.Kind.VERTEX);
  }

  @Override
  void look(Subject subject, int v, Consumer<Finding> found) {
    if (subject.mesh().hasVertex(v) && !subject.mesh().hasPlace(v)) {
      found.accept(finding(subject.mesh(), v));
    }
  }

  private static Finding finding(Mesh mesh, int v) {
    return new Finding.Told(
        Rule.NO_PLACE,
        List.of(Element.vertex(v)),
        Places.ofVertex(mesh, v),
        0,
        new Measure(1, Measure.Unit.VERTICES),
        "Vertex without a place",
        "A number of this vertex is missing or not finite, so it and the faces at it can't be"
            + " measured (1 vertex).");
  }
}
