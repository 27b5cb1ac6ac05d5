package fairedge.core.form;

import fairedge.core.form.Region.Fan;
import fairedge.core.form.Room.Moving;
import fairedge.core.geometry.Vec3;
import fairedge.core.local.MeshEdit;
import fairedge.core.local.Refusal;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import fairedge.core.work.Remark;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.IntStream;

/**
 * What becomes of the ends of chosen edges when strips are laid along them: where the sections of
 * the strips lie, how they meet, and what fills the room between three and more of them. Places are
 * computed before anything is laid. Cost: the edges, the faces at their ends, and the patches.
 */
final class BevelJoints {
  /** What becomes of an edge that ends inside the surface. */
  enum AtEnds {
    /** With two other edges there the strip ends on both; with more it narrows into the vertex. */
    CLOSE,
    /** Lines were cut on from there before: they are the next vertices on both sides. */
    RUN_ON
  }

  private static final double SPIKE = 1e-9;

  private final Mesh mesh;
  private final Region region;
  private final BevelProfile profile;
  private final AtEnds atEnds;
  private final List<Joint> joints;
  private final Map<Integer, Vec3> ways;

  /** By the corners that leave along them: sides of chosen edges that get a line. */
  private final Set<Integer> sides;

  /**
   * @param sides the corners with whose leaving sides a chosen edge gets a line on that side
   * @throws Refusal.Raised where lines never meet
   */
  BevelJoints(Mesh mesh, Region region, BevelProfile profile, AtEnds atEnds, Set<Integer> sides) {
    this.mesh = mesh;
    this.region = region;
    this.profile = profile;
    this.atEnds = atEnds;
    this.sides = sides;
    this.joints = Joint.of(mesh, region);
    this.ways = Sectors.of(mesh, region);
    joints.stream().filter(Joint::isEnd).forEach(this::requireEnd);
  }

  /** The corners with whose leaving sides an edge gets a line on that side. */
  Set<Integer> sides() {
    return sides;
  }

  /**
   * @throws Refusal.Raised where nothing would be left of a strip, both its ends being narrow
   */
  void requireWide() {
    Set<Integer> once = new HashSet<>();
    for (Joint joint : joints) {
      if (joint.isEnd() && new End(joint).isNarrow() && !once.add(joint.edges().getFirst())) {
        throw Refusal.because(
            "The strip would narrow at both ends, and nothing of it be left. Let it run on to the"
                + " ends of its loop, or choose the next edges too.",
            Element.edge(joint.edges().getFirst()));
      }
    }
  }

  /** Whether a side of a chosen edge gets a line: the one that leaves a corner. */
  private boolean isWanted(int side) {
    return sides.contains(side);
  }

  /** Whether a fan that parts two edges, or an edge and a border, is drawn back. */
  private boolean isWanted(Fan fan) {
    int leaving = region.leaving(fan);
    int side = leaving == Mesh.NONE ? mesh.previous(region.arriving(mesh, fan)) : leaving;
    return isWanted(side);
  }

  private void requireEnd(Joint end) {
    Fan fan = end.fans().getFirst();
    if (fan.corners().size() == 1) {
      throw Refusal.because(
          "This edge ends inside a face: no line can go round it.", Element.vertex(end.vertex()));
    }
  }

  /** The faces as they would run, for {@link Room}. */
  List<Room.Round> rounds() {
    Map<Integer, List<Moving>> moving = new HashMap<>();
    for (Joint joint : joints) {
      if (joint.isEnd()) {
        moveEnd(joint, moving);
      } else {
        for (Fan fan : joint.fans()) {
          if (isWanted(fan)) {
            Moving to = moving(joint.vertex(), way(fan));
            fan.corners().forEach(c -> moving.put(c, List.of(to)));
          }
        }
      }
    }
    TreeSet<Integer> faces = new TreeSet<>();
    moving.keySet().forEach(c -> faces.add(mesh.faceOf(c)));
    return faces.stream().map(f -> round(f, moving)).toList();
  }

