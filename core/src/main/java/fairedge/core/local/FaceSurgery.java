package fairedge.core.local;

import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.MeshLinks;
import java.util.List;

/** Splitting and joining faces, and taking both back; preconditions are the caller's. */
final class FaceSurgery {
  private final Mesh mesh;
  private final MeshLinks links;

  FaceSurgery(Mesh mesh, MeshLinks links) {
    this.mesh = mesh;
    this.links = links;
  }

  LocalChange.FaceSplit split(int f, int from, int to, List<Vec3> bends) {
    int[] path = new int[bends.size() + 2];
    path[0] = mesh.vertexOf(from);
    path[path.length - 1] = mesh.vertexOf(to);
    int[] vertices = new int[bends.size()];
    for (int i = 0; i < vertices.length; i++) {
      vertices[i] = links.makeVertex(bends.get(i));
      path[i + 1] = vertices[i];
    }
    int[] edges = new int[path.length - 1];
    for (int i = 0; i < edges.length; i++) {
      edges[i] = links.makeEdge(path[i], path[i + 1]);
    }
    int g = links.makeFace();
    divide(f, g, from, to, path, edges);
    return new LocalChange.FaceSplit(f, g, edges, vertices);
  }

  /** Gives g the run of corners in which f does not begin, and closes both along the path. */
  private void divide(int f, int g, int from, int to, int[] path, int[] edges) {
    boolean keepsFrom = holds(from, to, mesh.firstCorner(f));
    int giveFirst = keepsFrom ? to : from;
    int giveEnd = keepsFrom ? from : to;
    int keepLast = mesh.previous(giveFirst);
    int giveLast = mesh.previous(giveEnd);
    int given = 0;
    for (int c = giveFirst; c != giveEnd; c = mesh.next(c)) {
      links.giveTo(c, g);
      given++;
    }
    int kept = mesh.size(f) - given;
    // The run from..to closes along the path backwards, the other along it forwards.
    closeAlong(keepsFrom ? f : g, keepsFrom ? keepLast : giveLast, from, path, edges, false);
    closeAlong(keepsFrom ? g : f, keepsFrom ? giveLast : keepLast, to, path, edges, true);
    links.begin(f, mesh.firstCorner(f), kept + edges.length);
    links.begin(g, giveFirst, given + edges.length);
  }

  private boolean holds(int from, int to, int corner) {
    for (int c = from; c != to; c = mesh.next(c)) {
      if (c == corner) {
        return true;
      }
    }
    return false;
  }

  private void closeAlong(int f, int last, int first, int[] path, int[] edges, boolean forward) {
    int previous = last;
    for (int i = 0; i < edges.length; i++) {
      int at = forward ? i : edges.length - 1 - i;
      int c = links.makeCorner(f, forward ? path[at] : path[at + 1]);
      links.chain(previous, c);
      links.lay(c, edges[at]);
      previous = c;
    }
    links.chain(previous, first);
  }

  void undo(LocalChange.FaceSplit s) {
    int f = s.face();
    int g = s.newFace();
    int keptFirst = afterPath(f, s.edges());
    int givenFirst = afterPath(g, s.edges());
    int kept = mesh.size(f) - s.edges().length;
    int given = mesh.size(g) - s.edges().length;
    int keptLast = dropBefore(keptFirst, s.edges().length);
    int givenLast = dropBefore(givenFirst, s.edges().length);
    links.chain(keptLast, givenFirst);
    links.chain(givenLast, keptFirst);
    for (int c = givenFirst; c != keptFirst; c = mesh.next(c)) {
      links.giveTo(c, f);
    }
    links.begin(f, mesh.firstCorner(f), kept + given);
    links.freeFace(g);
    links.forgetFace(g);
    for (int i = s.edges().length - 1; i >= 0; i--) {
      links.freeEdge(s.edges()[i]);
      links.forgetEdge(s.edges()[i]);
    }
    for (int i = s.vertices().length - 1; i >= 0; i--) {
      links.freeVertex(s.vertices()[i]);
      links.forgetVertex(s.vertices()[i]);
    }
  }

  /** The corner of f that follows its sides on the path. */
  private int afterPath(int f, int[] edges) {
    int onFirst = sideOf(f, edges[0]);
    int onLast = sideOf(f, edges[edges.length - 1]);
    // In one of the two faces the path runs forwards, in the other backwards.
    boolean forward = edges.length == 1 || mesh.edgeOf(mesh.next(onFirst)) == edges[1];
    return mesh.next(forward ? onLast : onFirst);
  }

