package fairedge.core.meet;

import fairedge.core.geometry.Predicates;
import fairedge.core.geometry.Vec3;

/**
 * Whether a place lies inside a closed skin: by how often a ray along the first axis leaves it,
 * less how often it comes in. All by exact signs; where the ray meets a side or a corner, the place
 * counts as moved by a hair that is smaller than any number (Edelsbrunner and M\u00fccke,
 * "Simulation of simplicity", 1990). Cost: the triangles.
 */
final class Inside {
  private final Skin skin;

  Inside(Skin skin) {
    this.skin = skin;
  }

  /** 1 inside, -1 outside, 0 on the skin. */
  int of(Vec3 p) {
    int leaves = 0;
    for (int t = 0; t < skin.count(); t++) {
      Vec3 a = skin.place(t, 0);
      Vec3 b = skin.place(t, 1);
      Vec3 c = skin.place(t, 2);
      int turn = turn(a, b, p);
      if (turn != 0 && turn(b, c, p) == turn && turn(c, a, p) == turn) {
        int side = Predicates.side(a, b, c, p);
        leaves += side * turn < 0 ? turn : 0;
      }
      if (isIn(a, b, c, p)) {
        return 0;
      }
    }
    return leaves > 0 ? 1 : -1;
  }

  /** Which way a, b and the place turn as seen along the axis, the place moved by a hair. */
  private static int turn(Vec3 a, Vec3 b, Vec3 p) {
    int turn = Predicates.turn(a.y(), a.z(), b.y(), b.z(), p.y(), p.z());
    if (turn != 0) {
      return turn;
    }
    return a.z() != b.z() ? a.z() > b.z() ? 1 : -1 : Double.compare(b.y(), a.y());
  }

  /** Whether a place lies on a triangle. */
  private static boolean isIn(Vec3 a, Vec3 b, Vec3 c, Vec3 p) {
    for (int axis = 0; axis < 3; axis++) {
      double q = p.along(axis);
      if (q < Math.min(a.along(axis), Math.min(b.along(axis), c.along(axis)))
          || q > Math.max(a.along(axis), Math.max(b.along(axis), c.along(axis)))) {
        return false;
      }
    }
    return Predicates.side(a, b, c, p) == 0 && isBetween(a, b, c, p);
  }

  private static boolean isBetween(Vec3 a, Vec3 b, Vec3 c, Vec3 p) {
    for (int axis = 0; axis < 3; axis++) {
      int one = flat(a, b, p, axis);
      int two = flat(b, c, p, axis);
      int three = flat(c, a, p, axis);
      if (Math.min(one, Math.min(two, three)) < 0 && Math.max(one, Math.max(two, three)) > 0) {
        return false;
      }
    }
    return true;
  }

  private static int flat(Vec3 a, Vec3 b, Vec3 c, int axis) {
    int u = (axis + 1) % 3;
    int v = (axis + 2) % 3;
    return Predicates.turn(a.along(u), a.along(v), b.along(u), b.along(v), c.along(u), c.along(v));
  }
}
