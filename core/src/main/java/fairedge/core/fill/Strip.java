package fairedge.core.fill;

import fairedge.core.local.MeshEdit;
import fairedge.core.local.Pruning;
import fairedge.core.mesh.Mesh;

/** Joins two runs of vertices, or two rings, by a strip of quads. Cost: their length. */
public final class Strip {
  private Strip() {}

  /**
   * Between two rings of equal length, both as the new faces shall run: of all ways to turn one
   * against the other that whose quads have the shortest sides. Cost: the square of the length.
   *
   * @param like a face whose label the quads get, or {@link Mesh#NONE}
   */
  public static void betweenRings(MeshEdit edit, int[] ring, int[] other, int like) {
    Mesh mesh = edit.mesh();
    int n = ring.length;
    int offset = 0;
    double least = Double.POSITIVE_INFINITY;
    for (int s = 0; s < n; s++) {
      double sum = 0;
      for (int i = 0; i < n && sum < least; i++) {
        int across = other[Math.floorMod(s - i, n)];
        sum += mesh.position(ring[i]).distance(mesh.position(across));
      }
      if (sum < least) {
        least = sum;
        offset = s;
      }
    }
    for (int i = 0; i < n; i++) {
      quad(
          edit, ring[i], ring[(i + 1) % n], at(other, offset - i - 1), at(other, offset - i), like);
    }
  }

  /** Between two open runs of equal length, both as the new faces shall run. */
  public static void betweenRuns(MeshEdit edit, int[] run, int[] other, int like) {
    int last = run.length - 1;
    for (int i = 0; i < last; i++) {
      quad(edit, run[i], run[i + 1], other[last - i - 1], other[last - i], like);
    }
  }

  private static int at(int[] ring, int i) {
    return ring[Math.floorMod(i, ring.length)];
  }

  private static void quad(MeshEdit edit, int a, int b, int c, int d, int like) {
    Pruning.layFace(edit, new int[] {a, b, c, d}, like);
  }
}
