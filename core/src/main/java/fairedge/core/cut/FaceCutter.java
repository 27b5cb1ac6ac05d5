package fairedge.core.cut;

import fairedge.core.geometry.Vec3;
import fairedge.core.local.MeshEdit;
import fairedge.core.mesh.Mesh;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * Cuts faces along chords, all at once: first every crossing of an edge gets its vertex, then each
 * face is divided along its chords, whatever way these cross, close or lie apart. Cost: what is
 * cut; in a face the square of its chords where they lie close together.
 */
final class FaceCutter {
  private final MeshEdit edit;
  private final Mesh mesh;
  private final double merge;

  FaceCutter(MeshEdit edit, double merge) {
    this.edit = edit;
    this.merge = merge;
    this.mesh = edit.mesh();
  }

  /**
   * @param chords in faces as they are now; ends within the merge distance of each other are one
   */
  void cut(List<Chord> chords) {
    cut(chords, List.of());
  }

  /**
   * @param more places on edges that get a vertex, though no chord may end there
   * @return where the vertices are that were put into edges
   */
  EdgeSplitter cut(List<Chord> chords, List<Node.OnEdge> more) {
    Map<Integer, List<Chord>> byFace = new LinkedHashMap<>();
    for (Chord chord : chords) {
      byFace.computeIfAbsent(chord.face(), f -> new ArrayList<>()).add(chord);
    }
    Map<Integer, Vec3> shapes = new LinkedHashMap<>();
    byFace.keySet().forEach(f -> shapes.put(f, mesh.polygon(f).newell()));
    EdgeSplitter splitter = new EdgeSplitter(edit, merge);
    for (Chord chord : chords) {
      requestAt(chord.from(), splitter);
      requestAt(chord.to(), splitter);
    }
    more.forEach(splitter::request);
    splitter.splitAll();
    shapes.forEach((f, shape) -> {
      List<Chord> inFace = byFace.getOrDefault(f, List.of());
      if (inFace.size() == 1 && isSplitAtOnce(f, inFace.getFirst(), splitter)) {
        return;
      }
      Arrangement plan = new Arrangement(mesh, f, shape, merge);
      for (Chord chord : inFace) {
        plan.add(nodeOf(chord.from(), plan, splitter), nodeOf(chord.to(), plan, splitter));
      }
      new FaceDivider(edit, f, plan).divide();
    });
    return splitter;
  }

  /**
   * Splits a face along its only chord, if that is plain: from one of its vertices to another, past
   * no third, in a face that comes to each once. So are nearly all, and it costs a fraction.
   */
  private boolean isSplitAtOnce(int f, Chord chord, EdgeSplitter splitter) {
    int a = vertexAt(chord.from(), splitter);
    int b = vertexAt(chord.to(), splitter);
    if (a == Mesh.NONE || b == Mesh.NONE || a == b || mesh.findEdge(a, b) != Mesh.NONE) {
      return false;
    }
    Vec3 from = mesh.position(a);
    Vec3 whole = mesh.position(b).minus(from);
    double square = whole.dot(whole);
    int cornerA = Mesh.NONE;
    int cornerB = Mesh.NONE;
    int c = mesh.firstCorner(f);
    for (int i = mesh.size(f); i > 0; i--) {
      int v = mesh.vertexOf(c);
      if (v == a || v == b) {
        if ((v == a ? cornerA : cornerB) != Mesh.NONE) {
          return false;
        }
        cornerA = v == a ? c : cornerA;
        cornerB = v == b ? c : cornerB;
      } else {
        Vec3 way = mesh.position(v).minus(from);
        double t = way.dot(whole) / square;
        if (t > 0 && t < 1 && way.minus(whole.times(t)).length() <= merge) {
          return false;
        }
      }
      c = mesh.next(c);
    }
    if (cornerA == Mesh.NONE || cornerB == Mesh.NONE) {
      return false;
    }
    edit.splitFace(f, cornerA, cornerB, List.of());
    return true;
  }

  private static int vertexAt(Node node, EdgeSplitter splitter) {
    return switch (node) {
      case Node.AtVertex v -> v.vertex();
      case Node.OnEdge on -> splitter.vertexAt(on);
      case Node.Inside in -> Mesh.NONE;
      case Node.Beside beside -> Mesh.NONE;
    };
  }

  private static void requestAt(Node node, EdgeSplitter splitter) {
    if (node instanceof Node.OnEdge on) {
      splitter.request(on);
    }
  }

  private static int nodeOf(Node node, Arrangement plan, EdgeSplitter splitter) {
    return switch (node) {
      case Node.AtVertex v -> plan.nodeOf(v.vertex());
      case Node.OnEdge on -> plan.nodeOf(splitter.vertexAt(on));
      case Node.Inside in -> plan.place(in.at());
      case Node.Beside beside -> throw new IllegalStateException("no chord ends at " + beside);
    };
  }
}
