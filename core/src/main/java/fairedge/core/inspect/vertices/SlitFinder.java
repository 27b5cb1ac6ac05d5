package fairedge.core.inspect.vertices;

import fairedge.core.inspect.finding.ElementFinder;
import fairedge.core.inspect.finding.Finding;
import fairedge.core.inspect.finding.VerticesFinding;
import fairedge.core.inspect.finding.Where;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import fairedge.core.survey.Subject;
import java.util.function.Consumer;

/**
 * {@code slit}: a vertex of valence 1 in a face: the face goes along the edge there and comes back
 * along it. Loose edges don't count. Cost: every vertex once.
 */
public final class SlitFinder extends ElementFinder {
  public SlitFinder() {
    super(Element.Kind.VERTEX);
  }

  @Override
  protected void look(Subject subject, int v, Consumer<Finding> found) {
    Mesh mesh = subject.mesh();
    if (subject.topology().valence(v) == 1) {
      found.accept(new VerticesFinding.Slit(Where.atVertex(mesh, v)));
    }
  }
}
