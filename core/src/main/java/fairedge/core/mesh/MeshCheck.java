package fairedge.core.mesh;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/**
 * All invariants of a mesh's connectivity. Run after every operation in tests, and on what a store
 * gives back. Cost: the whole mesh.
 *
 * <ol>
 *   <li>Counts agree with what is alive.
 *   <li>An edge joins two different living vertices, first below second, and hangs in the cycle of
 *       both; no two edges join the same vertices.
 *   <li>Every edge in a vertex's cycle ends at that vertex, and the cycle closes both ways.
 *   <li>A face is one ring of as many corners as its size, at least 3, all its own.
 *   <li>The side leaving a corner lies on the edge between its vertex and the next one's.
 *   <li>The sides in an edge's cycle all lie on it, and every side is in the cycle of its edge.
 *   <li>A face's label and a corner's values are there.
 * </ol>
 */
public final class MeshCheck {
  private final Mesh mesh;
  private final List<String> faults = new ArrayList<>();

  private MeshCheck(Mesh mesh) {
    this.mesh = mesh;
  }

  /** What is broken, in words that name the elements; empty if nothing is. */
  public static List<String> faults(Mesh mesh) {
    MeshCheck check = new MeshCheck(mesh);
    check.counts();
    check.edges();
    check.vertexCycles();
    check.faces();
    check.edgeCycles();
    check.attributes();
    return check.faults;
  }

  private void require(boolean holds, String fault, int... ids) {
    if (!holds) {
      faults.add(fault + " " + java.util.Arrays.toString(ids));
    }
  }

  private void counts() {
    int vertices = 0;
    int edges = 0;
    int faces = 0;
    for (int v = 0; v < mesh.vertexEnd; v++) {
      vertices += mesh.hasVertex(v) ? 1 : 0;
    }
    for (int e = 0; e < mesh.edgeEnd; e++) {
      edges += mesh.hasEdge(e) ? 1 : 0;
    }
    for (int f = 0; f < mesh.faceEnd; f++) {
      faces += mesh.hasFace(f) ? 1 : 0;
    }
    require(vertices == mesh.vertexCount, "vertex count", vertices, mesh.vertexCount);
    require(edges == mesh.edgeCount, "edge count", edges, mesh.edgeCount);
    require(faces == mesh.faceCount, "face count", faces, mesh.faceCount);
  }

  private void edges() {
    Set<Long> seen = new HashSet<>();
    for (int e = 0; e < mesh.edgeEnd; e++) {
      if (!mesh.hasEdge(e)) {
        continue;
      }
      int a = mesh.first(e);
      int b = mesh.second(e);
      require(a < b && mesh.hasVertex(a) && mesh.hasVertex(b), "ends of edge", e, a, b);
      require(seen.add((long) a << 32 | b), "second edge between two vertices", e, a, b);
    }
  }

  private void vertexCycles() {
    int hung = 0;
    for (int v = 0; v < mesh.vertexEnd; v++) {
      if (!mesh.hasVertex(v) || mesh.edgeAt(v) == Mesh.NONE) {
        continue;
      }
      int e = mesh.edgeAt(v);
      do {
        require(mesh.hasEdge(e) && (mesh.first(e) == v || mesh.second(e) == v), "cycle at", v, e);
        int next = mesh.nextEdgeAt(v, e);
        int back =
            mesh.first(next) == v
                ? mesh.edgePreviousAtFirst[next]
                : mesh.edgePreviousAtSecond[next];
        require(back == e, "cycle at vertex is torn", v, e);
        e = next;
        hung++;
      } while (e != mesh.edgeAt(v) && hung <= 2 * mesh.edgeCount && faults.isEmpty());
    }
    require(hung == 2 * mesh.edgeCount, "edges in the cycles of vertices", hung, mesh.edgeCount);
  }

  private void faces() {
    for (int f = 0; f < mesh.faceEnd; f++) {
      if (mesh.hasFace(f)) {
        face(f);
      }
    }
  }

  private void face(int f) {
    int n = mesh.size(f);
    require(n >= 3, "size of face", f, n);
    int c = mesh.firstCorner(f);
    for (int i = 0; i < n && faults.isEmpty(); i++) {
      int d = mesh.next(c);
      require(mesh.faceOf(c) == f, "corner of another face", f, c);
      require(mesh.previous(d) == c, "ring of face is torn", f, c);
      int e = mesh.edgeOf(c);
      require(mesh.hasEdge(e), "side on no edge", f, c);
      if (mesh.hasEdge(e)) {
        int a = mesh.vertexOf(c);
        require(
            a != mesh.vertexOf(d)
                && mesh.otherEnd(e, a) == mesh.vertexOf(d)
                && (mesh.first(e) == a || mesh.second(e) == a),
            "side not on its edge",
            f,
            c,
            e);
      }
      c = d;
    }
    require(c == mesh.firstCorner(f), "ring of face does not close at its size", f, n);
  }

  private void edgeCycles() {
    if (!faults.isEmpty()) {
      return;
    }
    int sides = 0;
    for (int e = 0; e < mesh.edgeEnd; e++) {
      if (!mesh.hasEdge(e) || mesh.cornerOn(e) == Mesh.NONE) {
        continue;
      }
      int c = mesh.cornerOn(e);
      do {
        require(mesh.edgeOf(c) == e, "side in the cycle of another edge", e, c);
        require(mesh.cornerPreviousOnEdge[mesh.nextOnEdge(c)] == c, "cycle of edge is torn", e, c);
        c = mesh.nextOnEdge(c);
        sides++;
      } while (c != mesh.cornerOn(e) && faults.isEmpty());
    }
    int corners = 0;
    for (int f = 0; f < mesh.faceEnd; f++) {
      corners += mesh.hasFace(f) ? mesh.size(f) : 0;
    }
    require(sides == corners, "sides in the cycles of edges", sides, corners);
  }

  private void attributes() {
    for (int f = 0; f < mesh.faceEnd && faults.isEmpty(); f++) {
      if (!mesh.hasFace(f)) {
        continue;
      }
      int label = mesh.labelOf(f);
      require(label >= 0 && label < mesh.labels.size(), "label of face", f, label);
      for (Attribute attribute : Attribute.values()) {
        int c = mesh.firstCorner(f);
        for (int i = mesh.size(f); i > 0; i--) {
          int value = mesh.valueAt(attribute, c);
          require(
              value >= Mesh.NONE && value < mesh.valueEnd(attribute), "value at corner", f, value);
          c = mesh.next(c);
        }
      }
    }
  }
}
