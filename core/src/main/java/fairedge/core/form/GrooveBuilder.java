package fairedge.core.form;

import fairedge.core.form.Region.Fan;
import fairedge.core.geometry.Vec3;
import fairedge.core.local.Refusal;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * What becomes of the ends of edges of which a channel is made: where rims and floor lie, and how
 * channels meet. All places are computed before anything is laid. Cost: the edges and the faces at
 * their ends.
 */
final class GrooveBuilder {
  /** A floor that begins nearer than this share of its width does not begin. */
  private static final double FLAT = 1e-9;

  private final Mesh mesh;
  private final EdgeJoints joints;
  private final Groove.Channel channel;
  private final Widths widths;
  private final JointLayer layer;

  /** By end and edge, seen along the edge from there: the floor's places from right to left. */
  private final Map<Long, Floor> floors = new HashMap<>();

  /** A floor's ends on both sides, and how they would lie without any depth. */
  private record Floor(Vec3 right, Vec3 rightAbove, Vec3 left, Vec3 leftAbove) {
    Floor turned() {
      return new Floor(left, leftAbove, right, rightAbove);
    }
  }

  GrooveBuilder(
      Mesh mesh, EdgeJoints joints, Groove.Channel channel, Widths widths, JointLayer layer) {
    this.mesh = mesh;
    this.joints = joints;
    this.channel = channel;
    this.widths = widths;
    this.layer = layer;
  }

  /** Makes the vertices, and tells what is to be laid. */
  void build(Collection<Integer> edges) {
    List<Runnable> plans = joints.joints().stream().map(this::plan).toList();
    edges.forEach(this::requireRoom);
    plans.forEach(Runnable::run);
  }

  private Runnable plan(Joint joint) {
    if (joint.isEnd()) {
      EdgeJoints.End end = joints.end(joint);
      return end.isNarrow() ? () -> layer.narrow(joint, isSplit() ? 4 : 3) : wall(joint, end);
    }
    int fans = joint.fans().size();
    Vec3[][] rows = new Vec3[fans][];
    for (int i = 0; i < fans; i++) {
      rows[i] = row(joint, joint.fans().get(i));
    }
    for (int i = 0; i < joint.edges().size(); i++) {
      int next = (i + 1) % fans;
      Floor own = new Floor(rows[i][1], above(joint, i), rows[next][1], above(joint, next));
      floors.put(key(joint.vertex(), joint.edges().get(i)), own);
    }
    if (isSplit() && EdgeJoints.isCrossed(joint)) {
      return crossing(joint, rows);
    }
    Vec3 middle = isSplit() ? sunk(joint) : null;
    if (EdgeJoints.isCrossed(joint)) {
      requireFloor(joint, rows, null);
    }
    return () -> layer.spokes(joint, rows, middle);
  }

  /**
   * Where channels meet their floors go down towards each other, so they need a width for that:
   * along each edge its own floor reaches in from beyond all that belongs to the others.
   */
  private void requireFloor(Joint joint, Vec3[][] rows, @Nullable Vec3 middle) {
    int n = rows.length;
    Vec3 at = mesh.position(joint.vertex());
    double floor = floor(joint.vertex());
    for (int i = 0; i < n; i++) {
      Vec3 along = joints.towards(joint.vertex(), joint.edgeAfter(i));
      double others = middle == null ? -floor : middle.minus(at).dot(along);
      double own = Double.NEGATIVE_INFINITY;
      for (int k = 0; k < n; k++) {
        double reach = rows[k][1].minus(at).dot(along);
        if (k == i || k == (i + 1) % n) {
          own = Math.max(own, reach);
        } else {
          others = Math.max(others, reach);
        }
      }
      if (!(own > others + FLAT * floor)) {
        throw Refusal.because(
            "Where channels meet here their floors have no room: make the floor wider, or less"
                + " deep.",
            Element.vertex(joint.vertex()));
      }
    }
  }

  /** How wide the floor is at a vertex. */
  private double floor(int vertex) {
    return channel.floor() * widths.at(vertex) / channel.width();
  }

  private boolean isSplit() {
    return channel.across() == 2;
  }

  private static long key(int vertex, int edge) {
    return (long) vertex << 32 | edge;
  }

  private Vec3 above(Joint joint, int fan) {
    Vec3 way = joints.way(joint.fans().get(fan));
    return mesh.position(joint.vertex()).plus(way.times(floor(joint.vertex()) / 2));
  }

  /** The rim of a fan and the floor below it. */
  private Vec3[] row(Joint joint, Fan fan) {
    Vec3 at = mesh.position(joint.vertex());
    Vec3 way = joints.way(fan);
    Vec3 down = down(joint.vertex(), fan.corners());
    return new Vec3[] {
      at.plus(way.times(widths.at(joint.vertex()) / 2)),
      at.plus(way.times(floor(joint.vertex()) / 2)).plus(down),
    };
  }

