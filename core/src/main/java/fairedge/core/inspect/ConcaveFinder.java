package fairedge.core.inspect;

import java.util.List;

/**
 * {@code concave}: a face with a corner whose in-plane turn lies between -179.9 and minus the
 * profile's angle (1 degree), both bounds with it. One finding a face; its measure is the angle by
 * which it turns back most. Cost: the faces.
 */
final class ConcaveFinder implements Finder {
  @Override
  public List<Finding> find(Subject subject) {
    FaceShapes shapes = subject.shapes();
    double least = subject.threshold(Threshold.CONCAVE);
    return Blocks.collect(
        subject.mesh().faceEnd(),
        (f, found) -> {
          double back = shapes.turnBack(f);
          if (back >= least && back > 0) {
            found.accept(finding(subject, f, back));
          }
        });
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
