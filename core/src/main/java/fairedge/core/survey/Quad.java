package fairedge.core.survey;

import fairedge.core.geometry.ArcTangent;
import fairedge.core.mesh.Mesh;

/**
 * The measures of a face of four corners as {@link fairedge.core.geometry.Polygon} defines them,
 * each taken once and without an object for every corner: most faces are such.
 */
final class Quad {
  private static final int CORNERS = 4;

  /** Of every corner its place, then its side, that leads to the next. */
  private final double[] at = new double[3 * CORNERS];

  private final double[] side = new double[3 * CORNERS];
  private final double[] length = new double[CORNERS];
  private final double[] turns = new double[CORNERS];
  private double frontX;
  private double frontY;
  private double frontZ;
  private double area;
  private double warp;

  /**
   * Reads a face.
   *
   * @param f four corners, all with places
   */
  void read(Mesh mesh, int f) {
    int c = mesh.firstCorner(f);
    for (int i = 0; i < 3 * CORNERS; i += 3) {
      int v = mesh.vertexOf(c);
      at[i] = mesh.x(v);
      at[i + 1] = mesh.y(v);
      at[i + 2] = mesh.z(v);
      c = mesh.next(c);
    }
    for (int i = 0; i < CORNERS; i++) {
      int k = 3 * i;
      int next = i == CORNERS - 1 ? 0 : k + 3;
      side[k] = at[next] - at[k];
      side[k + 1] = at[next + 1] - at[k + 1];
      side[k + 2] = at[next + 2] - at[k + 2];
      length[i] = Math.sqrt(dot(k, k));
    }
    findFront();
  }

  private void findFront() {
    double bx = side[0];
    double by = side[1];
    double bz = side[2];
    double cx = at[6] - at[0];
    double cy = at[7] - at[1];
    double cz = at[8] - at[2];
    double dx = at[9] - at[0];
    double dy = at[10] - at[1];
    double dz = at[11] - at[2];
    frontX = 0.5 * (by * cz - bz * cy + cy * dz - cz * dy);
    frontY = 0.5 * (bz * cx - bx * cz + cz * dx - cx * dz);
    frontZ = 0.5 * (bx * cy - by * cx + cx * dy - cy * dx);
    area = Math.sqrt(frontX * frontX + frontY * frontY + frontZ * frontZ);
  }

  private double dot(int a, int b) {
    return side[a] * side[b] + side[a + 1] * side[b + 1] + side[a + 2] * side[b + 2];
  }

  /** Newell's vector. */
  double frontX() {
    return frontX;
  }

  double frontY() {
    return frontY;
  }

  double frontZ() {
    return frontZ;
  }

  double area() {
    return area;
  }

  /** Of the first corner, along the front as seen from a place. */
  double height(double x, double y, double z) {
    return (at[0] - x) * frontX + (at[1] - y) * frontY + (at[2] - z) * frontZ;
  }

  double meanSide() {
    return (length[0] + length[1] + length[2] + length[3]) / CORNERS;
  }

  double aspect() {
    double shortest = Math.min(Math.min(length[0], length[1]), Math.min(length[2], length[3]));
    double longest = Math.max(Math.max(length[0], length[1]), Math.max(length[2], length[3]));
    return longest / shortest;
  }

  double slenderness() {
    double largest = Math.max(across(0, 6), across(3, 9));
    for (int i = 0; i < CORNERS; i++) {
      largest = Math.max(largest, dot(3 * i, 3 * i));
    }
    return largest > 0 ? 2 * area / largest : 0;
  }

  private double across(int a, int b) {
    double x = at[b] - at[a];
    double y = at[b + 1] - at[a + 1];
    double z = at[b + 2] - at[a + 2];
    return x * x + y * y + z * z;
  }

  /** The in-plane turns of the corners, degrees; finds the warp by the way. */
  double[] turns() {
    double perArea = 1 / area;
    double nx = frontX * perArea;
    double ny = frontY * perArea;
    double nz = frontZ * perArea;
    // The square of the largest tangent.
    double largest = 0;
    for (int i = 0; i < CORNERS; i++) {
      int in = i == 0 ? 9 : 3 * i - 3;
      int out = 3 * i;
      double x = side[in + 1] * side[out + 2] - side[in + 2] * side[out + 1];
      double y = side[in + 2] * side[out] - side[in] * side[out + 2];
      double z = side[in] * side[out + 1] - side[in + 1] * side[out];
      double sine = nx * x + ny * y + nz * z;
      double up = side[in] * nx + side[in + 1] * ny + side[in + 2] * nz;
      double on = side[out] * nx + side[out + 1] * ny + side[out + 2] * nz;
      turns[i] = ArcTangent.degrees(sine, dot(in, out) - up * on);
      double turn = Math.abs(turns[i]);
      if (turn >= 5 && turn <= 175) {
        double ox = y * nz - z * ny;
        double oy = z * nx - x * nz;
        double oz = x * ny - y * nx;
        largest = Math.max(largest, (ox * ox + oy * oy + oz * oz) / (sine * sine));
      }
    }
    warp = ArcTangent.degrees(Math.sqrt(largest), 1);
    return turns;
  }

  /** Once the turns were asked for. */
  double warp() {
    return warp;
  }
}
