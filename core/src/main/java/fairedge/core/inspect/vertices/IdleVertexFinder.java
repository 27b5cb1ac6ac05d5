package fairedge.core.inspect.vertices;

import fairedge.core.geometry.Vec3;
import fairedge.core.inspect.finding.ElementFinder;
import fairedge.core.inspect.finding.Finding;
import fairedge.core.inspect.finding.VerticesFinding;
import fairedge.core.inspect.finding.Where;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import fairedge.core.survey.Subject;
import fairedge.core.survey.Threshold;
import java.util.function.Consumer;

/**
 * {@code idle-vertex}:
 *
 * <ol>
 *   <li>a vertex in faces at which exactly two edges of faces meet (loose edges don't count);
 *   <li>all three vertices of these edges have a place, and both edges have a length;
 *   <li>the direction turns there by the profile's angle (1 degree) or less, on a border too.
 * </ol>
 *
 * Cost: every vertex once.
 */
public final class IdleVertexFinder extends ElementFinder {
  public IdleVertexFinder() {
    super(Element.Kind.VERTEX);
  }

  @Override
  protected void look(Subject subject, int v, Consumer<Finding> found) {
    Mesh mesh = subject.mesh();
    if (subject.topology().valence(v) == 2) {
      double turn = turnAt(mesh, v);
      if (turn <= subject.threshold(Threshold.IDLE_ANGLE)) {
        found.accept(new VerticesFinding.IdleVertex(Where.atVertex(mesh, v), turn));
      }
    }
  }

  /**
   * Turn at a vertex between its two edges of faces, degrees, 0 straight on; NaN where a vertex has
   * no place or an edge no length.
   */
  static double turnAt(Mesh mesh, int v) {
    int[] ends = new int[2];
    int count = 0;
    for (int e : mesh.edgesAt(v)) {
      if (mesh.cornerOn(e) != Mesh.NONE) {
        ends[count++] = mesh.otherEnd(e, v);
      }
    }
    if (!mesh.hasPlace(v) || !mesh.hasPlace(ends[0]) || !mesh.hasPlace(ends[1])) {
      return Double.NaN;
    }
    Vec3 in = mesh.position(v).minus(mesh.position(ends[0]));
    Vec3 out = mesh.position(ends[1]).minus(mesh.position(v));
    boolean turns = !in.equals(Vec3.ZERO) && !out.equals(Vec3.ZERO);
    return turns ? in.angleTo(out) : Double.NaN;
  }
}
