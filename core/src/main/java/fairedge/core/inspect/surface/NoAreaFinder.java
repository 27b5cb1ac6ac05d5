package fairedge.core.inspect.surface;

import fairedge.core.geometry.Polygon;
import fairedge.core.inspect.finding.ElementFinder;
import fairedge.core.inspect.finding.Finding;
import fairedge.core.inspect.finding.SurfaceFinding;
import fairedge.core.inspect.finding.Where;
import fairedge.core.mesh.Element;
import fairedge.core.survey.Subject;
import fairedge.core.survey.Threshold;
import java.util.List;
import java.util.function.Consumer;

/**
 * {@code no-area}: a face whose slenderness is the profile's number (1e-8) or less. Slenderness is
 * twice the area over the square of the largest distance of two corners; 0 where all corners lie in
 * one place. Cost: every corner once, and squared for large faces.
 */
public final class NoAreaFinder extends ElementFinder {
  public NoAreaFinder() {
    super(Element.Kind.FACE);
  }

  @Override
  protected void look(Subject subject, int f, Consumer<Finding> found) {
    double slenderness = subject.shapes().slenderness(f);
    if (slenderness <= subject.threshold(Threshold.NO_AREA)) {
      found.accept(finding(f, subject.mesh().polygon(f), slenderness));
    }
  }

  private static Finding finding(int f, Polygon shape, double slenderness) {
    return new SurfaceFinding.NoArea(
        new Where(List.of(Element.face(f)), shape.middle(), shape.meanSide()),
        shape.size(),
        slenderness);
  }
}
