package fairedge.core.flow;

import fairedge.core.mesh.Mesh;
import java.util.Arrays;

/** The ends of some edges, gathered by vertex. */
public final class EdgeEnds {
  private EdgeEnds() {}

  /** What is done with the edges that end at a vertex. */
  public interface Visit {
    /**
     * @param ending their places among the edges, in order; at least one
     */
    void visit(int v, int[] ending);
  }

  /** Visits every vertex at which one of the edges ends, by id. Cost: n log n in the edges. */
  public static void each(Mesh mesh, int[] edges, Visit visit) {
    long[] ends = new long[2 * edges.length];
    for (int i = 0; i < edges.length; i++) {
      ends[2 * i] = (long) mesh.first(edges[i]) << 32 | i;
      ends[2 * i + 1] = (long) mesh.second(edges[i]) << 32 | i;
    }
    // On this thread: whoever asks may hold what others wait for.
    Arrays.sort(ends);
    for (int from = 0; from < ends.length; ) {
      int to = from + 1;
      while (to < ends.length && ends[to] >> 32 == ends[from] >> 32) {
        to++;
      }
      int[] ending = Arrays.stream(ends, from, to).mapToInt(end -> (int) end).toArray();
      visit.visit((int) (ends[from] >> 32), ending);
      from = to;
    }
  }
}
