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
    splitter.splitAll();
    shapes.forEach((f, shape) -> {
      Arrangement plan = new Arrangement(mesh, f, shape, merge);
      for (Chord chord : byFace.getOrDefault(f, List.of())) {
        plan.add(nodeOf(chord.from(), plan, splitter), nodeOf(chord.to(), plan, splitter));
      }
      new FaceDivider(edit, f, plan).divide();
    });
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
