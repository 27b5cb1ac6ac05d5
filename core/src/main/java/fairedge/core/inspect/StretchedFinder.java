package fairedge.core.inspect;

import java.util.List;

/**
 * {@code stretched}: a quad with area ({@code no-area} is told else) whose longest side is over the
 * profile's number (8) times as long as its shortest, and that is in no support strip ({@link
 * Strips}). Cost: the faces.
 */
final class StretchedFinder implements Finder {
  @Override
  public List<Finding> find(Subject subject) {
    FaceShapes shapes = subject.shapes();
    double most = subject.threshold(Threshold.STRETCHED);
    return Blocks.collect(
        subject.mesh().faceEnd(),
        (f, found) -> {
          if (shapes.aspect(f) > most
              && shapes.slenderness(f) > subject.threshold(Threshold.NO_AREA)
              && !subject.strips().isIn(f)) {
            found.accept(finding(subject, f, shapes.aspect(f)));
          }
        });
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
