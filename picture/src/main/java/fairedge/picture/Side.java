package fairedge.picture;

import fairedge.core.geometry.Vec3;

/**
 * From where a model is looked at, as axes of the picture: rightwards, upwards, and towards the
 * eye; z is up in the model.
 */
record Side(Vec3 right, Vec3 up, Vec3 towards) {
  /** That of a mesh view when it opens: a little from the left of the front, from above. */
  static final Side STANDARD = of(-28, 27);

  /**
   * @param azimuth from the front (-y) in degrees
   * @param elevation above the ground in degrees, under 90
   */
  static Side of(double azimuth, double elevation) {
    double a = StrictMath.toRadians(azimuth);
    double e = StrictMath.toRadians(elevation);
    double flat = StrictMath.cos(e);
    Vec3 towards = new Vec3(StrictMath.sin(a) * flat, -StrictMath.cos(a) * flat, StrictMath.sin(e));
    Vec3 right = new Vec3(StrictMath.cos(a), StrictMath.sin(a), 0);
    return new Side(right, towards.cross(right), towards);
  }
}
