package fairedge.core.mend;

import fairedge.core.geometry.Polygon;
import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;
import fairedge.core.step.Tidying;
import fairedge.core.tidy.Move;
import java.util.Arrays;
import java.util.List;

/** A corner that does not turn: lifted, run on from, or moved off the straight. */
final class FlatCorner {
  private FlatCorner() {}

  static String plan(Ground ground, int f, Plans plans) {
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
          runOn(ground, f, ring[i], plans);
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

  /** The line that ends at a corner, on across the face. */
  private static void runOn(Ground ground, int f, int v, Plans plans) {
    Mesh mesh = ground.mesh();
    List<Integer> sides = Arrays.stream(mesh.edges(f)).boxed().toList();
    Loop.runOn(
        ground,
        List.of(v),
        Arrays.stream(mesh.edgesAt(v)).filter(e -> !sides.contains(e)).boxed().toList(),
        plans);
  }
}