  private Room.Round round(int f, Map<Integer, List<Moving>> moving) {
    List<Moving> corners = new ArrayList<>();
    int c = mesh.firstCorner(f);
    for (int i = mesh.size(f); i > 0; i--, c = mesh.next(c)) {
      int v = mesh.vertexOf(c);
      List<Moving> moves = moving.get(c);
      corners.addAll(moves == null ? List.of(Moving.still(mesh, v)) : moves);
    }
    return new Room.Round(f, corners);
  }

  private Moving moving(int vertex, Vec3 way) {
    return new Moving(vertex, mesh.position(vertex), way);
  }

  private void moveEnd(Joint end, Map<Integer, List<Moving>> moving) {
    End at = new End(end);
    if (at.isNarrow()) {
      return;
    }
    if (isWanted(at.left)) {
      moving.put(at.left, List.of(moving(end.vertex(), at.wayLeft())));
    }
    if (isWanted(mesh.previous(at.right))) {
      moving.put(at.right, List.of(moving(end.vertex(), at.wayRight())));
    }
    if (atEnds == AtEnds.CLOSE) {
      moving.put(
          at.ahead(),
          List.of(moving(end.vertex(), at.wayRight()), moving(end.vertex(), at.wayLeft())));
    }
  }

  /** An edge that ends inside the surface, with the faces on both sides of it. */
  final class End {
    private final Joint joint;

    /** The corner of the face on the left, looking back from the end along the edge. */
    private final int left;

    private final int right;
    private final int faces;

    private End(Joint joint) {
      this.joint = joint;
      Fan fan = joint.fans().getFirst();
      this.left = region.leaving(fan);
      this.right = region.arriving(mesh, fan);
      this.faces = fan.corners().size();
    }

    private boolean isNarrow() {
      return atEnds == AtEnds.CLOSE && faces != 3;
    }

    /** Of the face between the two others. */
    private int ahead() {
      return mesh.nextOnEdge(mesh.previous(left));
    }

    private int edgeLeft() {
      return mesh.edgeOf(mesh.previous(left));
    }

    private int edgeRight() {
      return mesh.edgeOf(right);
    }

    private Vec3 wayLeft() {
      return onto(edgeLeft());
    }

    private Vec3 wayRight() {
      return onto(edgeRight());
    }

    /** Along an edge beside, to where a line at a distance of 1 meets it. */
    private Vec3 onto(int edge) {
      Vec3 along = towards(joint.vertex(), edge);
      double sine = along.cross(towards(joint.vertex(), joint.edges().getFirst())).length();
      if (sine < SPIKE) {
        throw Refusal.because(
            "The edge beside leads straight back here: no line can end on it.", Element.edge(edge));
      }
      return along.times(1 / sine);
    }
  }

  /** The ends from which lines run on, for {@link Support}. */
  List<End> ends() {
    return joints.stream().filter(Joint::isEnd).map(End::new).toList();
  }

  /** Where a line that runs on begins. */
  record Start(int edge, int end, int side, double distance) {}

  /** The lines that run on from the ends. */
  List<Start> starts(double width) {
    List<Start> starts = new ArrayList<>();
    for (End end : ends()) {
      int v = end.joint.vertex();
      if (isWanted(end.left)) {
        starts.add(
            new Start(end.edgeLeft(), v, mesh.previous(end.left), width * end.wayLeft().length()));
      }
      if (isWanted(mesh.previous(end.right))) {
        starts.add(new Start(end.edgeRight(), v, end.right, width * end.wayRight().length()));
      }
    }
    return starts;
  }

  private Vec3 towards(int v, int e) {
    return mesh.position(mesh.otherEnd(e, v)).minus(mesh.position(v)).unit();
  }

  private Vec3 way(Fan fan) {
    return Objects.requireNonNull(ways.get(fan.number()));
  }

  /**
   * Makes the vertices and tells a layer what is to be laid.
   *
   * @param remarks gets what will be there that is no quad
   */
  void build(MeshEdit edit, StripLayer layer, double width, List<Remark> remarks) {
    Builder builder = new Builder(edit, layer, width, remarks);
    joints.stream().map(builder::plan).toList().forEach(Runnable::run);
  }

