package fairedge.core.near;

import fairedge.core.geometry.Vec3;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** Points in cells as wide as what counts as near. Cost of a question: the points in 27 cells. */
public final class PointGrid {
  private final double near;
  private final Map<Cell, List<Vec3>> cells = new HashMap<>();

  private record Cell(long x, long y, long z) {}

  /**
   * @param near positive; a distance equal to it counts as near
   */
  public PointGrid(double near) {
    this.near = near;
  }

  public void add(Vec3 point) {
    cells.computeIfAbsent(cellOf(point, 0, 0, 0), c -> new ArrayList<>()).add(point);
  }

  private Cell cellOf(Vec3 p, int dx, int dy, int dz) {
    return new Cell(
        (long) Math.floor(p.x() / near) + dx,
        (long) Math.floor(p.y() / near) + dy,
        (long) Math.floor(p.z() / near) + dz);
  }

  public boolean hasNear(Vec3 place) {
    for (int i = 0; i < 27; i++) {
      Cell cell = cellOf(place, i % 3 - 1, i / 3 % 3 - 1, i / 9 - 1);
      for (Vec3 point : cells.getOrDefault(cell, List.of())) {
        if (point.distance(place) <= near) {
          return true;
        }
      }
    }
    return false;
  }
}