  /** How far down the planes of the faces at some corners go, by the depth. */
  private Vec3 down(int vertex, List<Integer> corners) {
    Even even = new Even();
    corners.forEach(c -> even.corner(mesh, c, -channel.depth()));
    Vec3 move = even.move();
    double most = Even.FARTHEST * Math.abs(channel.depth());
    if (move.length() > most) {
      layer.say(
          vertex,
          String.format(
              Locale.ROOT, "The faces meet so sharply here that it goes %.4g only.", most));
      return move.unit().times(most);
    }
    return move;
  }

  private Vec3 sunk(Joint joint) {
    List<Integer> all = joint.fans().stream().flatMap(fan -> fan.corners().stream()).toList();
    return mesh.position(joint.vertex()).plus(down(joint.vertex(), all));
  }

  /** Channels that meet round a vertex: a quad of the floor in every fan. */
  private Runnable crossing(Joint joint, Vec3[][] rows) {
    int n = rows.length;
    Vec3 middle = sunk(joint);
    Vec3[] onEdges = new Vec3[n];
    for (int i = 0; i < n; i++) {
      int e = joint.edgeAfter(i);
      Vec3 along =
          joints
              .towards(joint.vertex(), e)
              .times(joints.crossing(joint, i) * floor(joint.vertex()) / 2);
      int c = mesh.firstSideOn(e);
      onEdges[i] =
          mesh.position(joint.vertex())
              .plus(along)
              .plus(down(joint.vertex(), List.of(c, mesh.nextOnEdge(c))));
    }
    requireFloor(joint, rows, middle);
    return () -> {
      int centre = layer.middleVertex(joint, middle);
      int[] crossed = layer.vertices(onEdges);
      int[][] made = new int[n][];
      for (int i = 0; i < n; i++) {
        made[i] = layer.vertices(rows[i]);
        layer.drawBack(joint, i, made[i][0]);
      }
      for (int i = 0; i < n; i++) {
        int[] section = JointLayer.section(made[i], crossed[i], made[(i + 1) % n]);
        layer.strips().section(joint.vertex(), joint.edgeAfter(i), section);
        int before = crossed[(i + n - 1) % n];
        int like = mesh.faceOf(joint.fans().get(i).corners().getFirst());
        layer.strips().patch(new int[] {centre, before, made[i][1], crossed[i]}, like);
      }
    };
  }

  /** The channel ends upright at its last vertex, which stays. */
  private Runnable wall(Joint joint, EdgeJoints.End end) {
    int v = joint.vertex();
    int edge = joint.edges().getFirst();
    Vec3 at = mesh.position(v);
    Vec3 leftAbove = at.plus(end.wayLeft().times(floor(v) / 2));
    Vec3 rightAbove = at.plus(end.wayRight().times(floor(v) / 2));
    Vec3 left = leftAbove.plus(down(v, List.of(end.left)));
    Vec3 right = rightAbove.plus(down(v, List.of(end.right)));
    Vec3 middle = at.plus(down(v, List.of(end.left, end.right)));
    floors.put(key(v, edge), new Floor(right, rightAbove, left, leftAbove));
    int rimLeft = mesh.vertexOf(mesh.previous(end.left));
    int rimRight = mesh.vertexOf(mesh.next(end.right));
    int like = mesh.faceOf(end.left);
    return () -> {
      int floorLeft = layer.vertex(left);
      int floorRight = layer.vertex(right);
      layer.strips().replace(end.left);
      layer.strips().replace(end.right);
      int[] inwards = {rimRight, floorRight};
      int[] outwards = {rimLeft, floorLeft};
      if (isSplit()) {
        int low = layer.vertex(middle);
        layer.strips().section(v, edge, JointLayer.section(inwards, low, outwards));
        layer.strips().patch(new int[] {rimRight, v, low, floorRight}, like);
        layer.strips().patch(new int[] {v, rimLeft, floorLeft, low}, like);
      } else {
        layer.strips().section(v, edge, JointLayer.section(inwards, Mesh.NONE, outwards));
        layer.strips().patch(new int[] {rimRight, v, rimLeft, floorLeft, floorRight}, like);
        layer.say(v, "The wall at the end is a face of 5 sides.");
      }
    };
  }

  /** The floor may lose no length on its way down. */
  private void requireRoom(int e) {
    Floor start = floors.get(key(mesh.first(e), e));
    Floor end = floors.get(key(mesh.second(e), e));
    if (start == null || end == null) {
      return;
    }
    Floor far = end.turned();
    requireRoom(e, start.rightAbove(), far.rightAbove(), start.right(), far.right());
    requireRoom(e, start.leftAbove(), far.leftAbove(), start.left(), far.left());
  }

  private void requireRoom(int e, Vec3 from, Vec3 to, Vec3 fromBelow, Vec3 toBelow) {
    Vec3 above = to.minus(from);
    Vec3 below = toBelow.minus(fromBelow);
    double left = below.dot(above);
    if (left <= 0) {
      double lost = above.dot(above) - left;
      double bound = Math.abs(channel.depth()) * above.dot(above) / lost;
      throw Refusal.because(
          String.format(
              Locale.ROOT,
              "The floor would lose its length here: there is room for less than %.4g.",
              bound),
          Element.edge(e));
    }
  }
}
