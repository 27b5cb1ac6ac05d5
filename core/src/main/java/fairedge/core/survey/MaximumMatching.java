package fairedge.core.survey;

import java.util.Arrays;

/**
 * Makes a matching in any graph as large as it can be, by augmenting paths through blossoms.
 * Source: Edmonds, "Paths, trees, and flowers", 1965. A search that finds no path leaves a tree
 * that no later path can use (Gabow, 1976), so failed searches cost the graph once in all; a search
 * that finds one costs what lies nearer than its end.
 */
final class MaximumMatching {
  /** No partner. */
  static final int NONE = -1;

  private final int[][] neighbours;
  private final int[] mate;
  private final int[] parent;
  private final int[] base;
  private final boolean[] outer;
  private final boolean[] done;
  private final boolean[] inBlossom;
  private final boolean[] onPath;
  private final int[] seenIn;
  private final int[] touched;
  private int touchedCount;
  private int search;

  /**
   * @param neighbours for each node those joined to it
   * @param mate for each node its partner so far, or {@link #NONE}; becomes the result
   */
  MaximumMatching(int[][] neighbours, int[] mate) {
    int n = neighbours.length;
    this.neighbours = neighbours;
    this.mate = mate;
    parent = new int[n];
    base = new int[n];
    outer = new boolean[n];
    done = new boolean[n];
    inBlossom = new boolean[n];
    onPath = new boolean[n];
    seenIn = new int[n];
    touched = new int[n];
    Arrays.fill(seenIn, NONE);
  }

  void augment() {
    for (int root = 0; root < mate.length; root++) {
      if (mate[root] == NONE && !done[root]) {
        int end = pathFrom(root);
        if (end == NONE) {
          for (int i = 0; i < touchedCount; i++) {
            done[touched[i]] = true;
          }
        }
        flip(end);
      }
    }
  }

  private void flip(int end) {
    int at = end;
    while (at != NONE) {
      int before = parent[at];
      int next = mate[before];
      mate[at] = before;
      mate[before] = at;
      at = next;
    }
  }

  private void visit(int v) {
    if (seenIn[v] != search) {
      seenIn[v] = search;
      parent[v] = NONE;
      base[v] = v;
      outer[v] = false;
      touched[touchedCount++] = v;
    }
  }

  /** The free end of an augmenting path from root, told by the parents; -1 if there is none. */
  private int pathFrom(int root) {
    search++;
    touchedCount = 0;
    visit(root);
    outer[root] = true;
    IntQueue open = new IntQueue();
    open.add(root);
    while (!open.isEmpty()) {
      int v = open.remove();
      for (int to : neighbours[v]) {
        if (done[to]) {
          continue;
        }
        visit(to);
        if (base[v] == base[to] || mate[v] == to) {
          continue;
        }
        if (to == root || isReached(mate[to])) {
          contract(v, to, open);
        } else if (parent[to] == NONE) {
          parent[to] = v;
          if (mate[to] == NONE) {
            return to;
          }
          visit(mate[to]);
          outer[mate[to]] = true;
          open.add(mate[to]);
        }
      }
    }
    return NONE;
  }

  private boolean isReached(int v) {
    return v != NONE && seenIn[v] == search && parent[v] != NONE;
  }

  private void contract(int v, int to, IntQueue open) {
    int top = commonBase(v, to);
    for (int i = 0; i < touchedCount; i++) {
      inBlossom[touched[i]] = false;
    }
    markPath(v, top, to);
    markPath(to, top, v);
    for (int i = 0; i < touchedCount; i++) {
      int u = touched[i];
      if (inBlossom[base[u]]) {
        base[u] = top;
        if (!outer[u]) {
          outer[u] = true;
          open.add(u);
        }
      }
    }
  }

  private int commonBase(int a, int b) {
    for (int i = 0; i < touchedCount; i++) {
      onPath[touched[i]] = false;
    }
    int at = base[a];
    onPath[at] = true;
    while (mate[at] != NONE) {
      at = base[parent[mate[at]]];
      onPath[at] = true;
    }
    int other = base[b];
    while (!onPath[other]) {
      other = base[parent[mate[other]]];
    }
    return other;
  }

  private void markPath(int from, int top, int towards) {
    int v = from;
    int child = towards;
    while (base[v] != top) {
      inBlossom[base[v]] = true;
      inBlossom[base[mate[v]]] = true;
      parent[v] = child;
      child = mate[v];
      v = parent[mate[v]];
    }
  }

  /** A queue of numbers that grows. */
  private static final class IntQueue {
    private int[] items = new int[16];
    private int first;
    private int end;

    boolean isEmpty() {
      return first == end;
    }

    void add(int item) {
      if (end == items.length) {
        items = Arrays.copyOf(items, 2 * end);
      }
      items[end++] = item;
    }

    int remove() {
      return items[first++];
    }
  }
}