  private int sideOf(int f, int e) {
    int c = mesh.cornerOn(e);
    return mesh.faceOf(c) == f ? c : mesh.nextOnEdge(c);
  }

  /** Frees the count corners before c; the corner before them. */
  private int dropBefore(int c, int count) {
    int at = mesh.previous(c);
    for (int i = 0; i < count; i++) {
      int before = mesh.previous(at);
      links.unlay(at);
      links.freeCorner(at);
      at = before;
    }
    return at;
  }

  LocalChange.FacesJoined join(int e, int c, int d) {
    int keep = mesh.faceOf(c) < mesh.faceOf(d) ? c : d;
    int drop = keep == c ? d : c;
    int f = mesh.faceOf(keep);
    int g = mesh.faceOf(drop);
    int keptFirst = mesh.next(keep);
    int goneFirst = mesh.next(drop);
    boolean begunAtEdge = mesh.firstCorner(f) == keep;
    int goneBegin = 0;
    for (int at = goneFirst; at != mesh.firstCorner(g); at = mesh.next(at)) {
      goneBegin++;
    }
    int size = mesh.size(f) + mesh.size(g) - 2;
    int keptLast = dropBefore(keptFirst, 1);
    int goneLast = dropBefore(goneFirst, 1);
    links.chain(keptLast, goneFirst);
    links.chain(goneLast, keptFirst);
    for (int at = goneFirst; at != keptFirst; at = mesh.next(at)) {
      links.giveTo(at, f);
    }
    links.begin(f, begunAtEdge ? keptFirst : mesh.firstCorner(f), size);
    links.freeFace(g);
    links.freeEdge(e);
    return new LocalChange.FacesJoined(
        f, g, e, stepsTo(f, keptFirst), stepsTo(f, goneFirst), begunAtEdge, goneBegin);
  }

  /** How many corners after its first one f has this one. */
  private int stepsTo(int f, int corner) {
    int steps = 0;
    for (int c = mesh.firstCorner(f); c != corner; c = mesh.next(c)) {
      steps++;
    }
    return steps;
  }

  private int cornerAfter(int corner, int steps) {
    int c = corner;
    for (int i = 0; i < steps; i++) {
      c = mesh.next(c);
    }
    return c;
  }

  void undo(LocalChange.FacesJoined j) {
    int f = j.face();
    int g = j.goneFace();
    int keptFirst = cornerAfter(mesh.firstCorner(f), j.keptFirst());
    int goneFirst = cornerAfter(mesh.firstCorner(f), j.goneFirst());
    int keptLast = mesh.previous(goneFirst);
    int goneLast = mesh.previous(keptFirst);
    links.reviveEdge(j.edge(), mesh.vertexOf(keptFirst), mesh.vertexOf(goneFirst));
    int given = 0;
    for (int c = goneFirst; c != keptFirst; c = mesh.next(c)) {
      links.giveTo(c, g);
      given++;
    }
    int size = mesh.size(f);
    int keptCorner = closeAcross(f, keptLast, goneFirst, keptFirst, j.edge());
    closeAcross(g, goneLast, keptFirst, goneFirst, j.edge());
    links.begin(f, j.begunAtEdge() ? keptCorner : mesh.firstCorner(f), size - given + 1);
    links.begin(g, cornerAfter(goneFirst, j.goneBegin()), given + 1);
  }

  /** Puts a corner at the vertex of {@code at} between last and first, its side on e. */
  private int closeAcross(int f, int last, int at, int first, int e) {
    int c = links.makeCorner(f, mesh.vertexOf(at));
    links.chain(last, c);
    links.chain(c, first);
    links.lay(c, e);
    return c;
  }

  /** Lays a ring of corners for f over edges that are there, and makes it the face. */
  void lay(int f, int[] vertices) {
    int first = links.makeCorner(f, vertices[0]);
    int last = first;
    for (int i = 1; i < vertices.length; i++) {
      int c = links.makeCorner(f, vertices[i]);
      links.chain(last, c);
      last = c;
    }
    links.chain(last, first);
    int c = first;
    for (int i = 0; i < vertices.length; i++) {
      links.lay(c, mesh.findEdge(vertices[i], vertices[(i + 1) % vertices.length]));
      c = mesh.next(c);
    }
    links.begin(f, first, vertices.length);
  }

  /** Takes all corners of f away; it must be laid anew or freed. */
  void unlay(int f) {
    int c = mesh.firstCorner(f);
    for (int i = mesh.size(f); i > 0; i--) {
      int next = mesh.next(c);
      links.unlay(c);
      links.freeCorner(c);
      c = next;
    }
  }
}
