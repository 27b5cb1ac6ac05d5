package fairedge.core.inspect;

import fairedge.core.flow.Unions;
import fairedge.core.mesh.Mesh;
import java.util.Arrays;
import java.util.BitSet;
import java.util.List;

/** Edges that hang together by shared vertices. */
final class EdgeGroups {
  private EdgeGroups() {}

  /**
   * Each group in the order of its edges' ids; groups by their lowest. Cost: n log n in the edges
   * given.
   */
  static List<int[]> of(Mesh mesh, BitSet edges) {
    int[] ids = edges.stream().toArray();
    long[] ends = new long[2 * ids.length];
    for (int i = 0; i < ids.length; i++) {
      ends[2 * i] = (long) mesh.first(ids[i]) << 32 | i;
      ends[2 * i + 1] = (long) mesh.second(ids[i]) << 32 | i;
    }
    Arrays.sort(ends);
    Unions joined = new Unions(ids.length);
    for (int i = 1; i < ends.length; i++) {
      if (ends[i] >> 32 == ends[i - 1] >> 32) {
        joined.join((int) ends[i], (int) ends[i - 1]);
      }
    }
    return joined.sets().stream()
        .map(group -> Arrays.stream(group).map(i -> ids[i]).toArray())
        .toList();
  }
}
