package fairedge.core.step;

import fairedge.core.local.Journal;
import fairedge.core.local.Refusal;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import fairedge.core.work.Remark;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.Collection;
import java.util.List;

/**
 * Faces that whoever asks for a change does not see, and so does not mean: none of their vertices
 * may be moved or taken out; that one gains a corner on a side is told. It is asked once, when the
 * change is made, and not when it is made again. Cost: to make, the corners of these faces; to ask,
 * those that were touched.
 */
final class Spared {
  private final Mesh mesh;
  private final double near;
  private final BitSet hidden = new BitSet();

  /** Where in {@link #corners} those of a hidden face begin, by how many are hidden before it. */
  private final int[] begin;

  private final int[] corners;

  /**
   * @param hidden ids of faces; those of none are left out
   * @param near how far from a side a new corner may lie
   */
  Spared(Mesh mesh, Collection<Integer> hidden, double near) {
    this.mesh = mesh;
    this.near = near;
    for (int f : hidden) {
      if (mesh.hasFace(f)) {
        this.hidden.set(f);
      }
    }
    this.begin = new int[this.hidden.cardinality() + 1];
    int at = 0;
    for (int f = this.hidden.nextSetBit(0); f >= 0; f = this.hidden.nextSetBit(f + 1)) {
      begin[at + 1] = begin[at] + mesh.size(f);
      at++;
    }
    this.corners = new int[begin[at]];
    at = 0;
    for (int f = this.hidden.nextSetBit(0); f >= 0; f = this.hidden.nextSetBit(f + 1)) {
      System.arraycopy(mesh.vertices(f), 0, corners, begin[at++], mesh.size(f));
    }
  }

  /**
   * @param done in force
   * @return what is to be told
   * @throws Refusal.Raised where a hidden face was altered
   */
  List<Remark> requireKept(Journal done) {
    List<Remark> remarks = new ArrayList<>();
    BitSet touched = done.touched().faces();
    int at = 0;
    for (int f = hidden.nextSetBit(0); f >= 0; f = hidden.nextSetBit(f + 1), at++) {
      if (touched.get(f)) {
        int[] before = Arrays.copyOfRange(corners, begin[at], begin[at + 1]);
        if (!KeptFace.isKept(mesh, f, before, v -> !done.hasMoved(v), mesh::position, near)) {
          throw Refusal.because(
              "This would move or take out a vertex of a hidden face: show it first, or choose what"
                  + " lies apart from it.",
              Element.face(f));
        }
        int gained = mesh.size(f) - before.length;
        if (gained > 0) {
          remarks.add(
              Remark.of(
                  "A hidden face gains %s: it has %d sides now."
                      .formatted(gained == 1 ? "a corner" : gained + " corners", mesh.size(f)),
                  Element.face(f)));
        }
      }
    }
    return remarks;
  }
}
