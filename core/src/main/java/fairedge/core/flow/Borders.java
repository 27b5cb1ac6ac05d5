package fairedge.core.flow;

import fairedge.core.mesh.Mesh;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/**
 * The borders of a mesh: border edges, joined where they meet at a vertex in the same fan. A group
 * in which exactly two meet everywhere is a border loop; any other is irregular (round fins).
 *
 * @param loops the edges of each loop, by the lowest edge
 * @param irregular the edges of each irregular group, by the lowest edge
 */
public record Borders(List<int[]> loops, List<int[]> irregular) {

  /** Cost: n log n in the border edges and what hangs at their ends. */
  public static Borders of(Topology topology) {
    return new Grouping(topology).borders();
  }

  private static final class Grouping {
    private final Topology topology;
    private final Mesh mesh;
    private final int[] edges;
    private final Unions groups;

    /** Of each vertex and fan how many border edges end there, and one of them by its number. */
    private final Map<Long, int[]> atFan = new TreeMap<>();

    private final Map<Integer, Fans> fansAt = new HashMap<>();

    Grouping(Topology topology) {
      this.topology = topology;
      this.mesh = topology.mesh();
      this.edges = topology.borderEdges().stream().toArray();
      this.groups = new Unions(edges.length);
    }

    Borders borders() {
      for (int i = 0; i < edges.length; i++) {
        int c = mesh.cornerOn(edges[i]);
        meet(c, i);
        meet(mesh.next(c), i);
      }
      return split();
    }

    /** Notes an end of a border edge in the fan of a corner. */
    private void meet(int c, int i) {
      int v = mesh.vertexOf(c);
      // Mostly there is one fan.
      int fan =
          topology.fans(v) == 1 ? 0 : fansAt.computeIfAbsent(v, at -> Fans.at(mesh, at)).of(c);
      int[] there = atFan.computeIfAbsent((long) v << 32 | fan, f -> new int[] {0, i});
      there[0]++;
      groups.join(there[1], i);
    }

    private Borders split() {
      boolean[] irregular = new boolean[edges.length];
      atFan.values().forEach(there -> irregular[groups.rootOf(there[1])] |= there[0] != 2);
      List<int[]> loops = new ArrayList<>();
      List<int[]> others = new ArrayList<>();
      for (int[] group : groups.sets()) {
        (irregular[group[0]] ? others : loops)
            .add(Arrays.stream(group).map(i -> edges[i]).toArray());
      }
      return new Borders(loops, others);
    }
  }
}
