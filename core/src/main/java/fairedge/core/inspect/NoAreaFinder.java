package fairedge.core.inspect;

import fairedge.core.geometry.Polygon;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/**
 * {@code no-area}: a face whose slenderness is the profile's number (1e-8) or less. Slenderness is
 * twice the area over the square of the largest distance of two corners; 0 where all corners lie in
 * one place. Cost: every corner once, and squared for large faces.
 */
final class NoAreaFinder implements Finder {
  @Override
  public List<Finding> find(Subject subject) {
    Mesh mesh = subject.mesh();
    List<Finding> found = new ArrayList<>();
    for (int f = 0; f < mesh.faceEnd(); f++) {
      if (mesh.hasFace(f) && mesh.isMeasurable(f)) {
        Polygon shape = mesh.polygon(f);
        double slenderness = shape.slenderness();
        if (slenderness <= subject.thresholds().noArea()) {
          found.add(finding(mesh, f, shape, slenderness));
        }
      }
    }
    return found;
  }

  private static Finding finding(Mesh mesh, int f, Polygon shape, double slenderness) {
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
