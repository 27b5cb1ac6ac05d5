package fairedge.core.form;

import fairedge.core.cut.RunOn;
import fairedge.core.flow.Onward;
import fairedge.core.local.Refusal;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import fairedge.core.work.Site;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;

/** Chosen edges along which something is to be laid. */
final class EdgeRuns {
  private EdgeRuns() {}

  /** On along the loops of edges, past each end that no other chosen edge meets. */
  static TreeSet<Integer> toEnds(Mesh mesh, Set<Integer> asked) {
    TreeSet<Integer> all = new TreeSet<>(asked);
    for (int first : asked) {
      for (int end : new int[] {mesh.first(first), mesh.second(first)}) {
        int e = first;
        int v = end;
        while (chosenAt(mesh, v, all) == 1) {
          e = Onward.from(mesh, e, v);
          if (e == Mesh.NONE || !all.add(e)) {
            break;
          }
          v = mesh.otherEnd(e, v);
        }
      }
    }
    return all;
  }

  private static int chosenAt(Mesh mesh, int v, Set<Integer> chosen) {
    int count = 0;
    for (int e : mesh.edgesAt(v)) {
      count += chosen.contains(e) ? 1 : 0;
    }
    return count;
  }

  /** What edges are in after lines were cut across some of them. */
  static TreeSet<Integer> inParts(Set<Integer> edges, RunOn.Ran ran) {
    TreeSet<Integer> parts = new TreeSet<>();
    edges.forEach(e -> parts.addAll(ran.parts().getOrDefault(e, List.of(e))));
    return parts;
  }

  /**
   * @param atBorder whether an edge of the border will do
   * @throws Refusal.Raised if an edge has not one face on each side
   */
  static void requireSides(Site site, int e, boolean atBorder) {
    Mesh mesh = site.mesh();
    int uses = mesh.uses(e);
    Element here = Element.edge(e);
    if (uses == 0) {
      throw Refusal.because("This edge is in no face: nothing can be laid along it.", here);
    }
    if (uses > 2) {
      throw Refusal.because("More than two faces meet at this edge.", here);
    }
    if (uses == 1 && !atBorder) {
      throw Refusal.because("This edge is at a border: there is only one side to it.", here);
    }
    if (mesh.length(e) <= site.merge()) {
      throw Refusal.because("This edge has no length.", here);
    }
    int c = mesh.firstSideOn(e);
    int d = mesh.nextOnEdge(c);
    if (c != d && mesh.vertexOf(c) == mesh.vertexOf(d)) {
      throw Refusal.because(
          "The two faces here are wound against each other. Unify them first.", here);
    }
  }
}
