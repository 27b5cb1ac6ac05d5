package fairedge.core.tidy;

import fairedge.core.flow.Fans;
import fairedge.core.geometry.Vec3;
import fairedge.core.local.MeshEdit;
import fairedge.core.local.Pruning;
import fairedge.core.local.Refusal;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import fairedge.core.work.Asked;
import fairedge.core.work.Done;
import fairedge.core.work.Site;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeSet;

/**
 * Gives each fan of faces at a vertex a vertex of its own: where pieces of surface hang together in
 * one point they don't any more. The fan of the lowest face keeps the vertex in place; the others
 * are drawn back into their own faces, so that no two lie in one place. Cost: the faces at the
 * vertices.
 */
public final class Apart {
  private Apart() {}

  /**
   * @param by how far, in the unit of the mesh
   * @throws Refusal.Raised where there is one fan only, or no room to draw back
   */
  public static Done take(Site site, Collection<Integer> vertices, double by) {
    if (!(by > 0) || !Double.isFinite(by)) {
      throw Refusal.because("The distance to take apart by is more than 0.");
    }
    for (int v : Asked.placed(site, vertices)) {
      take(site.edit(), v, by);
    }
    return new Done(List.of(), List.of(), 0);
  }

  private static void take(MeshEdit edit, int v, double by) {
    Mesh mesh = edit.mesh();
    List<TreeSet<Integer>> fans = fansAt(mesh, v);
    if (fans.size() < 2) {
      throw Refusal.because("All faces here hang together round the vertex.", Element.vertex(v));
    }
    TreeSet<Integer> left = new TreeSet<>();
    for (TreeSet<Integer> fan : fans.subList(1, fans.size())) {
      int own = edit.makeVertex(drawnBack(mesh, v, fan, by));
      for (int f : fan) {
        int[] ring = mesh.vertices(f);
        for (int i = 0; i < ring.length; i++) {
          if (ring[i] == v) {
            left.add(mesh.findEdge(v, ring[(i + 1) % ring.length]));
            left.add(mesh.findEdge(v, ring[(i + ring.length - 1) % ring.length]));
            ring[i] = own;
          }
        }
        Pruning.relay(edit, f, ring);
      }
    }
    left.remove(Mesh.NONE);
    Pruning.removeBare(edit, left);
  }

  /** The faces of each, by the lowest. */
  private static List<TreeSet<Integer>> fansAt(Mesh mesh, int v) {
    Fans fans = Fans.at(mesh, v);
    Map<Integer, TreeSet<Integer>> faces = new HashMap<>();
    for (int i = 0; i < fans.corners().length; i++) {
      faces
          .computeIfAbsent(fans.fanOf()[i], fan -> new TreeSet<>())
          .add(mesh.faceOf(fans.corners()[i]));
    }
    List<TreeSet<Integer>> sorted = new ArrayList<>(faces.values());
    sorted.sort(Comparator.comparing(TreeSet::first));
    return sorted;
  }

  private static Vec3 drawnBack(Mesh mesh, int v, TreeSet<Integer> fan, double by) {
    Vec3 from = mesh.position(v);
    Vec3 sum = Vec3.ZERO;
    for (int f : fan) {
      sum = sum.plus(mesh.polygon(f).middle());
    }
    Vec3 inwards = sum.times(1.0 / fan.size()).minus(from);
    if (!(inwards.length() > by)) {
      throw Refusal.because("There is no room to draw back here.", Element.vertex(v));
    }
    return from.plus(inwards.times(by / inwards.length()));
  }
}
