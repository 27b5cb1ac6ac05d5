package fairedge.core.flow;

import fairedge.core.mesh.Mesh;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.stream.Collectors;

/**
 * The borders of a mesh: border edges, joined where they meet at a vertex in the same fan. A group
 * in which exactly two meet everywhere is a border loop; any other is irregular (round fins).
 *
 * @param loops the edges of each loop, by the lowest edge
 * @param irregular the edges of each irregular group, by the lowest edge
 * @param rounds the edges of each loop again, as one comes to them going round from the lowest
 */
public record Borders(List<int[]> loops, List<int[]> irregular, List<int[]> rounds) {
  private static final int NONE = -1;

  /** Cost: n log n in the border edges and what hangs at their ends. */
  public static Borders of(Topology topology) {
    return new Grouping(topology).borders();
  }

  private static final class Grouping {
    private final Topology topology;
    private final Mesh mesh;
    private final int[] edges;
    private final Unions groups;

    private final boolean[] irregular;

    /** Two of each edge: those that it meets, where they are two that meet. */
    private final int[] next;

    Grouping(Topology topology) {
      this.topology = topology;
      this.mesh = topology.mesh();
      this.edges = topology.borderEdges().stream().toArray();
      this.groups = new Unions(edges.length);
      this.irregular = new boolean[edges.length];
      this.next = new int[2 * edges.length];
      Arrays.fill(next, NONE);
    }

    Borders borders() {
      EdgeEnds.each(mesh, edges, this::meet);
      return split();
    }

    /** Notes border edges that end at a vertex: all in one fan, mostly. */
    private void meet(int v, int[] ending) {
      if (topology.fans(v) == 1) {
        join(ending);
        return;
      }
      Fans fans = Fans.at(mesh, v);
      Arrays.stream(ending)
          .boxed()
          .collect(Collectors.groupingBy(i -> fans.of(cornerAt(v, i))))
          .values()
          .stream()
          .map(some -> some.stream().mapToInt(Integer::intValue).toArray())
          .forEach(this::join);
    }

    private int cornerAt(int v, int i) {
      int c = mesh.cornerOn(edges[i]);
      return mesh.vertexOf(c) == v ? c : mesh.next(c);
    }

    /** Those that end in one fan. */
    private void join(int[] some) {
      for (int i : some) {
        groups.join(some[0], i);
        irregular[i] |= some.length != 2;
      }
      if (some.length == 2) {
        link(some[0], some[1]);
        link(some[1], some[0]);
      }
    }

    private void link(int i, int to) {
      next[next[2 * i] == NONE ? 2 * i : 2 * i + 1] = to;
    }

    private Borders split() {
      List<int[]> loops = new ArrayList<>();
      List<int[]> others = new ArrayList<>();
      List<int[]> rounds = new ArrayList<>();
      for (int[] group : groups.sets()) {
        boolean isLoop = Arrays.stream(group).noneMatch(i -> irregular[i]);
        (isLoop ? loops : others).add(Arrays.stream(group).map(i -> edges[i]).toArray());
        if (isLoop) {
          rounds.add(round(group[0], group.length));
        }
      }
      return new Borders(loops, others, rounds);
    }

    private int[] round(int first, int count) {
      int[] round = new int[count];
      int before = NONE;
      int at = first;
      for (int k = 0; k < count; k++) {
        round[k] = edges[at];
        int on = next[2 * at] == before ? next[2 * at + 1] : next[2 * at];
        before = at;
        at = on;
      }
      return round;
    }
  }
}
