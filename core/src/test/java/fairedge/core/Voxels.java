package fairedge.core;

import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.MeshBuilder;
import java.util.HashMap;
import java.util.Map;

/** Solids of little boxes, of which everything is known by counting. */
public final class Voxels {
  private static final int[][] SIDES = {
    {-1, 0, 0}, {1, 0, 0}, {0, -1, 0}, {0, 1, 0}, {0, 0, -1}, {0, 0, 1}
  };

  /** The corners of a side, as they wind seen from outside. */
  private static final int[][] CORNERS = {
    {0, 4, 6, 2}, {1, 3, 7, 5}, {0, 1, 5, 4}, {2, 6, 7, 3}, {0, 2, 3, 1}, {4, 5, 7, 6}
  };

  private final boolean[][][] filled;
  private final double height;

  /** Whether there is a box. */
  public interface At {
    boolean at(int x, int y, int z);
  }

  private Voxels(boolean[][][] filled, double height) {
    this.filled = filled;
    this.height = height;
  }

  public static Voxels of(int w, int d, int h, At at) {
    boolean[][][] filled = new boolean[w][d][h];
    for (int x = 0; x < w; x++) {
      for (int y = 0; y < d; y++) {
        for (int z = 0; z < h; z++) {
          filled[x][y][z] = at.at(x, y, z);
        }
      }
    }
    return new Voxels(filled, 1);
  }

  /** The boxes of half the height that are asked for. */
  public Voxels halved(At at) {
    Voxels halves =
        of(
            filled.length,
            filled[0].length,
            2 * filled[0][0].length,
            (x, y, z) -> filled[x][y][z / 2] && at.at(x, y, z));
    return new Voxels(halves.filled, height / 2);
  }

  private boolean has(int x, int y, int z) {
    return x >= 0
        && y >= 0
        && z >= 0
        && x < filled.length
        && y < filled[0].length
        && z < filled[0][0].length
        && filled[x][y][z];
  }

  /** What is told of each side of a box that is seen. */
  private interface Seen {
    void side(int x, int y, int z, int side);
  }

  private void seen(Seen told) {
    for (int x = 0; x < filled.length; x++) {
      for (int y = 0; y < filled[0].length; y++) {
        for (int z = 0; z < filled[0][0].length; z++) {
          for (int s = 0; has(x, y, z) && s < SIDES.length; s++) {
            if (!has(x + SIDES[s][0], y + SIDES[s][1], z + SIDES[s][2])) {
              told.side(x, y, z, s);
            }
          }
        }
      }
    }
  }

  public int count() {
    int[] count = new int[1];
    for (boolean[][] plane : filled) {
      for (boolean[] row : plane) {
        for (boolean one : row) {
          count[0] += one ? 1 : 0;
        }
      }
    }
    return count[0];
  }

  public double volume() {
    return count() * height;
  }

  public double surface() {
    double[] sum = new double[1];
    seen((x, y, z, side) -> sum[0] += side < 4 ? height : 1);
    return sum[0];
  }

  /** Its surface: a quad for each side that is seen. */
  public Mesh mesh() {
    MeshBuilder builder = new MeshBuilder();
    Map<Vec3, Integer> ids = new HashMap<>();
    seen((x, y, z, side) -> {
      int[] ring = new int[4];
      for (int i = 0; i < 4; i++) {
        int c = CORNERS[side][i];
        Vec3 at = new Vec3(x + (c & 1), y + (c >> 1 & 1), height * (z + (c >> 2)));
        ring[i] = ids.computeIfAbsent(at, p -> builder.vertex(p));
      }
      builder.face(ring);
    });
    return builder.build();
  }

  /** Whether its surface meets itself in no edge and no vertex. */
  public boolean isManifold() {
    if (count() == 0) {
      return false;
    }
    Mesh mesh = mesh();
    for (int e = 0; e < mesh.edgeEnd(); e++) {
      if (!mesh.isTwoSided(e)) {
        return false;
      }
    }
    for (int v = 0; v < mesh.vertexEnd(); v++) {
      if (mesh.edgesAt(v).length > 6) {
        return false;
      }
    }
    return true;
  }

  /** By the divergence of places: of a closed surface that is wound alike. */
  public static double volume(Mesh mesh) {
    double three = 0;
    for (int f = 0; f < mesh.faceEnd(); f++) {
      if (mesh.hasFace(f)) {
        three += mesh.position(mesh.vertices(f)[0]).dot(mesh.polygon(f).newell());
      }
    }
    return three / 3;
  }
}
