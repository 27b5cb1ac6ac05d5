package fairedge.core.inspect;

import fairedge.core.mesh.Element;
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
    int first = 0;
    while (!mesh.hasFace(first)) {
      first++;
    }
    return List.of(
        new Finding.Told(
            Rule.TOO_MANY,
            List.of(Element.face(first)),
            Places.onFace(mesh, first),
            Places.meanEdge(mesh, first),
            new Measure(mesh.faceCount(), Measure.Unit.FACES),
            mesh.faceCount() - budget + " faces too many",
            "The budget is "
                + Tell.count(budget, "face", "faces")
                + ", and this mesh has "
                + mesh.faceCount()
                + ". Lift loops that shape nothing first. This is about the whole mesh."));
  }
}
