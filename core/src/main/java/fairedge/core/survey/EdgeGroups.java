package fairedge.core.survey;

import fairedge.core.flow.EdgeEnds;
import fairedge.core.flow.Unions;
import fairedge.core.mesh.Mesh;
import java.util.Arrays;
import java.util.BitSet;
import java.util.List;

/** Edges that hang together by shared vertices. */
public final class EdgeGroups {
  private EdgeGroups() {}

  /**
   * Each group in the order of its edges' ids; groups by their lowest. Cost: n log n in the edges
   * given.
   */
  public static List<int[]> of(Mesh mesh, BitSet edges) {
    int[] ids = edges.stream().toArray();
    Unions joined = new Unions(ids.length);
    join(mesh, ids, joined);
    return joined.sets().stream()
        .map(group -> Arrays.stream(group).map(i -> ids[i]).toArray())
        .toList();
  }

  /**
   * Joins those that share a vertex.
   *
   * @param joined by their places among the edges
   */
  public static void join(Mesh mesh, int[] ids, Unions joined) {
    EdgeEnds.each(
        mesh,
        ids,
        (v, ending) -> {
          for (int i : ending) {
            joined.join(ending[0], i);
          }
        });
  }
}
