package fairedge.core.tidy;

import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;
import fairedge.core.near.PlaceTree;
import fairedge.core.work.Site;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.Map;
import java.util.PriorityQueue;
import java.util.TreeMap;

/**
 * How far vertices lie from chosen ones: through the air, or over the surface, along edges and
 * straight across faces from corner to corner (Dijkstra, "A note on two problems in connexion with
 * graphs", 1959). Cost: through the air n log n of all vertices, over the surface n log n of what
 * is found.
 */
final class Nearness {
  private Nearness() {}

  private record Reached(int vertex, double distance) {}

  /** Those within a radius, the chosen ones left out; by their ids. */
  static Map<Integer, Double> within(
      Site site, Collection<Integer> chosen, double radius, boolean overSurface) {
    return overSurface
        ? overSurface(site.mesh(), chosen, radius)
        : throughAir(site.mesh(), chosen, radius);
  }

  private static Map<Integer, Double> throughAir(
      Mesh mesh, Collection<Integer> chosen, double radius) {
    PlaceTree tree = new PlaceTree(chosen.stream().map(mesh::position).toList());
    Map<Integer, Double> found = new TreeMap<>();
    for (int v = 0; v < mesh.vertexEnd(); v++) {
      if (mesh.hasVertex(v) && mesh.hasPlace(v) && !chosen.contains(v)) {
        double distance = tree.nearest(mesh.position(v), radius);
        if (distance < radius) {
          found.put(v, distance);
        }
      }
    }
    return found;
  }

  private static Map<Integer, Double> overSurface(
      Mesh mesh, Collection<Integer> chosen, double radius) {
    Map<Integer, Double> settled = new HashMap<>();
    PriorityQueue<Reached> next =
        new PriorityQueue<>(
            Comparator.comparingDouble(Reached::distance).thenComparingInt(Reached::vertex));
    chosen.forEach(v -> next.add(new Reached(v, 0)));
    while (!next.isEmpty()) {
      Reached at = next.remove();
      if (settled.putIfAbsent(at.vertex(), at.distance()) != null) {
        continue;
      }
      Vec3 place = mesh.position(at.vertex());
      for (int f : mesh.facesAt(at.vertex())) {
        for (int w : mesh.vertices(f)) {
          double distance = at.distance() + place.distance(mesh.position(w));
          if (distance < radius && !settled.containsKey(w)) {
            next.add(new Reached(w, distance));
          }
        }
      }
    }
    Map<Integer, Double> found = new TreeMap<>(settled);
    found.keySet().removeAll(chosen);
    return found;
  }
}
