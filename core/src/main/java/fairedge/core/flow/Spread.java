package fairedge.core.flow;

import fairedge.core.mesh.Mesh;
import java.util.Arrays;
import java.util.BitSet;

/**
 * Faces that hang together by edges, but not across some edges; each is found once. Cost: what is
 * found.
 */
public final class Spread {
  private final Mesh mesh;
  private final BitSet across;
  private final BitSet known = new BitSet();
  private int[] found = new int[64];

  /**
   * @param across edges that part what is beside them
   */
  public Spread(Mesh mesh, BitSet across) {
    this.mesh = mesh;
    this.across = across;
  }

  public Spread(Mesh mesh) {
    this(mesh, new BitSet());
  }

  /** What hangs together with a face and is not known yet, the face first; nothing if it is. */
  public int[] from(int face) {
    int count = 0;
    if (!known.get(face)) {
      known.set(face);
      found[count++] = face;
    }
    for (int i = 0; i < count; i++) {
      int first = mesh.firstCorner(found[i]);
      int c = first;
      do {
        if (!across.get(mesh.edgeOf(c))) {
          for (int d = mesh.nextOnEdge(c); d != c; d = mesh.nextOnEdge(d)) {
            int f = mesh.faceOf(d);
            if (!known.get(f)) {
              known.set(f);
              found = count < found.length ? found : Arrays.copyOf(found, 2 * count);
              found[count++] = f;
            }
          }
        }
        c = mesh.next(c);
      } while (c != first);
    }
    return Arrays.copyOf(found, count);
  }

  /** All that was found so far. */
  public BitSet known() {
    return known;
  }
}
