package fairedge.core.form;

import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * Which of some vertices lie at one place, within a distance, told by cells of a grid. Cost: the
 * vertices, as long as few lie in a cell.
 */
final class Coincident {
  private record Cell(long x, long y, long z) {}

  private final Map<Integer, Vec3> places;
  private final Map<Integer, Integer> placeOf = new HashMap<>();

  Coincident(Map<Integer, Vec3> places, double within) {
    this.places = places;
    Map<Cell, List<Integer>> cells = new HashMap<>();
    places.forEach((v, p) -> {
      int found = Mesh.NONE;
      long x = cell(p.x(), within);
      long y = cell(p.y(), within);
      long z = cell(p.z(), within);
      for (long i = x - 1; i <= x + 1; i++) {
        for (long j = y - 1; j <= y + 1; j++) {
          for (long k = z - 1; k <= z + 1; k++) {
            for (int w : cells.getOrDefault(new Cell(i, j, k), List.of())) {
              if (found == Mesh.NONE && places.getOrDefault(w, p).distance(p) <= within) {
                found = w;
              }
            }
          }
        }
      }
      placeOf.put(v, found == Mesh.NONE ? v : found);
      if (found == Mesh.NONE) {
        cells.computeIfAbsent(new Cell(x, y, z), c -> new ArrayList<>()).add(v);
      }
    });
  }

  private static long cell(double x, double within) {
    return (long) Math.floor(x / (2 * within));
  }

  /** The vertex that stands for all at its place. */
  int placeOf(int v) {
    return placeOf.getOrDefault(v, v);
  }

  /** How far the nearest of the others is that lies elsewhere; infinite if there is none. */
  double gap(int v) {
    Vec3 p = places.get(v);
    double gap = Double.POSITIVE_INFINITY;
    if (p != null && places.size() <= MOST) {
      for (Map.Entry<Integer, Vec3> other : places.entrySet()) {
        if (other.getKey() != v && placeOf(other.getKey()) != placeOf(v)) {
          gap = Math.min(gap, other.getValue().distance(p));
        }
      }
    }
    return gap;
  }

  /** Of more vertices it is not told how near they are: that would ask each of each. */
  private static final int MOST = 3000;
}
