package fairedge.core.step;

import java.util.List;

/** Elements by their number. */
final class Counted {
  private Counted() {}

  /** "1 vertex", "3 vertices". */
  static String of(int n, String one) {
    String many = one.equals("vertex") ? "vertices" : one + "s";
    return n + " " + (n == 1 ? one : many);
  }

  /** Edges, vertices, or both. */
  static String both(List<Integer> edges, List<Integer> vertices) {
    if (edges.isEmpty()) {
      return of(vertices.size(), "vertex");
    }
    return of(edges.size(), "edge")
        + (vertices.isEmpty() ? "" : ", " + of(vertices.size(), "vertex"));
  }
}
