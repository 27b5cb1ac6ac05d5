package fairedge.core.local;

import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.MeshLinks;
import java.util.ArrayList;
import java.util.List;

/** Splitting and joining edges, and taking both back; preconditions are the caller's. */
final class EdgeSurgery {
  private final Mesh mesh;
  private final MeshLinks links;

  EdgeSurgery(Mesh mesh, MeshLinks links) {
    this.mesh = mesh;
    this.links = links;
  }

  LocalChange.EdgeSplit split(int e, Vec3 at) {
    int v = links.makeVertex(at);
    int newEdge = links.makeEdge(mesh.second(e), v);
    insert(e, v, newEdge);
    return new LocalChange.EdgeSplit(e, v, newEdge);
  }

  /** Hangs e between its first end and v, and gives every side on it a corner at v. */
  private void insert(int e, int v, int newEdge) {
    int kept = mesh.otherEnd(newEdge, v) == mesh.first(e) ? mesh.second(e) : mesh.first(e);
    List<Integer> sides = sidesOn(e);
    links.rehang(e, kept, v);
    for (int c : sides) {
      int f = mesh.faceOf(c);
      int middle = links.makeCorner(f, v);
      links.chain(middle, mesh.next(c));
      links.chain(c, middle);
      if (mesh.vertexOf(c) == kept) {
        links.lay(middle, newEdge);
      } else {
        links.unlay(c);
        links.lay(c, newEdge);
        links.lay(middle, e);
      }
      links.begin(f, mesh.firstCorner(f), mesh.size(f) + 1);
    }
  }

  private List<Integer> sidesOn(int e) {
    List<Integer> sides = new ArrayList<>();
    int start = mesh.cornerOn(e);
    for (int c = start; c != Mesh.NONE; ) {
      sides.add(c);
      c = mesh.nextOnEdge(c);
      if (c == start) {
        break;
      }
    }
    return sides;
  }

  void undo(LocalChange.EdgeSplit s) {
    int end = mesh.otherEnd(s.newEdge(), s.vertex());
    remove(s.edge(), s.vertex(), s.newEdge(), end);
    links.forgetVertex(s.vertex());
    links.forgetEdge(s.newEdge());
  }

  LocalChange.EdgeJoined join(int v, int e, int gone) {
    int end = mesh.otherEnd(e, v);
    int goneEnd = mesh.otherEnd(gone, v);
    Vec3 at = mesh.position(v);
    int[] begun = remove(e, v, gone, goneEnd);
    return new LocalChange.EdgeJoined(e, v, gone, end, goneEnd, at, begun);
  }

  /** Takes v and the edge gone out; says which faces began at v. */
  private int[] remove(int e, int v, int gone, int goneEnd) {
    List<Integer> begun = new ArrayList<>();
    List<Integer> sides = sidesOn(gone);
    for (int c : sides) {
      boolean leavesMiddle = mesh.vertexOf(c) == v;
      int middle = leavesMiddle ? c : mesh.next(c);
      int before = mesh.previous(middle);
      int f = mesh.faceOf(middle);
      boolean begins = mesh.firstCorner(f) == middle;
      if (begins) {
        begun.add(f);
      }
      links.unlay(middle);
      if (!leavesMiddle) {
        links.unlay(c);
        links.lay(c, e);
      }
      int after = mesh.next(middle);
      links.chain(before, after);
      links.begin(f, begins ? after : mesh.firstCorner(f), mesh.size(f) - 1);
      links.freeCorner(middle);
    }
    int kept = mesh.otherEnd(e, v);
    links.freeEdge(gone);
    links.rehang(e, kept, goneEnd);
    links.freeVertex(v);
    return begun.stream().mapToInt(Integer::intValue).toArray();
  }

  void undo(LocalChange.EdgeJoined j) {
    links.reviveVertex(j.vertex(), j.at());
    links.reviveEdge(j.goneEdge(), j.goneEnd(), j.vertex());
    insert(j.edge(), j.vertex(), j.goneEdge());
    for (int f : j.begunThere()) {
      // It begins with the corner after; a face may have the vertex more than once.
      links.begin(f, mesh.previous(mesh.firstCorner(f)), mesh.size(f));
    }
  }
}
