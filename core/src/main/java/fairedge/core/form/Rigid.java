package fairedge.core.form;

import fairedge.core.geometry.Vec3;

/**
 * A motion that keeps all lengths: turned, then moved.
 *
 * @param x where the first axis comes to point
 * @param y where the second does
 * @param z where the third does
 * @param by where the origin comes to lie
 */
record Rigid(Vec3 x, Vec3 y, Vec3 z, Vec3 by) {
  static final Rigid NONE =
      new Rigid(new Vec3(1, 0, 0), new Vec3(0, 1, 0), new Vec3(0, 0, 1), Vec3.ZERO);

  /** About a line, to the left as its direction points at the eye. */
  static Rigid about(Vec3 place, Vec3 unit, double degrees) {
    if (degrees == 0) {
      return NONE;
    }
    Vec3 x = NONE.x.turned(unit, degrees);
    Vec3 y = NONE.y.turned(unit, degrees);
    Vec3 z = NONE.z.turned(unit, degrees);
    return new Rigid(x, y, z, place.minus(place.turned(unit, degrees)));
  }

  Vec3 turned(Vec3 v) {
    return x.times(v.x()).plus(y.times(v.y())).plus(z.times(v.z()));
  }

  Vec3 place(Vec3 p) {
    return equals(NONE) ? p : turned(p).plus(by);
  }

  /** This one after another. */
  Rigid after(Rigid first) {
    return new Rigid(turned(first.x), turned(first.y), turned(first.z), turned(first.by).plus(by));
  }
}
