package fairedge.core.form;

import fairedge.core.geometry.Vec3;

/** Whether sides of a ring that don't follow each other touch, as seen along a normal. */
final class Touching {
  /** What lies nearer to a line than this share of the lengths lies on it. */
  private static final double ON = 1e-12;

  private Touching() {}

  /** Cost: the square of the corners. */
  static boolean any(Vec3[] round, Vec3 normal) {
    int n = round.length;
    for (int i = 0; i < n; i++) {
      for (int k = i + 2; k < n; k++) {
        if ((k + 1) % n != i
            && touch(round[i], round[(i + 1) % n], round[k], round[(k + 1) % n], normal)) {
          return true;
        }
      }
    }
    return false;
  }

  private static boolean touch(Vec3 a, Vec3 b, Vec3 c, Vec3 d, Vec3 normal) {
    int ofC = side(a, b, c, normal);
    int ofD = side(a, b, d, normal);
    int ofA = side(c, d, a, normal);
    int ofB = side(c, d, b, normal);
    if (ofC * ofD < 0 && ofA * ofB < 0) {
      return true;
    }
    return ofC == 0 && isWithin(a, b, c)
        || ofD == 0 && isWithin(a, b, d)
        || ofA == 0 && isWithin(c, d, a)
        || ofB == 0 && isWithin(c, d, b);
  }

  /** On which side of a line a place lies; 0 on it. */
  private static int side(Vec3 a, Vec3 b, Vec3 p, Vec3 normal) {
    Vec3 along = b.minus(a);
    Vec3 to = p.minus(a);
    double twice = along.cross(to).dot(normal);
    double scale = along.dot(along) + to.dot(to);
    return Math.abs(twice) <= ON * scale ? 0 : (int) Math.signum(twice);
  }

  /** Whether a place on a line lies between two on it. */
  private static boolean isWithin(Vec3 a, Vec3 b, Vec3 p) {
    Vec3 along = b.minus(a);
    double t = p.minus(a).dot(along);
    return t >= 0 && t <= along.dot(along);
  }
}
