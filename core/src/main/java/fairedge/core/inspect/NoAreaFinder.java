package fairedge.core.inspect;

import fairedge.core.geometry.Polygon;
import fairedge.core.mesh.Element;
import java.util.List;
import java.util.Locale;
import java.util.function.Consumer;

/**
 * {@code no-area}: a face whose slenderness is the profile's number (1e-8) or less. Slenderness is
 * twice the area over the square of the largest distance of two corners; 0 where all corners lie in
 * one place. Cost: every corner once, and squared for large faces.
 */
final class NoAreaFinder extends ElementFinder {
  NoAreaFinder() {
    super(Element.Kind.FACE);
  }

  @Override
  void look(Subject subject, int f, Consumer<Finding> found) {
    double slenderness = subject.shapes().slenderness(f);
    if (slenderness <= subject.threshold(Threshold.NO_AREA)) {
      found.accept(finding(f, subject.mesh().polygon(f), slenderness));
    }
  }

  private static Finding finding(int f, Polygon shape, double slenderness) {
    return new Finding.Told(
        Rule.NO_AREA,
        List.of(Element.face(f)),
        shape.middle(),
        shape.meanSide(),
        new Measure(slenderness, Measure.Unit.RATIO),
        "Face without area",
        String.format(
            Locale.ROOT,
            "The %d corners of this face lie in one line or one place (slenderness %.1e): it has no"
                + " normal, and shades wrong. Weld its corners or delete it.",
            shape.size(),
            slenderness));
  }
}
