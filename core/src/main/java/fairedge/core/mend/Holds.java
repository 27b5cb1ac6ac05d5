package fairedge.core.mend;

import fairedge.core.form.Inset;
import fairedge.core.form.MirrorBy;
import fairedge.core.form.Support;
import fairedge.core.geometry.Axis;
import fairedge.core.geometry.Vec3;
import fairedge.core.inspect.finding.ShapeFinding;
import fairedge.core.inspect.finding.SupportFinding;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import fairedge.core.step.Forming;
import fairedge.core.step.Tidying;
import fairedge.core.survey.Placement;
import fairedge.core.survey.Places;
import fairedge.core.survey.Wanted;
import fairedge.core.tidy.Move;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.TreeSet;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;

/** How the form fares when it is made smooth, and against what the exercise asks. */
final class Holds {
  private static final double[] SHARES = {0.4, 0.25, 0.15, 0.1, 0.06, 0.03, 0.015};

  private Holds() {}

  static String plan(Ground ground, SupportFinding finding, Plans plans) {
    List<Integer> edges = Ground.ids(finding.elements(), Element.Kind.EDGE);
    return switch (finding) {
      case SupportFinding.SoftEdge f -> support(ground, edges, plans);
      case SupportFinding.Pinch f ->
          "What pinches here is how the cage lies: hold the edges near it, or move them apart.";
      case SupportFinding.Tight f -> "Slide the strip wider.";
      case SupportFinding.NoCollar f -> collar(ground, edges, plans);
    };
  }

  /** The largest distance first. */
  private static String support(Ground ground, List<Integer> edges, Plans plans) {
    Mesh mesh = ground.mesh();
    double beside = Double.POSITIVE_INFINITY;
    for (int e : edges) {
      beside = Math.min(beside, Places.meanEdge(mesh, mesh.facesOn(e)));
    }
    for (double share : SHARES) {
      double distance = share * beside;
      plans.accept(
          Plan.of(
              String.format(
                  Locale.ROOT,
                  "Support %s by loops %.3g beside %s.",
                  edges.size() == 1 ? "this edge" : edges.size() + " edges",
                  distance,
                  edges.size() == 1 ? "it" : "them"),
              new Forming.SupportChange(
                  edges,
                  null,
                  Support.Holding.asked(null, distance, null, null, null, null, null, null))));
    }
    return "No line beside these edges holds them without worse.";
  }

  /** Round what stands on the other side of the outline. */
  private static String collar(Ground ground, List<Integer> edges, Plans plans) {
    Mesh mesh = ground.mesh();
    TreeSet<Integer> one = new TreeSet<>();
    for (int e : edges) {
      for (int f : mesh.facesOn(e)) {
        one.add(f);
      }
    }
    int[] sides =
        Arrays.stream(mesh.facesOn(edges.getFirst())).map(ground.facts().patches()::of).toArray();
    for (int flat : sides) {
      List<Integer> walls =
          one.stream().filter(f -> ground.facts().patches().of(f) != flat).toList();
      for (double share : new double[] {0.4, 0.2, 0.1, 0.05}) {
        double width = share * Places.meanEdge(mesh, mesh.facesOn(edges.getFirst()));
        if (!walls.isEmpty()) {
          plans.accept(
              Plan.of(
                  String.format(Locale.ROOT, "Lay a collar of quads round it, %.3g wide.", width),
                  new Forming.InsetChange(
                      walls, false, new Inset.Margin(width, 0, true, false, false))));
        }
      }
    }
    return "There is no room for a collar here.";
  }

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
      case ShapeFinding.OffLine f -> "The line is not cut yet: cut along it.";
      case ShapeFinding.TooMany f -> "Which loops can go is for you to say.";
    };
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
