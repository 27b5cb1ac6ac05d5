package fairedge.core.inspect;

import fairedge.core.geometry.Vec3;
import fairedge.core.inspect.Curvature.Bend;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
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
final class AskewFinder extends RunFinder {
  AskewFinder() {
    super(Element.Kind.EDGE);
  }

  @Override
  boolean isMet(Subject subject, int e) {
    return subject.novelty().isNew(e) && off(subject, e) > subject.threshold(Threshold.ASKEW);
  }

  @Override
  List<int[]> joined(Subject subject, List<Integer> met) {
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
  Finding finding(Subject subject, int[] run) {
    double largest = 0;
    for (int e : run) {
      largest = Math.max(largest, off(subject, e));
    }
    return Tell.ofEdges(
        subject,
        Rule.ASKEW,
        run,
        new Measure(largest, Measure.Unit.DEGREES),
        Tell.words("%s askew to the bend", run.length == 1 ? "Edge" : run.length + " edges"),
        Tell.words(
            "%s up to %.0f\u00b0 off the way the form bends: such edges show as ripples when the"
                + " surface is smooth. Let them run along the bend, or square to it.",
            run.length == 1 ? "This new edge runs" : "These " + run.length + " new edges run",
            largest));
  }
}
