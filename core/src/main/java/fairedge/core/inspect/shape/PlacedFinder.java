package fairedge.core.inspect.shape;

import fairedge.core.geometry.Vec3;
import fairedge.core.inspect.finding.Finder;
import fairedge.core.inspect.finding.Finding;
import fairedge.core.inspect.finding.ShapeFinding;
import fairedge.core.inspect.finding.Where;
import fairedge.core.mesh.Mesh;
import fairedge.core.survey.Placement;
import fairedge.core.survey.Subject;
import java.util.List;

/**
 * {@code placed}: the mesh does not lie where the starter lies, and a plain scale, axes taken for
 * one another, or a shift bring it there ({@link Placement}). One finding about the whole mesh; all
 * other comparing is done as if it lay right. Measure: the scale if there is one, else how far the
 * middle of its box moves. Cost: the vertices asked, times the candidates.
 */
public final class PlacedFinder implements Finder {
  @Override
  public List<Finding> find(Subject subject) {
    Placement placement = subject.placement();
    if (placement == null) {
      return List.of();
    }
    Mesh mesh = subject.mesh();
    Vec3 middle = mesh.bounds().centre();
    double moved = placement.moved(middle).distance(middle);
    return List.of(new ShapeFinding.Placed(Where.whole(subject), placement, moved));
  }
}
