package fairedge.core.inspect.vertices;

import fairedge.core.flow.Unions;
import fairedge.core.geometry.Vec3;
import fairedge.core.inspect.finding.Finder;
import fairedge.core.inspect.finding.Finding;
import fairedge.core.inspect.finding.Kind;
import fairedge.core.inspect.finding.VerticesFinding;
import fairedge.core.inspect.finding.Where;
import fairedge.core.mesh.Mesh;
import fairedge.core.near.SegmentGrid;
import fairedge.core.survey.Anew;
import fairedge.core.survey.Blocks;
import fairedge.core.survey.EdgeGroups;
import fairedge.core.survey.Places;
import fairedge.core.survey.Subject;
import fairedge.core.survey.Threshold;
import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;

/**
 * {@code seam}: two runs of border that lie side by side and are not joined.
 *
 * <ol>
 *   <li>Border edge b lies beside border edge a if a place at a quarter, the half or three quarters
 *       of a is as near to b as the profile's share (5 %) of the mean edge there: the mean of those
 *       of the two faces. If both are of one border loop, the way along it from one to the other is
 *       longer than {@value #APART} mean edges: long quads with short border edges are no seam. If
 *       they share a vertex, they fold back there by under 10 degrees.
 *   <li>An edge is <em>along a seam</em> if each of the three places has such an edge beside it.
 *   <li>Edges along a seam join with those beside them that are along one too, and with those that
 *       follow them on the border: one finding each, with its number of edges.
 * </ol>
 *
 * Of the edges beside a place {@value #MOST_BESIDE} are taken. Cost: the border edges, and what
 * lies near to them; where very many lie in one place not all are looked at, and that is said.
 */
public final class SeamFinder implements Finder {
  private static final double[] PROBES = {0.25, 0.5, 0.75};
  private static final double FOLDS_BACK = 10;

  /** Of one border so many mean edges lie between two sides of a seam. */
  private static final double APART = 4;

  /** Of those beside one place so many are enough to join what lies there. */
  private static final int MOST_BESIDE = 4;

  @Override
  public List<Finding> find(Subject subject) {
    return new Search(subject).findings();
  }

  @Override
  public List<Finding> renew(Subject subject, Anew anew, List<Finding> before) {
    return anew.borders() ? find(subject) : before;
  }

  private static final class Search {
    private static final int[] NONE = {};

    private final Subject subject;
    private final Mesh mesh;
    private final double share;

    /** By id. */
    private final int[] border;

    /** How far each reaches: the mean edge of its faces. */
    private final double[] reach;

    /** Of each the loop that it is in, or none. */
    private final int[] loop;

    /** Where its middle lies on the way round its loop, and how long each way round is. */
    private final double[] at;

    private final double[] length;

    Search(Subject subject) {
      this.subject = subject;
      this.mesh = subject.mesh();
      this.share = subject.threshold(Threshold.SEAM);
      this.border =
          subject.topology().borderEdges().stream().filter(subject::isPlacedSide).toArray();
      this.reach = new double[border.length];
      Blocks.each(border.length, i -> reach[i] = Places.meanEdge(mesh, mesh.facesOn(border[i])));
      List<int[]> rounds = subject.borders().rounds();
      this.loop = new int[border.length];
      this.at = new double[border.length];
      this.length = new double[rounds.size()];
      Arrays.fill(loop, Mesh.NONE);
      for (int k = 0; k < rounds.size(); k++) {
        for (int e : rounds.get(k)) {
          double side = subject.isPlacedSide(e) ? mesh.length(e) : 0;
          int i = Arrays.binarySearch(border, e);
          if (i >= 0) {
            loop[i] = k;
            at[i] = length[k] + side / 2;
          }
          length[k] += side;
        }
      }
    }

