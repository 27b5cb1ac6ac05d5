package fairedge.core.mend;

import fairedge.core.inspect.finding.Finding;
import fairedge.core.inspect.finding.FlowFinding;
import fairedge.core.inspect.finding.ShapeFinding;
import fairedge.core.inspect.finding.SidesFinding;
import fairedge.core.inspect.finding.SupportFinding;
import fairedge.core.inspect.finding.SurfaceFinding;
import fairedge.core.inspect.finding.VerticesFinding;

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
      case ShapeFinding f -> Shapes.plan(ground, f, plans);
    };
  }

  private static String sides(Ground ground, SidesFinding finding, Plans plans) {
    int face = finding.elements().getFirst().id();
    return switch (finding) {
      case SidesFinding.Ngon f -> Loop.face(ground, face, plans);
      case SidesFinding.Triangle f -> Triangles.plan(ground, f, plans);
      case SidesFinding.FlatCorner f -> FlatCorner.plan(ground, face, plans);
      case SidesFinding.AllTriangles f -> Triangles.all(ground, plans);
    };
  }
}
