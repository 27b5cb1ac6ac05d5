package fairedge.core.mend;

import fairedge.core.geometry.Polygon;
import fairedge.core.geometry.Vec3;
import fairedge.core.inspect.finding.Finding;
import fairedge.core.inspect.finding.FlowFinding;
import fairedge.core.inspect.finding.ShapeFinding;
import fairedge.core.inspect.finding.SidesFinding;
import fairedge.core.inspect.finding.SupportFinding;
import fairedge.core.inspect.finding.SurfaceFinding;
import fairedge.core.inspect.finding.VerticesFinding;
import fairedge.core.mesh.Mesh;
import fairedge.core.step.Tidying;
import fairedge.core.tidy.Move;
import java.util.List;

/** Which planner plans for which finding. */
final class Planners {
  private Planners() {}

  /**
   * @return why there is nothing to be proposed, or nothing may hold; empty where that needs no
   *     word
   */
  static String plan(Ground ground, Finding finding, Plans plans) {
    return switch (finding) {
      case SidesFinding f -> sides(ground, f, plans);
      case VerticesFinding f -> Points.plan(ground, f, plans);
      case SurfaceFinding f -> Skins.plan(ground, f, plans);
      case FlowFinding f -> Loop.plan(ground, f, plans);
      case SupportFinding f -> Holds.plan(ground, f, plans);
      case ShapeFinding f -> Holds.plan(ground, f, plans);
    };
  }

  private static String sides(Ground ground, SidesFinding finding, Plans plans) {
    int face = finding.elements().getFirst().id();
    return switch (finding) {
      case SidesFinding.Ngon f -> Loop.face(ground, face, plans);
      case SidesFinding.Triangle f -> Triangles.plan(ground, f, plans);
      case SidesFinding.FlatCorner f -> flatCorner(ground, face, plans);
      case SidesFinding.AllTriangles f -> Triangles.all(ground, plans);
    };
  }

  /** A corner moved off the straight, inside or out, where the ground is flat. */
  private static String flatCorner(Ground ground, int f, Plans plans) {
    Mesh mesh = ground.mesh();
    for (int v : EvenFace.idle(mesh, f)) {
      plans.accept(
          Plan.of(
              "Lift the corner that does not turn.",
              new Tidying.LiftChange(List.of(), List.of(v), false)));
    }
    if (mesh.isMeasurable(f)) {
      Polygon shape = mesh.polygon(f);
      int[] ring = mesh.vertices(f);
      for (int i = 0; i < ring.length; i++) {
        if (shape.turnAt(i) <= 1) {
          Vec3 along = shape.corner(i + 1).minus(shape.corner(i - 1));
          Vec3 aside = along.cross(shape.normal()).unit();
          for (double share : new double[] {0.09, -0.09, 0.2, -0.2}) {
            plans.accept(
                Plan.of(
                    "Move this corner off the straight line.",
                    new Tidying.MoveChange(
                        List.of(ring[i]), Move.Motion.by(aside.times(share * along.length())))));
          }
        }
      }
    }
    return "";
  }
}
