package fairedge.core.form;

import fairedge.core.cut.RunOn;
import fairedge.core.form.Region.Fan;
import fairedge.core.form.Room.Moving;
import fairedge.core.geometry.Vec3;
import fairedge.core.local.Refusal;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;

/**
 * The ends of chosen edges along which something is to be laid: how edges meet there, where lines
 * beside them meet and cross, and how the faces would run. Cost: the edges and the faces at their
 * ends.
 */
final class EdgeJoints {
  /** What becomes of an edge that ends inside the surface. */
  enum AtEnds {
    /** With two other edges there the strip ends on both; with more it narrows into the vertex. */
    CLOSE,
    /** The strip narrows into the vertex. */
    NARROW,
    /** The lines end on the edges beside, where these are parted before. */
    ON_EDGES
  }

  private static final double SPIKE = 1e-9;

  private final Mesh mesh;
  private final Region region;
  private final AtEnds atEnds;
  private final List<Joint> joints;
  private final Map<Integer, Vec3> ways;

  /** By the corners that leave along them: sides of chosen edges that get a line. */
  private final Set<Integer> sides;

  /**
   * @param sides the corners with whose leaving sides a chosen edge gets a line on that side
   * @throws Refusal.Raised where lines never meet
   */
  EdgeJoints(Mesh mesh, Region region, AtEnds atEnds, Set<Integer> sides) {
    this.mesh = mesh;
    this.region = region;
    this.atEnds = atEnds;
    this.sides = sides;
    this.joints = Joint.of(mesh, region);
    this.ways = Sectors.of(mesh, region);
    joints.stream().filter(Joint::isEnd).forEach(this::requireEnd);
  }

