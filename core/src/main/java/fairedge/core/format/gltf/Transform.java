package fairedge.core.format.gltf;

import java.util.List;
import java.util.Map;

/** What a node does to places: a matrix of 3 rows and 4 columns. */
record Transform(double[] m) {
  static final Transform NONE = new Transform(new double[] {1, 0, 0, 0, 0, 1, 0, 0, 0, 0, 1, 0});

  /** By its matrix, or by its translation, rotation (a quaternion) and scale. */
  static Transform of(Map<?, ?> node) {
    double[] given = numbers(node, "matrix", 16, new double[0]);
    if (given.length == 16) {
      double[] m = new double[12];
      for (int row = 0; row < 3; row++) {
        for (int column = 0; column < 4; column++) {
          m[4 * row + column] = given[4 * column + row];
        }
      }
      return new Transform(m);
    }
    double[] t = numbers(node, "translation", 3, new double[] {0, 0, 0});
    double[] q = numbers(node, "rotation", 4, new double[] {0, 0, 0, 1});
    double[] s = numbers(node, "scale", 3, new double[] {1, 1, 1});
    double x = q[0];
    double y = q[1];
    double z = q[2];
    double w = q[3];
    return new Transform(
        new double[] {
          s[0] * (1 - 2 * (y * y + z * z)),
          s[1] * 2 * (x * y - z * w),
          s[2] * 2 * (x * z + y * w),
          t[0],
          s[0] * 2 * (x * y + z * w),
          s[1] * (1 - 2 * (x * x + z * z)),
          s[2] * 2 * (y * z - x * w),
          t[1],
          s[0] * 2 * (x * z - y * w),
          s[1] * 2 * (y * z + x * w),
          s[2] * (1 - 2 * (x * x + y * y)),
          t[2]
        });
  }

  private static double[] numbers(Map<?, ?> node, String name, int count, double[] usual) {
    if (!(node.get(name) instanceof List<?> list) || list.size() != count) {
      return usual;
    }
    return list.stream().mapToDouble(v -> v instanceof Double d ? d : Double.NaN).toArray();
  }

  /** This after the one under it. */
  Transform then(Transform under) {
    double[] r = new double[12];
    for (int row = 0; row < 3; row++) {
      for (int column = 0; column < 4; column++) {
        double sum = column == 3 ? m[4 * row + 3] : 0;
        for (int k = 0; k < 3; k++) {
          sum += m[4 * row + k] * under.m[4 * k + column];
        }
        r[4 * row + column] = sum;
      }
    }
    return new Transform(r);
  }

  double[] of(double x, double y, double z) {
    double[] p = new double[3];
    for (int row = 0; row < 3; row++) {
      p[row] = m[4 * row] * x + m[4 * row + 1] * y + m[4 * row + 2] * z + m[4 * row + 3];
    }
    return p;
  }
}
