package fairedge.core.tidy;

import fairedge.core.geometry.Vec3;
import fairedge.core.local.Refusal;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import fairedge.core.work.Asked;
import fairedge.core.work.Done;
import fairedge.core.work.Site;
import java.util.ArrayDeque;
import java.util.Collection;
import java.util.Deque;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.TreeSet;

/**
 * Slides vertices along edges, without leaving the surface. Each vertex has a rail: the edge on the
 * side to which the first is slid, found from vertex to vertex across the faces between them.
 * Precondition: every vertex hangs together with the first through edges between chosen ones, and
 * none gets to the end of its rail. Result: the vertices lie elsewhere; no element dies. Cost: the
 * edges at the vertices.
 */
public final class Slide {
  private final Mesh mesh;
  private final TreeSet<Integer> vertices;
  private final Map<Integer, Integer> rails = new TreeMap<>();

  /** How far each vertex goes. */
  public enum SlideBy {
    /** The same share of its rail. */
    FRACTION,
    /** The same distance. */
    LENGTH,
    /** To the same distance from the far end of its rail. */
    FROM_END
  }

  private Slide(Mesh mesh, TreeSet<Integer> vertices) {
    this.mesh = mesh;
    this.vertices = vertices;
  }

  /**
   * @param first the vertex that is held
   * @param towards a neighbour of it, no chosen one: the far end of its rail
   * @param amount a share, or a length in the unit of the mesh
   * @throws Refusal.Raised with nothing lost if the caller takes the edit back
   */
  public static Done slide(
      Site site,
      Collection<Integer> vertices,
      int first,
      int towards,
      double amount,
      SlideBy measure) {
    Mesh mesh = site.mesh();
    Slide slide = new Slide(mesh, Asked.placed(site, vertices));
    slide.layRails(first, towards);
    Map<Integer, Vec3> places = new TreeMap<>();
    slide.rails.forEach((v, rail) ->
        places.put(v, slide.place(v, rail, amount, measure, site.tolerance().merge())));
    places.forEach(site.edit()::moveVertex);
    return new Done(List.of(), List.of(), 0);
  }

  private void layRails(int first, int towards) {
    boolean areThere = mesh.hasVertex(first) && mesh.hasVertex(towards);
    int rail = areThere ? mesh.findEdge(first, towards) : Mesh.NONE;
    if (!vertices.contains(first) || rail == Mesh.NONE || vertices.contains(towards)) {
      throw Refusal.because("Point at an edge along which the chosen vertices shall slide.");
    }
    rails.put(first, rail);
    Deque<Integer> open = new ArrayDeque<>(List.of(first));
    while (!open.isEmpty()) {
      int v = open.poll();
      for (int e : mesh.edgesAt(v)) {
        int w = mesh.otherEnd(e, v);
        if (vertices.contains(w) && !rails.containsKey(w)) {
          int next = railAcross(v, e, w);
          if (next != Mesh.NONE) {
            rails.put(w, next);
            open.add(w);
          }
        }
      }
    }
    for (int v : vertices) {
      if (!rails.containsKey(v)) {
        throw Refusal.because(
            "This vertex does not hang together with the others, so it has no edge to slide on.",
            Element.vertex(v));
      }
    }
  }

  /** At w the edge on the same side of e as the rail of v: both are sides of one face with e. */
  private int railAcross(int v, int e, int w) {
    int rail = rails.getOrDefault(v, Mesh.NONE);
    for (int f : mesh.facesOn(e)) {
      int c = mesh.firstCorner(f);
      for (int i = mesh.size(f); i > 0; i--) {
        if (mesh.edgeOf(c) == e) {
          int before = mesh.edgeOf(mesh.previous(c));
          int after = mesh.edgeOf(mesh.next(c));
          int atV = mesh.vertexOf(c) == v ? before : after;
          int atW = atV == before ? after : before;
          if (atV == rail && !vertices.contains(mesh.otherEnd(atW, w))) {
            return atW;
          }
        }
        c = mesh.next(c);
      }
    }
    return Mesh.NONE;
  }

  private Vec3 place(int v, int rail, double amount, SlideBy measure, double merge) {
    int end = mesh.otherEnd(rail, v);
    if (!mesh.hasPlace(end)) {
      throw Refusal.because("This vertex has no place.", Element.vertex(end));
    }
    double length = mesh.length(rail);
    double share =
        switch (measure) {
          case FRACTION -> amount;
          case LENGTH -> amount / length;
          case FROM_END -> 1 - amount / length;
        };
    if (!(share >= 0) || !((1 - share) * length > merge)) {
      throw Refusal.because(
          measure == SlideBy.FRACTION
              ? "A vertex slides by a share from 0 to less than 1 of its edge."
              : "This edge is only %.4g long: the vertex would leave it.".formatted(length),
          Element.edge(rail));
    }
    return mesh.position(v).towards(mesh.position(end), share);
  }
}
