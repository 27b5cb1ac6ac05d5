package fairedge.core.inspect.shape;

import fairedge.core.inspect.finding.Finder;
import fairedge.core.inspect.finding.Finding;
import fairedge.core.inspect.finding.ShapeFinding;
import fairedge.core.inspect.finding.Where;
import fairedge.core.mesh.Mesh;
import fairedge.core.survey.Subject;
import java.util.List;

/**
 * {@code too-many}: more faces than the exercise's budget. One finding about the whole mesh, on its
 * first face. Cost: constant.
 */
public final class TooManyFinder implements Finder {
  @Override
  public List<Finding> find(Subject subject) {
    Integer budget = subject.wanted().faces();
    Mesh mesh = subject.mesh();
    if (budget == null || mesh.faceCount() <= budget) {
      return List.of();
    }
    return List.of(new ShapeFinding.TooMany(Where.whole(subject), mesh.faceCount(), budget));
  }
}
