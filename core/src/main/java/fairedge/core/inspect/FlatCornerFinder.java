package fairedge.core.inspect;

import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import java.util.List;
import java.util.function.Consumer;

/**
 * {@code flat-corner}:
 *
 * <ol>
 *   <li>a face of 4 or fewer sides, all corners with a place;
 *   <li>a corner of it turns by the profile's angle (1 degree) or less; a corner at a side without
 *       length has no turn.
 * </ol>
 *
 * One finding a face. Cost: every corner once.
 */
final class FlatCornerFinder extends ElementFinder {
  FlatCornerFinder() {
    super(Element.Kind.FACE);
  }

  @Override
  void look(Subject subject, int f, Consumer<Finding> found) {
    Mesh mesh = subject.mesh();
    double straight = subject.threshold(Threshold.STRAIGHT);
    if (mesh.hasFace(f)
        && mesh.size(f) <= 4
        && subject.shapes().isMeasured(f)
        && !subject.shapes().surelyTurns(f, straight)) {
      int corners = mesh.polygon(f).straightCorners(straight);
      if (corners > 0) {
        found.accept(finding(mesh, f, corners));
      }
    }
  }

  private static Finding finding(Mesh mesh, int f, int straight) {
    String name = mesh.size(f) == 3 ? "Triangle" : "Quad";
    String corners = straight == 1 ? "a straight corner" : straight + " straight corners";
    return new Finding.Told(
        Rule.FLAT_CORNER,
        List.of(Element.face(f)),
        Places.onFace(mesh, f),
        Places.meanEdge(mesh, f),
        new Measure(straight, Measure.Unit.CORNERS),
        name + " with " + corners,
        "This face has "
            + mesh.size(f)
            + " sides, but "
            + straight
            + (straight == 1 ? " of its corners does" : " of its corners do")
            + " not turn: its shape is that of a face with fewer sides.");
  }
}
