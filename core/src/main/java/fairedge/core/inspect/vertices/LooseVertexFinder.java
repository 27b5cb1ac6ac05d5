package fairedge.core.inspect.vertices;

import fairedge.core.inspect.finding.ElementFinder;
import fairedge.core.inspect.finding.Finding;
import fairedge.core.inspect.finding.VerticesFinding;
import fairedge.core.inspect.finding.Where;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import fairedge.core.survey.Places;
import fairedge.core.survey.Subject;
import java.util.BitSet;
import java.util.List;
import java.util.function.Consumer;

/** {@code loose-vertex}: a vertex at no edge. Cost: every vertex once. */
public final class LooseVertexFinder extends ElementFinder {
  public LooseVertexFinder() {
    super(Element.Kind.VERTEX);
  }

  @Override
  protected BitSet candidates(Subject subject) {
    return subject.topology().verticesApart();
  }

  @Override
  protected void look(Subject subject, int v, Consumer<Finding> found) {
    Mesh mesh = subject.mesh();
    if (mesh.hasVertex(v) && mesh.edgeAt(v) == Mesh.NONE) {
      found.accept(
          new VerticesFinding.LooseVertex(
              new Where(List.of(Element.vertex(v)), Places.ofVertex(mesh, v), 0)));
    }
  }
}
