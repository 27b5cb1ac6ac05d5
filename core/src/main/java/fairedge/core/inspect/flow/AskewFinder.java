package fairedge.core.inspect.flow;

import fairedge.core.geometry.Vec3;
import fairedge.core.inspect.finding.Finding;
import fairedge.core.inspect.finding.FlowFinding;
import fairedge.core.inspect.finding.RunFinder;
import fairedge.core.inspect.finding.Where;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import fairedge.core.survey.AlongLoops;
import fairedge.core.survey.Curvature;
import fairedge.core.survey.Curvature.Bend;
import fairedge.core.survey.Subject;
import fairedge.core.survey.Threshold;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * {@code askew}: a new edge
 *
 * <ol>
 *   <li>at both of whose ends curvature is clear: the larger principal value is over the profile's
 *       ratio (2) times the smaller ({@link Curvature});
 *   <li>and which, at both, runs off the nearer of the two principal directions by over the
 *       profile's angle (25 degrees), seen along the normal of the surface fitted there.
 * </ol>
 *
 * Edges that follow each other along a loop are one finding ({@link AlongLoops}); its measure is
 * the largest angle. Cost: the new edges, and the two rings of their ends.
 */
public final class AskewFinder extends RunFinder {
  public AskewFinder() {
    super(Element.Kind.EDGE);
  }

  @Override
  protected boolean isMet(Subject subject, int e) {
    return subject.novelty().isNew(e) && off(subject, e) > subject.threshold(Threshold.ASKEW);
  }

  @Override
  protected List<int[]> joined(Subject subject, List<Integer> met) {
    return AlongLoops.joined(subject, met);
  }

  /** The smaller of the angles at its ends; not a number where curvature is not clear at both. */
  private static double off(Subject subject, int e) {
    Mesh mesh = subject.mesh();
    int a = mesh.first(e);
    int b = mesh.second(e);
    Vec3 along = mesh.position(b).minus(mesh.position(a));
    return Math.min(
        off(subject, subject.hubs().bendAt(a), along),
        off(subject, subject.hubs().bendAt(b), along));
  }

  private static double off(Subject subject, @Nullable Bend bend, Vec3 edge) {
    if (bend == null
        || !(bend.larger() > subject.threshold(Threshold.CLEAR_BEND) * bend.smaller())) {
      return Double.NaN;
    }
    Vec3 flat = edge.minus(bend.normal().times(edge.dot(bend.normal())));
    double angle = flat.angleTo(bend.along());
    double within = Math.min(angle, 180 - angle);
    return Math.min(within, 90 - within);
  }

  @Override
  protected Finding finding(Subject subject, int[] run) {
    double largest = 0;
    for (int e : run) {
      largest = Math.max(largest, off(subject, e));
    }
    return new FlowFinding.Askew(Where.atEdges(subject.mesh(), run), largest);
  }
}
