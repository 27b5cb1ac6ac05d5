package fairedge.core.inspect;

import java.util.List;

/**
 * {@code warped}: a face with 4 or more sides whose warp is over the profile's angle (30 degrees).
 * Warp: the largest angle between the front of the face and that of a corner, by its two sides,
 * over corners whose in-plane turn is 5 to 175 degrees. Cost: the faces.
 */
final class WarpedFinder implements Finder {
  @Override
  public List<Finding> find(Subject subject) {
    FaceShapes shapes = subject.shapes();
    double most = subject.threshold(Threshold.WARPED);
    return Blocks.collect(
        subject.mesh().faceEnd(),
        (f, found) -> {
          if (shapes.warp(f) > most) {
            found.accept(finding(subject, f, shapes.warp(f)));
          }
        });
  }

  private static Finding finding(Subject subject, int f, double warp) {
    return Tell.ofFace(
        subject,
        Rule.WARPED,
        f,
        new Measure(warp, Measure.Unit.DEGREES),
        Tell.words("Face warped by %.0f\u00b0", warp),
        Tell.words(
            "The corners of this face point up to %.1f\u00b0 away from its front: it is bent like a"
                + " saddle, and every program may show it bent along another diagonal.",
            warp));
  }
}
