package fairedge.core.form;

import fairedge.core.geometry.Vec3;
import fairedge.core.local.MeshEdit;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import fairedge.core.work.Remark;
import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;

/** Makes what all strips have at the ends of their edges, whatever their sections. */
final class JointLayer {
  private final MeshEdit edit;
  private final Mesh mesh;
  private final StripLayer strips;
  private final List<Remark> remarks;

  JointLayer(MeshEdit edit, StripLayer strips, List<Remark> remarks) {
    this.edit = edit;
    this.mesh = edit.mesh();
    this.strips = strips;
    this.remarks = remarks;
  }

  StripLayer strips() {
    return strips;
  }

  int vertex(Vec3 at) {
    return edit.makeVertex(at);
  }

  int[] vertices(Vec3[] places) {
    return Arrays.stream(places).mapToInt(edit::makeVertex).toArray();
  }

  /**
   * From every fan a row of vertices goes to the middle, which all share; a section goes in along
   * one row and out along the next. A fan without a row stays as it is.
   *
   * @param rows by fan, from where its lines meet
   * @param middle null where the rows end in a ring, which a face fills if it is one
   */
  void spokes(Joint joint, Vec3[][] rows, @Nullable Vec3 middle) {
    int fans = rows.length;
    int centre = middle == null ? Mesh.NONE : middleVertex(joint, middle);
    int[][] made = new int[fans][];
    for (int i = 0; i < fans; i++) {
      made[i] = vertices(rows[i]);
      if (made[i].length > 0) {
        drawBack(joint, i, made[i][0]);
      }
    }
    for (int i = 0; i < fans; i++) {
      if (joint.edgeAfter(i) != Mesh.NONE) {
        boolean isLast = i == fans - 1 && !joint.isClosed();
        int[] left = isLast ? new int[0] : made[(i + 1) % fans];
        strips.section(joint.vertex(), joint.edgeAfter(i), section(made[i], centre, left));
      }
    }
    if (joint.before() != Mesh.NONE) {
      strips.section(joint.vertex(), joint.before(), section(new int[0], centre, made[0]));
    }
    if (middle == null && fans > 2) {
      fill(joint, Arrays.stream(made).mapToInt(row -> row[row.length - 1]).toArray());
    }
  }

  /** The faces of a fan come to a vertex instead. */
  void drawBack(Joint joint, int fan, int to) {
    joint.fans().get(fan).corners().forEach(c -> strips.replace(c, to));
  }

  /** In along one row, out along another. */
  static int[] section(int[] right, int middle, int[] left) {
    IntStream.Builder all = IntStream.builder();
    Arrays.stream(right).forEach(all::add);
    if (middle != Mesh.NONE) {
      all.add(middle);
    }
    for (int i = left.length - 1; i >= 0; i--) {
      all.add(left[i]);
    }
    return all.build().toArray();
  }

  /** The vertex itself, moved; or one of its own where something else hangs at it. */
  int middleVertex(Joint joint, Vec3 to) {
    int v = joint.vertex();
    if (to.equals(mesh.position(v))) {
      return v;
    }
    int own = joint.fans().stream().mapToInt(fan -> fan.corners().size()).sum();
    int all = 0;
    for (int f : mesh.facesAt(v)) {
      all += mesh.corners(f, v);
    }
    if (all > own) {
      return edit.makeVertex(to);
    }
    edit.moveVertex(v, to);
    return v;
  }

  /** A face where strips meet; said if it is no quad. */
  void fill(Joint joint, int[] round) {
    int like = mesh.faceOf(joint.fans().getFirst().corners().getFirst());
    strips.patch(round, like);
    if (round.length != 4) {
      remarks.add(
          at(
              joint.vertex(),
              "A face of %d sides fills where %d strips meet."
                  .formatted(round.length, joint.count())));
    }
  }

  /** All rows of a strip end in the vertex. */
  void narrow(Joint joint, int rows) {
    int v = joint.vertex();
    int[] section = new int[rows + 1];
    Arrays.fill(section, v);
    strips.section(v, joint.edges().getFirst(), section);
    remarks.add(
        at(
            v,
            "It narrows into this vertex: %s."
                .formatted(rows == 1 ? "a triangle" : rows + " triangles")));
  }

  void say(int vertex, String text) {
    remarks.add(at(vertex, text));
  }

  private Remark at(int vertex, String text) {
    return new Remark(text, Element.vertex(vertex), mesh.position(vertex), null);
  }
}
