package fairedge.core.flow;

import java.util.ArrayList;
import java.util.List;

/**
 * Disjoint sets of the numbers 0 to n - 1, joined towards the lowest member; near constant cost.
 */
public final class Unions {
  private final int[] parent;

  public Unions(int n) {
    parent = new int[n];
    for (int i = 0; i < n; i++) {
      parent[i] = i;
    }
  }

  /** The lowest member of the set of i. */
  public int rootOf(int i) {
    int root = i;
    while (parent[root] != root) {
      parent[root] = parent[parent[root]];
      root = parent[root];
    }
    return root;
  }

  public void join(int i, int j) {
    int a = rootOf(i);
    int b = rootOf(j);
    if (a < b) {
      parent[b] = a;
    } else {
      parent[a] = b;
    }
  }

  /** All sets, by their lowest member; in each the members in order. */
  public List<int[]> sets() {
    int[] counts = new int[parent.length];
    for (int i = 0; i < parent.length; i++) {
      counts[rootOf(i)]++;
    }
    List<int[]> sets = new ArrayList<>();
    int[] setOf = new int[parent.length];
    int[] filled = new int[parent.length];
    for (int i = 0; i < parent.length; i++) {
      int root = rootOf(i);
      if (root == i) {
        setOf[root] = sets.size();
        sets.add(new int[counts[root]]);
      }
      sets.get(setOf[root])[filled[root]++] = i;
    }
    return sets;
  }
}
