package fairedge.core.inspect.flow;

import fairedge.core.inspect.finding.Finder;
import fairedge.core.inspect.finding.Finding;
import fairedge.core.inspect.finding.FlowFinding;
import fairedge.core.inspect.finding.Where;
import fairedge.core.mesh.Mesh;
import fairedge.core.survey.Subject;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/**
 * {@code spiral}:
 *
 * <ol>
 *   <li>a ring that passes a quad both ways; or
 *   <li>a loop that comes round within one quad of itself: two of its edges, that share no vertex,
 *       are opposite sides of one quad.
 * </ol>
 *
 * One finding a ring or loop, with the quads where it meets itself; the rings first, by the lowest
 * of these. Cost: the quads, where there is one.
 */
public final class SpiralFinder implements Finder {
  @Override
  public List<Finding> find(Subject subject) {
    if (!subject.rings().hasCrossing() && !subject.loops().hasBeside()) {
      return List.of();
    }
    Mesh mesh = subject.mesh();
    Map<Integer, List<Integer>> rings = new TreeMap<>();
    Map<Integer, List<Integer>> loops = new TreeMap<>();
    for (int f = 0; f < mesh.faceEnd(); f++) {
      if (!mesh.hasFace(f) || mesh.size(f) != 4) {
        continue;
      }
      int ring = subject.rings().ringOf(f, 0);
      if (ring == subject.rings().ringOf(f, 1)) {
        rings.computeIfAbsent(ring, r -> new ArrayList<>()).add(f);
      }
      int c = mesh.firstCorner(f);
      for (int side : new int[] {c, mesh.next(c)}) {
        if (subject.loops().isBesideItself(side)) {
          int loop = subject.loops().loopOf(mesh.edgeOf(side));
          loops.computeIfAbsent(loop, l -> new ArrayList<>()).add(f);
        }
      }
    }
    List<Finding> found = new ArrayList<>();
    rings.values().stream()
        .sorted(Comparator.comparing(List::getFirst))
        .forEach(quads -> found.add(finding(subject, quads, true)));
    loops.values().stream()
        .sorted(Comparator.comparing(List::getFirst))
        .forEach(quads -> found.add(finding(subject, quads, false)));
    return found;
  }

  private static Finding finding(Subject subject, List<Integer> quads, boolean ring) {
    int middle = quads.get(quads.size() / 2);
    return new FlowFinding.Spiral(Where.atFaces(subject.mesh(), quads, middle), ring);
  }
}
