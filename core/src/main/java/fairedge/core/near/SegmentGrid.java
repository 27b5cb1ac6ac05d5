package fairedge.core.near;

import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;
import java.util.Arrays;
import java.util.function.IntConsumer;
import java.util.function.IntPredicate;

/**
 * Edges of a mesh in grids whose cells are as wide as the edges in them are long, a grid for each
 * power of two: an edge lies in at most eight cells of its grid, whatever the others are. Cells
 * share buckets by their hash. Fixed once made. Cost to make: the edges; of a question: what lies
 * in one cell of each grid that there is, of which {@value #MOST_IN_CELL} edges are looked at.
 * About 12 bytes an edge.
 */
public final class SegmentGrid {
  private static final int LARGEST = 1 << 27;

  /** Where a million edges lie in one place, a question is not to ask them all. */
  private static final int MOST_IN_CELL = 4096;

  private static final int MOST_WHERE_CROWDED = 64;
  private static final long MANY_LOOKS = 100_000_000;

  /** No cell is told from its neighbours so far out. */
  private static final double FAR = 0x1p60;

  private final Mesh mesh;
  private final double near;

  /** How wide the cells of each grid are. */
  private double[] widths = new double[0];

  private final int mask;
  private final int[] starts;
  private final int[] items;
  private int mostInCell = MOST_IN_CELL;

  /**
   * @param edges which edges; of these those whose ends have places
   * @param near positive; the largest distance that is asked about, and it counts as near
   */
  public SegmentGrid(Mesh mesh, IntPredicate edges, double near) {
    this.mesh = mesh;
    this.near = near;
    int count = 0;
    for (int e = 0; e < mesh.edgeEnd(); e++) {
      if (isIn(e, edges)) {
        note(widthFor(e));
        count++;
      }
    }
    Arrays.sort(widths);
    int buckets = Math.min(LARGEST, Integer.highestOneBit(Math.max(1, count)) << 1);
    mask = buckets - 1;
    starts = new int[buckets + 1];
    int[] cells = new int[8];
    for (int e = 0; e < mesh.edgeEnd(); e++) {
      if (isIn(e, edges)) {
        int n = cellsOf(e, cells);
        for (int i = 0; i < n; i++) {
          starts[cells[i] + 1]++;
        }
      }
    }
    for (int i = 0; i < buckets; i++) {
      starts[i + 1] += starts[i];
    }
    items = new int[starts[buckets]];
    int[] filled = Arrays.copyOf(starts, buckets);
    for (int e = 0; e < mesh.edgeEnd(); e++) {
      if (isIn(e, edges)) {
        int n = cellsOf(e, cells);
        for (int i = 0; i < n; i++) {
          items[filled[cells[i]]++] = e;
        }
      }
    }
  }

  private boolean isIn(int e, IntPredicate edges) {
    return mesh.hasEdge(e)
        && mesh.hasPlace(mesh.first(e))
        && mesh.hasPlace(mesh.second(e))
        && edges.test(e);
  }

  /** A power of two that is not under the extent of the edge with what is near to it. */
  private double widthFor(int e) {
    Vec3 along = mesh.position(mesh.second(e)).minus(mesh.position(mesh.first(e)));
    double extent =
        Math.max(Math.abs(along.x()), Math.max(Math.abs(along.y()), Math.abs(along.z())));
    return Math.scalb(1.0, Math.getExponent(extent + 2 * near) + 1);
  }

  private void note(double width) {
    for (double known : widths) {
      if (known == width) {
        return;
      }
    }
    widths = Arrays.copyOf(widths, widths.length + 1);
    widths[widths.length - 1] = width;
  }

  /** The buckets of an edge's cells, none of them twice; returns how many. */
  private int cellsOf(int e, int[] buckets) {
    Vec3 a = mesh.position(mesh.first(e));
    Vec3 b = mesh.position(mesh.second(e));
    double width = widthFor(e);
    int count = 0;
    long lowX = cell(Math.min(a.x(), b.x()) - near, width);
    long lowY = cell(Math.min(a.y(), b.y()) - near, width);
    long lowZ = cell(Math.min(a.z(), b.z()) - near, width);
    long highX = cell(Math.max(a.x(), b.x()) + near, width);
    long highY = cell(Math.max(a.y(), b.y()) + near, width);
    long highZ = cell(Math.max(a.z(), b.z()) + near, width);
    for (long x = lowX; x <= highX; x++) {
      for (long y = lowY; y <= highY; y++) {
        for (long z = lowZ; z <= highZ; z++) {
          int bucket = bucket(width, x, y, z);
          boolean known = false;
          for (int i = 0; i < count; i++) {
            known |= buckets[i] == bucket;
          }
          if (!known) {
            buckets[count++] = bucket;
          }
        }
      }
    }
    return count;
  }

