package fairedge.core.near;

import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;

/**
 * The vertices of a mesh by their exact place. Of those in one place the first is found. Cost to
 * make: the vertices; of a question: constant. About 8 bytes a vertex.
 */
public final class SamePlace {
  private final Mesh mesh;
  private final int[] table;
  private final int mask;

  public SamePlace(Mesh mesh) {
    this.mesh = mesh;
    int size = Integer.highestOneBit(Math.max(1, mesh.vertexCount())) << 2;
    table = new int[size];
    mask = size - 1;
    for (int v = 0; v < mesh.vertexEnd(); v++) {
      if (mesh.hasVertex(v) && mesh.hasPlace(v)) {
        int slot = slotOf(mesh.position(v));
        table[slot] = table[slot] == 0 ? v + 1 : table[slot];
      }
    }
  }

  /** Where the vertex at a place is kept, or would be. */
  private int slotOf(Vec3 place) {
    // Zero is one place, whatever its sign.
    long h = Double.doubleToLongBits(place.x() + 0.0) * 0x9E3779B97F4A7C15L;
    h = (h ^ h >>> 29 ^ Double.doubleToLongBits(place.y() + 0.0)) * 0xBF58476D1CE4E5B9L;
    h = (h ^ h >>> 32 ^ Double.doubleToLongBits(place.z() + 0.0)) * 0x94D049BB133111EBL;
    int slot = (int) (h ^ h >>> 31) & mask;
    while (table[slot] != 0 && mesh.position(table[slot] - 1).distance(place) != 0) {
      slot = slot + 1 & mask;
    }
    return slot;
  }

  /** The vertex at a place, or {@link Mesh#NONE}. */
  public int at(Vec3 place) {
    return table[slotOf(place)] - 1;
  }
}
