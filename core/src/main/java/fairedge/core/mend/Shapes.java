package fairedge.core.mend;

import fairedge.core.form.MirrorBy;
import fairedge.core.geometry.Axis;
import fairedge.core.geometry.Vec3;
import fairedge.core.inspect.finding.ShapeFinding;
import fairedge.core.inspect.finding.VerticesFinding;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import fairedge.core.step.Change;
import fairedge.core.step.Forming;
import fairedge.core.step.Tidying;
import fairedge.core.survey.Placement;
import fairedge.core.survey.Places;
import fairedge.core.survey.Wanted;
import fairedge.core.tidy.Move;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;

/** How the form stands against what the exercise asks. */
final class Shapes {
  /** What lies off a line by a larger share of the edges there is not slid onto it. */
  private static final double REACH = 0.45;

  /** More vertices are no small thing to move. */
  private static final int MOST_MOVED = 500;

  private Shapes() {}

  static String plan(Ground ground, ShapeFinding finding, Plans plans) {
    List<Integer> edges = Ground.ids(finding.elements(), Element.Kind.EDGE);
    List<Integer> vertices = Ground.ids(finding.elements(), Element.Kind.VERTEX);
    return switch (finding) {
      case ShapeFinding.Placed f -> placed(ground, f.placement(), plans);
      case ShapeFinding.OneSided f -> {
        Loop.runOn(ground, vertices, edges, plans);
        Loop.lift(edges, plans);
        yield "The line can't be run on from its ends.";
      }
      case ShapeFinding.Needless f -> Loop.lift(edges, plans);
      case ShapeFinding.Locked f -> Loop.lift(edges, plans);
      case ShapeFinding.Lopsided f -> mirrored(ground, plans);
      case ShapeFinding.LeftPlace f -> back(vertices, f.at(), ground, plans);
      case ShapeFinding.Moved f -> "Where the surface is to go back to is for you to draw.";
      case ShapeFinding.OffLine f -> offLine(ground, f, plans);
      case ShapeFinding.TooMany f -> tooMany(ground, plans);
    };
  }

  /** Loops that lie flat add nothing but faces. */
  private static String tooMany(Ground ground, Plans plans) {
    List<Integer> flat =
        ground.report().findings().stream()
            .filter(a -> a.finding() instanceof VerticesFinding.IdleLoop)
            .flatMap(a -> Ground.ids(a.finding().elements(), Element.Kind.EDGE).stream())
            .distinct()
            .toList();
    if (flat.isEmpty()) {
      return "No loop here lies flat: which can go is for you to say.";
    }
    plans.accept(
        Plan.of(
            "Lift the loops that lie flat, %d edges.".formatted(flat.size()),
            new Tidying.LiftChange(flat, List.of(), true)));
    return "Without the loops that lie flat there are too many faces still.";
  }

  /** What lies beside the line, nearer than to what lies beyond, moved onto it. */
  private static String offLine(Ground ground, ShapeFinding.OffLine finding, Plans plans) {
    Mesh mesh = ground.mesh();
    Wanted.Line line =
        ground.facts().wanted().lines().stream()
            .min(Comparator.comparingDouble(l -> finding.at().distance(nearest(l, finding.at()))))
            .orElseThrow();
    double still = 1e-9 * ground.facts().tolerance().scale();
    List<Change> moves = new ArrayList<>();
    for (int v = 0; v < mesh.vertexEnd() && moves.size() <= MOST_MOVED; v++) {
      if (mesh.hasVertex(v) && mesh.hasPlace(v) && mesh.isInFace(v)) {
        Vec3 by = nearest(line, mesh.position(v)).minus(mesh.position(v));
        double reach = REACH * Places.meanEdge(mesh, mesh.facesAt(v));
        if (by.length() > still && by.length() < reach) {
          moves.add(new Tidying.MoveChange(List.of(v), Move.Motion.by(by)));
        }
      }
    }
    if (!moves.isEmpty() && moves.size() <= MOST_MOVED) {
      plans.accept(Plan.of("Slide this line onto the required one.", moves.toArray(Change[]::new)));
    }
    return "No line lies so near that it could be slid onto this one: cut along it.";
  }

