package fairedge.core.inspect.surface;

import fairedge.core.inspect.finding.Finder;
import fairedge.core.inspect.finding.Finding;
import fairedge.core.inspect.finding.SurfaceFinding;
import fairedge.core.inspect.finding.Where;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import fairedge.core.survey.Anew;
import fairedge.core.survey.Places;
import fairedge.core.survey.Starter;
import fairedge.core.survey.Subject;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * {@code border}:
 *
 * <ol>
 *   <li>a border loop, as {@code flow.Borders} counts them (irregular borders are in the figures,
 *       and their crowded edges are findings);
 *   <li>new: with a starter, one that has an edge which does not lie on the starter's borders along
 *       its whole length; without one, every loop.
 * </ol>
 *
 * Place: the middle of its lowest edge. Cost: the border edges.
 */
public final class BorderFinder implements Finder {
  @Override
  public List<Finding> find(Subject subject) {
    Mesh mesh = subject.mesh();
    Starter starter = subject.starter();
    List<Finding> found = new ArrayList<>();
    for (int[] loop : subject.borders().loops()) {
      if (starter == null || Arrays.stream(loop).anyMatch(e -> !starter.hasBorder(mesh, e))) {
        found.add(finding(mesh, loop));
      }
    }
    return found;
  }

  @Override
  public List<Finding> renew(Subject subject, Anew anew, List<Finding> before) {
    return anew.borders() ? find(subject) : before;
  }

  private static Finding finding(Mesh mesh, int[] loop) {
    int[] faces = Arrays.stream(loop).map(e -> mesh.faceOf(mesh.cornerOn(e))).toArray();
    return new SurfaceFinding.Border(
        new Where(
            Arrays.stream(loop).mapToObj(Element::edge).toList(),
            Places.onEdge(mesh, loop[0]),
            Places.meanEdge(mesh, faces)));
  }
}
