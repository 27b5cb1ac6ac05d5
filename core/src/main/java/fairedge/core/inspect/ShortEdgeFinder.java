package fairedge.core.inspect;

import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import java.util.function.Consumer;

/**
 * {@code short-edge}: an edge of faces whose ends have places, and whose length is
 *
 * <ol>
 *   <li>the weld distance or less; or
 *   <li>under the profile's share (2 %) of the mean edge of the faces at it, each face by the mean
 *       of its sides; not where the edge lies across a support strip ({@link Strips}): a pair of
 *       vertices that ought to be one.
 * </ol>
 *
 * A loose edge is told as such. Cost: the edges.
 */
final class ShortEdgeFinder extends ElementFinder {
  ShortEdgeFinder() {
    super(Element.Kind.EDGE);
  }

  @Override
  void look(Subject subject, int e, Consumer<Finding> found) {
    Mesh mesh = subject.mesh();
    if (subject.topology().uses(e) == 0) {
      return;
    }
    // No number, or endless, where an end has no place: then it is not found to be short.
    double length = mesh.length(e);
    if (length <= subject.weld()) {
      found.accept(finding(subject, Rule.SHORT_EDGE, e, length));
    } else if (length < subject.threshold(Threshold.SHORT_EDGE) * meanEdge(subject, e)
        && !subject.strips().isAcross(e)) {
      found.accept(finding(subject, Rule.SHORT_EDGE_BESIDE, e, length));
    }
  }

  private static double meanEdge(Subject subject, int e) {
    Mesh mesh = subject.mesh();
    double sum = 0;
    int count = 0;
    int start = mesh.cornerOn(e);
    int c = start;
    do {
      double side = subject.shapes().meanSide(mesh.faceOf(c));
      sum += side;
      count += side > 0 ? 1 : 0;
      c = mesh.nextOnEdge(c);
    } while (c != start);
    return count == 0 ? 0 : sum / count;
  }

  private static Finding finding(Subject subject, Rule rule, int e, double length) {
    double mean = meanEdge(subject, e);
    return Tell.ofEdge(
        subject,
        rule,
        e,
        new Measure(length, Measure.Unit.LENGTH),
        rule == Rule.SHORT_EDGE ? "Edge without length" : "Edge much shorter than those beside it",
        Tell.words(
            "This edge is %.4g long, %.2g %% of the mean edge of the faces at it: 2 vertices that"
                + " ought to be one. Weld them.",
            length, mean > 0 ? 100 * length / mean : 0));
  }
}
