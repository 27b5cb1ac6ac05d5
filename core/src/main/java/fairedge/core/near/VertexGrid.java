package fairedge.core.near;

import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.Runs;
import java.util.Arrays;
import java.util.concurrent.atomic.AtomicBoolean;

/**
 * The vertices of a mesh in a grid whose cells are twice as wide as its edges are long on average,
 * so that few lie in one, and all edges together pass few more cells than there are edges. Cells
 * share buckets by their hash. Fixed once made. Cost to make: the vertices and the edges, on all
 * processors; of a question what lies in the cells it meets. About 12 bytes a vertex.
 */
public final class VertexGrid {
  /**
   * Where so many lie in one bucket on average, seen from each, it is better searched otherwise.
   */
  private static final int CROWDED = 48;

  /** With longer edges no grid is made use of. */
  private static final double BEYOND = 1e100;

  /** Nor with vertices so many cells away from the origin: they are counted by integers. */
  private static final double FAR = 0x1p30;

  private final Mesh mesh;
  private final double width;
  private final double perWidth;
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
    perWidth = 1 / width;
    mask = Integer.highestOneBit(Math.max(1, mesh.vertexCount())) * 2 - 1;
    int[] bucketOf = new int[mesh.vertexEnd()];
    AtomicBoolean isFar = new AtomicBoolean();
    Runs.each(
        bucketOf.length,
        (from, to) -> {
          for (int v = from; v < to; v++) {
            bucketOf[v] = isPlaced(v) ? bucketAt(mesh.x(v), mesh.y(v), mesh.z(v)) : Mesh.NONE;
            if (isPlaced(v) && !isInReach(v)) {
              isFar.setPlain(true);
            }
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
    isCrowded = looks > (long) CROWDED * items.length || !(mean < BEYOND) || isFar.get();
    int[] filled = Arrays.copyOf(starts, mask + 1);
    for (int v = 0; v < bucketOf.length; v++) {
      if (bucketOf[v] != Mesh.NONE) {
        items[filled[bucketOf[v]]++] = v;
      }
    }
  }

  private boolean isInReach(int v) {
    return Math.abs(mesh.x(v)) * perWidth < FAR
        && Math.abs(mesh.y(v)) * perWidth < FAR
        && Math.abs(mesh.z(v)) * perWidth < FAR;
  }

  private boolean isPlaced(int v) {
    return mesh.hasVertex(v) && mesh.hasPlace(v);
  }

  /** Of the edges whose length is a number; infinite where one is too long for that. */
  private static double meanLength(Mesh mesh) {
    double[] sums = new double[Runs.count(mesh.edgeEnd())];
    Runs.each(
        mesh.edgeEnd(),
        (from, to) -> {
          double sum = 0;
          for (int e = from; e < to; e++) {
            double length = mesh.hasEdge(e) ? Math.sqrt(mesh.squaredLength(e)) : 0;
            sum += Double.isNaN(length) ? 0 : length;
          }
          sums[Runs.numberOf(from)] = sum;
        });
    return Arrays.stream(sums).sum() / Math.max(1, mesh.edgeCount());
  }

  /**
   * Whether vertices crowd in few cells, so that questions would take too many looks, or lie so far
   * out that cells can't be told apart: then none is to be asked.
   */
  public boolean isCrowded() {
    return isCrowded;
  }

  private int bucketAt(double x, double y, double z) {
    return bucket(cell(x), cell(y), cell(z));
  }

  private int cell(double at) {
    return (int) Math.floor(at * perWidth);
  }

  /** Cells side by side along the first axis have buckets side by side in memory. */
  private int bucket(int x, long y, long z) {
    long row = (y * 0xBF58476D1CE4E5B9L ^ z) * 0x94D049BB133111EBL;
    return (int) (x + (row >>> 24)) & mask;
  }

  /** Takes in what is near. */
  public interface Told {
    /**
     * @param asking the vertex or edge that is asked about
     * @param near a vertex that may lie near to it
     */
    void tell(int asking, int near);
  }

  /**
   * For questions about many vertices or edges, one after the other on one thread.
   *
   * @param distance up to which vertices count as near; no more than the least width of the cells
   */
  public Asker asker(double distance, Told told) {
    return new Asker(distance, told);
  }

  /** Asks; made once for many questions. */
  public final class Asker {
    private final double distance;

    /** A little more than the square: what is near is told by the distance itself. */
    private final double limit;

    private final Told told;

    /** A box that is looked into, filled anew for each piece of an edge. */
    private double lowX;

    private double lowY;
    private double lowZ;
    private double highX;
    private double highY;
    private double highZ;

    private Asker(double distance, Told told) {
      this.distance = distance;
      this.limit = 1.0001 * distance * distance;
      this.told = told;
    }

    /**
     * Tells later vertices that may lie within the distance of a vertex, all that do among them;
     * one may be told twice.
     *
     * @param v one with a place
     */
    public void aboutVertex(int v) {
      spanX(mesh.x(v), mesh.x(v));
      spanY(mesh.y(v), mesh.y(v));
      spanZ(mesh.z(v), mesh.z(v));
      int lastX = cell(highX);
      int lastY = cell(highY);
      int lastZ = cell(highZ);
      for (int z = cell(lowZ); z <= lastZ; z++) {
        for (int y = cell(lowY); y <= lastY; y++) {
          for (int x = cell(lowX); x <= lastX; x++) {
            laterInBucket(v, bucket(x, y, z));
          }
        }
      }
    }

    private void laterInBucket(int v, int bucket) {
      for (int i = starts[bucket + 1] - 1; i >= starts[bucket] && items[i] > v; i--) {
        if (isInBox(items[i])) {
          told.tell(v, items[i]);
        }
      }
    }

    /**
     * Tells vertices that may lie within the distance of an edge and are no ends of it, all that do
     * among them; one may be told more than once. None of an edge whose ends have no places. Long
     * edges are gone along piece by piece.
     */
    public void aboutEdge(int e) {
      int a = mesh.first(e);
      int b = mesh.second(e);
      double x = mesh.x(a);
      double y = mesh.y(a);
      double z = mesh.z(a);
      double alongX = mesh.x(b) - x;
      double alongY = mesh.y(b) - y;
      double alongZ = mesh.z(b) - z;
      double longest = Math.max(Math.abs(alongX), Math.max(Math.abs(alongY), Math.abs(alongZ)));
      if (longest <= width) {
        spanX(x, x + alongX);
        spanY(y, y + alongY);
        spanZ(z, z + alongZ);
        inBox(e);
      } else if (longest <= Double.MAX_VALUE) {
        int pieces = (int) Math.ceil(longest * perWidth);
        for (int i = 0; i < pieces; i++) {
          double s = (double) i / pieces;
          double t = (double) (i + 1) / pieces;
          spanX(x + s * alongX, x + t * alongX);
          spanY(y + s * alongY, y + t * alongY);
          spanZ(z + s * alongZ, z + t * alongZ);
          inBox(e);
        }
      }
    }

    private void spanX(double from, double to) {
      lowX = Math.min(from, to) - distance;
      highX = Math.max(from, to) + distance;
    }

    private void spanY(double from, double to) {
      lowY = Math.min(from, to) - distance;
      highY = Math.max(from, to) + distance;
    }

    private void spanZ(double from, double to) {
      lowZ = Math.min(from, to) - distance;
      highZ = Math.max(from, to) + distance;
    }

    private void inBox(int e) {
      int firstX = cell(lowX);
      int firstY = cell(lowY);
      int lastX = cell(highX);
      int lastY = cell(highY);
      int lastZ = cell(highZ);
      for (int z = cell(lowZ); z <= lastZ; z++) {
        for (int y = firstY; y <= lastY; y++) {
          for (int x = firstX; x <= lastX; x++) {
            inBucket(e, bucket(x, y, z));
          }
        }
      }
    }

    private void inBucket(int e, int bucket) {
      int a = mesh.first(e);
      int b = mesh.second(e);
      int end = starts[bucket + 1];
      for (int i = starts[bucket]; i < end; i++) {
        int v = items[i];
        if (v != a && v != b && isInBox(v) && mesh.squaredDistance(e, v) <= limit) {
          told.tell(e, v);
        }
      }
    }

    private boolean isInBox(int v) {
      double x = mesh.x(v);
      double y = mesh.y(v);
      double z = mesh.z(v);
      return x >= lowX && x <= highX && y >= lowY && y <= highY && z >= lowZ && z <= highZ;
    }
  }
}
