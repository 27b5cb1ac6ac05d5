package fairedge.core.inspect;

import fairedge.core.mesh.Element;
import java.util.function.Consumer;

/**
 * {@code concave}: a face with a corner whose in-plane turn lies between -179.9 and minus the
 * profile's angle (1 degree), both bounds with it. One finding a face; its measure is the angle by
 * which it turns back most. Cost: the faces.
 */
final class ConcaveFinder extends ElementFinder {
  ConcaveFinder() {
    super(Element.Kind.FACE);
  }

  @Override
  void look(Subject subject, int f, Consumer<Finding> found) {
    double back = subject.shapes().turnBack(f);
    if (back >= subject.threshold(Threshold.CONCAVE) && back > 0) {
      found.accept(finding(subject, f, back));
    }
  }

  private static Finding finding(Subject subject, int f, double back) {
    return Tell.ofFace(
        subject,
        Rule.CONCAVE,
        f,
        new Measure(back, Measure.Unit.DEGREES),
        "Concave face",
        Tell.words(
            "A corner of this face turns back by %.1f\u00b0, so the face has a notch: it can be"
                + " triangulated across its outside, and a cut through it may leave it. Connect"
                + " that corner across the face.",
            back));
  }
}
