package fairedge.core.meet;

import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;

/**
 * What there is to clean at a line in which parts met. Cost: the faces at the line.
 *
 * @param edges of the line
 * @param beside how many faces are at it
 * @param many how many of these have more than four sides
 * @param triangles how many have three
 * @param brief how many edges there are short
 * @param doubles how many of these are so short that their ends count as one place
 * @param hasCollar whether a closed ring of quads goes round outside what the second part brought
 * @param shortest the shortest edge there
 */
record LineTally(
    int edges,
    int beside,
    int many,
    int triangles,
    int brief,
    int doubles,
    boolean hasCollar,
    @Nullable Element shortest) {

  /**
   * @param brought faces of the second part, which lie on the inner side of the line; none where it
   *     has no inner side
   * @param merge places so near each other are one
   * @param near edges that are no longer are short
   */
  static LineTally of(Mesh mesh, Set<Integer> line, int[] brought, double merge, double near) {
    TreeSet<Integer> beside = new TreeSet<>();
    TreeSet<Integer> edges = new TreeSet<>();
    for (int e : line) {
      for (int f : mesh.facesOn(e)) {
        beside.add(f);
      }
      for (int v : new int[] {mesh.first(e), mesh.second(e)}) {
        for (int at : mesh.edgesAt(v)) {
          edges.add(at);
        }
      }
    }
    int brief = 0;
    int doubles = 0;
    int shortest = Mesh.NONE;
    for (int e : edges) {
      double length = mesh.length(e);
      brief += length <= near ? 1 : 0;
      doubles += length <= merge ? 1 : 0;
      shortest = shortest == Mesh.NONE || length < mesh.length(shortest) ? e : shortest;
    }
    return new LineTally(
        line.size(),
        beside.size(),
        (int) beside.stream().filter(f -> mesh.size(f) > 4).count(),
        (int) beside.stream().filter(f -> mesh.size(f) == 3).count(),
        brief,
        doubles,
        brought.length > 0 && hasCollar(mesh, line, beside, inner(mesh, line, brought)),
        shortest == Mesh.NONE ? null : Element.edge(shortest));
  }

  /** Of the faces at the line those on the side of some. */
  private static Set<Integer> inner(Mesh mesh, Set<Integer> line, int[] brought) {
    Set<Integer> at = new TreeSet<>();
    for (int e : line) {
      for (int v : new int[] {mesh.first(e), mesh.second(e)}) {
        for (int f : mesh.facesAt(v)) {
          at.add(f);
        }
      }
    }
    Set<Integer> inner = new HashSet<>();
    Deque<Integer> open = new ArrayDeque<>();
    for (int f : brought) {
      if (at.contains(f) && inner.add(f)) {
        open.add(f);
      }
    }
    while (!open.isEmpty()) {
      for (int e : mesh.edges(open.remove())) {
        for (int f : line.contains(e) ? new int[0] : mesh.facesOn(e)) {
          if (at.contains(f) && inner.add(f)) {
            open.add(f);
          }
        }
      }
    }
    return inner;
  }

  /** Each edge of the line has a quad outside, which has the next on either hand. */
  private static boolean hasCollar(
      Mesh mesh, Set<Integer> line, Set<Integer> beside, Set<Integer> inner) {
    for (int f : beside) {
      if (!inner.contains(f) && (mesh.size(f) != 4 || ofLine(mesh, line, f) != 1)) {
        return false;
      }
    }
    for (int e : line) {
      for (int v : new int[] {mesh.first(e), mesh.second(e)}) {
        int outer = 0;
        for (int f : mesh.facesAt(v)) {
          outer += inner.contains(f) ? 0 : 1;
        }
        if (outer != 2) {
          return false;
        }
      }
    }
    return true;
  }

  private static int ofLine(Mesh mesh, Set<Integer> line, int f) {
    int count = 0;
    for (int e : mesh.edges(f)) {
      count += line.contains(e) ? 1 : 0;
    }
    return count;
  }

  /** In sentences that go on from when it is so. */
  String words() {
    List<String> faults = new ArrayList<>();
    add(faults, many, "with more than four sides");
    add(faults, triangles, triangles == 1 ? "triangle" : "triangles");
    String faces = faults.isEmpty() ? "all quads" : String.join(", ", faults);
    List<String> edges = new ArrayList<>();
    add(edges, brief - doubles, "short");
    add(edges, doubles, "next to nothing");
    return String.format(
        Locale.ROOT,
        "a line of %d edges. Beside it %d faces: %s.%s %s.",
        this.edges,
        beside,
        faces,
        edges.isEmpty() ? "" : " Of the edges there " + String.join(", ", edges) + ".",
        hasCollar ? "A collar of quads goes round" : "No collar goes round");
  }

  private static void add(List<String> to, int count, String what) {
    if (count > 0) {
      to.add(count + " " + what);
    }
  }
}