  /** The corners with whose leaving sides an edge gets a line on that side, in order. */
  List<Integer> sides() {
    return region.endsInOrder(mesh).stream().filter(sides::contains).toList();
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
  boolean isWanted(int side) {
    return sides.contains(side);
  }

  /** Whether a fan that parts two edges, or an edge and a border, is drawn back. */
  boolean isWanted(Fan fan) {
    int leaving = region.leaving(fan);
    int side = leaving == Mesh.NONE ? mesh.previous(region.arriving(mesh, fan)) : leaving;
    return isWanted(side);
  }

  List<Joint> joints() {
    return joints;
  }

  AtEnds atEnds() {
    return atEnds;
  }

  End end(Joint joint) {
    return new End(joint);
  }

  private void requireEnd(Joint end) {
    Fan fan = end.fans().getFirst();
    if (fan.corners().size() == 1) {
      throw Refusal.because(
          "This edge ends inside a face: no line can go round it.", Element.vertex(end.vertex()));
    }
  }

  /**
   * The faces as they would run, for {@link Room}.
   *
   * @param share of the width that is asked for: how far lines lie from the edges
   */
  List<Room.Round> rounds(double share) {
    Map<Integer, List<Moving>> moving = new HashMap<>();
    for (Joint joint : joints) {
      if (joint.isEnd()) {
        moveEnd(joint, share, moving);
      } else {
        for (Fan fan : joint.fans()) {
          if (isWanted(fan)) {
            Moving to = moving(joint.vertex(), way(fan).times(share));
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

  private void moveEnd(Joint end, double share, Map<Integer, List<Moving>> moving) {
    End at = new End(end);
    if (at.isNarrow()) {
      return;
    }
    Moving left = moving(end.vertex(), at.wayLeft().times(share));
    Moving right = moving(end.vertex(), at.wayRight().times(share));
    if (isWanted(at.left)) {
      moving.put(at.left, List.of(left));
    }
    if (isWanted(mesh.previous(at.right))) {
      moving.put(at.right, List.of(right));
    }
    if (atEnds == AtEnds.CLOSE) {
      moving.put(at.ahead(), List.of(right, left));
    }
  }

  /** An edge that ends inside the surface, with the faces on both sides of it. */
  final class End {
    private final Joint joint;

    /** The corner of the face on the left, looking back from the end along the edge. */
    final int left;

    final int right;
    private final int faces;

    End(Joint joint) {
      this.joint = joint;
      Fan fan = joint.fans().getFirst();
      this.left = region.leaving(fan);
      this.right = region.arriving(mesh, fan);
      this.faces = fan.corners().size();
    }

    boolean isNarrow() {
      return atEnds == AtEnds.NARROW || atEnds == AtEnds.CLOSE && faces != 3;
    }

    /** Of the face between the two others. */
    int ahead() {
      return mesh.nextOnEdge(mesh.previous(left));
    }

    int edgeLeft() {
      return mesh.edgeOf(mesh.previous(left));
    }

    int edgeRight() {
      return mesh.edgeOf(right);
    }

    Vec3 wayLeft() {
      return onto(edgeLeft());
    }

    Vec3 wayRight() {
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

  /**
   * Where lines at a distance from the edges end on the edges beside.
   *
   * @param share of the widths: how far lines lie from the edges
   */
  List<RunOn.Start> starts(Widths widths, double share) {
    List<RunOn.Start> starts = new ArrayList<>();
    for (End end : joints.stream().filter(Joint::isEnd).map(End::new).toList()) {
      int v = end.joint.vertex();
      double width = share * widths.at(v);
      if (isWanted(end.left)) {
        RunOn.Place on = new RunOn.Place(end.edgeLeft(), v);
        starts.add(new RunOn.Start(on, width * end.wayLeft().length(), mesh.previous(end.left)));
      }
      if (isWanted(mesh.previous(end.right))) {
        RunOn.Place on = new RunOn.Place(end.edgeRight(), v);
        starts.add(new RunOn.Start(on, width * end.wayRight().length(), end.right));
      }
    }
    return starts;
  }

  Vec3 towards(int v, int e) {
    return mesh.position(mesh.otherEnd(e, v)).minus(mesh.position(v)).unit();
  }

  Vec3 way(Fan fan) {
    return Objects.requireNonNull(ways.get(fan.number()));
  }

  /** Between the two faces at an edge where they meet, in degrees: 180 where they are flat. */
  double angle(int e) {
    int c = mesh.firstSideOn(e);
    Vec3 along = mesh.position(mesh.vertexOf(mesh.next(c))).minus(mesh.position(mesh.vertexOf(c)));
    Vec3 one = mesh.polygon(mesh.faceOf(c)).newell().cross(along);
    Vec3 other = mesh.polygon(mesh.faceOf(mesh.nextOnEdge(c))).newell().cross(along.times(-1));
    return one.angleTo(other);
  }

  /**
   * How far lines that cross an edge near its ends come towards each other, for {@link Room}.
   *
   * @param share of the width that is asked for: how far lines lie from the edges
   */
  List<Room.Span> spans(double share) {
    Map<Integer, Room.Span> reach = new TreeMap<>();
    for (Joint joint : joints) {
      boolean isWhole = joint.fans().stream().allMatch(this::isWanted);
      for (int i = 0; i < joint.fans().size() && isCrossed(joint) && isWhole; i++) {
        int e = joint.edgeAfter(i);
        boolean atFirst = mesh.first(e) == joint.vertex();
        Room.Span span = reach.getOrDefault(e, new Room.Span(e, 0, 0));
        reach.put(e, span.plus(atFirst, share * crossing(joint, i)));
      }
    }
    return List.copyOf(reach.values());
  }

  /** Whether so many edges meet that lines cross them. */
  static boolean isCrossed(Joint joint) {
    return joint.isClosed() && joint.edges().size() > 2;
  }

  /** How far out on the edge after a fan the lines of the two edges beside it cross it. */
  double crossing(Joint joint, int fan) {
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

  /** The mean direction of the faces of a fan. */
  Vec3 normal(Fan fan) {
    Vec3 sum = Vec3.ZERO;
    for (int c : fan.corners()) {
      sum = sum.plus(mesh.polygon(mesh.faceOf(c)).newell().unit());
    }
    return sum.unit();
  }
}
