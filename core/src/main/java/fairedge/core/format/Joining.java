package fairedge.core.format;

import java.util.Arrays;

/**
 * Joins vertices that a format keeps apart although they are one: those whose three numbers are the
 * same. Those without a place stay apart. About 8 bytes a vertex.
 */
public final class Joining {
  private static final int NONE = -1;

  private final Assembly assembly;
  private int[] table = new int[1 << 10];
  private int count;

  public Joining(Assembly assembly) {
    this.assembly = assembly;
    Arrays.fill(table, NONE);
  }

  /** The vertex at a place, added if there is none yet. */
  public int vertex(double x, double y, double z, int line) throws BadFile {
    if (!Double.isFinite(x) || !Double.isFinite(y) || !Double.isFinite(z)) {
      return assembly.vertex(x, y, z, line);
    }
    int slot = slotOf(x, y, z);
    if (table[slot] == NONE) {
      table[slot] = assembly.vertex(x, y, z, line);
      int added = table[slot];
      if (2 * ++count > table.length) {
        grow();
      }
      return added;
    }
    return table[slot];
  }

  /** Where the vertex at a place is kept, or would be. */
  private int slotOf(double x, double y, double z) {
    // Zero is one place, whatever its sign.
    long h = Double.doubleToLongBits(x + 0.0) * 0x9E3779B97F4A7C15L;
    h = (h ^ h >>> 29 ^ Double.doubleToLongBits(y + 0.0)) * 0xBF58476D1CE4E5B9L;
    h = (h ^ h >>> 32 ^ Double.doubleToLongBits(z + 0.0)) * 0x94D049BB133111EBL;
    int mask = table.length - 1;
    int slot = (int) (h ^ h >>> 31) & mask;
    while (table[slot] != NONE && !isAt(table[slot], x, y, z)) {
      slot = slot + 1 & mask;
    }
    return slot;
  }

  private boolean isAt(int v, double x, double y, double z) {
    return assembly.place(v, 0) == x && assembly.place(v, 1) == y && assembly.place(v, 2) == z;
  }

  private void grow() {
    int[] old = table;
    table = new int[2 * old.length];
    Arrays.fill(table, NONE);
    for (int v : old) {
      if (v != NONE) {
        table[slotOf(assembly.place(v, 0), assembly.place(v, 1), assembly.place(v, 2))] = v;
      }
    }
  }
}
