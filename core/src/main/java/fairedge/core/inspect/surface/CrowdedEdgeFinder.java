package fairedge.core.inspect.surface;

import fairedge.core.inspect.finding.ElementFinder;
import fairedge.core.inspect.finding.Finding;
import fairedge.core.inspect.finding.SurfaceFinding;
import fairedge.core.inspect.finding.Where;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import fairedge.core.survey.Subject;
import java.util.BitSet;
import java.util.function.Consumer;

/** {@code crowded-edge}: an edge with 3 uses or more. Cost: every edge once. */
public final class CrowdedEdgeFinder extends ElementFinder {
  public CrowdedEdgeFinder() {
    super(Element.Kind.EDGE);
  }

  @Override
  protected BitSet candidates(Subject subject) {
    return subject.topology().crowdedEdges();
  }

  @Override
  protected void look(Subject subject, int e, Consumer<Finding> found) {
    if (subject.topology().uses(e) == 3) {
      found.accept(finding(subject.mesh(), e));
    }
  }

  private static Finding finding(Mesh mesh, int e) {
    int uses = mesh.uses(e);
    return new SurfaceFinding.CrowdedEdge(Where.atEdge(mesh, e), uses);
  }
}
