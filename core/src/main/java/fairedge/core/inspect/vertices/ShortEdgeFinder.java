package fairedge.core.inspect.vertices;

import fairedge.core.inspect.finding.ElementFinder;
import fairedge.core.inspect.finding.Finding;
import fairedge.core.inspect.finding.Rule;
import fairedge.core.inspect.finding.VerticesFinding;
import fairedge.core.inspect.finding.Where;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import fairedge.core.survey.Strips;
import fairedge.core.survey.Subject;
import fairedge.core.survey.Threshold;
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
public final class ShortEdgeFinder extends ElementFinder {
  public ShortEdgeFinder() {
    super(Element.Kind.EDGE);
  }

  @Override
  protected void look(Subject subject, int e, Consumer<Finding> found) {
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
    return new VerticesFinding.ShortEdge(
        Where.atEdge(subject.mesh(), e),
        rule == Rule.SHORT_EDGE,
        length,
        mean > 0 ? length / mean : 0);
  }
}
