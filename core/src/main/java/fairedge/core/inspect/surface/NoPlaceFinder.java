package fairedge.core.inspect.surface;

import fairedge.core.inspect.finding.ElementFinder;
import fairedge.core.inspect.finding.Finding;
import fairedge.core.inspect.finding.SurfaceFinding;
import fairedge.core.inspect.finding.Where;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import fairedge.core.survey.Places;
import fairedge.core.survey.Subject;
import java.util.List;
import java.util.function.Consumer;

/** {@code no-place}: a vertex with a missing, NaN or infinite number. Cost: every vertex once. */
public final class NoPlaceFinder extends ElementFinder {
  public NoPlaceFinder() {
    super(Element.Kind.VERTEX);
  }

  @Override
  protected void look(Subject subject, int v, Consumer<Finding> found) {
    if (subject.mesh().hasVertex(v) && !subject.mesh().hasPlace(v)) {
      found.accept(finding(subject.mesh(), v));
    }
  }

  private static Finding finding(Mesh mesh, int v) {
    return new SurfaceFinding.NoPlace(
        new Where(List.of(Element.vertex(v)), Places.ofVertex(mesh, v), 0));
  }
}
