package fairedge.core.inspect;

import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import java.util.ArrayList;
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
 * One finding a ring or loop, with the quads where it meets itself; the rings first. Cost: the
 * quads.
 */
final class SpiralFinder implements Finder {
  @Override
  public List<Finding> find(Subject subject) {
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
      addLoop(subject, c, f, loops);
      addLoop(subject, mesh.next(c), f, loops);
    }
    List<Finding> found = new ArrayList<>();
    rings.values().forEach(quads -> found.add(finding(subject, quads, true)));
    loops.values().forEach(quads -> found.add(finding(subject, quads, false)));
    return found;
  }

  private static void addLoop(Subject subject, int c, int f, Map<Integer, List<Integer>> loops) {
    Mesh mesh = subject.mesh();
    int d = mesh.next(mesh.next(c));
    int e = mesh.edgeOf(c);
    int g = mesh.edgeOf(d);
    int loop = subject.loops().loopOf(e);
    if (loop == Mesh.NONE || loop != subject.loops().loopOf(g) || e == g) {
      return;
    }
    int a = mesh.first(e);
    int b = mesh.second(e);
    boolean apart =
        a != mesh.first(g) && a != mesh.second(g) && b != mesh.first(g) && b != mesh.second(g);
    if (apart) {
      loops.computeIfAbsent(loop, l -> new ArrayList<>()).add(f);
    }
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
