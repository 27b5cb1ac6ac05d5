package fairedge.core.inspect.flow;

import fairedge.core.inspect.finding.ElementFinder;
import fairedge.core.inspect.finding.Finding;
import fairedge.core.inspect.finding.FlowFinding;
import fairedge.core.inspect.finding.Where;
import fairedge.core.mesh.Element;
import fairedge.core.survey.FaceShapes;
import fairedge.core.survey.Subject;
import fairedge.core.survey.Threshold;
import java.util.function.Consumer;

/**
 * {@code stretched}: a quad with area ({@code no-area} is told else) whose longest side is over the
 * profile's number (8) times as long as its shortest, and that is in no support strip ({@link
 * Strips}). Cost: the faces.
 */
public final class StretchedFinder extends ElementFinder {
  public StretchedFinder() {
    super(Element.Kind.FACE);
  }

  @Override
  protected void look(Subject subject, int f, Consumer<Finding> found) {
    FaceShapes shapes = subject.shapes();
    if (shapes.aspect(f) > subject.threshold(Threshold.STRETCHED)
        && shapes.slenderness(f) > subject.threshold(Threshold.NO_AREA)
        && !subject.strips().isIn(f)) {
      found.accept(finding(subject, f, shapes.aspect(f)));
    }
  }

  private static Finding finding(Subject subject, int f, double aspect) {
    return new FlowFinding.Stretched(Where.atFace(subject.mesh(), f), aspect);
  }
}
