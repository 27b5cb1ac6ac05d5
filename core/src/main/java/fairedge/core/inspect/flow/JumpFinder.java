package fairedge.core.inspect.flow;

import fairedge.core.inspect.finding.Finding;
import fairedge.core.inspect.finding.FlowFinding;
import fairedge.core.inspect.finding.RunFinder;
import fairedge.core.inspect.finding.Where;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import fairedge.core.survey.AlongLoops;
import fairedge.core.survey.Strips;
import fairedge.core.survey.Subject;
import fairedge.core.survey.Threshold;
import java.util.List;

/**
 * {@code jump}: two quads on both sides of an edge
 *
 * <ol>
 *   <li>whose widths, measured away from it, differ by over the profile's ratio (3 to 1), both over
 *       the weld distance; width: the mean of the two sides beside the edge;
 *   <li>neither of which is in a support strip ({@link Strips});
 *   <li>and the surface turns there by the angle of a hard edge (30 degrees) at most: where it
 *       turns by more, as at the rim of a cylinder, it does not run on.
 * </ol>
 *
 * Edges that follow each other along a loop are one finding ({@link AlongLoops}); its measure is
 * the largest ratio. Cost: the edges.
 */
public final class JumpFinder extends RunFinder {
  public JumpFinder() {
    super(Element.Kind.EDGE);
  }

  @Override
  protected boolean isMet(Subject subject, int e) {
    double most = subject.threshold(Threshold.JUMP);
    return mayJump(subject, e, most * most)
        && ratioAt(subject, e) > most
        && !isAtStrip(subject, e)
        && subject.hardEdges().turnAt(e) <= subject.threshold(Threshold.HARD_EDGE);
  }

  @Override
  protected List<int[]> joined(Subject subject, List<Integer> met) {
    return AlongLoops.joined(subject, met);
  }

  /**
   * Whether of the four sides beside an edge the longest is over so many times as long as the
   * shortest, told by their squares: means of two differ by no more.
   */
  private static boolean mayJump(Subject subject, int e, double squaredRatio) {
    if (subject.topology().uses(e) != 2) {
      return false;
    }
    Mesh mesh = subject.mesh();
    int c = mesh.cornerOn(e);
    int d = mesh.nextOnEdge(c);
    double one = mesh.squaredLength(mesh.edgeOf(mesh.next(c)));
    double two = mesh.squaredLength(mesh.edgeOf(mesh.previous(c)));
    double three = mesh.squaredLength(mesh.edgeOf(mesh.next(d)));
    double four = mesh.squaredLength(mesh.edgeOf(mesh.previous(d)));
    double shortest = Math.min(Math.min(one, two), Math.min(three, four));
    double longest = Math.max(Math.max(one, two), Math.max(three, four));
    // A little less, for rounding; no number counts as one that may.
    return !(longest < 0.9999 * squaredRatio * shortest);
  }

  private static boolean isAtStrip(Subject subject, int e) {
    for (int f : subject.mesh().facesOn(e)) {
      if (subject.strips().isIn(f)) {
        return true;
      }
    }
    return false;
  }

  /**
   * Of the widths on both sides of an edge the larger to the smaller; NaN where they are not two
   * quads.
   */
  public static double ratioAt(Subject subject, int e) {
    Mesh mesh = subject.mesh();
    if (subject.topology().uses(e) != 2) {
      return Double.NaN;
    }
    int c = mesh.cornerOn(e);
    int d = mesh.nextOnEdge(c);
    if (mesh.size(mesh.faceOf(c)) != 4
        || mesh.size(mesh.faceOf(d)) != 4
        || !subject.shapes().isMeasured(mesh.faceOf(c))
        || !subject.shapes().isMeasured(mesh.faceOf(d))) {
      return Double.NaN;
    }
    double one = widthAt(mesh, c);
    double other = widthAt(mesh, d);
    double smaller = Math.min(one, other);
    return smaller > subject.weld() ? Math.max(one, other) / smaller : Double.NaN;
  }

  private static double widthAt(Mesh mesh, int c) {
    return 0.5
        * (mesh.length(mesh.edgeOf(mesh.next(c))) + mesh.length(mesh.edgeOf(mesh.previous(c))));
  }

  @Override
  protected Finding finding(Subject subject, int[] run) {
    double largest = 0;
    for (int e : run) {
      largest = Math.max(largest, ratioAt(subject, e));
    }
    return new FlowFinding.Jump(Where.atEdges(subject.mesh(), run), largest);
  }
}
