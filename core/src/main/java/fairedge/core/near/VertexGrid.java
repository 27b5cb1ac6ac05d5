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

  /** Cells side by side along the first axis have buckets side by side in memory. */
  private int bucket(long x, long y, long z) {
    long row = (y * 0xBF58476D1CE4E5B9L ^ z) * 0x94D049BB133111EBL;
    return (int) (x + (row >>> 24)) & mask;
  }

  /**
   * Tells later vertices that may lie within a distance of a vertex, all that do among them; one
   * may be told twice.
   *
   * @param distance no more than the least width of the cells
   */
  public void nearVertex(int v, double distance, IntConsumer told) {
    double px = mesh.x(v);
    double py = mesh.y(v);
    double pz = mesh.z(v);
    long highX = cell(px + distance);
    long highY = cell(py + distance);
    long highZ = cell(pz + distance);
    for (long x = cell(px - distance); x <= highX; x++) {
      for (long y = cell(py - distance); y <= highY; y++) {
        for (long z = cell(pz - distance); z <= highZ; z++) {
          int bucket = bucket(x, y, z);
          for (int i = starts[bucket + 1] - 1; i >= starts[bucket] && items[i] > v; i--) {
            int w = items[i];
            if (Math.abs(mesh.x(w) - px) <= distance
                && Math.abs(mesh.y(w) - py) <= distance
                && Math.abs(mesh.z(w) - pz) <= distance) {
              told.accept(w);
            }
          }
        }
      }
    }
  }

  /**
   * Tells vertices that may lie within a distance of an edge and are no ends of it, all that do
   * among them; one may be told more than once. Long edges are gone along piece by piece.
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
    Box box = new Box();
    for (int i = 0; i < pieces; i++) {
      double s = (double) i / pieces;
      double t = (double) (i + 1) / pieces;
      box.lowX = ax + Math.min(s * dx, t * dx) - distance;
      box.highX = ax + Math.max(s * dx, t * dx) + distance;
      box.lowY = ay + Math.min(s * dy, t * dy) - distance;
      box.highY = ay + Math.max(s * dy, t * dy) + distance;
      box.lowZ = az + Math.min(s * dz, t * dz) - distance;
      box.highZ = az + Math.max(s * dz, t * dz) + distance;
      inBox(box, e, distance, told);
    }
  }

  /** A box as it is filled anew for each piece of an edge. */
  private static final class Box {
    private double lowX;
    private double lowY;
    private double lowZ;
    private double highX;
    private double highY;
    private double highZ;
  }

  private void inBox(Box box, int e, double distance, IntConsumer told) {
    long highX = cell(box.highX);
    long highY = cell(box.highY);
    long highZ = cell(box.highZ);
    long lowY = cell(box.lowY);
    long lowZ = cell(box.lowZ);
    for (long x = cell(box.lowX); x <= highX; x++) {
      for (long y = lowY; y <= highY; y++) {
        for (long z = lowZ; z <= highZ; z++) {
          inBucket(bucket(x, y, z), box, e, distance, told);
        }
      }
    }
  }

  private void inBucket(int bucket, Box box, int e, double distance, IntConsumer told) {
    // A little more than the square: what is near is told by the distance itself.
    double limit = 1.0001 * distance * distance;
    int end = starts[bucket + 1];
    for (int i = starts[bucket]; i < end; i++) {
      int v = items[i];
      double x = mesh.x(v);
      double y = mesh.y(v);
      if (x < box.lowX || x > box.highX || y < box.lowY || y > box.highY) {
        continue;
      }
      double z = mesh.z(v);
      if (z >= box.lowZ
          && z <= box.highZ
          && v != mesh.first(e)
          && v != mesh.second(e)
          && mesh.squaredDistance(e, v) <= limit) {
        told.accept(v);
      }
    }
  }
}
