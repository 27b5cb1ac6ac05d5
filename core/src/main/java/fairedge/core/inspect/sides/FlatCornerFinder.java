package fairedge.core.inspect.sides;

import fairedge.core.inspect.finding.ElementFinder;
import fairedge.core.inspect.finding.Finding;
import fairedge.core.inspect.finding.SidesFinding;
import fairedge.core.inspect.finding.Where;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import fairedge.core.survey.Subject;
import fairedge.core.survey.Threshold;
import java.util.function.Consumer;

/**
 * {@code flat-corner}:
 *
 * <ol>
 *   <li>a face of 4 or fewer sides, all corners with a place;
 *   <li>a corner of it turns by the profile's angle (1 degree) or less; a corner at a side without
 *       length has no turn.
 * </ol>
 *
 * One finding a face. Cost: every corner once.
 */
public final class FlatCornerFinder extends ElementFinder {
  public FlatCornerFinder() {
    super(Element.Kind.FACE);
  }

  @Override
  protected void look(Subject subject, int f, Consumer<Finding> found) {
    Mesh mesh = subject.mesh();
    double straight = subject.threshold(Threshold.STRAIGHT);
    if (mesh.hasFace(f)
        && mesh.size(f) <= 4
        && subject.shapes().isMeasured(f)
        && !subject.shapes().surelyTurns(f, straight)) {
      int corners = mesh.polygon(f).straightCorners(straight);
      if (corners > 0) {
        found.accept(finding(mesh, f, corners));
      }
    }
  }

  private static Finding finding(Mesh mesh, int f, int straight) {
    return new SidesFinding.FlatCorner(Where.atFace(mesh, f), mesh.size(f), straight);
  }
}
