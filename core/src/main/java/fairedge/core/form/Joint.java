package fairedge.core.form;

import fairedge.core.form.Region.Fan;
import fairedge.core.mesh.Mesh;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * Where chosen edges meet: the fans that they part a vertex into, in order as seen from the front.
 *
 * @param fans one after the other, an edge between each two
 * @param edges {@code edges.get(i)} is where fan i stops and the next begins; in an open joint the
 *     last fan stops at a border, or at an edge that is chosen there
 * @param before the edge where the first fan begins, if it is not the last one's: a chosen edge of
 *     the border, or {@link Mesh#NONE}
 * @param isClosed whether the last fan is followed by the first
 */
record Joint(int vertex, List<Fan> fans, List<Integer> edges, int before, boolean isClosed) {
  /** The joints at all ends of the edges that part a region. Cost: the corners of its fans. */
  static List<Joint> of(Mesh mesh, Region region) {
    Map<Long, Fan> beginning = new HashMap<>();
    Map<Long, Fan> stopping = new HashMap<>();
    for (Fan fan : region.fans()) {
      int leaving = region.leaving(fan);
      int arriving = region.arriving(mesh, fan);
      if (leaving != Mesh.NONE) {
        beginning.put(key(fan.vertex(), mesh.edgeOf(leaving)), fan);
      }
      if (arriving != Mesh.NONE) {
        stopping.put(key(fan.vertex(), mesh.edgeOf(mesh.previous(arriving))), fan);
      }
    }
    List<Joint> joints = new ArrayList<>();
    Set<Integer> seen = new HashSet<>();
    for (Fan fan : region.fans()) {
      if (fan.isOpen() && !seen.contains(fan.number())) {
        Fan first = first(mesh, region, fan, stopping);
        joints.add(from(mesh, region, first, beginning));
        joints.getLast().fans().forEach(f -> seen.add(f.number()));
      }
    }
    return joints;
  }

  /** Back from fan to fan: to where nothing is before, or round to the fan itself. */
  private static Fan first(Mesh mesh, Region region, Fan from, Map<Long, Fan> stopping) {
    Fan at = from;
    while (true) {
      int leaving = region.leaving(at);
      Fan earlier =
          leaving == Mesh.NONE ? null : stopping.get(key(at.vertex(), mesh.edgeOf(leaving)));
      if (earlier == null) {
        return at;
      }
      if (earlier == from) {
        return from;
      }
      at = earlier;
    }
  }

  private static Joint from(Mesh mesh, Region region, Fan first, Map<Long, Fan> beginning) {
    List<Fan> fans = new ArrayList<>();
    List<Integer> edges = new ArrayList<>();
    Fan at = first;
    while (true) {
      fans.add(at);
      int arriving = region.arriving(mesh, at);
      if (arriving == Mesh.NONE) {
        break;
      }
      int e = mesh.edgeOf(mesh.previous(arriving));
      edges.add(e);
      Fan next = beginning.get(key(at.vertex(), e));
      if (next == first) {
        return new Joint(first.vertex(), fans, edges, Mesh.NONE, true);
      }
      if (next == null) {
        break;
      }
      at = next;
    }
    int leaving = region.leaving(first);
    int before = leaving == Mesh.NONE ? Mesh.NONE : mesh.edgeOf(leaving);
    return new Joint(first.vertex(), fans, edges, before, false);
  }

  private static long key(int vertex, int edge) {
    return (long) vertex << 32 | edge;
  }

  /** The chosen edges that meet here. */
  int count() {
    return edges.size() + (before == Mesh.NONE ? 0 : 1);
  }

  /** The edge where a fan begins, or {@link Mesh#NONE}. */
  int edgeBefore(int fan) {
    if (fan > 0) {
      return edges.get(fan - 1);
    }
    return isClosed ? edges.getLast() : before;
  }

  /** The edge where a fan stops, or {@link Mesh#NONE}. */
  int edgeAfter(int fan) {
    return fan < edges.size() ? edges.get(fan) : Mesh.NONE;
  }

  /** Whether one edge ends here inside the surface. */
  boolean isEnd() {
    return isClosed && edges.size() == 1;
  }
}