  /** At one width. */
  private final class Builder {
    private final MeshEdit edit;
    private final StripLayer layer;
    private final double width;
    private final List<Remark> remarks;
    private final int segments = profile.segments();
    private final int half = segments / 2;
    private final boolean hasMiddle = segments % 2 == 0;

    Builder(MeshEdit edit, StripLayer layer, double width, List<Remark> remarks) {
      this.edit = edit;
      this.layer = layer;
      this.width = width;
      this.remarks = remarks;
    }

    /** All that is computed stands on the mesh as it is; what it returns changes it. */
    Runnable plan(Joint joint) {
      if (joint.isEnd()) {
        return atEnds == AtEnds.RUN_ON ? runOn(joint) : close(joint);
      }
      boolean isWhole = joint.fans().stream().allMatch(BevelJoints.this::isWanted);
      return joint.isClosed() && joint.edges().size() > 2 && isWhole ? patch(joint) : spokes(joint);
    }

    private Vec3 place(int vertex, Vec3 way) {
      return mesh.position(vertex).plus(way.times(width));
    }

    /** Both strips pass, or one ends at a border: a row of vertices from fan to fan. */
    private Runnable spokes(Joint joint) {
      int v = joint.vertex();
      int fans = joint.fans().size();
      Vec3[][] spokes = new Vec3[fans][];
      for (int i = 0; i < fans; i++) {
        spokes[i] = isWanted(joint.fans().get(i)) ? spoke(joint, i) : new Vec3[0];
      }
      Vec3 middle = hasMiddle ? middle(joint) : mesh.position(v);
      return () -> {
        int at = hasMiddle ? middleVertex(joint, middle) : Mesh.NONE;
        int[][] made = new int[fans][];
        for (int i = 0; i < fans; i++) {
          made[i] = Arrays.stream(spokes[i]).mapToInt(edit::makeVertex).toArray();
          int[] own = made[i];
          if (own.length > 0) {
            joint.fans().get(i).corners().forEach(c -> layer.replace(c, own[0]));
          }
        }
        for (int i = 0; i < fans; i++) {
          if (joint.edgeAfter(i) != Mesh.NONE) {
            boolean isLast = i == fans - 1 && !joint.isClosed();
            int[] left = isLast ? new int[0] : made[(i + 1) % fans];
            layer.section(v, joint.edgeAfter(i), joined(made[i], at, left));
          }
        }
        if (joint.before() != Mesh.NONE) {
          layer.section(v, joint.before(), joined(new int[0], at, made[0]));
        }
        if (!hasMiddle && fans > 2) {
          int[] round = Arrays.stream(made).mapToInt(spoke -> spoke[half]).toArray();
          fill(joint, round);
        }
      };
    }

