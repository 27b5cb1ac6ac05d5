package fairedge.core.cut;

import fairedge.core.local.Refusal;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.Deque;
import java.util.List;

/**
 * On which side of a plane each face of a mesh is that was cut along it.
 *
 * <p>Faces that lie in the plane go in patches, joined across edges: a patch is on the side on
 * which its solid lies. Of a part that closes a solid (every edge of it has two faces, wound alike)
 * that is the side away from which the patch looks. Of any other part there is no solid to tell:
 * the patch goes with the faces across its border, and, where those are on both sides, belongs to
 * both. A patch with nothing across its border stays behind. Cost: the mesh.
 */
final class PlaneSides {
  /** Where a face is. */
  enum Side {
    AHEAD,
    BEHIND,
    /** In the plane, with something of its part on either side and no solid on one. */
    BOTH
  }

  private final Mesh mesh;
  private final FlatPlane plane;
  private final double merge;

  /** Of each vertex 1 ahead, -1 behind, 0 in the plane. */
  private final byte[] signs;

  private final Side[] sides;

  /** Whether something that does not lie in the plane is there. */
  private boolean hasAhead;

  private boolean hasBehind;

  /** The faces across the border of a patch. */
  private record Across(boolean ahead, boolean behind) {}

  /**
   * @throws Refusal.Raised if a face lies on both sides
   */
  PlaneSides(Mesh mesh, FlatPlane plane, double merge) {
    this.mesh = mesh;
    this.plane = plane;
    this.merge = merge;
    this.signs = new byte[mesh.vertexEnd()];
    this.sides = new Side[mesh.faceEnd()];
    for (int v = 0; v < signs.length; v++) {
      signs[v] = mesh.hasVertex(v) ? signAt(v) : 0;
    }
    BitSet flat = new BitSet();
    for (int f = 0; f < sides.length; f++) {
      int sign = mesh.hasFace(f) ? signOf(f) : 0;
      flat.set(f, sign == 0 && mesh.hasFace(f));
      sides[f] = sign == 0 ? null : sign > 0 ? Side.AHEAD : Side.BEHIND;
      hasAhead |= sign > 0;
      hasBehind |= sign < 0;
    }
    if (!flat.isEmpty()) {
      settle(flat);
    }
  }

  private byte signAt(int v) {
    double d = plane.distance(mesh.position(v));
    return (byte) (Math.abs(d) <= merge || Double.isNaN(d) ? 0 : d > 0 ? 1 : -1);
  }

  /** Also of vertices that were made since, along the plane. */
  boolean isInPlane(int v) {
    return v >= signs.length || signs[v] == 0;
  }

  /** Faces that were made since close the side ahead, unless their maker knows better. */
  Side of(int face) {
    return face < sides.length ? sides[face] : Side.AHEAD;
  }

  /** Whether something that does not lie in the plane is on each side. */
  boolean areTwo() {
    return hasAhead && hasBehind;
  }

  private int signOf(int f) {
    int sign = 0;
    int c = mesh.firstCorner(f);
    for (int i = mesh.size(f); i > 0; i--) {
      int here = signs[mesh.vertexOf(c)];
      if (here * sign < 0) {
        throw Refusal.because(
            "This face could not be cut through, so the sides can't be parted.", Element.face(f));
      }
      sign = here == 0 ? sign : here;
      c = mesh.next(c);
    }
    return sign;
  }

  private void settle(BitSet flat) {
    BitSet closed = facesOfSolids();
    BitSet left = (BitSet) flat.clone();
    for (int f = left.nextSetBit(0); f >= 0; f = left.nextSetBit(f)) {
      List<Integer> patch = takePatch(f, left);
      Side side = sideOf(patch, closed.get(f), flat);
      patch.forEach(g -> sides[g] = side);
    }
  }

  /** Faces joined across edges to the first, which leave what is left. */
  List<Integer> takePatch(int first, BitSet left) {
    List<Integer> patch = new ArrayList<>();
    Deque<Integer> open = new ArrayDeque<>(List.of(first));
    left.clear(first);
    while (!open.isEmpty()) {
      int f = open.poll();
      patch.add(f);
      for (int e : mesh.edges(f)) {
        for (int g : mesh.facesOn(e)) {
          if (left.get(g)) {
            left.clear(g);
            open.add(g);
          }
        }
      }
    }
    return patch;
  }

  private Side sideOf(List<Integer> patch, boolean isOfASolid, BitSet flat) {
    double looks = 0;
    for (int f : patch) {
      looks += mesh.isMeasurable(f) ? plane.normal().dot(mesh.polygon(f).newell()) : 0;
    }
    if (isOfASolid && looks != 0) {
      return looks > 0 ? Side.BEHIND : Side.AHEAD;
    }
    Across across = across(patch, flat);
    return !across.ahead() ? Side.BEHIND : across.behind() ? Side.BOTH : Side.AHEAD;
  }

  private Across across(List<Integer> patch, BitSet flat) {
    boolean ahead = false;
    boolean behind = false;
    for (int f : patch) {
      for (int e : mesh.edges(f)) {
        for (int g : mesh.facesOn(e)) {
          ahead |= !flat.get(g) && sides[g] == Side.AHEAD;
          behind |= !flat.get(g) && sides[g] == Side.BEHIND;
        }
      }
    }
    return new Across(ahead, behind);
  }

  /** Faces of parts of which every edge has two faces, wound alike. */
  private BitSet facesOfSolids() {
    BitSet open = new BitSet();
    Deque<Integer> next = new ArrayDeque<>();
    for (int e = 0; e < mesh.edgeEnd(); e++) {
      if (mesh.hasEdge(e) && !mesh.isTwoSided(e) || isWoundTwice(e)) {
        reach(e, open, next);
      }
    }
    while (!next.isEmpty()) {
      for (int e : mesh.edges(next.poll())) {
        reach(e, open, next);
      }
    }
    BitSet solid = new BitSet();
    for (int f = 0; f < mesh.faceEnd(); f++) {
      solid.set(f, mesh.hasFace(f) && !open.get(f));
    }
    return solid;
  }

  private void reach(int edge, BitSet open, Deque<Integer> next) {
    for (int f : mesh.facesOn(edge)) {
      if (!open.get(f)) {
        open.set(f);
        next.add(f);
      }
    }
  }

  /** Whether both of its faces run along an edge the same way. */
  boolean isWoundTwice(int e) {
    if (!mesh.hasEdge(e) || !mesh.isTwoSided(e)) {
      return false;
    }
    int c = mesh.cornerOn(e);
    return mesh.vertexOf(c) == mesh.vertexOf(mesh.nextOnEdge(c));
  }
}
