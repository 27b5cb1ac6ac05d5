package fairedge.picture;

import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;

/**
 * As an eye sees it, with the angle of view that mesh views have.
 *
 * @param focal pixels from the eye to the picture
 * @param near nothing nearer than this is drawn; more than 0
 */
record Perspective(
    Side side, Vec3 eye, double focal, double distance, double near, double middleX, double middleY)
    implements Projection {
  /** From the lower border of the picture to the upper one, in degrees. */
  private static final double ANGLE = 32;

  /** What lies nearer to the eye than this share of the farthest is cut off. */
  private static final double NEAREST = 1e-3;

  /** By how much nearer something comes that is lifted: the eye stands some depths away. */
  private static final double LIFT = 0.66;

  /** So near to the vertical there is no right and left. */
  private static final double UPRIGHT = 1e-9;

  static Perspective of(Mesh mesh, PictureView.From view, double width, double height) {
    Vec3 away = view.eye().minus(view.target());
    Vec3 towards = away.unit();
    Vec3 flat = new Vec3(-towards.y(), towards.x(), 0);
    Vec3 right = flat.length() > UPRIGHT ? flat.unit() : new Vec3(1, 0, 0);
    Side side = new Side(right, towards.cross(right), towards);
    double nearest = Double.MAX_VALUE;
    double farthest = away.length();
    for (int v = 0; v < mesh.vertexEnd(); v++) {
      if (mesh.hasVertex(v) && mesh.hasPlace(v) && mesh.isInFace(v)) {
        double z = view.eye().minus(mesh.position(v)).dot(towards);
        nearest = Math.min(nearest, z);
        farthest = Math.max(farthest, z);
      }
    }
    double focal = 0.5 * height / StrictMath.tan(StrictMath.toRadians(ANGLE / 2));
    return new Perspective(
        side,
        view.eye(),
        focal,
        away.length(),
        Math.max(0.999 * nearest, NEAREST * farthest),
        0.5 * width,
        0.5 * height);
  }

  @Override
  public double scale() {
    return focal / distance;
  }

  private double z(Vec3 p) {
    return eye.minus(p).dot(side.towards());
  }

  @Override
  public boolean isAhead(Vec3 p) {
    return z(p) >= near;
  }

  @Override
  public double[] at(Vec3 p) {
    return at(p, z(p));
  }

  @Override
  public double[] lifted(Vec3 p, double share) {
    double z = z(p);
    double[] at = at(p, z);
    at[2] = 1 - near / (z * (1 - LIFT * share));
    return at;
  }

  /** The depth is one that runs straight between places on the picture. */
  private double[] at(Vec3 p, double z) {
    Vec3 d = p.minus(eye);
    double grows = focal / z;
    return new double[] {
      middleX + grows * d.dot(side.right()), middleY - grows * d.dot(side.up()), 1 - near / z
    };
  }

  @Override
  public boolean sees(Vec3 place, Vec3 normal) {
    return normal.dot(eye.minus(place)) > 0;
  }

  @Override
  public Vec3[] ahead(Vec3 a, Vec3 b, Vec3 c) {
    Vec3[] all = {a, b, c};
    if (isAhead(a) && isAhead(b) && isAhead(c)) {
      return all;
    }
    // Sutherland and Hodgman (1974), against the one plane before the eye: up to four corners stay.
    Vec3[] left = new Vec3[4];
    int count = 0;
    for (int i = 0; i < all.length; i++) {
      Vec3 p = all[i];
      Vec3 q = all[(i + 1) % all.length];
      if (isAhead(p)) {
        left[count++] = p;
      }
      if (isAhead(p) != isAhead(q)) {
        left[count++] = onNear(p, q);
      }
    }
    return switch (count) {
      case 3 -> new Vec3[] {left[0], left[1], left[2]};
      case 4 -> new Vec3[] {left[0], left[1], left[2], left[0], left[2], left[3]};
      default -> new Vec3[0];
    };
  }

  @Override
  public Vec3 onNear(Vec3 p, Vec3 q) {
    double zp = z(p);
    return p.towards(q, (near - zp) / (z(q) - zp));
  }
}