  private static Vec3 nearest(Wanted.Line line, Vec3 place) {
    List<Vec3> points = line.points();
    return IntStream.range(1, points.size())
        .mapToObj(i -> place.onSegment(points.get(i - 1), points.get(i)))
        .min(Comparator.comparingDouble(place::distance))
        .orElseThrow();
  }

  private static String back(List<Integer> vertices, Vec3 at, Ground ground, Plans plans) {
    if (!vertices.isEmpty()) {
      Vec3 by = at.minus(ground.mesh().position(vertices.getFirst()));
      plans.accept(
          Plan.of(
              "Move this vertex back to the place that is to be held.",
              new Tidying.MoveChange(List.of(vertices.getFirst()), Move.Motion.by(by))));
    }
    return "";
  }

  private static String placed(Ground ground, Placement placement, Plans plans) {
    Move.Motion motion = motion(placement);
    if (motion == null) {
      return "It is mirrored: mirror it back.";
    }
    Mesh mesh = ground.mesh();
    List<Integer> all =
        IntStream.range(0, mesh.vertexEnd())
            .filter(v -> mesh.hasVertex(v) && mesh.hasPlace(v))
            .boxed()
            .toList();
    plans.accept(
        Plan.other(
            "Bring it back to where the starter lies: %s.".formatted(placement.words()),
            new Tidying.MoveChange(all, motion)));
    return "";
  }

  /** A turn that keeps sides, as axis and angle; null for a mirror. */
  private static Move.@Nullable Motion motion(Placement placement) {
    Vec3 x =
        placement.moved(new Vec3(1, 0, 0)).minus(placement.shift()).times(1 / placement.scale());
    Vec3 y =
        placement.moved(new Vec3(0, 1, 0)).minus(placement.shift()).times(1 / placement.scale());
    Vec3 z =
        placement.moved(new Vec3(0, 0, 1)).minus(placement.shift()).times(1 / placement.scale());
    if (x.cross(y).dot(z) < 0) {
      return null;
    }
    double cosine = (x.x() + y.y() + z.z() - 1) / 2;
    double degrees = Math.rint(StrictMath.toDegrees(StrictMath.acos(Math.clamp(cosine, -1, 1))));
    Vec3 axis = new Vec3(y.z() - z.y(), z.x() - x.z(), x.y() - y.x());
    if (!(axis.length() > 0.5)) {
      // Half a turn, or none: along the sum of what stays.
      axis =
          new Vec3(x.x() + 1, x.y(), x.z()).length() > 0.5
              ? new Vec3(x.x() + 1, x.y(), x.z())
              : new Vec3(y.x(), y.y() + 1, y.z()).length() > 0.5
                  ? new Vec3(y.x(), y.y() + 1, y.z())
                  : new Vec3(0, 0, 1);
    }
    double s = placement.scale();
    return new Move.Motion(
        placement.shift(), 0, axis.unit(), degrees, new Vec3(s, s, s), Vec3.ZERO);
  }

  private static String mirrored(Ground ground, Plans plans) {
    Wanted.Mirror mirror = ground.facts().wanted().mirror();
    if (mirror == null) {
      return "";
    }
    Vec3 normal = mirror.normal().unit();
    for (Axis axis : Axis.values()) {
      if (Math.abs(Math.abs(normal.along(axis.ordinal())) - 1) < 1e-9) {
        double offset = mirror.through().along(axis.ordinal());
        for (boolean ahead : new boolean[] {true, false}) {
          plans.accept(
              Plan.other(
                  "Mirror the half %s the plane: the other goes."
                      .formatted(ahead ? "ahead of" : "behind"),
                  new Forming.MirrorChange(
                      new MirrorBy.AtOffset(axis, offset), ahead, mirror.within())));
        }
        return "";
      }
    }
    return "The plane lies along no axis: mirror along an edge loop by hand.";
  }
}
