package fairedge.core.form;

import fairedge.core.form.Region.Fan;
import fairedge.core.form.Support.SupportSide;
import fairedge.core.mesh.Mesh;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;

/**
 * Which sides of chosen edges follow one another: those that a fan joins. What hangs together over
 * vertices is a run, and of each run one of its sides is the first. Cost: the edges.
 */
final class Sides {
  private final Mesh mesh;
  private final Region region;
  private final Groups sideOf = new Groups();
  private final Groups runOf = new Groups();

  Sides(Mesh mesh, Region region) {
    this.mesh = mesh;
    this.region = region;
    Map<Integer, Integer> atVertex = new HashMap<>();
    for (int c : region.ends()) {
      for (int v : new int[] {mesh.vertexOf(c), mesh.vertexOf(mesh.next(c))}) {
        Integer other = atVertex.putIfAbsent(v, c);
        if (other != null) {
          runOf.join(c, other);
        }
      }
    }
    for (Fan fan : region.fans()) {
      int leaving = region.leaving(fan);
      int arriving = region.arriving(mesh, fan);
      if (leaving != Mesh.NONE && arriving != Mesh.NONE && !region.isRound(mesh, fan)) {
        sideOf.join(leaving, mesh.previous(arriving));
      }
    }
  }

  /** The corners that leave along the sides that are meant. */
  Set<Integer> of(SupportSide meant) {
    if (meant == SupportSide.BOTH) {
      return region.ends();
    }
    List<Integer> byFace = region.endsInOrder(mesh);
    Map<Integer, Integer> first = new TreeMap<>();
    byFace.forEach(c -> first.putIfAbsent(runOf.of(c), sideOf.of(c)));
    Set<Integer> found = new HashSet<>();
    for (int c : byFace) {
      boolean isFirst = sideOf.of(c) == first.getOrDefault(runOf.of(c), Mesh.NONE);
      if (isFirst == (meant == SupportSide.ONE)) {
        found.add(c);
      }
    }
    return found;
  }
}
