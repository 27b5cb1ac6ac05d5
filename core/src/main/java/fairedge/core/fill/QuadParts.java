package fairedge.core.fill;

import fairedge.core.geometry.Predicates;
import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.function.IntBinaryOperator;

/**
 * A polygon of an even number of sides divided into quads by chords alone: of all ways the one
 * whose corners come nearest to right angles, by their sum. A polygon of 6, 8, 10, 12 sides has 3,
 * 12, 55, 273 ways if it is convex; where it is not, those that leave it or turn a quad over are
 * none. By the least of all ways to divide each stretch of the border (Klincsek, "Minimal
 * triangulations of polygonal domains", 1980, for quads). Cost: the fourth power of the sides.
 */
public final class QuadParts {
  /** Of more sides it is not looked. */
  public static final int MOST_SIDES = 40;

  private final double[] u;
  private final double[] v;
  private final Vec3[] places;
  private final boolean[][] joined;
  private final double[][] least;
  private final int[][] chosen;

  /** Of up to so many sides all ways are told. */
  public static final int MOST_TOLD = 12;

  /** What turns by less, in degrees, is no corner of a quad. */
  private static final double STRAIGHT = 1;

  /** A chord between two corners by their numbers. */
  public record Chord(int from, int to) {}

  /**
   * One way to divide a polygon.
   *
   * @param off by how much its corners are from right angles, in degrees, all together
   */
  public record Way(List<Chord> chords, double off) {
    /** Of a polygon that is a quad. */
    public static final Way NOTHING = new Way(List.of(), 0);

    Way with(Way other, double more) {
      List<Chord> both = new ArrayList<>(chords);
      both.addAll(other.chords);
      return new Way(both, off + other.off + more);
    }
  }

  private QuadParts(Vec3[] places, Vec3 normal, IntBinaryOperator edge) {
    int n = places.length;
    this.places = places;
    // Along the normal itself: a face bent by a right angle would be seen edge on along an axis.
    Vec3 across = normal.unit().aside();
    Vec3 up = normal.unit().cross(across);
    u = Arrays.stream(places).mapToDouble(p -> p.minus(places[0]).dot(across)).toArray();
    v = Arrays.stream(places).mapToDouble(p -> p.minus(places[0]).dot(up)).toArray();
    joined = new boolean[n][n];
    for (int i = 0; i < n; i++) {
      for (int k = i + 2; k < n; k++) {
        joined[i][k] = (i != 0 || k != n - 1) && edge.applyAsInt(i, k) != Mesh.NONE;
      }
    }
    least = new double[n][n];
    chosen = new int[n][n];
  }

  /**
   * The chords; none where there is no way, or the sides are odd, four, or too many.
   *
   * @param places of the corners, in order
   * @param normal from which it winds to the left
   * @param edge the edge that joins two corners already, {@link Mesh#NONE} where none does
   */
  public static List<Chord> of(Vec3[] places, Vec3 normal, IntBinaryOperator edge) {
    int n = places.length;
    if (n % 2 != 0 || n < 6 || n > MOST_SIDES) {
      return List.of();
    }
    QuadParts parts = new QuadParts(places, normal, edge);
    parts.reckon();
    List<Chord> chords = new ArrayList<>();
    if (parts.least[0][n - 1] < Double.POSITIVE_INFINITY) {
      parts.collect(0, n - 1, chords);
    }
    return chords;
  }

  /**
   * All ways, of a polygon of up to {@value #MOST_TOLD} sides the squarest first, of a larger one
   * the squarest alone; for the rest as {@link #of}. Cost: the ways.
   */
  public static List<Way> all(Vec3[] places, Vec3 normal, IntBinaryOperator edge) {
    int n = places.length;
    if (n % 2 != 0 || n < 6 || n > MOST_TOLD) {
      List<Chord> chords = of(places, normal, edge);
      return chords.isEmpty() ? List.of() : List.of(new Way(chords, 0));
    }
    QuadParts parts = new QuadParts(places, normal, edge);
    List<Way> ways = parts.ways(0, n - 1);
    ways.sort(Comparator.comparingDouble(Way::off));
    return ways;
  }

  /** Of the stretch that a chord or a side cuts off. */
  private List<Way> ways(int i, int j) {
    if (j - i == 1) {
      return List.of(Way.NOTHING);
    }
    List<Way> found = new ArrayList<>();
    for (int a = i + 1; a < j && !joined[i][j]; a += 2) {
      for (int b = a + 1; b < j; b += 2) {
        double off = quad(i, a, b, j);
        if (off < Double.POSITIVE_INFINITY) {
          add(found, i, j, a, b, off);
        }
      }
    }
    return found;
  }

  private void add(List<Way> found, int i, int j, int a, int b, double off) {
    Way own = new Way(i == 0 && j == places.length - 1 ? List.of() : List.of(new Chord(i, j)), off);
    for (Way first : ways(i, a)) {
      for (Way second : ways(a, b)) {
        Way both = own.with(first, 0).with(second, 0);
        for (Way third : ways(b, j)) {
          found.add(both.with(third, 0));
        }
      }
    }
  }

  /** Stretches from the shortest on: what a chord cuts off is known before what lies beyond it. */
  private void reckon() {
    int n = places.length;
    for (int length = 3; length < n; length += 2) {
      for (int i = 0; i + length < n; i++) {
        reckon(i, i + length);
      }
    }
  }

  private void reckon(int i, int j) {
    double best = Double.POSITIVE_INFINITY;
    for (int a = i + 1; a < j && !joined[i][j]; a += 2) {
      for (int b = a + 1; b < j; b += 2) {
        double rest = least[i][a] + least[a][b] + least[b][j];
        if (rest < best) {
          double all = rest + quad(i, a, b, j);
          if (all < best) {
            best = all;
            chosen[i][j] = a * places.length + b;
          }
        }
      }
    }
    least[i][j] = best;
  }

  /** How far its corners are from right angles; infinite where one is straight or turns back. */
  private double quad(int i, int a, int b, int j) {
    return corner(j, i, a) + corner(i, a, b) + corner(a, b, j) + corner(b, j, i);
  }

  private double corner(int before, int at, int after) {
    if (Predicates.turn(u[before], v[before], u[at], v[at], u[after], v[after]) <= 0) {
      return Double.POSITIVE_INFINITY;
    }
    Vec3 back = places[before].minus(places[at]);
    double off = Math.abs(back.angleTo(places[after].minus(places[at])) - 90);
    return off > 90 - STRAIGHT ? Double.POSITIVE_INFINITY : off;
  }

  private void collect(int i, int j, List<Chord> chords) {
    if (j - i > 1) {
      int a = chosen[i][j] / places.length;
      int b = chosen[i][j] % places.length;
      for (int[] side : new int[][] {{i, a}, {a, b}, {b, j}}) {
        if (side[1] - side[0] > 1) {
          chords.add(new Chord(side[0], side[1]));
          collect(side[0], side[1], chords);
        }
      }
    }
  }
}
