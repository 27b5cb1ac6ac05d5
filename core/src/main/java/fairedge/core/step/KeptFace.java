package fairedge.core.step;

import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;
import java.util.function.IntFunction;
import java.util.function.IntPredicate;

/** Whether a face was left as it was, but for corners that came to lie on its sides. */
final class KeptFace {
  private KeptFace() {}

  /**
   * Cost: the corners of the face.
   *
   * @param before its corners as it was
   * @param stays whether a vertex of those lies where it lay
   * @param place where one lay
   * @param near how far from a side a new corner may lie
   */
  static boolean isKept(
      Mesh mesh, int f, int[] before, IntPredicate stays, IntFunction<Vec3> place, double near) {
    if (!mesh.hasFace(f)) {
      return false;
    }
    int[] now = mesh.vertices(f);
    int start = 0;
    while (start < now.length && now[start] != before[0]) {
      start++;
    }
    if (start == now.length) {
      return false;
    }
    int corner = 0;
    for (int i = 0; i < now.length; i++) {
      int v = now[(start + i) % now.length];
      if (corner < before.length && v == before[corner]) {
        if (!stays.test(v)) {
          return false;
        }
        corner++;
      } else {
        Vec3 a = place.apply(before[corner - 1]);
        Vec3 b = place.apply(before[corner % before.length]);
        if (mesh.position(v).distanceToSegment(a, b) > near) {
          return false;
        }
      }
    }
    return corner == before.length;
  }
}