  private static long cell(double at, double width) {
    return (long) Math.clamp(Math.floor(at / width), -FAR, FAR);
  }

  private int bucket(double width, long x, long y, long z) {
    long h = Math.getExponent(width) * 0x9E3779B97F4A7C15L;
    h = (h ^ x) * 0xBF58476D1CE4E5B9L;
    h = (h ^ h >>> 29 ^ y) * 0x94D049BB133111EBL;
    h = (h ^ h >>> 31 ^ z) * 0x9E3779B97F4A7C15L;
    return (int) (h >>> 33) & mask;
  }

  /**
   * Prepares for being asked about all vertices: where that would take too many looks, each cell is
   * looked into less far from now on. Cost: the vertices.
   */
  public void beAskedAboutAll() {
    long looks = 0;
    for (int v = 0; v < mesh.vertexEnd(); v++) {
      if (mesh.hasVertex(v) && mesh.hasPlace(v)) {
        Vec3 p = mesh.position(v);
        for (double width : widths) {
          int bucket = bucket(width, cell(p.x(), width), cell(p.y(), width), cell(p.z(), width));
          looks += Math.min(mostInCell, starts[bucket + 1] - starts[bucket]);
        }
      }
    }
    mostInCell = looks > MANY_LOOKS ? MOST_WHERE_CROWDED : mostInCell;
  }

  /** Tells the edges at most so far from a place, each once, in no order. */
  public void near(Vec3 place, double distance, IntConsumer found) {
    for (double width : widths) {
      int bucket =
          bucket(width, cell(place.x(), width), cell(place.y(), width), cell(place.z(), width));
      int end = Math.min(starts[bucket + 1], starts[bucket] + mostInCell);
      for (int i = starts[bucket]; i < end; i++) {
        int e = items[i];
        if (widths.length > 1 && widthFor(e) != width) {
          continue;
        }
        if (distance(e, place) <= distance) {
          found.accept(e);
        }
      }
    }
  }

  /** The largest distance that may be asked about. */
  public double reach() {
    return near;
  }

  /** From a place to an edge. */
  public double distance(int e, Vec3 p) {
    Vec3 a = mesh.position(mesh.first(e));
    Vec3 along = mesh.position(mesh.second(e)).minus(a);
    double whole = along.dot(along);
    double t = whole > 0 ? Math.clamp(p.minus(a).dot(along) / whole, 0, 1) : 0;
    return p.distance(a.plus(along.times(t)));
  }

  /**
   * Whether a segment lies near to these along its whole length. The distance to one edge is convex
   * along the segment: near at both ends of a piece is near all along it, so pieces are halved
   * until one edge is near both ends, or an end is near none.
   */
  public boolean covers(Vec3 a, Vec3 b) {
    return covers(a, nearTo(a), b, nearTo(b));
  }

  private boolean covers(Vec3 a, int[] atA, Vec3 b, int[] atB) {
    if (atA.length == 0 || atB.length == 0) {
      return false;
    }
    if (a.distance(b) <= near) {
      return true;
    }
    for (int e : atA) {
      for (int g : atB) {
        if (e == g) {
          return true;
        }
      }
    }
    Vec3 middle = a.towards(b, 0.5);
    int[] atMiddle = nearTo(middle);
    return covers(a, atA, middle, atMiddle) && covers(middle, atMiddle, b, atB);
  }

  private int[] nearTo(Vec3 place) {
    int[] found = new int[8];
    int[] count = {0};
    int[][] held = {found};
    near(
        place,
        near,
        e -> {
          if (count[0] == held[0].length) {
            held[0] = Arrays.copyOf(held[0], 2 * count[0]);
          }
          held[0][count[0]++] = e;
        });
    return Arrays.copyOf(held[0], count[0]);
  }
}
