package fairedge.core.flow;

import fairedge.core.mesh.Mesh;
import java.util.ArrayList;
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

  /** Cost: the edges of the mesh. */
  public static Borders of(Topology topology) {
    return new Grouping(topology).borders();
  }

  private static final class Grouping {
    private final Topology topology;
    private final Mesh mesh;
    private final Unions groups;
    private final Map<Integer, int[]> atFan = new TreeMap<>();
    private final List<Integer> edges = new ArrayList<>();

    Grouping(Topology topology) {
      this.topology = topology;
      this.mesh = topology.mesh();
      this.groups = new Unions(mesh.edgeEnd());
    }

    Borders borders() {
      for (int e = 0; e < mesh.edgeEnd(); e++) {
        if (topology.uses(e) == 1) {
          edges.add(e);
          int c = mesh.cornerOn(e);
          meet(topology.fanOf(c), e);
          meet(topology.fanOf(mesh.next(c)), e);
        }
      }
      return split();
    }

    /** Notes an end of a border edge in a fan: how many there are, and one of them. */
    private void meet(int fan, int e) {
      int[] there = atFan.computeIfAbsent(fan, f -> new int[] {0, e});
      there[0]++;
      groups.join(there[1], e);
    }

    private Borders split() {
      Map<Integer, List<Integer>> members = new TreeMap<>();
      for (int e : edges) {
        members.computeIfAbsent(groups.rootOf(e), g -> new ArrayList<>()).add(e);
      }
      Map<Integer, Boolean> regular = new TreeMap<>();
      for (int[] there : atFan.values()) {
        regular.merge(groups.rootOf(there[1]), there[0] == 2, Boolean::logicalAnd);
      }
      List<int[]> loops = new ArrayList<>();
      List<int[]> irregular = new ArrayList<>();
      members.forEach((root, group) ->
          (regular.getOrDefault(root, false) ? loops : irregular)
              .add(group.stream().mapToInt(Integer::intValue).toArray()));
      return new Borders(loops, irregular);
    }
  }
}
