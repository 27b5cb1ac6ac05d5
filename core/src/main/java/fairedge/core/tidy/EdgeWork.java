package fairedge.core.tidy;

import fairedge.core.flow.Orientation;
import fairedge.core.flow.Topology;
import fairedge.core.local.MeshEdit;
import fairedge.core.local.Pruning;
import fairedge.core.local.Refusal;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import fairedge.core.work.Asked;
import fairedge.core.work.Done;
import fairedge.core.work.Site;
import java.util.Arrays;
import java.util.Collection;
import java.util.List;

/** Turning and splitting single edges, and the direction of faces. */
public final class EdgeWork {
  private static final Done DONE = new Done(List.of(), List.of(), 0);

  private EdgeWork() {}

  /**
   * Turns edges inside the two faces at each: both ends move on by one corner. Precondition: two
   * different faces, wound alike, that share nothing but this edge; no edge yet where it comes to
   * lie, and that within the two faces. The edge dies, a new one comes. Cost: the square of the
   * corners of the two faces.
   */
  public static Done turn(Site site, Collection<Integer> edges) {
    for (int e : Asked.edges(site, edges)) {
      turn(site.edit(), e);
    }
    return DONE;
  }

  private static void turn(MeshEdit edit, int e) {
    Mesh mesh = edit.mesh();
    int c = Asked.sideBetween(mesh, e);
    int d = mesh.nextOnEdge(c);
    // Past the edge the corners next to its ends, in the winding of both faces.
    int from = mesh.vertexOf(mesh.next(mesh.next(c)));
    int to = mesh.vertexOf(mesh.next(mesh.next(d)));
    if (from == to || mesh.findEdge(from, to) != Mesh.NONE) {
      throw Refusal.because(
          "Where this edge would come to lie an edge is already.", Element.edge(e));
    }
    int f = edit.joinFaces(e);
    if (Arrays.stream(mesh.vertices(f)).distinct().count() < mesh.size(f)) {
      throw Refusal.because("This would leave a face that touches itself.", Element.edge(e));
    }
    boolean isInside =
        mesh.isMeasurable(f)
            && mesh.polygon(f).flat().containsSegment(mesh.position(from), mesh.position(to));
    if (!isInside) {
      throw Refusal.because("Turned, this edge would leave its two faces.", Element.edge(e));
    }
    edit.splitFace(f, mesh.findCorner(f, from), mesh.findCorner(f, to), List.of());
  }

  /**
   * Puts a vertex into each edge.
   *
   * @param t from the first vertex (lower id), between 0 and 1
   */
  public static Done split(Site site, Collection<Integer> edges, double t) {
    Mesh mesh = site.mesh();
    for (int e : Asked.edges(site, edges)) {
      double length = mesh.length(e);
      double merge = site.tolerance().merge();
      if (!(t * length > merge && (1 - t) * length > merge)) {
        throw Refusal.because("The new vertex would lie on an end of this edge.", Element.edge(e));
      }
      site.edit().splitEdge(e, mesh.along(e, t));
    }
    return DONE;
  }

  /** Lets faces look the other way. Cost: their corners. */
  public static Done flip(Site site, Collection<Integer> faces) {
    for (int f : Asked.faces(site, faces)) {
      Pruning.turnOver(site.edit(), f);
    }
    return DONE;
  }

  /**
   * Lets all faces of a piece look the same way, turning the smaller side. Cost: the mesh.
   *
   * @throws Refusal.Raised if all do
   */
  public static Done unify(Site site) {
    List<Integer> turned =
        Orientation.of(new Topology(site.mesh())).toTurn().stream()
            .filter(site::allows)
            .boxed()
            .toList();
    if (turned.isEmpty()) {
      throw Refusal.because("All faces look the same way as their neighbours.");
    }
    turned.forEach(f -> Pruning.turnOver(site.edit(), f));
    return DONE;
  }
}
