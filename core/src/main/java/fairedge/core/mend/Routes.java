package fairedge.core.mend;

import fairedge.core.geometry.Polygon;
import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;
import fairedge.core.step.Change;
import fairedge.core.step.Mending;
import fairedge.core.step.Tidying;
import fairedge.core.tidy.Move;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import org.jspecify.annotations.Nullable;

/** Plans that cut a route, and make what it leaves at its ends good. */
final class Routes {
  /** By so much, in degrees, a new corner is made to turn where the ground is flat. */
  private static final double TURN = 20.01;

  private Routes() {}

  static void plan(Ground ground, RouteSearch.Found way, Consumer<Plan> plans) {
    if (way.edges().isEmpty()) {
      Redo.plan(ground, Redo.LIFT, List.of(way.from(), way.to()), plans);
    } else {
      plans.accept(new Plan(does(ground.mesh(), way), Plan.Surface.STAYS, steps(ground, way)));
    }
  }

  private static List<Plan.Step> steps(Ground ground, RouteSearch.Found way) {
    List<Plan.Step> steps = new ArrayList<>();
    steps.add((mesh, made) -> List.of(new Mending.RouteChange(null, way.edges())));
    ending(ground, way.from(), way.edges().getFirst(), steps);
    if (!way.isToBorder()) {
      ending(ground, way.to(), way.edges().getLast(), steps);
    }
    return steps;
  }

  private static void ending(Ground ground, int f, int edge, List<Plan.Step> steps) {
    if (ground.mesh().size(f) == 3) {
      Vec3 out = outwards(ground, f, edge);
      if (out != null) {
        steps.add((mesh, made) -> List.of(moved(middleOf(mesh, edge), out)));
      }
      return;
    }
    Price price = Price.at(ground, f);
    steps.add((mesh, made) -> {
      List<Divide.Parts> ways = Divide.all(mesh, f, price);
      return ways.isEmpty() ? List.of() : ways.getFirst().changes();
    });
  }

  /** The vertex that came into an edge: what is left of that ends there, and it is the newer. */
  private static int middleOf(Mesh mesh, int edge) {
    return Math.max(mesh.first(edge), mesh.second(edge));
  }

  private static Change moved(int v, Vec3 by) {
    return new Tidying.MoveChange(List.of(v), Move.Motion.by(by));
  }

  /** How far a new corner goes out of a triangle into what lies flat beside it; null elsewhere. */
  private static @Nullable Vec3 outwards(Ground ground, int f, int edge) {
    Mesh mesh = ground.mesh();
    Vec3 a = mesh.position(mesh.first(edge));
    Vec3 b = mesh.position(mesh.second(edge));
    if (!mesh.isMeasurable(f)) {
      return null;
    }
    Polygon triangle = mesh.polygon(f);
    Vec3 normal = triangle.normal();
    double flat = 1e-9 * ground.facts().tolerance().scale();
    for (int g : mesh.facesOn(edge)) {
      for (int v : mesh.vertices(g)) {
        if (!(Math.abs(mesh.position(v).minus(a).dot(normal)) <= flat)) {
          return null;
        }
      }
    }
    Vec3 along = b.minus(a);
    Vec3 out = along.cross(normal).unit();
    Vec3 inwards = triangle.middle().minus(a);
    double by = along.length() / 2 * StrictMath.tan(StrictMath.toRadians(TURN / 2));
    return out.times(out.dot(inwards) > 0 ? -by : by);
  }

  private static String does(Mesh mesh, RouteSearch.Found way) {
    int quads = way.edges().size() - 1;
    String across =
        quads == 0
            ? "from this face into the next"
            : "across %d %s".formatted(quads, quads == 1 ? "quad" : "quads");
    String to =
        way.isToBorder()
            ? "to the border"
            : mesh.size(way.to()) == 3
                ? "to another triangle"
                : "to the face of %d sides".formatted(mesh.size(way.to()));
    return quads == 0
        ? "Cut a route %s: both become quads.".formatted(way.isToBorder() ? to : across)
        : "Cut a route %s %s: only quads are left.".formatted(across, to);
  }
}
