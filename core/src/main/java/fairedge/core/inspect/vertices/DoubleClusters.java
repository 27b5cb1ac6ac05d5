package fairedge.core.inspect.vertices;

import fairedge.core.flow.Unions;
import fairedge.core.inspect.finding.Finding;
import fairedge.core.inspect.finding.VerticesFinding;
import fairedge.core.inspect.finding.Where;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import fairedge.core.survey.Blocks;
import fairedge.core.survey.Places;
import java.util.Arrays;
import java.util.List;
import java.util.function.Consumer;

/** Vertices joined by pairs; what a cluster has is kept with its lowest vertex. */
final class DoubleClusters {
  private final int[] vertices;
  private final Unions joined;
  private final long[] pairs;
  private final double[] apart;

  /**
   * @param vertices all that may be joined, by id
   */
  DoubleClusters(int[] vertices) {
    this.vertices = vertices;
    this.joined = new Unions(vertices.length);
    this.pairs = new long[vertices.length];
    this.apart = new double[vertices.length];
  }

  void join(int v, int w, double distance, long count) {
    int a = joined.rootOf(placeOf(v));
    int b = joined.rootOf(placeOf(w));
    int root = Math.min(a, b);
    int other = Math.max(a, b);
    pairs[root] += count;
    apart[root] = Math.max(apart[root], distance);
    if (other != root) {
      joined.join(a, b);
      pairs[root] += pairs[other];
      apart[root] = Math.max(apart[root], apart[other]);
    }
  }

  /** Mostly all vertices are there. */
  private int placeOf(int v) {
    return v < vertices.length && vertices[v] == v ? v : Arrays.binarySearch(vertices, v);
  }

  List<Finding> findings(Mesh mesh) {
    List<int[]> clusters = joined.sets().stream().filter(set -> set.length > 1).toList();
    return Blocks.collect(
        clusters.size(),
        (int i, Consumer<Finding> found) -> found.accept(finding(mesh, clusters.get(i))));
  }

  private Finding finding(Mesh mesh, int[] cluster) {
    List<Integer> members = Arrays.stream(cluster).map(i -> vertices[i]).boxed().toList();
    double reach = 0;
    for (int v : members) {
      reach = Math.max(reach, Places.meanEdge(mesh, mesh.facesAt(v)));
    }
    Where where =
        new Where(
            members.stream().map(Element::vertex).toList(),
            mesh.position(members.getFirst()),
            reach);
    return new VerticesFinding.DoubleVertices(where, pairs[cluster[0]], apart[cluster[0]]);
  }
}
