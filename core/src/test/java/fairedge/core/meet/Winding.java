package fairedge.core.meet;

import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;

/**
 * How often a closed mesh goes round a place, by the solid angles of its faces (Van Oosterom and
 * Strackee, "The solid angle of a plane triangle", 1983): another way than the core's to tell what
 * is inside.
 */
final class Winding {
  private static final double UNSURE = 1e-3;

  private Winding() {}

  /** Null where the place lies so near the mesh that it can't be told. */
  static Integer of(Mesh mesh, Vec3 p) {
    double sum = 0;
    for (int f = 0; f < mesh.faceEnd(); f++) {
      if (mesh.hasFace(f)) {
        int[] ring = mesh.vertices(f);
        int[] triangles = mesh.polygon(f).triangles();
        for (int i = 0; i < triangles.length; i += 3) {
          sum +=
              angle(
                  mesh.position(ring[triangles[i]]).minus(p),
                  mesh.position(ring[triangles[i + 1]]).minus(p),
                  mesh.position(ring[triangles[i + 2]]).minus(p));
        }
      }
    }
    double times = sum / (4 * Math.PI);
    long whole = Math.round(times);
    return Math.abs(times - whole) > UNSURE ? null : (int) whole;
  }

  private static double angle(Vec3 a, Vec3 b, Vec3 c) {
    double la = a.length();
    double lb = b.length();
    double lc = c.length();
    double up = a.dot(b.cross(c));
    double down = la * lb * lc + a.dot(b) * lc + b.dot(c) * la + c.dot(a) * lb;
    return 2 * Math.atan2(up, down);
  }
}
