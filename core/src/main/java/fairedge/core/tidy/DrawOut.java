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
import java.util.Arrays;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;

/**
 * Draws a vertex inside a surface out into an edge that lies between two of its faces: each of the
 * two gains a side, so that two triangles that meet in a corner become quads. The other faces there
 * and their edges are shared out to the ends of the new edge, which move towards the middle of
 * their own side. On flat ground the surface stays where it is. Cost: the faces at the vertex.
 */
public final class DrawOut {
  private DrawOut() {}

  /**
   * @param one a face at the vertex that is to gain a side
   * @param other another, that shares no edge of the vertex with it
   * @param share how far the ends move, as a share of the edge or the way between edges in the
   *     middle of their side: more than 0, less than 1
   * @throws Refusal.Raised where the vertex is not inside one surface, or no face lies between
   */
  public static Done draw(Site site, int vertex, int one, int other, double share) {
    if (!(share > 0 && share < 1)) {
      throw Refusal.because("How far the ends move is a share between 0 and 1.");
    }
    Asked.placed(site, List.of(vertex));
    Asked.faces(site, List.of(one, other));
    Mesh mesh = site.mesh();
    requireInside(mesh, vertex);
    Side first = Side.between(mesh, vertex, one, other, true);
    Side second = Side.between(mesh, vertex, one, other, false);
    boolean isFirstKept = first.faces().first() < second.faces().first();
    Side kept = isFirstKept ? first : second;
    Side moved = isFirstKept ? second : first;
    MeshEdit edit = site.edit();
    Vec3 stays = kept.drawn(mesh, vertex, share);
    int own = edit.makeVertex(moved.drawn(mesh, vertex, share));
    List<Integer> left = moved.edges();
    for (int f : moved.faces()) {
      relay(edit, f, vertex, own);
    }
    for (int f : new TreeSet<>(List.of(one, other))) {
      widen(edit, f, vertex, own, left);
    }
    Pruning.removeBare(edit, left);
    edit.moveVertex(vertex, stays);
    return new Done(List.of(), List.of(), 0);
  }

  private static void requireInside(Mesh mesh, int v) {
    boolean isInside =
        Arrays.stream(mesh.edgesAt(v)).allMatch(mesh::isTwoSided)
            && Fans.at(mesh, v).corners().length == mesh.edgesAt(v).length
            && Fans.at(mesh, v).count() == 1;
    if (!isInside) {
      throw Refusal.because(
          "Only a vertex inside one surface is drawn out into an edge.", Element.vertex(v));
    }
  }

  /**
   * What lies on one side between the two faces.
   *
   * @param edges in their order round the vertex
   */
  private record Side(List<Integer> edges, TreeSet<Integer> faces) {
    static Side between(Mesh mesh, int v, int one, int other, boolean isForth) {
      int[] way = bothAt(mesh, one, v);
      int e = way[isForth ? 0 : 1];
      List<Integer> edges = new ArrayList<>(List.of(e));
      TreeSet<Integer> faces = new TreeSet<>();
      int f = beyond(mesh, e, one);
      while (f != other && f != one) {
        faces.add(f);
        int[] next = bothAt(mesh, f, v);
        e = next[0] == e ? next[1] : next[0];
        edges.add(e);
        f = beyond(mesh, e, f);
      }
      if (f == one) {
        throw Refusal.because("The second face is not at the vertex.", Element.face(other));
      }
      if (faces.isEmpty()) {
        throw Refusal.because(
            "No face lies between the two on one side of the vertex.", Element.vertex(v));
      }
      return new Side(edges, faces);
    }

    /** Towards the far end of the edge in its middle, or between those of the two there. */
    Vec3 drawn(Mesh mesh, int v, double share) {
      Vec3 from = mesh.position(v);
      Vec3 low = mesh.position(mesh.otherEnd(edges.get((edges.size() - 1) / 2), v));
      Vec3 high = mesh.position(mesh.otherEnd(edges.get(edges.size() / 2), v));
      return from.plus(low.plus(high).times(0.5).minus(from).times(share));
    }
  }

  private static int beyond(Mesh mesh, int e, int f) {
    int[] both = mesh.facesOn(e);
    return both[0] == f ? both[1] : both[0];
  }

  /** The edge by which the face comes to the vertex, and the one by which it leaves. */
  private static int[] bothAt(Mesh mesh, int f, int v) {
    int c = mesh.firstCorner(f);
    for (int i = mesh.size(f); i > 0; i--) {
      if (mesh.vertexOf(c) == v) {
        return new int[] {mesh.edgeOf(mesh.previous(c)), mesh.edgeOf(c)};
      }
      c = mesh.next(c);
    }
    throw Refusal.because("The face is not at the vertex.", Element.face(f));
  }

  private static void relay(MeshEdit edit, int f, int from, int to) {
    int[] ring = edit.mesh().vertices(f);
    Pruning.relay(edit, f, Arrays.stream(ring).map(v -> v == from ? to : v).toArray());
  }

  /** Puts the new end into the ring, on the side of the edges that are its own now. */
  private static void widen(MeshEdit edit, int f, int v, int own, List<Integer> moved) {
    Mesh mesh = edit.mesh();
    boolean isBefore = Set.copyOf(moved).contains(bothAt(mesh, f, v)[0]);
    int[] ring = mesh.vertices(f);
    int[] wider = new int[ring.length + 1];
    int[] carried = new int[wider.length];
    int n = 0;
    for (int i = 0; i < ring.length; i++) {
      carried[n] = i;
      wider[n++] = ring[i] == v && isBefore ? own : ring[i];
      if (ring[i] == v) {
        carried[n] = i;
        wider[n++] = isBefore ? v : own;
      }
    }
    for (int i = 0; i < wider.length; i++) {
      Pruning.edgeBetween(edit, wider[i], wider[(i + 1) % wider.length]);
    }
    edit.reshapeFace(f, wider, carried);
  }
}
