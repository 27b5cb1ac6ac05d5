package fairedge.core.form;

import fairedge.core.form.Region.Fan;
import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;
import java.util.ArrayList;
import java.util.List;

/**
 * What becomes of the ends of edges in whose place strips are laid, or beside which lines are:
 * where the sections lie, how they meet, and what fills the room between three and more of them.
 * All places are computed before anything is laid. Cost: the edges, the faces at their ends, and
 * the patches.
 */
final class BevelBuilder {
  private final EdgeJoints joints;
  private final BevelProfile profile;
  private final Widths widths;
  private final Mesh mesh;
  private final JointLayer layer;
  private final int segments;
  private final int half;
  private final boolean hasMiddle;

  BevelBuilder(
      Mesh mesh, EdgeJoints joints, BevelProfile profile, Widths widths, JointLayer layer) {
    this.mesh = mesh;
    this.joints = joints;
    this.profile = profile;
    this.widths = widths;
    this.layer = layer;
    this.segments = profile.segments();
    this.half = segments / 2;
    this.hasMiddle = segments % 2 == 0;
  }

  /** Makes the vertices, and tells what is to be laid. */
  void build() {
    joints.joints().stream().map(this::plan).toList().forEach(Runnable::run);
  }

  /** All that is computed stands on the mesh as it is; what it returns changes it. */
  private Runnable plan(Joint joint) {
    if (joint.isEnd()) {
      EdgeJoints.End end = joints.end(joint);
      return end.isNarrow() ? () -> layer.narrow(joint, segments) : end(joint, end);
    }
    boolean isWhole = joint.fans().stream().allMatch(joints::isWanted);
    return EdgeJoints.isCrossed(joint) && isWhole ? patch(joint) : spokes(joint);
  }

  private Runnable end(Joint joint, EdgeJoints.End end) {
    return joints.atEnds() == EdgeJoints.AtEnds.ON_EDGES ? onEdges(joint, end) : close(joint, end);
  }

  private Vec3 place(int vertex, Vec3 way) {
    return mesh.position(vertex).plus(way.times(widths.at(vertex)));
  }

  private Runnable spokes(Joint joint) {
    int fans = joint.fans().size();
    Vec3[][] rows = new Vec3[fans][];
    for (int i = 0; i < fans; i++) {
      rows[i] = joints.isWanted(joint.fans().get(i)) ? row(joint, i) : new Vec3[0];
    }
    Vec3 middle = hasMiddle ? middle(joint) : null;
    return () -> layer.spokes(joint, rows, middle);
  }

  /** From where lines meet in a fan towards the middle, the mean of what both edges have. */
  private Vec3[] row(Joint joint, int fan) {
    Vec3[] row = new Vec3[hasMiddle ? half : half + 1];
    row[0] = place(joint.vertex(), joints.way(joint.fans().get(fan)));
    int before = joint.edgeBefore(fan);
    int after = joint.edgeAfter(fan);
    for (int t = 1; t < row.length; t++) {
      List<Vec3> some = new ArrayList<>();
      if (after != Mesh.NONE) {
        some.add(onSection(joint, after, t));
      }
      if (before != Mesh.NONE) {
        some.add(onSection(joint, before, segments - t));
      }
      row[t] = mean(some);
    }
    return row;
  }

  private Vec3 middle(Joint joint) {
    return profile.form() == 1
        ? mesh.position(joint.vertex())
        : mean(joint.edges().stream().map(e -> onSection(joint, e, half)).toList());
  }

  private Vec3 onSection(Joint joint, int edge, int index) {
    int right = joint.edges().indexOf(edge);
    int left = (right + 1) % joint.fans().size();
    int v = joint.vertex();
    return profile.at(
        index,
        mesh.position(v),
        place(v, joints.way(joint.fans().get(right))),
        place(v, joints.way(joint.fans().get(left))),
        joints.angle(edge));
  }

  /** The lines go on from where the edges beside were parted for them. */
  private Runnable onEdges(Joint joint, EdgeJoints.End end) {
    int v = joint.vertex();
    boolean hasLeft = joints.isWanted(end.left);
    boolean hasRight = joints.isWanted(mesh.previous(end.right));
    int[] left = hasLeft ? new int[] {mesh.vertexOf(mesh.previous(end.left))} : new int[0];
    int[] right = hasRight ? new int[] {mesh.vertexOf(mesh.next(end.right))} : new int[0];
    return () -> {
      if (hasLeft) {
        layer.strips().replace(end.left);
      }
      if (hasRight) {
        layer.strips().replace(end.right);
      }
      layer.strips().section(v, joint.edges().getFirst(), JointLayer.section(right, v, left));
    };
  }

