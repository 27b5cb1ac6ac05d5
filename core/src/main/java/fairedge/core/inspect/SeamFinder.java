package fairedge.core.inspect;

import fairedge.core.flow.Unions;
import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;
import fairedge.core.near.SegmentGrid;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/**
 * {@code seam}: two runs of border that lie side by side and are not joined.
 *
 * <ol>
 *   <li>Border edge b lies beside border edge a if a place at a quarter, the half or three quarters
 *       of a is as near to b as the profile's share (5 %) of the mean edge there: the mean of those
 *       of the two faces. If they share a vertex, they fold back there by under 10 degrees, as at
 *       the end of a slit; the next edge of the same run does not lie beside.
 *   <li>An edge is <em>along a seam</em> if each of the three places has such an edge beside it.
 *   <li>Edges along a seam join with those beside them that are along one too, and with those that
 *       follow them on the border: one finding each, with its number of edges.
 * </ol>
 *
 * Cost: the border edges, and what lies near to them.
 */
final class SeamFinder implements Finder {
  private static final double[] PROBES = {0.25, 0.5, 0.75};
  private static final double FOLDS_BACK = 10;

  @Override
  public List<Finding> find(Subject subject) {
    return new Search(subject).findings();
  }

  @Override
  public List<Finding> renew(Subject subject, Anew anew, List<Finding> before) {
    return anew.borders() ? find(subject) : before;
  }

  private static final class Search {
    private final Subject subject;
    private final Mesh mesh;
    private final double share;
    private final Map<Integer, List<Integer>> beside = new TreeMap<>();

    Search(Subject subject) {
      this.subject = subject;
      this.mesh = subject.mesh();
      this.share = subject.threshold(Threshold.SEAM);
    }

    List<Finding> findings() {
      int[] border = borderEdges();
      if (border.length < 2 || !(share > 0)) {
        return List.of();
      }
      double widest = 0;
      for (int e : border) {
        widest = Math.max(widest, share * reach(e));
      }
      if (!(widest > 0)) {
        return List.of();
      }
      SegmentGrid grid = new SegmentGrid(mesh, border, widest);
      for (int e : border) {
        List<Integer> others = besideAll(grid, e);
        if (!others.isEmpty()) {
          beside.put(e, others);
        }
      }
      return joined();
    }

    private int[] borderEdges() {
      return subject.topology().borderEdges().stream().filter(subject::isPlacedSide).toArray();
    }

    private double reach(int e) {
      return Places.meanEdge(mesh, mesh.facesOn(e));
    }

    /** The edges beside e; none, if a place on it has none beside it. */
    private List<Integer> besideAll(SegmentGrid grid, int e) {
      List<Integer> all = new ArrayList<>();
      for (double t : PROBES) {
        List<Integer> here = besideAt(grid, e, t);
        if (here.isEmpty()) {
          return List.of();
        }
        all.addAll(here);
      }
      return all;
    }

    private List<Integer> besideAt(SegmentGrid grid, int e, double t) {
      Vec3 at = mesh.along(e, t);
      List<Integer> found = new ArrayList<>();
      // The other edge's faces may be larger than this one's.
      grid.near(
          at,
          grid.reach(),
          other -> {
            double near = share * 0.5 * (reach(e) + reach(other));
            if (!runOn(e, other) && grid.distance(other, at) <= near) {
              found.add(other);
            }
          });
      return found;
    }

    /** Whether two edges share a vertex and do not fold back at it. */
    private boolean runOn(int e, int other) {
      if (e == other) {
        return true;
      }
      for (int v : new int[] {mesh.first(e), mesh.second(e)}) {
        if (v == mesh.first(other) || v == mesh.second(other)) {
          Vec3 one = mesh.position(mesh.otherEnd(e, v)).minus(mesh.position(v));
          Vec3 two = mesh.position(mesh.otherEnd(other, v)).minus(mesh.position(v));
          return !(one.angleTo(two) < FOLDS_BACK);
        }
      }
      return false;
    }

    private List<Finding> joined() {
      int[] edges = beside.keySet().stream().mapToInt(Integer::intValue).toArray();
      Unions groups = new Unions(edges.length);
      Map<Integer, Integer> atVertex = new TreeMap<>();
      beside.forEach((e, others) -> {
        int own = Arrays.binarySearch(edges, e);
        others.stream()
            .mapToInt(other -> Arrays.binarySearch(edges, other))
            .filter(other -> other >= 0)
            .forEach(other -> groups.join(own, other));
        for (int v : new int[] {mesh.first(e), mesh.second(e)}) {
          Integer before = atVertex.putIfAbsent(v, own);
          if (before != null) {
            groups.join(own, before);
          }
        }
      });
      return groups.sets().stream()
          .map(seam -> finding(Arrays.stream(seam).map(i -> edges[i]).toArray()))
          .toList();
    }

    private Finding finding(int[] ids) {
      return Tell.ofEdges(
          subject,
          Rule.SEAM,
          ids,
          new Measure(ids.length, Measure.Unit.EDGES),
          "Seam of " + Tell.count(ids.length, "edge", "edges"),
          Tell.count(ids.length, "border edge lies", "border edges lie")
              + " side by side with others and are not joined: the surface looks whole here and is"
              + " torn. Weld the two sides.");
    }
  }
}
