package fairedge.core.form;

import fairedge.core.local.MeshEdit;
import fairedge.core.local.Pruning;
import fairedge.core.local.Refusal;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import fairedge.core.work.Site;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.TreeSet;

/**
 * Lays strips of quads along edges: between the sections at an edge's two ends a row for each step
 * of them, patches where several meet, and the faces beside drawn back to where the sections end.
 * The faces keep their ids and labels; what is laid gets the label of the face beside it. Cost: the
 * edges, and the faces at their ends.
 */
final class StripLayer {
  /** A face to be laid. */
  private record Patch(int[] round, int like) {}

  private final MeshEdit edit;
  private final Mesh mesh;
  private final double merge;

  /** By corner the vertices that stand there from now on; none for one that goes. */
  private final Map<Integer, int[]> corners = new HashMap<>();

  /** By end and edge, seen from the end along the edge: from the right to the left. */
  private final Map<Long, int[]> sections = new HashMap<>();

  private final List<Patch> patches = new ArrayList<>();
  private final List<Row> rows = new ArrayList<>();
  private final List<Integer> filled = new ArrayList<>();

  /**
   * A face of a strip.
   *
   * @param isRight whether its first side looks away from the edge; else its third does
   */
  record Row(int face, boolean isRight) {}

  StripLayer(Site site) {
    this.edit = site.edit();
    this.mesh = site.mesh();
    this.merge = site.merge();
  }

  void replace(int corner, int... vertices) {
    corners.put(corner, vertices);
  }

  void section(int vertex, int edge, int[] fromRightToLeft) {
    sections.put((long) vertex << 32 | edge, fromRightToLeft);
  }

  /** A face that fills where strips meet; what it has twice in a row counts once. */
  void patch(int[] round, int like) {
    patches.add(new Patch(round, like));
  }

  void lay(Collection<Integer> edges) {
    List<Runnable> strips = edges.stream().map(this::strip).toList();
    TreeSet<Integer> faces = new TreeSet<>();
    corners.keySet().forEach(c -> faces.add(mesh.faceOf(c)));
    TreeSet<Integer> before = new TreeSet<>(edges);
    for (int f : faces) {
      for (int e : mesh.edges(f)) {
        before.add(e);
      }
    }
    faces.forEach(this::drawBack);
    strips.forEach(Runnable::run);
    for (Patch patch : patches) {
      filled.add(face(patch.round(), patch.like()));
    }
    Pruning.removeBare(edit, before);
    rows.forEach(row -> requireLengths(row.face()));
    filled.forEach(this::requireLengths);
  }

  /** Lines that ran on from elsewhere may lie where these come to lie. */
  private void requireLengths(int f) {
    for (int e : mesh.edges(f)) {
      if (mesh.length(e) <= merge) {
        throw Refusal.because(
            "Two lines would come to lie on one another here: one that runs on, and one beside a"
                + " chosen edge. Let them run straight through, or choose the edges between too.",
            Element.vertex(mesh.first(e)));
      }
    }
  }

  /** The faces of the strips that were laid. */
  List<Row> rows() {
    return rows;
  }

  /** All faces that were laid. */
  List<Integer> laid() {
    List<Integer> all = new ArrayList<>(rows.stream().map(Row::face).toList());
    all.addAll(filled);
    return all;
  }

  private void drawBack(int f) {
    List<Integer> now = new ArrayList<>();
    List<Integer> carried = new ArrayList<>();
    int c = mesh.firstCorner(f);
    for (int i = 0; i < mesh.size(f); i++, c = mesh.next(c)) {
      for (int v : corners.getOrDefault(c, new int[] {mesh.vertexOf(c)})) {
        now.add(v);
        carried.add(i);
      }
    }
    int[] round = now.stream().mapToInt(Integer::intValue).toArray();
    if (round.length < 3) {
      throw Refusal.because("Nothing of this face would be left.", Element.face(f));
    }
    for (int i = 0; i < round.length; i++) {
      Pruning.edgeBetween(edit, round[i], round[(i + 1) % round.length]);
    }
    edit.reshapeFace(f, round, carried.stream().mapToInt(Integer::intValue).toArray());
  }

  /** The rows of an edge, as its sides are now; to be laid when the faces have drawn back. */
  private Runnable strip(int e) {
    int c = mesh.firstSideOn(e);
    int from = mesh.vertexOf(c);
    int to = mesh.vertexOf(mesh.next(c));
    int left = mesh.faceOf(c);
    int uses = mesh.uses(e);
    int right = uses == 2 ? mesh.faceOf(mesh.nextOnEdge(c)) : left;
    int[] start = sectionAt(from, e);
    int[] end = sectionAt(to, e);
    return () -> {
      int last = start.length - 1;
      for (int j = 0; j < last; j++) {
        int[] row = {start[j], end[last - j], end[last - j - 1], start[j + 1]};
        boolean isRight = uses == 2 && 2 * j < last;
        rows.add(new Row(face(row, isRight ? right : left), isRight));
      }
    };
  }

  private int[] sectionAt(int vertex, int edge) {
    return Objects.requireNonNull(sections.get((long) vertex << 32 | edge));
  }

  private int face(int[] round, int like) {
    List<Integer> once = new ArrayList<>();
    for (int i = 0; i < round.length; i++) {
      if (round[i] != round[(i + 1) % round.length]) {
        once.add(round[i]);
      }
    }
    int[] ring = once.stream().mapToInt(Integer::intValue).toArray();
    return Pruning.layFace(edit, ring, like);
  }
}
