package fairedge.core.step;

import fairedge.core.geometry.Tolerance;
import fairedge.core.local.Refusal;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.ElementSet;
import fairedge.core.mesh.Mesh;
import java.util.BitSet;
import org.jspecify.annotations.Nullable;

/**
 * What of a starter no change may alter: faces that are locked, and vertices that are held. A
 * locked face keeps its corners where they are; one may be added on a side of it, where a cut ends
 * at a neighbour. Only what is as in the starter when the guard is made is kept so. Cost of a look:
 * the touched faces and vertices.
 */
public final class Guard {
  public static final Guard NONE = new Guard(null, new BitSet(), new BitSet(), new Tolerance(1));

  private final @Nullable Mesh starter;
  private final BitSet locked;
  private final BitSet held;
  private final double merge;

  private Guard(@Nullable Mesh starter, BitSet locked, BitSet held, Tolerance tolerance) {
    this.starter = starter;
    this.locked = locked;
    this.held = held;
    this.merge = tolerance.flat();
  }

  /**
   * @param mesh as it is now
   * @param starter from which it was made step by step: what was not touched has the same ids
   * @param locked faces of the starter
   * @param held vertices of the starter
   */
  public static Guard of(Mesh mesh, Mesh starter, BitSet locked, BitSet held, Tolerance tolerance) {
    if (locked.isEmpty() && held.isEmpty()) {
      return NONE;
    }
    Guard all = new Guard(starter, locked, held, tolerance);
    BitSet faces = new BitSet();
    BitSet vertices = new BitSet();
    locked.stream().filter(f -> all.keeps(mesh, starter, f)).forEach(faces::set);
    held.stream().filter(v -> all.holds(mesh, starter, v)).forEach(vertices::set);
    return new Guard(starter, faces, vertices, tolerance);
  }

  /** The faces that are locked, by their ids. */
  public BitSet locked() {
    return (BitSet) locked.clone();
  }

  /**
   * @param touched by a change that is in force
   */
  void requireKept(Mesh mesh, ElementSet touched) {
    if (starter == null) {
      return;
    }
    for (int f = next(locked, touched.faces(), 0);
        f >= 0;
        f = next(locked, touched.faces(), f + 1)) {
      if (!keeps(mesh, starter, f)) {
        throw Refusal.because(
            "This would cut or alter a face that the exercise locks: end it before that face, or"
                + " work in chosen faces only.",
            Element.face(f));
      }
    }
    for (int v = next(held, touched.vertices(), 0);
        v >= 0;
        v = next(held, touched.vertices(), v + 1)) {
      if (!holds(mesh, starter, v)) {
        throw Refusal.because(
            "This would move or remove a vertex that the exercise holds in its place.",
            Element.vertex(v));
      }
    }
  }

  /** The first id from one on that is in both; -1 if none is. */
  private static int next(BitSet guarded, BitSet touched, int from) {
    int id = touched.nextSetBit(from);
    while (id >= 0 && !guarded.get(id)) {
      id = touched.nextSetBit(id + 1);
    }
    return id;
  }

  private boolean holds(Mesh mesh, Mesh starter, int v) {
    return mesh.hasVertex(v)
        && mesh.facesAt(v).length > 0
        && mesh.position(v).equals(starter.position(v));
  }

  private boolean keeps(Mesh mesh, Mesh starter, int f) {
    return KeptFace.isKept(
        mesh,
        f,
        starter.vertices(f),
        v -> mesh.position(v).equals(starter.position(v)),
        starter::position,
        merge);
  }
}
