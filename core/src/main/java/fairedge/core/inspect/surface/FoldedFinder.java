package fairedge.core.inspect.surface;

import fairedge.core.inspect.finding.ElementFinder;
import fairedge.core.inspect.finding.Finding;
import fairedge.core.inspect.finding.SurfaceFinding;
import fairedge.core.inspect.finding.Where;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import fairedge.core.survey.HardEdges;
import fairedge.core.survey.Places;
import fairedge.core.survey.Subject;
import fairedge.core.survey.Threshold;
import java.util.BitSet;
import java.util.List;
import java.util.function.Consumer;
import org.jspecify.annotations.Nullable;

/**
 * {@code folded}: an edge with two faces, both with a front, whose fronts differ by over the
 * profile's angle (170 degrees). Where the two are wound against each other, one of them is
 * measured by its back: that is another fault. Cost: the edges.
 */
public final class FoldedFinder extends ElementFinder {
  public FoldedFinder() {
    super(Element.Kind.EDGE);
  }

  @Override
  protected @Nullable BitSet candidates(Subject subject) {
    HardEdges hard = subject.hardEdges();
    return subject.threshold(Threshold.FOLDED) >= hard.angle() ? hard.turning() : null;
  }

  @Override
  protected void look(Subject subject, int e, Consumer<Finding> found) {
    double turn = subject.hardEdges().turnAt(e);
    if (turn > subject.threshold(Threshold.FOLDED)) {
      found.accept(finding(subject, e, turn));
    }
  }

  private static Finding finding(Subject subject, int e, double turn) {
    Mesh mesh = subject.mesh();
    int[] faces = mesh.facesOn(e);
    return new SurfaceFinding.Folded(
        new Where(
            List.of(Element.edge(e), Element.face(faces[0]), Element.face(faces[1])),
            Places.onEdge(mesh, e),
            Places.meanEdge(mesh, faces)),
        turn);
  }
}
