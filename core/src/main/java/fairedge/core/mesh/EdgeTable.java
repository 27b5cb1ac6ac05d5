package fairedge.core.mesh;

import java.util.Arrays;

/**
 * Edges by their two ends, by open addressing on primitive arrays; for building only. The first
 * places that are tried lie near those of neighbouring vertices, since files name what lies near
 * together; after {@value #NEAR} the search goes on where a hash says, so that a hub of many edges
 * costs no more than others.
 */
final class EdgeTable {
  private static final int NEAR = 8;

  private long[] keys;
  private int[] values;
  private int filled;

  EdgeTable(int expected) {
    int size = Integer.highestOneBit(Math.max(16, expected) * 2) * 2;
    keys = new long[size];
    values = new int[size];
    Arrays.fill(keys, -1);
  }

  /** The edge between a and b, or {@link Mesh#NONE}. */
  int find(int a, int b) {
    int slot = slotOf(keyOf(a, b));
    return keys[slot] == -1 ? Mesh.NONE : values[slot];
  }

  void put(int a, int b, int edge) {
    if (3L * ++filled > 2L * keys.length) {
      grow();
    }
    long key = keyOf(a, b);
    int slot = slotOf(key);
    keys[slot] = key;
    values[slot] = edge;
  }

  private static long keyOf(int a, int b) {
    return (long) Math.min(a, b) << 32 | Math.max(a, b);
  }

  private int slotOf(long key) {
    int mask = keys.length - 1;
    int near = (int) (key >>> 32) * 4;
    for (int i = 0; i < NEAR; i++) {
      int slot = (near + i) & mask;
      if (keys[slot] == -1 || keys[slot] == key) {
        return slot;
      }
    }
    int slot = (int) (key * 0x9E3779B97F4A7C15L >>> 32) & mask;
    while (keys[slot] != -1 && keys[slot] != key) {
      slot = (slot + 1) & mask;
    }
    return slot;
  }

  private void grow() {
    long[] oldKeys = keys;
    int[] oldValues = values;
    keys = new long[2 * oldKeys.length];
    values = new int[keys.length];
    Arrays.fill(keys, -1);
    for (int i = 0; i < oldKeys.length; i++) {
      if (oldKeys[i] != -1) {
        int slot = slotOf(oldKeys[i]);
        keys[slot] = oldKeys[i];
        values[slot] = oldValues[i];
      }
    }
  }
}
