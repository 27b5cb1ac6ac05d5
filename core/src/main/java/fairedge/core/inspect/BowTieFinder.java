package fairedge.core.inspect;

import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import java.util.BitSet;
import java.util.List;
import java.util.function.Consumer;

/** {@code bow-tie}: a vertex with more than one fan. Cost: every vertex once. */
final class BowTieFinder extends ElementFinder {
  BowTieFinder() {
    super(Element.Kind.VERTEX);
  }

  @Override
  BitSet candidates(Subject subject) {
    return subject.topology().bowTies();
  }

  @Override
  void look(Subject subject, int v, Consumer<Finding> found) {
    if (subject.topology().fans(v) > 1) {
      found.accept(finding(subject.mesh(), v, subject.topology().fans(v)));
    }
  }

  private static Finding finding(Mesh mesh, int v, int fans) {
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
