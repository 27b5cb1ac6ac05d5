package fairedge.core.survey;

import fairedge.core.flow.Unions;
import fairedge.core.mesh.Mesh;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/** Puts edges together that follow each other along one loop. Cost: the edges given. */
public final class AlongLoops {
  private AlongLoops() {}

  /** Runs by their lowest edge; in each the edges by id. */
  public static List<int[]> joined(Subject subject, List<Integer> edges) {
    Mesh mesh = subject.mesh();
    Unions runs = new Unions(edges.size());
    Map<Long, Integer> ends = new TreeMap<>();
    for (int i = 0; i < edges.size(); i++) {
      int e = edges.get(i);
      long loop = (long) subject.loops().loopOf(e) << 32;
      for (int v : new int[] {mesh.first(e), mesh.second(e)}) {
        Integer before = loop < 0 ? null : ends.putIfAbsent(loop | v, i);
        if (before != null) {
          runs.join(i, before);
        }
      }
    }
    return runs.sets().stream().map(run -> Arrays.stream(run).map(edges::get).toArray()).toList();
  }
}
