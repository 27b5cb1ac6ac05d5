package fairedge.core.flow;

import fairedge.core.mesh.Mesh;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.List;

/**
 * Which faces to turn so that neighbours across two-sided edges are wound alike.
 *
 * <ol>
 *   <li>A <em>piece</em> is faces joined by two-sided edges.
 *   <li>From its lowest face on, each face is kept or turned, so that every two-sided edge becomes
 *       consistent; where that can't be, the piece is not orientable and nothing is turned.
 *   <li>Else the smaller side is turned; of equal sides the one without the lowest face.
 * </ol>
 *
 * @param toTurn the faces to turn
 * @param twisted for every piece that is not orientable its faces
 */
public record Orientation(BitSet toTurn, List<int[]> twisted) {

  /** Cost: the mesh; nothing where no edge is inconsistent. */
  public static Orientation of(Topology topology) {
    return topology.hasInconsistent()
        ? new Walk(topology).orientation()
        : new Orientation(new BitSet(), List.of());
  }

  private static final class Walk {
    private final Topology topology;
    private final Mesh mesh;
    private final byte[] side;
    private final BitSet toTurn = new BitSet();
    private final List<int[]> twisted = new ArrayList<>();
    private int[] piece = new int[64];
    private int size;
    private boolean conflict;

    Walk(Topology topology) {
      this.topology = topology;
      this.mesh = topology.mesh();
      this.side = new byte[mesh.faceEnd()];
    }

    Orientation orientation() {
      for (int f = 0; f < side.length; f++) {
        if (mesh.hasFace(f) && side[f] == 0) {
          walk(f);
          settle();
        }
      }
      return new Orientation(toTurn, twisted);
    }

    private void walk(int start) {
      size = 0;
      conflict = false;
      reach(start, (byte) 1);
      for (int i = 0; i < size; i++) {
        int f = piece[i];
        int c = mesh.firstCorner(f);
        for (int k = mesh.size(f); k > 0; k--) {
          int e = mesh.edgeOf(c);
          if (topology.uses(e) == 2) {
            byte wanted = (byte) (topology.isInconsistent(e) ? -side[f] : side[f]);
            reach(mesh.faceOf(mesh.nextOnEdge(c)), wanted);
          }
          c = mesh.next(c);
        }
      }
    }

    private void reach(int f, byte wanted) {
      if (side[f] != 0) {
        conflict |= side[f] != wanted;
        return;
      }
      side[f] = wanted;
      if (size == piece.length) {
        piece = Arrays.copyOf(piece, 2 * size);
      }
      piece[size++] = f;
    }

    private void settle() {
      if (conflict) {
        int[] faces = Arrays.copyOf(piece, size);
        Arrays.sort(faces);
        twisted.add(faces);
        return;
      }
      int kept = 0;
      for (int i = 0; i < size; i++) {
        kept += side[piece[i]] == 1 ? 1 : 0;
      }
      // The lowest face is on the kept side.
      byte turned = (byte) (2 * kept >= size ? -1 : 1);
      for (int i = 0; i < size; i++) {
        if (side[piece[i]] == turned) {
          toTurn.set(piece[i]);
        }
      }
    }
  }
}
