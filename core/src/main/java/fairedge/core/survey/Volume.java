package fairedge.core.survey;

import fairedge.core.geometry.Bounds;
import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;

/**
 * The volume that closed faces hold, positive where they show their fronts.
 *
 * @param cubed in the cube of the unit
 * @param isKnown whether it is more than rounding may make of nothing; faces without an inside, as
 *     two that lie upon each other, hold none
 */
public record Volume(double cubed, boolean isKnown) {
  /** Of what was added up, so much may be rounding. */
  private static final double ROUNDING = 1e-12;

  /**
   * Sum of the tetrahedra from the centre of the faces' box to the fans of their first corners.
   * Faces with a corner without place are left out. Cost: their corners.
   */
  public static Volume of(Mesh mesh, int[] faces) {
    Bounds bounds = Bounds.EMPTY;
    for (int f : faces) {
      for (int v : mesh.vertices(f)) {
        bounds = mesh.hasPlace(v) ? bounds.with(mesh.position(v)) : bounds;
      }
    }
    Vec3 centre = bounds.centre();
    double sum = 0;
    double size = 0;
    for (int f : faces) {
      if (mesh.isMeasurable(f)) {
        int[] corners = mesh.vertices(f);
        Vec3 first = mesh.position(corners[0]).minus(centre);
        for (int i = 1; i + 1 < corners.length; i++) {
          Vec3 a = mesh.position(corners[i]).minus(centre);
          Vec3 b = mesh.position(corners[i + 1]).minus(centre);
          sum += first.dot(a.cross(b));
          size += first.length() * a.length() * b.length();
        }
      }
    }
    return new Volume(sum / 6, Math.abs(sum) > ROUNDING * size);
  }
}
