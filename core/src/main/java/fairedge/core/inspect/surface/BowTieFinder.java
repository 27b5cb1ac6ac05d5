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

/** {@code bow-tie}: a vertex with more than one fan. Cost: every vertex once. */
public final class BowTieFinder extends ElementFinder {
  public BowTieFinder() {
    super(Element.Kind.VERTEX);
  }

  @Override
  protected BitSet candidates(Subject subject) {
    return subject.topology().bowTies();
  }

  @Override
  protected void look(Subject subject, int v, Consumer<Finding> found) {
    if (subject.topology().fans(v) > 1) {
      found.accept(finding(subject.mesh(), v, subject.topology().fans(v)));
    }
  }

  private static Finding finding(Mesh mesh, int v, int fans) {
    return new SurfaceFinding.BowTie(Where.atVertex(mesh, v), fans);
  }
}
