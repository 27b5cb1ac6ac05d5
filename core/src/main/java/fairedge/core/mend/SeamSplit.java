package fairedge.core.mend;

import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;
import fairedge.core.step.Change;
import fairedge.core.step.Receipt;
import fairedge.core.step.Tidying;
import fairedge.core.tidy.Weld;
import java.util.ArrayList;
import java.util.List;
import java.util.TreeSet;

/**
 * A seam of which one run has vertices where the other has none: there its edges are split, and
 * then all is welded.
 */
final class SeamSplit {
  private SeamSplit() {}

  static Plan plan(Mesh mesh, List<Integer> edges) {
    TreeSet<Integer> vertices = new TreeSet<>();
    double mean = 0;
    for (int e : edges) {
      vertices.add(mesh.first(e));
      vertices.add(mesh.second(e));
      mean += mesh.length(e) / edges.size();
    }
    double near = 0.05 * mean;
    List<Plan.Step> steps = new ArrayList<>();
    List<Integer> open = new ArrayList<>(edges);
    for (int v : vertices) {
      steps.add((now, made) -> joined(now, v, open, near, made));
    }
    return new Plan(
        "Split the edges where the other side has vertices, and weld along the seam.",
        Plan.Surface.STAYS,
        steps);
  }

  /** One vertex to what lies beside it on the other run. */
  private static List<Change> joined(
      Mesh mesh, int v, List<Integer> edges, double near, List<Receipt> made) {
    if (!mesh.hasVertex(v)) {
      return List.of();
    }
    for (Receipt receipt : made.isEmpty() ? made : List.of(made.getLast())) {
      for (Receipt.Split split : receipt.splitEdges()) {
        split.into().stream().filter(e -> !edges.contains(e)).forEach(edges::add);
      }
    }
    Vec3 at = mesh.position(v);
    int nearest = Mesh.NONE;
    double best = near;
    for (int e : edges) {
      if (mesh.hasEdge(e) && mesh.uses(e) == 1 && mesh.first(e) != v && mesh.second(e) != v) {
        double distance = StrictMath.sqrt(mesh.squaredDistance(e, v));
        if (distance <= best && !isNeighbour(mesh, e, v, near)) {
          best = distance;
          nearest = e;
        }
      }
    }
    if (nearest == Mesh.NONE) {
      return List.of();
    }
    int e = nearest;
    for (int end : new int[] {mesh.first(e), mesh.second(e)}) {
      if (mesh.position(end).distance(at) <= near) {
        return List.of(new Tidying.WeldChange(List.of(v, end), Weld.At.FIRST));
      }
    }
    Vec3 from = mesh.position(mesh.first(e));
    Vec3 along = mesh.position(mesh.second(e)).minus(from);
    double t = at.minus(from).dot(along) / along.dot(along);
    return List.of(
        new Tidying.SplitChange(List.of(e), t),
        new Tidying.WeldChange(List.of(v, mesh.vertexEnd()), Weld.At.FIRST));
  }

  /** The run of the vertex itself goes on beside it. */
  private static boolean isNeighbour(Mesh mesh, int e, int v, double near) {
    for (int own : mesh.edgesAt(v)) {
      int w = mesh.otherEnd(own, v);
      if (mesh.uses(own) == 1 && (w == mesh.first(e) || w == mesh.second(e))) {
        return mesh.length(own) > near;
      }
    }
    return false;
  }
}
