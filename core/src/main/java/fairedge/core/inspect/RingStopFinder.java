package fairedge.core.inspect;

import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import java.util.BitSet;
import java.util.function.Consumer;

/**
 * {@code ring-stop}: a triangle or n-gon at which open rings end: beyond a two-sided edge of it
 * lies a quad. One finding a face, with how many rings. Cost: the sides of faces that are no quads.
 */
final class RingStopFinder extends ElementFinder {
  RingStopFinder() {
    super(Element.Kind.FACE);
  }

  @Override
  BitSet candidates(Subject subject) {
    return subject.otherThanQuads().all();
  }

  @Override
  void look(Subject subject, int f, Consumer<Finding> found) {
    Mesh mesh = subject.mesh();
    if (!mesh.hasFace(f) || mesh.size(f) == 4) {
      return;
    }
    BitSet rings = new BitSet();
    int c = mesh.firstCorner(f);
    for (int i = mesh.size(f); i > 0; i--) {
      int beyond = mesh.nextOnEdge(c);
      if (subject.topology().uses(mesh.edgeOf(c)) == 2 && mesh.size(mesh.faceOf(beyond)) == 4) {
        rings.set(subject.rings().ringAcross(beyond));
      }
      c = mesh.next(c);
    }
    if (!rings.isEmpty()) {
      found.accept(
          new Finding.RingStop(
              f,
              mesh.size(f),
              rings.cardinality(),
              Places.onFace(mesh, f),
              Places.meanEdge(mesh, f)));
    }
  }
}
