package fairedge.core.tidy;

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
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;

/**
 * Takes edges or vertices out and lets the faces heal.
 *
 * <p>Input: edges; vertices, which stand for all their inner edges. Precondition: each edge lies
 * between two different faces that are wound alike; what is left of the faces is one ring that
 * comes to each vertex once. Result: the faces joined by the edges are one, with the lowest id of
 * them, and its label; a vertex that is asked for and is left with two edges goes, the two are one;
 * so do ends of lifted edges on a straight run, if asked. The edges, the other faces and vertices
 * inside die. Other vertices stay where they are. Cost: the corners of the faces.
 */
public final class Lift {
  /** A run that turns no more than this, in degrees, is straight. */
  private static final double STRAIGHT = 1;

  private final MeshEdit edit;
  private final Mesh mesh;

  private Lift(MeshEdit edit) {
    this.edit = edit;
    this.mesh = edit.mesh();
  }

  /**
   * @param straightEnds whether ends of lifted edges go where a straight run is left
   * @throws Refusal.Raised with nothing lost if the caller takes the edit back
   */
  public static Done lift(
      Site site, Collection<Integer> edges, Collection<Integer> vertices, boolean straightEnds) {
    TreeSet<Integer> chosen = edges.isEmpty() ? new TreeSet<>() : Asked.edges(site, edges);
    TreeSet<Integer> ends = vertices.isEmpty() ? new TreeSet<>() : Asked.vertices(site, vertices);
    if (chosen.isEmpty() && ends.isEmpty()) {
      throw Refusal.because("Choose the edges or vertices to lift first.");
    }
    new Lift(site.edit()).lift(chosen, ends, straightEnds);
    return new Done(List.of(), List.of(), 0);
  }

  private void lift(TreeSet<Integer> edges, TreeSet<Integer> vertices, boolean straightEnds) {
    for (int v : vertices) {
      addInnerEdges(v, edges);
    }
    TreeSet<Integer> ends = new TreeSet<>();
    for (int e : edges) {
      ends.add(mesh.first(e));
      ends.add(mesh.second(e));
    }
    liftEdges(edges);
    for (int v : vertices) {
      if (mesh.hasVertex(v)) {
        joinAt(v);
      }
    }
    if (straightEnds) {
      for (int v : ends) {
        if (mesh.hasVertex(v) && isStraight(v) && whyNotJoined(v).isEmpty()) {
          edit.joinEdge(v);
        }
      }
    }
  }

  private void addInnerEdges(int v, TreeSet<Integer> edges) {
    int[] there = mesh.edgesAt(v);
    if (there.length > 2) {
      for (int e : there) {
        if (mesh.uses(e) != 1) {
          edges.add(e);
        }
      }
    }
  }

  /** Joins the faces along a spanning tree of them, then drops what hangs inside. */
  private void liftEdges(TreeSet<Integer> edges) {
    TreeSet<Integer> left = new TreeSet<>();
    Set<Integer> joined = new TreeSet<>();
    for (int e : edges) {
      if (mesh.isTwoSided(e) && mesh.facesOn(e).length == 1) {
        left.add(e);
      } else {
        Asked.sideBetween(mesh, e);
        joined.add(edit.joinFaces(e));
      }
    }
    for (int f : joined) {
      if (mesh.hasFace(f)) {
        heal(f, left);
      }
    }
    for (int e : left) {
      if (mesh.hasEdge(e) && mesh.cornerOn(e) != Mesh.NONE) {
        throw Refusal.because("The same face lies on both sides of this edge.", Element.edge(e));
      }
    }
    Pruning.removeBare(edit, left);
  }

  /** Drops the sides of a face that lie on edges to be lifted from inside it. */
  private void heal(int f, Set<Integer> lifted) {
    List<Integer> ring = new ArrayList<>();
    List<Integer> carried = new ArrayList<>();
    int c = mesh.firstCorner(f);
    int expected = Mesh.NONE;
    int first = Mesh.NONE;
    boolean torn = false;
    for (int i = 0; i < mesh.size(f); i++) {
      if (!lifted.contains(mesh.edgeOf(c))) {
        torn |= expected != Mesh.NONE && expected != mesh.vertexOf(c);
        first = ring.isEmpty() ? mesh.vertexOf(c) : first;
        expected = mesh.vertexOf(mesh.next(c));
        ring.add(mesh.vertexOf(c));
        carried.add(i);
      }
      c = mesh.next(c);
    }
    if (torn || expected != first) {
      throw Refusal.because("This would leave a face with a hole in it.", Element.face(f));
    }
    if (new HashSet<>(ring).size() < ring.size()) {
      throw Refusal.because("This would leave a face that touches itself.", Element.face(f));
    }
    if (ring.size() < 3) {
      throw Refusal.because("This would leave a face with two corners.", Element.face(f));
    }
    if (ring.size() < mesh.size(f)) {
      edit.reshapeFace(f, ints(ring), ints(carried));
    }
  }

  private static int[] ints(List<Integer> values) {
    return values.stream().mapToInt(Integer::intValue).toArray();
  }

  private void joinAt(int v) {
    if (mesh.edgesAt(v).length == 2) {
      String reason = whyNotJoined(v);
      if (!reason.isEmpty()) {
        throw Refusal.because(reason, Element.vertex(v));
      }
      edit.joinEdge(v);
    }
  }

  /** Empty if the two edges at a vertex can become one. */
  private String whyNotJoined(int v) {
    int[] pair = mesh.edgesAt(v);
    if (pair.length != 2) {
      return "More than two edges meet here.";
    }
    int a = mesh.otherEnd(pair[0], v);
    int b = mesh.otherEnd(pair[1], v);
    if (a == b || mesh.findEdge(a, b) != Mesh.NONE) {
      return "Without this vertex there would be a second edge between two vertices.";
    }
    for (int f : mesh.facesAt(v)) {
      if (mesh.size(f) <= 3) {
        return "Without this vertex a face would have two corners.";
      }
      if (mesh.corners(f, v) > 1 || mesh.uses(pair[0]) != mesh.uses(pair[1])) {
        return "A face turns back at this vertex.";
      }
    }
    return "";
  }

  private boolean isStraight(int v) {
    int[] pair = mesh.edgesAt(v);
    if (pair.length != 2) {
      return false;
    }
    Vec3 at = mesh.position(v);
    Vec3 in = at.minus(mesh.position(mesh.otherEnd(pair[0], v)));
    Vec3 out = mesh.position(mesh.otherEnd(pair[1], v)).minus(at);
    return in.angleTo(out) <= STRAIGHT;
  }
}
