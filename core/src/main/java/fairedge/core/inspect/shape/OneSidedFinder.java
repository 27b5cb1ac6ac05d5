package fairedge.core.inspect.shape;

import fairedge.core.inspect.finding.Finder;
import fairedge.core.inspect.finding.Finding;
import fairedge.core.inspect.finding.ShapeFinding;
import fairedge.core.inspect.finding.Where;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import fairedge.core.survey.EdgeGroups;
import fairedge.core.survey.Places;
import fairedge.core.survey.Subject;
import java.util.Arrays;
import java.util.List;
import java.util.Objects;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/**
 * {@code one-sided}, where the exercise wants lines right round: new edges that hang together by
 * shared vertices, and end at a vertex inside the surface, at which no second of them goes on. One
 * finding a group, on its first such end: usually a cut in front that was not led round the back.
 * Cost: the new edges.
 */
public final class OneSidedFinder implements Finder {
  @Override
  public List<Finding> find(Subject subject) {
    if (!subject.wanted().rightRound() || subject.starter() == null) {
      return List.of();
    }
    return EdgeGroups.of(subject.mesh(), subject.novelty().edges()).stream()
        .map(edges -> open(subject, edges))
        .filter(Objects::nonNull)
        .toList();
  }

  private static @Nullable Finding open(Subject subject, int[] edges) {
    Mesh mesh = subject.mesh();
    int[] ends =
        Arrays.stream(edges)
            .flatMap(e -> Arrays.stream(new int[] {mesh.first(e), mesh.second(e)}))
            .filter(v -> isEnd(subject, v))
            .sorted()
            .distinct()
            .toArray();
    if (ends.length == 0) {
      return null;
    }
    return new ShapeFinding.OneSided(
        new Where(
            elements(ends, edges),
            mesh.position(ends[0]),
            Places.meanEdge(mesh, mesh.facesAt(ends[0]))),
        ends.length,
        edges.length);
  }

  private static boolean isEnd(Subject subject, int v) {
    Mesh mesh = subject.mesh();
    int on = 0;
    boolean border = false;
    for (int e : mesh.edgesAt(v)) {
      on += subject.novelty().isNew(e) ? 1 : 0;
      border |= subject.topology().uses(e) == 1;
    }
    return on == 1 && !border;
  }

  /** The ends, then the edges. */
  private static List<Element> elements(int[] ends, int[] edges) {
    return Stream.concat(
            Arrays.stream(ends).mapToObj(Element::vertex),
            Arrays.stream(edges).mapToObj(Element::edge))
        .toList();
  }
}
