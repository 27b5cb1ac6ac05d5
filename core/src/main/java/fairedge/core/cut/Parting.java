package fairedge.core.cut;

import fairedge.core.fill.EndFill;
import fairedge.core.geometry.Vec3;
import fairedge.core.local.MeshEdit;
import fairedge.core.local.Pruning;
import fairedge.core.local.Refusal;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;

/**
 * What happens to the two sides of a plane once all faces across it are cut. A face that lies in
 * the plane goes with the side to which a neighbour of it belongs, ahead first. Cost: the mesh.
 */
final class Parting {
  private final MeshEdit edit;
  private final Mesh mesh;
  private final FlatPlane plane;
  private final double merge;

  Parting(MeshEdit edit, FlatPlane plane, double merge) {
    this.edit = edit;
    this.mesh = edit.mesh();
    this.plane = plane;
    this.merge = merge;
  }

  private int sideOf(int v) {
    double d = plane.distance(mesh.position(v));
    return Math.abs(d) <= merge || Double.isNaN(d) ? 0 : d > 0 ? 1 : -1;
  }

  /** 1 ahead, -1 behind, 0 in the plane. */
  private int sideOfFace(int f) {
    int side = 0;
    for (int v : mesh.vertices(f)) {
      int here = sideOf(v);
      if (here != 0 && side != 0 && here != side) {
        throw Refusal.because(
            "This face could not be cut through, so the sides can't be parted.", Element.face(f));
      }
      side = here == 0 ? side : here;
    }
    return side;
  }

  private boolean isAhead(int f) {
    int side = sideOfFace(f);
    if (side != 0) {
      return side > 0;
    }
    int c = mesh.firstCorner(f);
    for (int i = mesh.size(f); i > 0; i--) {
      for (int g : mesh.facesOn(mesh.edgeOf(c))) {
        if (sideOfFace(g) > 0) {
          return true;
        }
      }
      c = mesh.next(c);
    }
    return false;
  }

  private List<Integer> faces(boolean ahead) {
    List<Integer> found = new ArrayList<>();
    for (int f = 0; f < mesh.faceEnd(); f++) {
      if (mesh.hasFace(f) && isAhead(f) == ahead) {
        found.add(f);
      }
    }
    return found;
  }

  /**
   * @throws Refusal.Raised if one side has no face
   */
  void requireTwoSides() {
    if (faces(true).isEmpty() || faces(false).isEmpty()) {
      throw Refusal.because("All of the model lies on one side of the plane.");
    }
  }

  void keep(boolean ahead, EndFill.@Nullable With ends) {
    Pruning.removeFaces(edit, faces(!ahead));
    if (ends != null) {
      close(ahead, ends);
    }
  }

  /** Gives the side behind vertices and edges of its own along the plane. */
  void takeApart(EndFill.@Nullable With ends) {
    List<Integer> behind = faces(false);
    Map<Integer, Integer> twins = twins();
    TreeSet<Integer> left = new TreeSet<>();
    for (int f : behind) {
      int[] ring = mesh.vertices(f);
      boolean touched = false;
      for (int i = 0; i < ring.length; i++) {
        Integer twin = twins.get(ring[i]);
        touched |= twin != null;
        ring[i] = twin == null ? ring[i] : twin;
      }
      if (touched) {
        int c = mesh.firstCorner(f);
        for (int i = mesh.size(f); i > 0; i--) {
          left.add(mesh.edgeOf(c));
          c = mesh.next(c);
        }
        Pruning.relay(edit, f, ring);
      }
    }
    Pruning.removeBare(edit, left);
    if (ends != null) {
      close(true, ends);
      close(false, ends);
    }
  }

  /** A twin for every vertex in the plane that both sides use. */
  private Map<Integer, Integer> twins() {
    Map<Integer, Integer> twins = new LinkedHashMap<>();
    int end = mesh.vertexEnd();
    for (int v = 0; v < end; v++) {
      if (mesh.hasVertex(v) && sideOf(v) == 0 && isShared(v)) {
        twins.put(v, edit.makeVertex(mesh.position(v)));
      }
    }
    return twins;
  }

  private boolean isShared(int v) {
    boolean ahead = false;
    boolean behind = false;
    for (int f : mesh.facesAt(v)) {
      boolean here = isAhead(f);
      ahead |= here;
      behind |= !here;
    }
    return ahead && behind;
  }

  /** Closes the open ends of one side that lie in the plane. */
  private void close(boolean ahead, EndFill.With with) {
    Map<Integer, Integer> next = new HashMap<>();
    TreeSet<Integer> starts = new TreeSet<>();
    int like = Mesh.NONE;
    for (int e = 0; e < mesh.edgeEnd(); e++) {
      if (!mesh.hasEdge(e)
          || mesh.uses(e) != 1
          || sideOf(mesh.first(e)) != 0
          || sideOf(mesh.second(e)) != 0) {
        continue;
      }
      int c = mesh.cornerOn(e);
      if (isAhead(mesh.faceOf(c)) == ahead) {
        // What closes the end runs against the side that is open.
        int from = mesh.vertexOf(mesh.next(c));
        if (next.put(from, mesh.vertexOf(c)) != null) {
          throw Refusal.because(
              "An open end touches itself here, so it can't be closed.", Element.vertex(from));
        }
        starts.add(from);
        like = like == Mesh.NONE ? mesh.faceOf(c) : like;
      }
    }
    List<int[]> rings = rings(next, starts);
    if (!rings.isEmpty()) {
      Vec3 outwards = ahead ? plane.normal().times(-1) : plane.normal();
      EndFill.close(edit, rings, outwards, with, like);
    }
  }

  private static List<int[]> rings(Map<Integer, Integer> next, TreeSet<Integer> starts) {
    List<int[]> rings = new ArrayList<>();
    while (!starts.isEmpty()) {
      int start = starts.first();
      List<Integer> ring = new ArrayList<>();
      Integer at = start;
      while (at != null && starts.remove(at)) {
        ring.add(at);
        at = next.get(at);
      }
      // One that does not come back to where it began is a border that leaves the plane.
      if (at != null && at == start && ring.size() > 2) {
        rings.add(ring.stream().mapToInt(Integer::intValue).toArray());
      }
    }
    return rings;
  }
}
