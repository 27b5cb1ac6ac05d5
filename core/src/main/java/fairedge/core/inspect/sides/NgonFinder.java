package fairedge.core.inspect.sides;

import fairedge.core.geometry.Polygon;
import fairedge.core.inspect.finding.ElementFinder;
import fairedge.core.inspect.finding.Finding;
import fairedge.core.inspect.finding.SidesFinding;
import fairedge.core.inspect.finding.Where;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import fairedge.core.survey.Subject;
import fairedge.core.survey.Threshold;
import java.util.BitSet;
import java.util.function.Consumer;

/**
 * {@code ngon}:
 *
 * <ol>
 *   <li>a face with more than 4 sides;
 *   <li>flat if no corner lies farther than 1e-4 S from the plane through its middle, square to its
 *       Newell normal;
 *   <li>a corner is straight if it turns by the profile's angle (1 degree) or less;
 *   <li>a face with a corner without place is neither flat nor has it straight corners.
 * </ol>
 *
 * Cost: every corner once.
 */
public final class NgonFinder extends ElementFinder {
  public NgonFinder() {
    super(Element.Kind.FACE);
  }

  @Override
  protected BitSet candidates(Subject subject) {
    return subject.otherThanQuads().all();
  }

  @Override
  protected void look(Subject subject, int f, Consumer<Finding> found) {
    if (subject.mesh().hasFace(f) && subject.mesh().size(f) > 4) {
      found.accept(ngon(subject, f));
    }
  }

  private static Finding ngon(Subject subject, int f) {
    Mesh mesh = subject.mesh();
    boolean flat = false;
    int straight = 0;
    if (mesh.isMeasurable(f)) {
      Polygon shape = mesh.polygon(f);
      flat = shape.warpDistance() <= subject.tolerance().flat();
      straight = shape.straightCorners(subject.threshold(Threshold.STRAIGHT));
    }
    return new SidesFinding.Ngon(Where.atFace(mesh, f), mesh.size(f), flat, straight);
  }
}
