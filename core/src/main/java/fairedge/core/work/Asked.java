package fairedge.core.work;

import fairedge.core.geometry.Vec3;
import fairedge.core.local.Refusal;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import java.util.Collection;
import java.util.TreeSet;

/** What a change was asked for, checked to be there; each element once, by id. */
public final class Asked {
  private Asked() {}

  public static TreeSet<Integer> vertices(Site site, Collection<Integer> ids) {
    TreeSet<Integer> found = some(ids, "vertex");
    for (int v : found) {
      requireThere(site.mesh().hasVertex(v));
    }
    return found;
  }

  public static TreeSet<Integer> placed(Site site, Collection<Integer> ids) {
    TreeSet<Integer> found = vertices(site, ids);
    for (int v : found) {
      if (!site.mesh().hasPlace(v)) {
        throw Refusal.because("This vertex has no place.", Element.vertex(v));
      }
    }
    return found;
  }

  public static TreeSet<Integer> edges(Site site, Collection<Integer> ids) {
    TreeSet<Integer> found = some(ids, "edge");
    for (int e : found) {
      requireThere(site.mesh().hasEdge(e));
    }
    return found;
  }

  public static TreeSet<Integer> faces(Site site, Collection<Integer> ids) {
    TreeSet<Integer> found = some(ids, "face");
    for (int f : found) {
      requireThere(site.mesh().hasFace(f));
    }
    return found;
  }

  /** The mean of the places of vertices, of which there is one at least. */
  public static Vec3 middle(Mesh mesh, Collection<Integer> vertices) {
    Vec3 sum = Vec3.ZERO;
    Vec3 origin = mesh.position(vertices.iterator().next());
    for (int v : vertices) {
      sum = sum.plus(mesh.position(v).minus(origin));
    }
    return origin.plus(sum.times(1.0 / vertices.size()));
  }

  private static TreeSet<Integer> some(Collection<Integer> ids, String what) {
    if (ids.isEmpty()) {
      throw Refusal.because("Choose at least one " + what + " first.");
    }
    return new TreeSet<>(ids);
  }

  private static void requireThere(boolean there) {
    if (!there) {
      throw Refusal.because("Something that was chosen is not there any more.");
    }
  }

  /**
   * The two sides of an edge between two different faces that are wound alike.
   *
   * @throws Refusal.Raised if it is none such
   */
  public static int sideBetween(Mesh mesh, int e) {
    Element here = Element.edge(e);
    if (!mesh.isTwoSided(e)) {
      throw Refusal.because(
          mesh.uses(e) < 2
              ? "This edge lies at a border or in no face: there are no two faces to join."
              : "More than two faces meet at this edge.",
          here);
    }
    int c = mesh.firstSideOn(e);
    int d = mesh.nextOnEdge(c);
    if (mesh.faceOf(c) == mesh.faceOf(d)) {
      throw Refusal.because("The same face lies on both sides of this edge.", here);
    }
    if (mesh.vertexOf(c) == mesh.vertexOf(d)) {
      throw Refusal.because(
          "The faces at this edge look opposite ways: unify the face directions first.", here);
    }
    return c;
  }
}
