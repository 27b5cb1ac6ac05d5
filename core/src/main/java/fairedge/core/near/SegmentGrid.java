package fairedge.core.near;

import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;
import java.util.Arrays;
import java.util.function.IntConsumer;
import java.util.function.IntFunction;
import java.util.function.IntPredicate;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;

/**
 * Edges of a mesh in grids whose cells are as wide as the edges in them are long, a grid for each
 * power of two: an edge lies in at most eight cells of its grid, whatever the others are. Cells
 * share buckets by their hash. Fixed once made. Cost to make: the edges; of a question: what lies
 * in one cell of each grid that there is, of which {@value #MOST_IN_CELL} edges are looked at.
 * About 18 bytes an edge.
 */
public final class SegmentGrid {
  private static final int LARGEST = 1 << 27;
  private static final int BLOCK = 1 << 14;

  /** Where a million edges lie in one place, a question is not to ask them all. */
  private static final int MOST_IN_CELL = 4096;

  private static final int LEAST_IN_CELL = 8;
  private static final int SAMPLES = 100_000;
  private static final long MANY_LOOKS = 50_000_000;

  /** No cell is told from its neighbours so far out. */
  private static final double FAR = 0x1p60;

  private final Mesh mesh;
  private final double near;

  /** How wide the cells of each grid are. */
  private double[] widths = new double[0];

  /** Of each item which of the widths is that of its grid. */
  private final short[] gridOf;

  private final int mask;
  private final int[] starts;
  private final int[] items;

  /** In one bucket. */
  private final int mostThere;

  private int mostInCell = MOST_IN_CELL;

  /**
   * @param edges which edges; of these those whose ends have places
   * @param near positive; the largest distance that is asked about, and it counts as near
   */
  public SegmentGrid(Mesh mesh, IntPredicate edges, double near) {
    this(mesh, IntStream.range(0, mesh.edgeEnd()).parallel().filter(edges).toArray(), near);
  }

  /**
   * Cost: the edges given.
   *
   * @param edges which edges; of these those whose ends have places
   * @param near positive; the largest distance that is asked about, and it counts as near
   */
  public SegmentGrid(Mesh mesh, int[] edges, double near) {
    this.mesh = mesh;
    this.near = near;
    int[] in = together(Arrays.stream(edges), edges.length).filter(this::isPlaced).toArray();
    short[] grids = new short[in.length];
    for (int i = 0; i < in.length; i++) {
      grids[i] = gridFor(widthFor(in[i]));
    }
    mask = Math.min(LARGEST, Integer.highestOneBit(Math.max(1, in.length)) << 1) - 1;
    int[][] cells = cellsOfAll(in, grids);
    starts = new int[mask + 2];
    for (int[] block : cells) {
      for (int i = 0; i < block.length; i += 2) {
        starts[block[i] + 1]++;
      }
    }
    int most = 0;
    for (int i = 0; i <= mask; i++) {
      most = Math.max(most, starts[i + 1]);
      starts[i + 1] += starts[i];
    }
    mostThere = most;
    items = new int[starts[mask + 1]];
    gridOf = new short[items.length];
    int[] filled = Arrays.copyOf(starts, mask + 1);
    for (int[] block : cells) {
      for (int i = 0; i < block.length; i += 2) {
        int at = filled[block[i]]++;
        items[at] = in[block[i + 1]];
        gridOf[at] = grids[block[i + 1]];
      }
    }
  }

  /** Buckets and the numbers of the edges in them, block by block in the order of the edges. */
  private int[][] cellsOfAll(int[] in, short[] grids) {
    return together(IntStream.range(0, (in.length + BLOCK - 1) / BLOCK), in.length)
        .mapToObj(block -> {
          int end = Math.min(in.length, (block + 1) * BLOCK);
          int[] found = new int[4 * (end - block * BLOCK)];
          int[] buckets = new int[8];
          int count = 0;
          for (int i = block * BLOCK; i < end; i++) {
            int n = cellsOf(in[i], widths[grids[i]], buckets);
            while (count + 2 * n > found.length) {
              found = Arrays.copyOf(found, 2 * found.length);
            }
            for (int k = 0; k < n; k++) {
              found[count++] = buckets[k];
              found[count++] = i;
            }
          }
          return Arrays.copyOf(found, count);
        })
        .toArray(int[][]::new);
  }

  /** A few are not worth the while of several threads. */
  private static IntStream together(IntStream work, int edges) {
    return edges > BLOCK ? work.parallel() : work;
  }

  private boolean isPlaced(int e) {
    return mesh.hasEdge(e) && mesh.hasPlace(mesh.first(e)) && mesh.hasPlace(mesh.second(e));
  }

