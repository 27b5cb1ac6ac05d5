package fairedge.core.near;

import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.IntPredicate;

/** Pairs of vertices that lie near to each other. Cost: the vertices, and the pairs looked at. */
public final class NearPairs {
  private NearPairs() {}

  /** Two vertices, the lower id first. */
  public record Pair(int a, int b, double distance) {}

  private record Cell(long x, long y, long z) {}

  /**
   * All pairs at most this far apart, in a list that may be sorted.
   *
   * @param vertices which of them count
   * @param most empty is the answer where there are more
   */
  public static Optional<List<Pair>> of(
      Mesh mesh, double distance, IntPredicate vertices, int most) {
    // Narrower cells than this would have no whole numbers left to be told apart by.
    double width = Math.max(distance, largest(mesh) * 0x1p-50);
    Map<Cell, List<Integer>> cells = new HashMap<>();
    List<Pair> pairs = new ArrayList<>();
    for (int v = 0; v < mesh.vertexEnd(); v++) {
      if (!mesh.hasVertex(v) || !mesh.hasPlace(v) || !vertices.test(v)) {
        continue;
      }
      Vec3 at = mesh.position(v);
      for (int i = 0; i < 27; i++) {
        Cell cell = cellOf(at, width, i);
        for (int w : cells.getOrDefault(cell, List.of())) {
          double apart = mesh.position(w).distance(at);
          if (apart <= distance) {
            pairs.add(new Pair(w, v, apart));
          }
        }
        if (pairs.size() > most) {
          return Optional.empty();
        }
      }
      cells.computeIfAbsent(cellOf(at, width, 13), c -> new ArrayList<>()).add(v);
    }
    return Optional.of(pairs);
  }

  private static double largest(Mesh mesh) {
    double largest = 0;
    for (int v = 0; v < mesh.vertexEnd(); v++) {
      if (mesh.hasVertex(v) && mesh.hasPlace(v)) {
        Vec3 p = mesh.position(v);
        largest = Math.max(largest, Math.max(Math.abs(p.x()), Math.abs(p.y())));
        largest = Math.max(largest, Math.abs(p.z()));
      }
    }
    return largest;
  }

  /** The 13th is the point's own. */
  private static Cell cellOf(Vec3 p, double width, int i) {
    return new Cell(
        (long) Math.floor(p.x() / width) + i % 3 - 1,
        (long) Math.floor(p.y() / width) + i / 3 % 3 - 1,
        (long) Math.floor(p.z() / width) + i / 9 - 1);
  }
}
