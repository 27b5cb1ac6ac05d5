package fairedge.core.inspect;

import fairedge.core.mesh.Element;
import java.util.function.Consumer;

/**
 * {@code sliver}: a face
 *
 * <ol>
 *   <li>whose slenderness is over that of {@code no-area} and under the profile's (0.02);
 *   <li>that is in no support strip ({@link Strips});
 *   <li>and, if it is a quad, has a corner whose inside angle is under the profile's (10 degrees),
 *       so that a long clean quad is none.
 * </ol>
 *
 * The figure counts all under the slenderness. Cost: the faces.
 */
final class SliverFinder extends ElementFinder {
  SliverFinder() {
    super(Element.Kind.FACE);
  }

  @Override
  void look(Subject subject, int f, Consumer<Finding> found) {
    double slenderness = subject.shapes().slenderness(f);
    if (slenderness > subject.threshold(Threshold.NO_AREA)
        && slenderness < subject.threshold(Threshold.SLIVER)
        && isSharp(subject, f)
        && !subject.strips().isIn(f)) {
      found.accept(finding(subject, f, slenderness));
    }
  }

  private static boolean isSharp(Subject subject, int f) {
    return subject.mesh().size(f) != 4
        || subject.shapes().sharpestCorner(f) < subject.threshold(Threshold.SLIVER_CORNER);
  }

  private static Finding finding(Subject subject, int f, double slenderness) {
    return Tell.ofFace(
        subject,
        Rule.SLIVER,
        f,
        new Measure(slenderness, Measure.Unit.RATIO),
        "Sliver of " + Tell.count(subject.mesh().size(f), "side", "sides"),
        Tell.words(
            "This face is long and thin (slenderness %.4f): its front can hardly be told, it shades"
                + " in streaks, and a cut across it lands anywhere. Weld its short side or lift an"
                + " edge.",
            slenderness));
  }
}