  /** A power of two that is not under the extent of the edge with what is near to it. */
  private double widthFor(int e) {
    Vec3 along = mesh.position(mesh.second(e)).minus(mesh.position(mesh.first(e)));
    double extent =
        Math.max(Math.abs(along.x()), Math.max(Math.abs(along.y()), Math.abs(along.z())));
    return Math.scalb(1.0, Math.getExponent(extent + 2 * near) + 1);
  }

  /** The grid of a width, made when there is none. */
  private short gridFor(double width) {
    for (int i = 0; i < widths.length; i++) {
      if (widths[i] == width) {
        return (short) i;
      }
    }
    widths = Arrays.copyOf(widths, widths.length + 1);
    widths[widths.length - 1] = width;
    return (short) (widths.length - 1);
  }

  /** The buckets of an edge's cells, none of them twice; returns how many. */
  private int cellsOf(int e, double width, int[] buckets) {
    Vec3 a = mesh.position(mesh.first(e));
    Vec3 b = mesh.position(mesh.second(e));
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
   * Prepares for being asked about many places: where that would take too many looks, each cell is
   * looked into less far from now on. Cost: some of the places.
   *
   * @param place by number; null is none
   */
  public void beAskedAbout(int places, IntFunction<@Nullable Vec3> place) {
    if (mostThere <= LEAST_IN_CELL) {
      return;
    }
    int stride = 1 + places / SAMPLES;
    long[] inCells = new long[Integer.SIZE];
    for (int i = 0; i < places; i += stride) {
      Vec3 p = place.apply(i);
      for (int grid = 0; p != null && grid < widths.length; grid++) {
        int bucket = bucketAt(p, widths[grid]);
        int held = starts[bucket + 1] - starts[bucket];
        inCells[Integer.SIZE - Integer.numberOfLeadingZeros(held)] += stride;
      }
    }
    while (mostInCell > LEAST_IN_CELL && looks(inCells) > MANY_LOOKS) {
      mostInCell /= 2;
    }
  }

  /**
   * @param inCells how often a cell is looked into that holds so many bits of edges
   */
  private long looks(long[] inCells) {
    long looks = 0;
    for (int bits = 1; bits < inCells.length; bits++) {
      looks += inCells[bits] * Math.min(mostInCell, 1L << bits - 1);
    }
    return looks;
  }

  private int bucketAt(Vec3 p, double width) {
    return bucket(width, cell(p.x(), width), cell(p.y(), width), cell(p.z(), width));
  }

  /** Whether so many lie in one place that not all of them are looked at. */
  public boolean looksPast() {
    return mostThere > mostInCell;
  }

  /** Tells the edges at most so far from a place, each once, in no order. */
  public void near(Vec3 place, double distance, IntConsumer found) {
    nearBut(Mesh.NONE, place, distance, found);
  }

  /** The same without the edges that end at a vertex. */
  public void nearBut(int vertex, Vec3 place, double distance, IntConsumer found) {
    nearUntil(
        vertex,
        place,
        distance,
        e -> {
          found.accept(e);
          return true;
        });
  }

  /**
   * The same until no more is wanted.
   *
   * @param goOn false ends it
   */
  public void nearUntil(int vertex, Vec3 place, double distance, IntPredicate goOn) {
    // A little more than the square: what is near is told by the distance itself.
    double limit = 1.0001 * distance * distance;
    for (int grid = 0; grid < widths.length; grid++) {
      int bucket = bucketAt(place, widths[grid]);
      int end = Math.min(starts[bucket + 1], starts[bucket] + mostInCell);
      for (int i = starts[bucket]; i < end; i++) {
        int e = items[i];
        if (gridOf[i] == grid
            && mesh.first(e) != vertex
            && mesh.second(e) != vertex
            && mesh.squaredDistance(e, place.x(), place.y(), place.z()) <= limit
            && distance(e, place) <= distance
            && !goOn.test(e)) {
          return;
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
    return p.distanceToSegment(mesh.position(mesh.first(e)), mesh.position(mesh.second(e)));
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
    if (haveOneInCommon(atA, atB)) {
      return true;
    }
    Vec3 middle = a.towards(b, 0.5);
    int[] atMiddle = nearTo(middle);
    return covers(a, atA, middle, atMiddle) && covers(middle, atMiddle, b, atB);
  }

  private static boolean haveOneInCommon(int[] a, int[] b) {
    int i = 0;
    int k = 0;
    while (i < a.length && k < b.length) {
      if (a[i] == b[k]) {
        return true;
      }
      if (a[i] < b[k]) {
        i++;
      } else {
        k++;
      }
    }
    return false;
  }

  /** In order. */
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
    int[] all = Arrays.copyOf(held[0], count[0]);
    Arrays.sort(all);
    return all;
  }
}