  /** The strip ends on the two edges beside; the face between them comes to its section. */
  private Runnable close(Joint joint, EdgeJoints.End end) {
    int v = joint.vertex();
    int edge = joint.edges().getFirst();
    Vec3 right = place(v, end.wayRight());
    Vec3 left = place(v, end.wayLeft());
    Vec3[] places = new Vec3[segments + 1];
    for (int i = 0; i <= segments; i++) {
      places[i] = profile.at(i, mesh.position(v), right, left, joints.angle(edge));
    }
    int ahead = end.ahead();
    layer.say(
        v,
        "The face ahead of the strip gains %s: it has %d sides then."
            .formatted(
                segments == 1 ? "a side" : segments + " sides",
                mesh.size(mesh.faceOf(ahead)) + segments));
    return () -> {
      int[] section = new int[segments + 1];
      for (int i = 0; i <= segments; i++) {
        boolean isMiddle = hasMiddle && i == half;
        section[i] = isMiddle ? layer.middleVertex(joint, places[i]) : layer.vertex(places[i]);
      }
      layer.strips().replace(end.left, section[segments]);
      layer.strips().replace(end.right, section[0]);
      layer.strips().replace(ahead, section);
      layer.strips().section(v, edge, section);
    };
  }

  private Runnable patch(Joint joint) {
    Vec3[][][] grids = new JointPatch(frame(joint), profile).places();
    return () -> lay(joint, grids);
  }

  private JointPatch.Frame frame(Joint joint) {
    int n = joint.fans().size();
    int v = joint.vertex();
    Vec3[] ends = new Vec3[n];
    Vec3[] onEdges = new Vec3[n];
    Vec3[] normals = new Vec3[n];
    double[] angles = new double[n];
    for (int i = 0; i < n; i++) {
      int e = joint.edgeAfter(i);
      Fan fan = joint.fans().get(i);
      ends[i] = place(v, joints.way(fan));
      onEdges[i] = place(v, joints.towards(v, e).times(joints.crossing(joint, i)));
      normals[i] = joints.normal(fan);
      angles[i] = joints.angle(e);
    }
    return new JointPatch.Frame(v, mesh.position(v), ends, onEdges, normals, angles);
  }

  /** The grids of a patch: one for each fan, beside each other at the edges. */
  private void lay(Joint joint, Vec3[][][] grids) {
    int n = grids.length;
    int[][][] made = new int[n][half + 1][half + 1];
    int centre = hasMiddle ? layer.middleVertex(joint, grids[0][half][half]) : Mesh.NONE;
    for (int i = 0; i < n; i++) {
      for (int u = 0; u <= half; u++) {
        for (int t = 0; t <= half; t++) {
          if (hasMiddle && u == half && t == half) {
            made[i][u][t] = centre;
          } else if (!hasMiddle || t < half) {
            made[i][u][t] = layer.vertex(grids[i][u][t]);
          }
        }
      }
    }
    for (int i = 0; i < n && hasMiddle; i++) {
      for (int u = 0; u < half; u++) {
        // What two fans share at their edge is the last column of one, the last row of the other.
        made[i][u][half] = made[(i + n - 1) % n][half][u];
      }
    }
    for (int i = 0; i < n; i++) {
      quads(joint, made, i);
      sections(joint, made[i], made[(i + 1) % n], i);
    }
    if (!hasMiddle) {
      int[] round = new int[n];
      for (int i = 0; i < n; i++) {
        round[i] = made[i][half][half];
      }
      layer.fill(joint, round);
    }
  }

  private void sections(Joint joint, int[][] right, int[][] left, int fan) {
    int[] section = new int[segments + 1];
    for (int t = 0; t <= half; t++) {
      section[t] = right[t][0];
      section[segments - t] = left[0][t];
    }
    layer.strips().section(joint.vertex(), joint.edgeAfter(fan), section);
    layer.drawBack(joint, fan, right[0][0]);
  }

  private void quads(Joint joint, int[][][] made, int i) {
    int like = mesh.faceOf(joint.fans().get(i).corners().getFirst());
    int[][] grid = made[i];
    for (int u = 0; u < half; u++) {
      for (int t = 0; t < half; t++) {
        int[] quad = {grid[u][t], grid[u + 1][t], grid[u + 1][t + 1], grid[u][t + 1]};
        layer.strips().patch(quad, like);
      }
    }
    int[][] next = made[(i + 1) % made.length];
    for (int t = 0; t < half && !hasMiddle; t++) {
      int[] quad = {grid[half][t], next[t][half], next[t + 1][half], grid[half][t + 1]};
      layer.strips().patch(quad, like);
    }
  }

  private static Vec3 mean(List<Vec3> places) {
    Vec3 sum = Vec3.ZERO;
    for (Vec3 place : places) {
      sum = sum.plus(place);
    }
    return sum.times(1.0 / places.size());
  }
}
