package fairedge.core.inspect.surface;

import fairedge.core.inspect.finding.ElementFinder;
import fairedge.core.inspect.finding.Finding;
import fairedge.core.inspect.finding.SurfaceFinding;
import fairedge.core.inspect.finding.Where;
import fairedge.core.mesh.Element;
import fairedge.core.survey.Subject;
import fairedge.core.survey.Threshold;
import java.util.function.Consumer;

/**
 * {@code concave}: a face with a corner whose in-plane turn lies between -179.9 and minus the
 * profile's angle (1 degree), both bounds with it. One finding a face; its measure is the angle by
 * which it turns back most. Cost: the faces.
 */
public final class ConcaveFinder extends ElementFinder {
  public ConcaveFinder() {
    super(Element.Kind.FACE);
  }

  @Override
  protected void look(Subject subject, int f, Consumer<Finding> found) {
    double back = subject.shapes().turnBack(f);
    if (back >= subject.threshold(Threshold.CONCAVE) && back > 0) {
      found.accept(finding(subject, f, back));
    }
  }

  private static Finding finding(Subject subject, int f, double back) {
    return new SurfaceFinding.Concave(Where.atFace(subject.mesh(), f), back);
  }
}
