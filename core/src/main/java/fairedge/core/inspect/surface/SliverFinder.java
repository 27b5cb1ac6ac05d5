package fairedge.core.inspect.surface;

import fairedge.core.inspect.finding.ElementFinder;
import fairedge.core.inspect.finding.Finding;
import fairedge.core.inspect.finding.SurfaceFinding;
import fairedge.core.inspect.finding.Where;
import fairedge.core.mesh.Element;
import fairedge.core.survey.Strips;
import fairedge.core.survey.Subject;
import fairedge.core.survey.Threshold;
import java.util.function.Consumer;

/**
 * {@code sliver}: a face
 *
 * <ol>
 *   <li>whose slenderness is over that of {@code no-area} and under the profile's (0.02);
 *   <li>that is in no support strip ({@link Strips});
 *   <li>and, if it is a quad, has a corner whose inside angle is under the profile's (10 degrees),
 *       so that a long clean quad is none.
 * </ol>
 *
 * The figure counts all under the slenderness. Cost: the faces.
 */
public final class SliverFinder extends ElementFinder {
  public SliverFinder() {
    super(Element.Kind.FACE);
  }

  @Override
  protected void look(Subject subject, int f, Consumer<Finding> found) {
    double slenderness = subject.shapes().slenderness(f);
    if (slenderness > subject.threshold(Threshold.NO_AREA)
        && slenderness < subject.threshold(Threshold.SLIVER)
        && isSharp(subject, f)
        && !subject.strips().isIn(f)) {
      found.accept(finding(subject, f, slenderness));
    }
  }

  private static boolean isSharp(Subject subject, int f) {
    return subject.mesh().size(f) != 4
        || subject.shapes().sharpestCorner(f) < subject.threshold(Threshold.SLIVER_CORNER);
  }

  private static Finding finding(Subject subject, int f, double slenderness) {
    return new SurfaceFinding.Sliver(
        Where.atFace(subject.mesh(), f), subject.mesh().size(f), slenderness);
  }
}
