package fairedge.core.inspect;

import fairedge.core.mesh.Element;
import java.util.function.Consumer;

/**
 * {@code stretched}: a quad with area ({@code no-area} is told else) whose longest side is over the
 * profile's number (8) times as long as its shortest, and that is in no support strip ({@link
 * Strips}). Cost: the faces.
 */
final class StretchedFinder extends ElementFinder {
  StretchedFinder() {
    super(Element.Kind.FACE);
  }

  @Override
  void look(Subject subject, int f, Consumer<Finding> found) {
    FaceShapes shapes = subject.shapes();
    if (shapes.aspect(f) > subject.threshold(Threshold.STRETCHED)
        && shapes.slenderness(f) > subject.threshold(Threshold.NO_AREA)
        && !subject.strips().isIn(f)) {
      found.accept(finding(subject, f, shapes.aspect(f)));
    }
  }

  private static Finding finding(Subject subject, int f, double aspect) {
    return Tell.ofFace(
        subject,
        Rule.STRETCHED,
        f,
        new Measure(aspect, Measure.Unit.RATIO),
        Tell.words("Quad stretched %.0f to 1", aspect),
        Tell.words(
            "The longest side of this quad is %.1f times its shortest: what bends along it has no"
                + " vertices to bend at. Insert loops across it.",
            aspect));
  }
}
