package fairedge.core.form;

import fairedge.core.geometry.Vec3;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;

/**
 * How panels move when they are folded from flat, as motions of what there is now, to be played by
 * whoever draws: at stops evenly apart, between which a motion is almost a turn of a degree or two.
 *
 * @param stops how many stops each panel has a pose for; the first is flat
 * @param panels those that move
 * @param passing where panels first pass through one another; null where they don't
 */
public record FoldMotions(int stops, List<MovedPanel> panels, @Nullable PassingPanels passing) {

  /**
   * @param faces of the panel, by id
   * @param poses for each stop seven numbers: a unit quaternion (x, y, z, w) by which all is turned
   *     about the origin, and by how much it is moved then
   */
  public record MovedPanel(List<Integer> faces, List<Double> poses) {}

  /**
   * @param stop from which on
   * @param faces one of each of the two panels
   */
  public record PassingPanels(int stop, List<Integer> faces) {}

  static FoldMotions of(Panels panels, FoldWay way, FoldPassing.@Nullable Crossing crossing) {
    Map<Integer, List<Integer>> faces = new TreeMap<>();
    new TreeMap<>(panels.panels())
        .forEach((f, panel) -> faces.computeIfAbsent(panel, p -> new ArrayList<>()).add(f));
    Map<Integer, List<Double>> poses = new TreeMap<>();
    for (double[] angles : way.stops()) {
      panels
          .motions(angles)
          .forEach((panel, motion) ->
              poses.computeIfAbsent(panel, p -> new ArrayList<>()).addAll(pose(motion)));
    }
    List<MovedPanel> moved = new ArrayList<>();
    for (int panel : panels.inOrder().subList(1, panels.inOrder().size())) {
      moved.add(
          new MovedPanel(
              faces.getOrDefault(panel, List.of()), poses.getOrDefault(panel, List.of())));
    }
    return new FoldMotions(
        way.stops().size(),
        moved,
        crossing == null ? null : new PassingPanels(crossing.stop(), crossing.faces()));
  }

  /** Shepperd, "Quaternion from rotation matrix", 1978: by the largest of the four. */
  private static List<Double> pose(Rigid r) {
    Vec3 a = r.x();
    Vec3 b = r.y();
    Vec3 c = r.z();
    double[] squares = {
      1 + a.x() - b.y() - c.z(),
      1 - a.x() + b.y() - c.z(),
      1 - a.x() - b.y() + c.z(),
      1 + a.x() + b.y() + c.z()
    };
    int largest = 0;
    for (int i = 1; i < 4; i++) {
      largest = squares[i] > squares[largest] ? i : largest;
    }
    double[] q =
        switch (largest) {
          case 0 -> new double[] {squares[0], a.y() + b.x(), a.z() + c.x(), b.z() - c.y()};
          case 1 -> new double[] {a.y() + b.x(), squares[1], b.z() + c.y(), c.x() - a.z()};
          case 2 -> new double[] {a.z() + c.x(), b.z() + c.y(), squares[2], a.y() - b.x()};
          default -> new double[] {b.z() - c.y(), c.x() - a.z(), a.y() - b.x(), squares[3]};
        };
    double length = Math.sqrt(q[0] * q[0] + q[1] * q[1] + q[2] * q[2] + q[3] * q[3]);
    return List.of(
        q[0] / length,
        q[1] / length,
        q[2] / length,
        q[3] / length,
        r.by().x(),
        r.by().y(),
        r.by().z());
  }
}