    /** How far it is from one edge to another along the border; infinite between two borders. */
    private double way(int i, int j) {
      if (loop[i] == Mesh.NONE || loop[i] != loop[j]) {
        return Double.POSITIVE_INFINITY;
      }
      double apart = Math.abs(at[i] - at[j]);
      double sides = mesh.length(border[i]) + mesh.length(border[j]);
      return Math.min(apart, length[loop[i]] - apart) - sides / 2;
    }

    List<Finding> findings() {
      double widest = share * Arrays.stream(reach).max().orElse(0);
      if (border.length < 2 || !(widest > 0)) {
        return List.of();
      }
      SegmentGrid grid = new SegmentGrid(mesh, border, widest);
      grid.beAskedAbout(
          PROBES.length * border.length,
          i -> mesh.along(border[i / PROBES.length], PROBES[i % PROBES.length]));
      subject.leaveOut(
          Kind.SEAM.key(),
          grid.looksPast(),
          "So many border edges lie in one place that not all of them were looked at: seams may"
              + " be missing there.");
      int[][] beside = new int[border.length][];
      Blocks.each(border.length, i -> beside[i] = besideAll(grid, i));
      return joined(beside);
    }

    /** The edges beside one, by their places; none, if a place on it has none beside it. */
    private int[] besideAll(SegmentGrid grid, int i) {
      IntStream.Builder all = IntStream.builder();
      for (double t : PROBES) {
        if (!addBeside(grid, i, t, all)) {
          return NONE;
        }
      }
      return all.build().toArray();
    }

    /** Whether there was any. */
    private boolean addBeside(SegmentGrid grid, int i, double t, IntStream.Builder all) {
      Vec3 at = mesh.along(border[i], t);
      int[] count = {0};
      // The other edge's faces may be larger than this one's.
      grid.nearUntil(
          Mesh.NONE,
          at,
          grid.reach(),
          other -> {
            int j = Arrays.binarySearch(border, other);
            double near = share * 0.5 * (reach[i] + reach[j]);
            if (grid.distance(other, at) <= near && !runOn(border[i], other) && isApart(i, j)) {
              all.add(j);
              count[0]++;
            }
            return count[0] < MOST_BESIDE;
          });
      return count[0] > 0;
    }

    /** Sides of one border that follow each other lie near to each other without being a seam. */
    private boolean isApart(int i, int j) {
      return way(i, j) > APART * 0.5 * (reach[i] + reach[j]);
    }

    /** Whether two edges share a vertex and do not fold back at it. */
    private boolean runOn(int e, int other) {
      int v = sharedVertex(e, other);
      if (e == other || v == Mesh.NONE) {
        return e == other;
      }
      Vec3 one = mesh.position(mesh.otherEnd(e, v)).minus(mesh.position(v));
      Vec3 two = mesh.position(mesh.otherEnd(other, v)).minus(mesh.position(v));
      return !(one.angleTo(two) < FOLDS_BACK);
    }

    private int sharedVertex(int e, int other) {
      int a = mesh.first(e);
      if (a == mesh.first(other) || a == mesh.second(other)) {
        return a;
      }
      int b = mesh.second(e);
      return b == mesh.first(other) || b == mesh.second(other) ? b : Mesh.NONE;
    }

    private List<Finding> joined(int[][] beside) {
      int[] along = IntStream.range(0, border.length).filter(i -> beside[i].length > 0).toArray();
      int[] edges = Arrays.stream(along).map(i -> border[i]).toArray();
      Unions groups = new Unions(edges.length);
      EdgeGroups.join(mesh, edges, groups);
      for (int i = 0; i < along.length; i++) {
        for (int j : beside[along[i]]) {
          if (beside[j].length > 0) {
            groups.join(i, Arrays.binarySearch(along, j));
          }
        }
      }
      return groups.sets().stream()
          .map(seam -> finding(Arrays.stream(seam).map(i -> edges[i]).toArray()))
          .toList();
    }

    private Finding finding(int[] ids) {
      return new VerticesFinding.Seam(Where.atEdges(subject.mesh(), ids));
    }
  }
}
