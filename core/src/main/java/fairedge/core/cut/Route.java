package fairedge.core.cut;

import fairedge.core.geometry.Vec3;
import fairedge.core.local.MeshEdit;
import fairedge.core.local.Refusal;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import fairedge.core.work.Done;
import fairedge.core.work.Site;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * A path of new edges from the middle of one edge to that of the next, across the quads between
 * them. Straight through a quad it leaves 2; where it turns, 3 about a new vertex, and the corner
 * opposite the turn gains an edge. Straight across a path that was cut before, it makes 4 quads of
 * two. Faces at its ends gain a corner, or, where it begins at a vertex, are divided from there.
 *
 * <p>Precondition: each edge and the next are sides of one quad, or of what an earlier path made of
 * one. Result: quads along the way, no T-junction; new vertices lie on the edges and, at turns, on
 * the quad. Cost: the edges.
 */
public final class Route {
  private static final Done DONE = new Done(List.of(), List.of(), 0);

  private final Site site;
  private final MeshEdit edit;
  private final Mesh mesh;

  private Route(Site site) {
    this.site = site;
    this.edit = site.edit();
    this.mesh = site.mesh();
  }

  /**
   * @param from a vertex to begin at, in a face that has the first edge; null to begin on that edge
   * @throws Refusal.Raised with nothing lost if the caller takes the edit back
   */
  public static Done cut(Site site, @Nullable Integer from, List<Integer> edges) {
    new Route(site).cut(from, edges);
    return DONE;
  }

  private void cut(@Nullable Integer from, List<Integer> edges) {
    Set<Integer> seen = new HashSet<>();
    for (int e : edges) {
      if (!mesh.hasEdge(e) || mesh.uses(e) == 0 || mesh.uses(e) > 2 || !seen.add(e)) {
        throw Refusal.because("A route crosses edges of one or two faces, each once.");
      }
    }
    if (edges.isEmpty() || from != null && !mesh.hasVertex(from)) {
      throw Refusal.because("A route needs an edge to begin at.");
    }
    int[] middles = edges.stream().mapToInt(e -> edit.splitEdge(e, mesh.along(e, 0.5))).toArray();
    if (from != null) {
      across(from, middles[0]);
    }
    for (int i = 1; i < middles.length; i++) {
      across(middles[i - 1], middles[i]);
    }
  }

  private void across(int a, int b) {
    int f = faceWith(a, b);
    if (f != Mesh.NONE) {
      divide(f, a, b);
      return;
    }
    // An earlier path runs between them, straight across this one.
    for (int g : mesh.facesAt(a)) {
      for (int e : mesh.edges(g)) {
        int other = beyond(e, g);
        if (mesh.first(e) != a
            && mesh.second(e) != a
            && other != Mesh.NONE
            && mesh.findCorner(other, b) != Mesh.NONE) {
          int m = edit.splitEdge(e, mesh.along(e, 0.5));
          divide(g, a, m);
          divide(other, m, b);
          return;
        }
      }
    }
    throw Refusal.because("A route goes on across one quad at a time.", Element.vertex(a));
  }

  private int beyond(int e, int f) {
    int[] both = mesh.facesOn(e);
    return both.length == 2 && both[0] != both[1] ? both[0] == f ? both[1] : both[0] : Mesh.NONE;
  }

  private int faceWith(int a, int b) {
    for (int f : mesh.facesAt(a)) {
      if (mesh.findCorner(f, b) != Mesh.NONE && site.allows(f)) {
        return f;
      }
    }
    return Mesh.NONE;
  }

  private void divide(int f, int a, int b) {
    int from = mesh.findCorner(f, a);
    int to = mesh.findCorner(f, b);
    if (mesh.findEdge(a, b) != Mesh.NONE) {
      throw Refusal.because("A route can't run along an edge.", Element.face(f));
    }
    if (mesh.size(f) != 6 || steps(from, to) == 3) {
      edit.splitFace(f, from, to, List.of());
      return;
    }
    turn(f, steps(from, to) == 2 ? from : to, steps(from, to) == 2 ? to : from);
  }

  private int steps(int from, int to) {
    int count = 0;
    for (int c = from; c != to; c = mesh.next(c)) {
      count++;
    }
    return count;
  }

  /** About the corner between two middles: a vertex inside, joined to both and to the opposite. */
  private void turn(int f, int from, int to) {
    int opposite = mesh.vertexOf(mesh.next(mesh.next(to)));
    int before = mesh.vertexOf(from);
    Vec3 middle = middleOf(f, from, to);
    edit.splitFace(f, from, to, List.of(middle));
    int inside = mesh.vertexEnd() - 1;
    for (int g : mesh.facesAt(inside)) {
      int c = mesh.findCorner(g, inside);
      int d = mesh.findCorner(g, opposite);
      if (d != Mesh.NONE) {
        edit.splitFace(g, c, d, List.of());
        return;
      }
    }
    throw new IllegalStateException("no corner opposite the turn at vertex " + before);
  }

  /** Of the four corners of the quad that it was, on its surface. */
  private Vec3 middleOf(int f, int from, int to) {
    Vec3 sum = Vec3.ZERO;
    int c = mesh.firstCorner(f);
    for (int i = 0; i < mesh.size(f); i++, c = mesh.next(c)) {
      if (c != from && c != to) {
        sum = sum.plus(mesh.position(mesh.vertexOf(c)));
      }
    }
    Vec3 middle = sum.times(0.25);
    if (!mesh.isMeasurable(f)) {
      return middle;
    }
    Vec3 laid = mesh.polygon(f).onSurface(middle);
    return laid == null ? middle : laid;
  }
}
