package fairedge.core.inspect.vertices;

import fairedge.core.flow.Topology;
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
 * {@code bent-vertex}:
 *
 * <ol>
 *   <li>an inner vertex at which exactly two edges of faces meet;
 *   <li>it turns by more than the profile's angle for idle vertices.
 * </ol>
 *
 * Cost: every vertex once.
 */
public final class BentVertexFinder extends ElementFinder {
  public BentVertexFinder() {
    super(Element.Kind.VERTEX);
  }

  @Override
  protected void look(Subject subject, int v, Consumer<Finding> found) {
    Topology topology = subject.topology();
    if (topology.valence(v) == 2 && topology.classOf(v) == Topology.VertexClass.INNER) {
      double turn = IdleVertexFinder.turnAt(subject.mesh(), v);
      if (turn > subject.threshold(Threshold.IDLE_ANGLE)) {
        found.accept(finding(subject.mesh(), v, turn));
      }
    }
  }

  private static Finding finding(Mesh mesh, int v, double turn) {
    return new VerticesFinding.BentVertex(Where.atVertex(mesh, v), turn);
  }
}
