package fairedge.core.inspect;

import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
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
final class SpiralFinder implements Finder {
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
    Mesh mesh = subject.mesh();
    int first = quads.get(quads.size() / 2);
    String what = ring ? "ring" : "loop";
    return new Finding.Told(
        Rule.SPIRAL,
        quads.stream().map(Element::face).toList(),
        Places.onFace(mesh, first),
        Places.meanEdge(mesh, first),
        new Measure(quads.size(), Measure.Unit.FACES),
        (ring ? "Ring" : "Loop") + " in a spiral",
        ring
            ? "One ring passes "
                + Tell.count(quads.size(), "quad", "quads")
                + " both ways: a loop inserted here crosses itself."
            : "One "
                + what
                + " comes round beside itself at "
                + Tell.count(quads.size(), "quad", "quads")
                + ": it runs in a spiral and never closes, so nothing can be chosen or tightened"
                + " all round. Turn an edge where it begins.");
  }
}
