package fairedge.core.inspect;

import fairedge.core.mesh.Element;
import java.util.function.Consumer;

/**
 * {@code warped}: a face with 4 or more sides whose warp is over the profile's angle (30 degrees).
 * Warp: the largest angle between the front of the face and that of a corner, by its two sides,
 * over corners whose in-plane turn is 5 to 175 degrees. Cost: the faces.
 */
final class WarpedFinder extends ElementFinder {
  WarpedFinder() {
    super(Element.Kind.FACE);
  }

  @Override
  void look(Subject subject, int f, Consumer<Finding> found) {
    double warp = subject.shapes().warp(f);
    if (warp > subject.threshold(Threshold.WARPED)) {
      found.accept(finding(subject, f, warp));
    }
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
