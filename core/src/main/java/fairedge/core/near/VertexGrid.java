package fairedge.core.near;

import fairedge.core.mesh.Mesh;
import java.util.Arrays;
import java.util.function.IntConsumer;
import java.util.stream.IntStream;

/**
 * The vertices of a mesh in a grid whose cells are twice as wide as its edges are long on average,
 * so that few lie in one, and all edges together pass few more cells than there are edges. Cells
 * share buckets by their hash. Fixed once made. Cost to make: the vertices and the edges, on all
 * processors; of a question what lies in the cells it meets. About 12 bytes a vertex.
 */
public final class VertexGrid {
  private static final int BLOCK = 1 << 14;

  /**
   * Where so many lie in one bucket on average, seen from each, it is better searched otherwise.
   */
  private static final int CROWDED = 48;

  /** With longer edges no grid is made use of. */
  private static final double BEYOND = 1e100;

  /** No cell is told from its neighbours so far out. */
  private static final double FAR = 0x1p52;

  private final Mesh mesh;
  private final double width;
  private final int mask;
  private final int[] starts;
  private final int[] items;
  private final boolean isCrowded;

  /**
   * Of the vertices that have a place.
   *
   * @param least how wide cells are at least; positive
   */
  public VertexGrid(Mesh mesh, double least) {
    this.mesh = mesh;
    double mean = meanLength(mesh);
    width = mean < BEYOND ? Math.max(least, 2 * mean) : least;
    mask = Integer.highestOneBit(Math.max(1, mesh.vertexCount())) * 2 - 1;
    int[] bucketOf = new int[mesh.vertexEnd()];
    blocks(mesh.vertexEnd())
        .forEach(block -> {
          for (int v = block * BLOCK; v < Math.min(bucketOf.length, (block + 1) * BLOCK); v++) {
            bucketOf[v] = isPlaced(v) ? bucketAt(mesh.x(v), mesh.y(v), mesh.z(v)) : Mesh.NONE;
          }
        });
    starts = new int[mask + 2];
    for (int bucket : bucketOf) {
      if (bucket != Mesh.NONE) {
        starts[bucket + 1]++;
      }
    }
    long looks = 0;
    for (int i = 0; i <= mask; i++) {
      looks += (long) starts[i + 1] * starts[i + 1];
      starts[i + 1] += starts[i];
    }
    items = new int[starts[mask + 1]];
    isCrowded = looks > (long) CROWDED * items.length || !(mean < BEYOND);
    int[] filled = Arrays.copyOf(starts, mask + 1);
    for (int v = 0; v < bucketOf.length; v++) {
      if (bucketOf[v] != Mesh.NONE) {
        items[filled[bucketOf[v]]++] = v;
      }
    }
  }

  private static IntStream blocks(int end) {
    return IntStream.range(0, (end + BLOCK - 1) / BLOCK).parallel();
  }

  private boolean isPlaced(int v) {
    return mesh.hasVertex(v) && mesh.hasPlace(v);
  }

  /** Of the edges whose length is a number; infinite where one is too long for that. */
  private static double meanLength(Mesh mesh) {
    double[] sums = new double[(mesh.edgeEnd() + BLOCK - 1) / BLOCK];
    blocks(mesh.edgeEnd())
        .forEach(block -> {
          for (int e = block * BLOCK; e < Math.min(mesh.edgeEnd(), (block + 1) * BLOCK); e++) {
            double length = mesh.hasEdge(e) ? lengthOf(mesh, e) : 0;
            sums[block] += Double.isNaN(length) ? 0 : length;
          }
        });
    return Arrays.stream(sums).sum() / Math.max(1, mesh.edgeCount());
  }

  private static double lengthOf(Mesh mesh, int e) {
    double x = mesh.x(mesh.second(e)) - mesh.x(mesh.first(e));
    double y = mesh.y(mesh.second(e)) - mesh.y(mesh.first(e));
    double z = mesh.z(mesh.second(e)) - mesh.z(mesh.first(e));
    return Math.sqrt(x * x + y * y + z * z);
  }

  /** Whether vertices crowd in few cells: then questions would take too many looks. */
  public boolean isCrowded() {
    return isCrowded;
  }

  private int bucketAt(double x, double y, double z) {
    return bucket(cell(x), cell(y), cell(z));
  }

  private long cell(double at) {
    return (long) Math.clamp(Math.floor(at / width), -FAR, FAR);
  }

  private int bucket(long x, long y, long z) {
    long h = x * 0xBF58476D1CE4E5B9L;
    h = (h ^ h >>> 29 ^ y) * 0x94D049BB133111EBL;
    h = (h ^ h >>> 31 ^ z) * 0x9E3779B97F4A7C15L;
    return (int) (h >>> 33) & mask;
  }

  /** Tells vertices of the buckets of a box's cells. */
  private void inBox(
      double ax, double ay, double az, double bx, double by, double bz, IntConsumer told) {
    long lowX = cell(ax);
    long lowY = cell(ay);
    long lowZ = cell(az);
    long highX = cell(bx);
    long highY = cell(by);
    long highZ = cell(bz);
    for (long x = lowX; x <= highX; x++) {
      for (long y = lowY; y <= highY; y++) {
        for (long z = lowZ; z <= highZ; z++) {
          int bucket = bucket(x, y, z);
          for (int i = starts[bucket]; i < starts[bucket + 1]; i++) {
            told.accept(items[i]);
          }
        }
      }
    }
  }

  /**
   * Tells vertices that may lie within a distance of a vertex, all that do among them; one may be
   * told twice.
   *
   * @param distance no more than the least width of the cells
   */
  public void nearVertex(int v, double distance, IntConsumer told) {
    double x = mesh.x(v);
    double y = mesh.y(v);
    double z = mesh.z(v);
    inBox(x - distance, y - distance, z - distance, x + distance, y + distance, z + distance, told);
  }

  /**
   * Tells vertices that may lie within a distance of an edge, all that do among them; one may be
   * told more than once. Long edges are gone along piece by piece.
   *
   * @param e both of whose ends have places
   * @param distance no more than the least width of the cells
   */
  public void nearEdge(int e, double distance, IntConsumer told) {
    int a = mesh.first(e);
    int b = mesh.second(e);
    double ax = mesh.x(a);
    double ay = mesh.y(a);
    double az = mesh.z(a);
    double dx = mesh.x(b) - ax;
    double dy = mesh.y(b) - ay;
    double dz = mesh.z(b) - az;
    double longest = Math.max(Math.abs(dx), Math.max(Math.abs(dy), Math.abs(dz)));
    int pieces = (int) Math.max(1, Math.ceil(longest / width));
    for (int i = 0; i < pieces; i++) {
      double s = (double) i / pieces;
      double t = (double) (i + 1) / pieces;
      inBox(
          ax + Math.min(s * dx, t * dx) - distance,
          ay + Math.min(s * dy, t * dy) - distance,
          az + Math.min(s * dz, t * dz) - distance,
          ax + Math.max(s * dx, t * dx) + distance,
          ay + Math.max(s * dy, t * dy) + distance,
          az + Math.max(s * dz, t * dz) + distance,
          told);
    }
  }
}
