package fairedge.core.mesh;

import java.util.Arrays;
import java.util.BitSet;

/**
 * A few ids out of very many, without a bit for each of those: an open hash table. Cost: constant
 * for each question; the order is made when it is asked for.
 */
public final class IdSet {
  private static final int EMPTY = -1;

  private int[] slots = new int[64];
  private int count;

  public IdSet() {
    Arrays.fill(slots, EMPTY);
  }

  public static IdSet of(int... ids) {
    IdSet set = new IdSet();
    set.addAll(ids);
    return set;
  }

  /** The bits that are set, in order; without counting them first. */
  public static int[] idsOf(BitSet bits) {
    int[] ids = new int[16];
    int count = 0;
    for (int id = bits.nextSetBit(0); id >= 0; id = bits.nextSetBit(id + 1)) {
      ids = count == ids.length ? Arrays.copyOf(ids, 2 * count) : ids;
      ids[count++] = id;
    }
    return Arrays.copyOf(ids, count);
  }

  /**
   * @param id not negative
   * @return whether it was not among them
   */
  public boolean add(int id) {
    int slot = slotOf(id);
    if (slots[slot] == id) {
      return false;
    }
    slots[slot] = id;
    if (++count > slots.length / 2) {
      grow();
    }
    return true;
  }

  public void addAll(int... ids) {
    for (int id : ids) {
      add(id);
    }
  }

  private void grow() {
    int[] before = slots;
    slots = new int[2 * before.length];
    Arrays.fill(slots, EMPTY);
    for (int id : before) {
      if (id != EMPTY) {
        slots[slotOf(id)] = id;
      }
    }
  }

  public boolean has(int id) {
    return slots[slotOf(id)] == id;
  }

  /** Where an id is, or would be. */
  private int slotOf(int id) {
    int h = id * 0x9E3779B9;
    int slot = (h ^ h >>> 16) & slots.length - 1;
    while (slots[slot] != EMPTY && slots[slot] != id) {
      slot = slot + 1 & slots.length - 1;
    }
    return slot;
  }

  public int count() {
    return count;
  }

  /** All of them in order. Cost: n log n. */
  public int[] sorted() {
    int[] ids = new int[count];
    int filled = 0;
    for (int id : slots) {
      if (id != EMPTY) {
        ids[filled++] = id;
      }
    }
    Arrays.sort(ids);
    return ids;
  }
}
