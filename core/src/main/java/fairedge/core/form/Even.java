package fairedge.core.form;

import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;

/**
 * The shortest move of a point that takes some planes through it along by given distances; least
 * squares where that can't be. Sums are kept, so that planes may come one after the other.
 *
 * <p>The sums' matrix is symmetric; its directions are found by Jacobi's rotations ("Über ein
 * leichtes Verfahren ...", 1846). A direction that the planes hardly tell of is left alone: of all
 * moves that do as well, the shortest.
 */
public final class Even {
  /** A direction of which the planes tell less than this share of all is left alone. */
  private static final double TOLD = 1e-10;

  private static final int SWEEPS = 24;

  /** Where planes meet sharply a vertex goes no further than this many times what they do. */
  public static final double FARTHEST = 4;

  /** A corner counts as no narrower than this, in degrees. */
  private static final double NARROW = 1e-3;

  private final double[][] sums = new double[3][3];
  private final double[] right = new double[3];

  /**
   * A plane.
   *
   * @param normal of unit length
   * @param by how far along it the plane moves
   * @param weight more than 0
   */
  void plane(Vec3 normal, double by, double weight) {
    double[] n = {normal.x(), normal.y(), normal.z()};
    for (int i = 0; i < 3; i++) {
      for (int k = 0; k < 3; k++) {
        sums[i][k] += weight * n[i] * n[k];
      }
      right[i] += weight * by * n[i];
    }
  }

  /** The plane of the face of a corner, by the corner's angle. */
  public void corner(Mesh mesh, int c, double by) {
    Vec3 at = mesh.position(mesh.vertexOf(c));
    Vec3 onwards = mesh.position(mesh.vertexOf(mesh.next(c))).minus(at);
    Vec3 back = mesh.position(mesh.vertexOf(mesh.previous(c))).minus(at);
    Vec3 normal = mesh.polygon(mesh.faceOf(c)).newell().unit();
    plane(normal, by, Math.max(onwards.angleTo(back), NARROW));
  }

  public Vec3 move() {
    double[][] a = {sums[0].clone(), sums[1].clone(), sums[2].clone()};
    double[][] ways = {{1, 0, 0}, {0, 1, 0}, {0, 0, 1}};
    for (int sweep = 0; sweep < SWEEPS; sweep++) {
      rotate(a, ways, 0, 1);
      rotate(a, ways, 0, 2);
      rotate(a, ways, 1, 2);
    }
    double all = Math.max(a[0][0], Math.max(a[1][1], a[2][2]));
    Vec3 sum = Vec3.ZERO;
    for (int i = 0; i < 3; i++) {
      if (a[i][i] > TOLD * all) {
        Vec3 way = new Vec3(ways[0][i], ways[1][i], ways[2][i]);
        double along = way.dot(new Vec3(right[0], right[1], right[2])) / a[i][i];
        sum = sum.plus(way.times(along));
      }
    }
    return sum;
  }

  /** Turns two directions so that they tell nothing of each other. */
  private static void rotate(double[][] a, double[][] ways, int p, int q) {
    if (a[p][q] == 0) {
      return;
    }
    double theta = (a[q][q] - a[p][p]) / (2 * a[p][q]);
    double t = Math.copySign(1, theta) / (Math.abs(theta) + Math.sqrt(theta * theta + 1));
    double c = 1 / Math.sqrt(t * t + 1);
    double s = t * c;
    for (int k = 0; k < 3; k++) {
      double kp = a[k][p];
      double kq = a[k][q];
      a[k][p] = c * kp - s * kq;
      a[k][q] = s * kp + c * kq;
    }
    for (int k = 0; k < 3; k++) {
      double pk = a[p][k];
      double qk = a[q][k];
      a[p][k] = c * pk - s * qk;
      a[q][k] = s * pk + c * qk;
      double wp = ways[k][p];
      double wq = ways[k][q];
      ways[k][p] = c * wp - s * wq;
      ways[k][q] = s * wp + c * wq;
    }
  }
}
