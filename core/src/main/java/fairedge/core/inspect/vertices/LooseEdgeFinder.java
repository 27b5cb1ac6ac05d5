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

/** {@code loose-edge}: an edge in no face. Cost: every edge once. */
public final class LooseEdgeFinder extends ElementFinder {
  public LooseEdgeFinder() {
    super(Element.Kind.EDGE);
  }

  @Override
  protected BitSet candidates(Subject subject) {
    return subject.topology().looseEdges();
  }

  @Override
  protected void look(Subject subject, int e, Consumer<Finding> found) {
    Mesh mesh = subject.mesh();
    if (mesh.hasEdge(e) && mesh.cornerOn(e) == Mesh.NONE) {
      found.accept(
          new VerticesFinding.LooseEdge(
              new Where(List.of(Element.edge(e)), Places.onEdge(mesh, e), 0)));
    }
  }
}
