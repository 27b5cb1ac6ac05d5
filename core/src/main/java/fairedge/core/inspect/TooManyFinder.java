package fairedge.core.inspect;

import fairedge.core.mesh.Mesh;
import java.util.List;

/**
 * {@code too-many}: more faces than the exercise's budget. One finding about the whole mesh, on its
 * first face. Cost: constant.
 */
final class TooManyFinder implements Finder {
  @Override
  public List<Finding> find(Subject subject) {
    Integer budget = subject.wanted().faces();
    Mesh mesh = subject.mesh();
    if (budget == null || mesh.faceCount() <= budget) {
      return List.of();
    }
    return List.of(
        Tell.ofWhole(
            subject,
            Rule.TOO_MANY,
            new Measure(mesh.faceCount(), Measure.Unit.FACES),
            Tell.count(mesh.faceCount() - budget, "face", "faces") + " too many",
            "The budget is "
                + Tell.count(budget, "face", "faces")
                + ", and this mesh has "
                + mesh.faceCount()
                + ". Lift loops that shape nothing first."));
  }
}
