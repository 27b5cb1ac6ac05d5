package fairedge.core.inspect;

import fairedge.core.flow.Rings;
import fairedge.core.flow.Stop;
import fairedge.core.flow.Topology;
import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.TreeSet;

/**
 * {@code ring-stop}: a triangle or n-gon at which open rings end; one finding a face, with the
 * rings.
 *
 * <p>{@code pole}: an inner vertex
 *
 * <ol>
 *   <li>of valence 6 or more; or
 *   <li>of valence 3 or 5, where the starter has no pole within 1e-4 S (without a starter nothing
 *       is new), and no hard edge meets it; worse in the curviest tenth ({@link Curvature}), which
 *       its words say.
 * </ol>
 *
 * Those of valence 1 and 2 are told under Vertices. Cost: the rings and the vertices; with a new
 * pole the curvature of all.
 */
final class FlowFinder implements Finder {
  @Override
  public List<Finding> find(Subject subject) {
    List<Finding> found = new ArrayList<>();
    ringStops(subject, found);
    poles(subject, found);
    return found;
  }

  private static void ringStops(Subject subject, List<Finding> found) {
    Map<Integer, TreeSet<Integer>> ringsAt = new TreeMap<>();
    List<Rings.Summary> rings = subject.rings().all();
    for (int i = 0; i < rings.size(); i++) {
      for (Stop stop : rings.get(i).ends()) {
        if (stop.face() != Mesh.NONE) {
          ringsAt.computeIfAbsent(stop.face(), f -> new TreeSet<>()).add(i);
        }
      }
    }
    Mesh mesh = subject.mesh();
    ringsAt.forEach((f, at) ->
        found.add(
            new Finding.RingStop(
                f,
                mesh.size(f),
                List.copyOf(at),
                Places.onFace(mesh, f),
                Places.meanEdge(mesh, f))));
  }

  private static void poles(Subject subject, List<Finding> found) {
    Mesh mesh = subject.mesh();
    Topology topology = subject.topology();
    for (int v = 0; v < mesh.vertexEnd(); v++) {
      if (!topology.isPole(v) || topology.valence(v) < 3) {
        continue;
      }
      boolean many = topology.valence(v) >= 6;
      Starter starter = subject.starter();
      boolean fresh = starter != null && mesh.hasPlace(v) && !starter.hasPole(mesh.position(v));
      if (many || fresh && !subject.hardEdges().meet(v)) {
        Vec3 place = Places.ofVertex(mesh, v);
        double reach = Places.meanEdge(mesh, mesh.facesAt(v));
        boolean curved = fresh && !many && subject.curvature().isInCurviestTenth(v);
        found.add(new Finding.Pole(v, topology.valence(v), fresh, curved, place, reach));
      }
    }
  }
}
