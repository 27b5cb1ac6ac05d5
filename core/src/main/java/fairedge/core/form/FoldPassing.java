package fairedge.core.form;

import fairedge.core.geometry.Polygon;
import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;

/**
 * Looks whether panels pass through one another on the way from flat to their angles. Cost: for
 * each stop on the way all pairs of triangles of different panels whose boxes meet.
 */
final class FoldPassing {
  /** Of more triangles it is not looked. */
  private static final int MOST = 600;

  /** What only touches does not pass: an edge must go through by this share of its length. */
  private static final double THROUGH = 1e-6;

  private final Mesh mesh;
  private final Panels panels;

  /** Corners of triangles, three each; and the face that each is of. */
  private final List<int[]> corners = new ArrayList<>();

  private final List<Integer> faces = new ArrayList<>();

  FoldPassing(Mesh mesh, Panels panels) {
    this.mesh = mesh;
    this.panels = panels;
    for (int f : new TreeMap<>(panels.panels()).keySet()) {
      int[] round = mesh.vertices(f);
      Polygon shape = mesh.polygon(f);
      int[] some = corners.size() > MOST ? new int[0] : shape.triangles();
      for (int i = 0; i + 2 < some.length; i += 3) {
        corners.add(new int[] {round[some[i]], round[some[i + 1]], round[some[i + 2]]});
        faces.add(f);
      }
    }
  }

  /**
   * Where panels first pass through one another.
   *
   * @param stop on the way, 0 being flat
   * @param faces one of each of the two
   */
  record Crossing(int stop, List<Integer> faces) {}

  /** Whether there are so many panels that it is not looked. */
  boolean isTooMuch() {
    return corners.size() > MOST;
  }

  Optional<Crossing> first(FoldWay way) {
    for (int stop = 1; stop < way.stops().size() && !isTooMuch(); stop++) {
      List<Integer> faces = crossed(panels.motions(way.stops().get(stop)));
      if (!faces.isEmpty()) {
        return Optional.of(new Crossing(stop, faces));
      }
    }
    return Optional.empty();
  }

  private int panel(int triangle) {
    return panels.panels().getOrDefault(faces.get(triangle), Mesh.NONE);
  }

  private List<Integer> crossed(Map<Integer, Rigid> motions) {
    int n = corners.size();
    Vec3[][] now = new Vec3[n][3];
    for (int i = 0; i < n; i++) {
      Rigid motion = motions.getOrDefault(panel(i), Rigid.NONE);
      for (int k = 0; k < 3; k++) {
        now[i][k] = motion.place(mesh.position(corners.get(i)[k]));
      }
    }
    for (int i = 0; i < n; i++) {
      for (int j = i + 1; j < n; j++) {
        if (panel(i) != panel(j)
            && boxesMeet(now[i], now[j])
            && (pierces(now[i], now[j]) || pierces(now[j], now[i]))) {
          return List.of(faces.get(i), faces.get(j));
        }
      }
    }
    return List.of();
  }

  private static boolean boxesMeet(Vec3[] a, Vec3[] b) {
    for (int axis = 0; axis < 3; axis++) {
      double lowA = Math.min(a[0].along(axis), Math.min(a[1].along(axis), a[2].along(axis)));
      double highA = Math.max(a[0].along(axis), Math.max(a[1].along(axis), a[2].along(axis)));
      double lowB = Math.min(b[0].along(axis), Math.min(b[1].along(axis), b[2].along(axis)));
      double highB = Math.max(b[0].along(axis), Math.max(b[1].along(axis), b[2].along(axis)));
      if (lowA > highB || lowB > highA) {
        return false;
      }
    }
    return true;
  }

  /** Whether a side of one triangle goes through the inside of the other. */
  private static boolean pierces(Vec3[] of, Vec3[] through) {
    Vec3 normal = through[1].minus(through[0]).cross(through[2].minus(through[0]));
    double size = normal.length();
    if (size == 0) {
      return false;
    }
    for (int k = 0; k < 3; k++) {
      Vec3 a = of[k];
      Vec3 b = of[(k + 1) % 3];
      double length = a.distance(b);
      double below = a.minus(through[0]).dot(normal) / size;
      double above = b.minus(through[0]).dot(normal) / size;
      if (below * above < 0 && Math.min(Math.abs(below), Math.abs(above)) > THROUGH * length) {
        Vec3 at = a.towards(b, below / (below - above));
        if (isInside(at, through, normal, size)) {
          return true;
        }
      }
    }
    return false;
  }

  private static boolean isInside(Vec3 p, Vec3[] of, Vec3 normal, double size) {
    for (int k = 0; k < 3; k++) {
      Vec3 side = of[(k + 1) % 3].minus(of[k]);
      double in = side.cross(p.minus(of[k])).dot(normal) / size;
      if (in <= THROUGH * size) {
        return false;
      }
    }
    return true;
  }
}
