package fairedge.core.form;

import fairedge.core.form.Panels.Line;
import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;

/**
 * The angles of hinges that follow the others so that rings of panels close: of all that the signs
 * of the guess allow, those that Newton's method with a limited step (Levenberg, "A method for the
 * solution of certain non-linear problems in least squares", 1944) comes to. Cost: the cube of the
 * hinges that follow, for each of at most 200 steps.
 */
final class FoldSolver {
  private static final int STEPS = 200;

  /** Degrees by which an angle is tried to see what it does. */
  private static final double TRIAL = 1e-4;

  private final Mesh mesh;
  private final Panels panels;
  private final List<Line> closing;
  private final int[] follows;

  FoldSolver(Mesh mesh, Panels panels, boolean[] follows) {
    this.mesh = mesh;
    this.panels = panels;
    this.closing = panels.lines().stream().filter(panels::closes).toList();
    List<Integer> free = new ArrayList<>();
    for (int i = 0; i < follows.length; i++) {
      if (follows[i]) {
        free.add(i);
      }
    }
    this.follows = free.stream().mapToInt(Integer::intValue).toArray();
  }

  /** Whether a hinge follows the others. */
  boolean isFree(int hinge) {
    for (int i : follows) {
      if (i == hinge) {
        return true;
      }
    }
    return false;
  }

  /** Where a ring of panels does not close. */
  record Gap(int vertex, double width) {}

  /** The widest gap that these angles leave; of no width if all rings close. */
  Gap gap(double[] angles) {
    Map<Integer, Rigid> motions = panels.motions(angles);
    Gap widest = new Gap(Mesh.NONE, 0);
    for (Line line : closing) {
      Rigid left = Objects.requireNonNull(motions.get(line.left()));
      Rigid right = Objects.requireNonNull(motions.get(line.right()));
      for (int v : line.ends()) {
        Vec3 p = mesh.position(v);
        double width = left.place(p).distance(right.place(p));
        widest = width > widest.width() ? new Gap(v, width) : widest;
      }
    }
    return widest;
  }

  /**
   * By how many degrees a ring's last hinge misses its angle, though its ends meet; 0 where it does
   * not.
   */
  double missed(double[] angles, Line line) {
    Map<Integer, Rigid> motions = panels.motions(angles);
    Rigid left = Objects.requireNonNull(motions.get(line.left()));
    Rigid right = Objects.requireNonNull(motions.get(line.right()));
    Vec3 unit = left.turned(line.unit());
    Vec3 aside = line.unit().aside();
    Vec3 there = left.turned(aside.turned(line.unit(), line.now() - angles[line.number()]));
    Vec3 is = right.turned(aside);
    return Math.toDegrees(StrictMath.atan2(there.cross(is).dot(unit), there.dot(is)));
  }

  /** The angles with which all rings close, or the nearest to that that was found. */
  double[] solved(double[] guess) {
    double[] angles = guess.clone();
    if (follows.length == 0 || closing.isEmpty()) {
      return angles;
    }
    double[] error = error(angles);
    double damping = 1e-3;
    for (int step = 0; step < STEPS && sum(error) > 0; step++) {
      double[] by = step(angles, error, damping);
      double[] tried = angles.clone();
      double largest = 0;
      for (int i = 0; i < follows.length; i++) {
        tried[follows[i]] += by[i];
        largest = Math.max(largest, Math.abs(by[i]));
      }
      double[] then = error(tried);
      if (sum(then) < sum(error)) {
        angles = tried;
        error = then;
        damping = Math.max(damping * 0.2, 1e-15);
      } else {
        damping *= 8;
        if (largest < 1e-13 || damping > 1e12) {
          break;
        }
      }
    }
    for (int i : follows) {
      angles[i] = Math.IEEEremainder(angles[i], 360);
    }
    return angles;
  }

  /**
   * How far, in each direction, what ought to meet lies apart; the last hinge's turn in radians.
   */
  private double[] error(double[] angles) {
    Map<Integer, Rigid> motions = panels.motions(angles);
    double[] error = new double[closing.size() * 7];
    int at = 0;
    for (Line line : closing) {
      Rigid left = Objects.requireNonNull(motions.get(line.left()));
      Rigid right = Objects.requireNonNull(motions.get(line.right()));
      double length = 0;
      int[] ends = line.ends();
      for (int v : new int[] {ends[0], ends[ends.length - 1]}) {
        Vec3 apart = left.place(mesh.position(v)).minus(right.place(mesh.position(v)));
        error[at++] = apart.x();
        error[at++] = apart.y();
        error[at++] = apart.z();
        length = Math.max(length, mesh.position(v).distance(mesh.position(ends[0])));
      }
      error[at++] = Math.toRadians(missed(angles, line)) * length;
    }
    return error;
  }

  private static double sum(double[] error) {
    double sum = 0;
    for (double e : error) {
      sum += e * e;
    }
    return sum;
  }

  private double[] step(double[] angles, double[] error, double damping) {
    int n = follows.length;
    double[][] slopes = new double[n][];
    for (int i = 0; i < n; i++) {
      double[] more = angles.clone();
      double[] less = angles.clone();
      more[follows[i]] += TRIAL;
      less[follows[i]] -= TRIAL;
      double[] up = error(more);
      double[] down = error(less);
      slopes[i] = new double[up.length];
      for (int k = 0; k < up.length; k++) {
        slopes[i][k] = (up[k] - down[k]) / (2 * TRIAL);
      }
    }
    double[][] sums = new double[n][n + 1];
    for (int i = 0; i < n; i++) {
      for (int j = 0; j < n; j++) {
        sums[i][j] = dot(slopes[i], slopes[j]);
      }
      sums[i][n] = -dot(slopes[i], error);
      sums[i][i] += damping * sums[i][i] + Double.MIN_NORMAL;
    }
    return eliminated(sums);
  }

  private static double dot(double[] a, double[] b) {
    double sum = 0;
    for (int i = 0; i < a.length; i++) {
      sum += a[i] * b[i];
    }
    return sum;
  }

  /** By Gauss, the largest in each column first. */
  private static double[] eliminated(double[][] rows) {
    int n = rows.length;
    for (int i = 0; i < n; i++) {
      int largest = i;
      for (int k = i + 1; k < n; k++) {
        largest = Math.abs(rows[k][i]) > Math.abs(rows[largest][i]) ? k : largest;
      }
      double[] row = rows[largest];
      rows[largest] = rows[i];
      rows[i] = row;
      for (int k = i + 1; k < n && row[i] != 0; k++) {
        double share = rows[k][i] / row[i];
        for (int j = i; j <= n; j++) {
          rows[k][j] -= share * row[j];
        }
      }
    }
    double[] found = new double[n];
    for (int i = n - 1; i >= 0; i--) {
      double sum = rows[i][n];
      for (int j = i + 1; j < n; j++) {
        sum -= rows[i][j] * found[j];
      }
      found[i] = rows[i][i] == 0 ? 0 : sum / rows[i][i];
    }
    return found;
  }
}
