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
 * {@code warped}: a face with 4 or more sides whose warp is over the profile's angle (30 degrees).
 * Warp: the largest angle between the front of the face and that of a corner, by its two sides,
 * over corners whose in-plane turn is 5 to 175 degrees. Cost: the faces.
 */
public final class WarpedFinder extends ElementFinder {
  public WarpedFinder() {
    super(Element.Kind.FACE);
  }

  @Override
  protected void look(Subject subject, int f, Consumer<Finding> found) {
    double warp = subject.shapes().warp(f);
    if (warp > subject.threshold(Threshold.WARPED)) {
      found.accept(finding(subject, f, warp));
    }
  }

  private static Finding finding(Subject subject, int f, double warp) {
    return new SurfaceFinding.Warped(Where.atFace(subject.mesh(), f), warp);
  }
}