    private int[] joined(int[] right, int middle, int[] left) {
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

    /** From where lines meet in a fan towards the middle, the mean of what both edges have. */
    private Vec3[] spoke(Joint joint, int fan) {
      Vec3[] spoke = new Vec3[hasMiddle ? half : half + 1];
      int before = joint.edgeBefore(fan);
      int after = joint.edgeAfter(fan);
      for (int t = 0; t < spoke.length; t++) {
        List<Vec3> some = new ArrayList<>();
        if (t == 0) {
          some.add(place(joint.vertex(), way(joint.fans().get(fan))));
        } else {
          // Only edges with two fans are rounded.
          if (after != Mesh.NONE) {
            some.add(onSection(joint, after, t, mesh.position(joint.vertex())));
          }
          if (before != Mesh.NONE) {
            some.add(onSection(joint, before, segments - t, mesh.position(joint.vertex())));
          }
        }
        spoke[t] = mean(some);
      }
      return spoke;
    }

    private Vec3 middle(Joint joint) {
      Vec3 at = mesh.position(joint.vertex());
      if (profile.form() == 1) {
        return at;
      }
      return mean(joint.edges().stream().map(e -> onSection(joint, e, half, at)).toList());
    }

    private Vec3 onSection(Joint joint, int edge, int index, Vec3 corner) {
      return onSection(joint, edge, index, corner, profile);
    }

    private Vec3 onSection(Joint joint, int edge, int index, Vec3 corner, BevelProfile profile) {
      int right = joint.edges().indexOf(edge);
      int left = (right + 1) % joint.fans().size();
      int v = joint.vertex();
      return profile.at(
          index,
          corner,
          place(v, way(joint.fans().get(right))),
          place(v, way(joint.fans().get(left))),
          angle(edge));
    }

    /** The vertex itself, moved; or one of its own where something else hangs at it. */
    private int middleVertex(Joint joint, Vec3 to) {
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

    private void fill(Joint joint, int[] round) {
      int like = mesh.faceOf(joint.fans().getFirst().corners().getFirst());
      layer.patch(round, like);
      if (round.length != 4) {
        remarks.add(
            new Remark(
                "A face of %d sides fills where %d strips meet."
                    .formatted(round.length, joint.count()),
                Element.vertex(joint.vertex()),
                mesh.position(joint.vertex()),
                null));
      }
    }

    private Runnable runOn(Joint joint) {
      End end = new End(joint);
      int v = joint.vertex();
      int edge = joint.edges().getFirst();
      boolean hasLeft = isWanted(end.left);
      boolean hasRight = isWanted(mesh.previous(end.right));
      int onLeft = mesh.vertexOf(mesh.previous(end.left));
      int onRight = mesh.vertexOf(mesh.next(end.right));
      return () -> {
        if (hasLeft) {
          layer.replace(end.left);
        }
        if (hasRight) {
          layer.replace(end.right);
        }
        int[] left = hasLeft ? new int[] {onLeft} : new int[0];
        layer.section(v, edge, joined(hasRight ? new int[] {onRight} : new int[0], v, left));
      };
    }

    private Runnable close(Joint joint) {
      End end = new End(joint);
      int v = joint.vertex();
      int edge = joint.edges().getFirst();
      int[] section = new int[segments + 1];
      if (end.isNarrow()) {
        Arrays.fill(section, v);
        remarks.add(
            new Remark(
                "The strip narrows into this vertex: %s."
                    .formatted(segments == 1 ? "a triangle" : segments + " triangles"),
                Element.vertex(v),
                mesh.position(v),
                null));
        return () -> layer.section(v, edge, section);
      }
      Vec3 right = place(v, end.wayRight());
      Vec3 left = place(v, end.wayLeft());
      Vec3[] places = new Vec3[segments + 1];
      for (int i = 0; i <= segments; i++) {
        places[i] = profile.at(i, mesh.position(v), right, left, angle(edge));
      }
      int ahead = end.ahead();
      int sides = mesh.size(mesh.faceOf(ahead)) + segments;
      remarks.add(
          new Remark(
              "The face ahead of the strip gains %s: it has %d sides then."
                  .formatted(segments == 1 ? "a side" : segments + " sides", sides),
              Element.face(mesh.faceOf(ahead)),
              mesh.position(v),
              null));
      return () -> {
        for (int i = 0; i <= segments; i++) {
          section[i] =
              hasMiddle && i == half ? middleVertex(joint, places[i]) : edit.makeVertex(places[i]);
        }
        layer.replace(end.left, section[segments]);
        layer.replace(end.right, section[0]);
        layer.replace(ahead, section);
        layer.section(v, edge, section);
      };
    }

    private Runnable patch(Joint joint) {
      JointPatch patch = new JointPatch(frame(joint), profile);
      Vec3[][][] grids = patch.places();
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
        ends[i] = place(v, way(fan));
        onEdges[i] = place(v, towards(v, e).times(crossing(joint, i)));
        normals[i] = normal(fan);
        angles[i] = angle(e);
      }
      return new JointPatch.Frame(v, mesh.position(v), ends, onEdges, normals, angles);
    }

    private Vec3 normal(Fan fan) {
      Vec3 sum = Vec3.ZERO;
      for (int c : fan.corners()) {
        sum = sum.plus(mesh.polygon(mesh.faceOf(c)).newell().unit());
      }
      return sum.unit();
    }

    /** How far out on the edge after a fan the lines of the two edges beside it cross it. */
    private double crossing(Joint joint, int fan) {
      int n = joint.fans().size();
      return 0.5 * (reach(joint, fan, fan) + reach(joint, (fan + 1) % n, fan));
    }

    private double reach(Joint joint, int fan, int edgeOf) {
      Vec3 along = towards(joint.vertex(), joint.edgeAfter(edgeOf));
      Fan at = joint.fans().get(fan);
      if (at.corners().size() == 1) {
        Vec3 before = towards(joint.vertex(), joint.edgeBefore(fan));
        double sine = before.cross(towards(joint.vertex(), joint.edgeAfter(fan))).length();
        if (sine > SPIKE) {
          return 1 / sine;
        }
      }
      double reach = way(at).dot(along);
      return reach > SPIKE ? reach : 1;
    }

    /** The grids of a patch: one for each fan, beside each other at the edges. */
    private void lay(Joint joint, Vec3[][][] grids) {
      int n = grids.length;
      int[][][] made = new int[n][half + 1][half + 1];
      int v = joint.vertex();
      int centre = hasMiddle ? middleVertex(joint, grids[0][half][half]) : Mesh.NONE;
      for (int i = 0; i < n; i++) {
        for (int u = 0; u <= half; u++) {
          for (int t = 0; t <= half; t++) {
            if (hasMiddle && u == half && t == half) {
              made[i][u][t] = centre;
            } else if (!hasMiddle || t < half) {
              made[i][u][t] = edit.makeVertex(grids[i][u][t]);
            }
          }
        }
      }
      for (int i = 0; i < n && hasMiddle; i++) {
        int[][] before = made[(i + n - 1) % n];
        for (int u = 0; u < half; u++) {
          made[i][u][half] = before[half][u];
        }
      }
      for (int i = 0; i < n; i++) {
        lay(joint, made, i);
      }
      if (!hasMiddle) {
        fill(joint, Arrays.stream(made).mapToInt(grid -> grid[half][half]).toArray());
      }
      for (int i = 0; i < n; i++) {
        int[][] right = made[i];
        int[][] left = made[(i + 1) % n];
        int[] section = new int[segments + 1];
        for (int t = 0; t <= half; t++) {
          section[t] = right[t][0];
          section[segments - t] = left[0][t];
        }
        layer.section(v, joint.edgeAfter(i), section);
        int end = right[0][0];
        joint.fans().get(i).corners().forEach(c -> layer.replace(c, end));
      }
    }

    private void lay(Joint joint, int[][][] made, int i) {
      int like = mesh.faceOf(joint.fans().get(i).corners().getFirst());
      int[][] grid = made[i];
      for (int u = 0; u < half; u++) {
        for (int t = 0; t < half; t++) {
          int[] quad = {grid[u][t], grid[u + 1][t], grid[u + 1][t + 1], grid[u][t + 1]};
          layer.patch(quad, like);
        }
      }
      int[][] next = made[(i + 1) % made.length];
      for (int t = 0; t < half && !hasMiddle; t++) {
        int[] quad = {grid[half][t], next[t][half], next[t + 1][half], grid[half][t + 1]};
        layer.patch(quad, like);
      }
    }
  }

  private static Vec3 mean(List<Vec3> places) {
    Vec3 sum = Vec3.ZERO;
    for (Vec3 place : places) {
      sum = sum.plus(place);
    }
    return places.size() == 1 ? places.getFirst() : sum.times(1.0 / places.size());
  }

  /** Between the two faces at an edge where they meet, in degrees: 180 where they are flat. */
  private double angle(int e) {
    int c = mesh.firstSideOn(e);
    Vec3 along = mesh.position(mesh.vertexOf(mesh.next(c))).minus(mesh.position(mesh.vertexOf(c)));
    Vec3 one = mesh.polygon(mesh.faceOf(c)).newell().cross(along);
    Vec3 other = mesh.polygon(mesh.faceOf(mesh.nextOnEdge(c))).newell().cross(along.times(-1));
    return one.angleTo(other);
  }
}
