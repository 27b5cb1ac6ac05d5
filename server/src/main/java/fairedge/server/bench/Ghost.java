package fairedge.server.bench;

import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;
import fairedge.core.step.Receipt;
import fairedge.server.bench.PreviewView.GhostView;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;

/** What a change would draw otherwise, read while it is in force. */
final class Ghost {
  private static final int MOST_LINES = 3000;

  private Ghost() {}

  static GhostView of(Mesh after, Receipt receipt) {
    TreeSet<Integer> edges = new TreeSet<>(receipt.newEdges());
    receipt.movedVertices().forEach(v -> addEdgesAt(after, v, edges));
    receipt.newFaces().forEach(f -> addSides(after, f, edges));
    receipt.reshapedFaces().forEach(f -> addSides(after, f, edges));
    List<Double> lines = new ArrayList<>();
    edges.stream()
        .filter(e -> after.hasEdge(e) && isPlaced(after, e))
        .limit(MOST_LINES)
        .forEach(e -> {
          add(after.position(after.first(e)), lines);
          add(after.position(after.second(e)), lines);
        });
    List<Integer> gone = new ArrayList<>(receipt.goneEdges());
    Set<Integer> joined = new HashSet<>(receipt.joinedEdges());
    gone.removeIf(joined::contains);
    boolean more = edges.size() > MOST_LINES || gone.size() > MOST_LINES;
    return new GhostView(
        lines,
        gone.stream().limit(MOST_LINES).toList(),
        receipt.goneFaces().stream().limit(MOST_LINES).toList(),
        more);
  }

  private static void addEdgesAt(Mesh mesh, int v, TreeSet<Integer> edges) {
    for (int e : mesh.edgesAt(v)) {
      edges.add(e);
    }
  }

  private static void addSides(Mesh mesh, int f, TreeSet<Integer> edges) {
    int c = mesh.firstCorner(f);
    for (int i = mesh.size(f); i > 0; i--) {
      edges.add(mesh.edgeOf(c));
      c = mesh.next(c);
    }
  }

  /** What has no place is not drawn; as no number it would be no JSON either. */
  private static boolean isPlaced(Mesh mesh, int e) {
    return mesh.hasPlace(mesh.first(e)) && mesh.hasPlace(mesh.second(e));
  }

  private static void add(Vec3 p, List<Double> lines) {
    lines.add(p.x());
    lines.add(p.y());
    lines.add(p.z());
  }
}
