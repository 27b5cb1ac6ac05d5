package fairedge.core.form;

import fairedge.core.mesh.Mesh;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** How wide something is laid at each vertex: as was asked, or narrower where there is no room. */
final class Widths {
  private final double usual;
  private final Map<Integer, Double> narrower = new HashMap<>();

  Widths(double usual) {
    this.usual = usual;
  }

  double at(int vertex) {
    return narrower.getOrDefault(vertex, usual);
  }

  /** Whether it was wider before. */
  boolean narrow(int vertex, double width) {
    boolean isLess = width < at(vertex);
    if (isLess) {
      narrower.put(vertex, width);
    }
    return isLess;
  }

  /** Where a line now crosses an edge that was whole it is as wide as it would have been there. */
  void follow(Mesh mesh, Collection<Integer> edges, Map<Integer, List<Integer>> partsOf) {
    for (int e : edges) {
      List<Integer> parts = partsOf.getOrDefault(e, List.of());
      List<Integer> inOrder = new ArrayList<>();
      for (int part : parts) {
        // Two parts have one vertex in common.
        boolean isMet = inOrder.size() > 1 && inOrder.getLast() == mesh.second(part);
        inOrder.add(isMet ? mesh.second(part) : mesh.first(part));
        inOrder.add(isMet ? mesh.first(part) : mesh.second(part));
      }
      for (int i = 2; i < inOrder.size(); i += 2) {
        inBetween(mesh, inOrder.get(i), inOrder.getFirst(), inOrder.getLast());
      }
    }
  }

  private void inBetween(Mesh mesh, int v, int from, int to) {
    double before = mesh.position(from).distance(mesh.position(v));
    double whole = before + mesh.position(v).distance(mesh.position(to));
    double share = whole > 0 ? before / whole : 0;
    narrow(v, at(from) + share * (at(to) - at(from)));
  }
}
