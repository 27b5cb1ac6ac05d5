package fairedge.core.inspect;

import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
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
final class BorderFinder implements Finder {
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
    return new Finding.Told(
        Rule.BORDER,
        Arrays.stream(loop).mapToObj(Element::edge).toList(),
        Places.onEdge(mesh, loop[0]),
        Places.meanEdge(mesh, faces),
        new Measure(loop.length, Measure.Unit.EDGES),
        "Open border of " + loop.length + " edges",
        "The surface is open along "
            + loop.length
            + " edges here: close it with quads, unless it is meant to be open.");
  }
}
