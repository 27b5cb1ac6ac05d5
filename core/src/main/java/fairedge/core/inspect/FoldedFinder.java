package fairedge.core.inspect;

import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import java.util.BitSet;
import java.util.List;
import java.util.function.Consumer;
import org.jspecify.annotations.Nullable;

/**
 * {@code folded}: an edge with two faces, both with a front, whose fronts differ by over the
 * profile's angle (170 degrees). Where the two are wound against each other, one of them is
 * measured by its back: that is another fault. Cost: the edges.
 */
final class FoldedFinder extends ElementFinder {
  FoldedFinder() {
    super(Element.Kind.EDGE);
  }

  @Override
  @Nullable BitSet candidates(Subject subject) {
    HardEdges hard = subject.hardEdges();
    return subject.threshold(Threshold.FOLDED) >= hard.angle() ? hard.turning() : null;
  }

  @Override
  void look(Subject subject, int e, Consumer<Finding> found) {
    double turn = subject.hardEdges().turnAt(e);
    if (turn > subject.threshold(Threshold.FOLDED)) {
      found.accept(finding(subject, e, turn));
    }
  }

  private static Finding finding(Subject subject, int e, double turn) {
    Mesh mesh = subject.mesh();
    int[] faces = mesh.facesOn(e);
    return new Finding.Told(
        Rule.FOLDED,
        List.of(Element.edge(e), Element.face(faces[0]), Element.face(faces[1])),
        Places.onEdge(mesh, e),
        Places.meanEdge(mesh, faces),
        new Measure(turn, Measure.Unit.DEGREES),
        "Surface folded back",
        Tell.words(
            "The 2 faces at this edge turn by %.1f\u00b0 and all but lie on each other: the surface"
                + " is folded back on itself.",
            turn));
  }
}
