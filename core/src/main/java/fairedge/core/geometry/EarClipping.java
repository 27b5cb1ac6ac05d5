package fairedge.core.geometry;

import fairedge.core.effort.Effort;
import java.util.Arrays;
import org.jspecify.annotations.Nullable;

/** The triangulation of one polygon; see {@link Polygon#triangles}. */
final class EarClipping {
  /** Fewer are looked through one by one. */
  private static final int FEW = 48;

  /** Where so many corners lie in each other's way that it would never end, it is clipped on. */
  private static final int MOST_LOOKS = 30_000_000;

  private static final int OFTEN = 1 << 14;

  private final Polygon.Flat flat;
  private final int[] next;
  private final int[] previous;
  private final int[] triangles;
  private final @Nullable CornerTree tree;

  /**
   * Whether a corner may have become an ear since it was looked at: it is new, or its neighbour.
   */
  private final boolean[] open;

  private int openCount;
  private int looks;
  private int filled;

  private EarClipping(Polygon polygon) {
    int n = polygon.size();
    flat = polygon.flat();
    next = new int[n];
    previous = new int[n];
    triangles = new int[3 * (n - 2)];
    tree = n > FEW ? flat.tree() : null;
    open = new boolean[n];
    Arrays.fill(open, true);
    openCount = n;
    for (int i = 0; i < n; i++) {
      next[i] = (i + 1) % n;
      previous[i] = (i + n - 1) % n;
    }
  }

  static int[] triangles(Polygon polygon) {
    return switch (polygon.size()) {
      case 3 -> new int[] {0, 1, 2};
      case 4 -> quad(polygon);
      default -> new EarClipping(polygon).clip();
    };
  }

  private static int[] quad(Polygon p) {
    boolean first = keepsWinding(p, 0, 1, 2) && keepsWinding(p, 0, 2, 3);
    boolean second = keepsWinding(p, 1, 2, 3) && keepsWinding(p, 1, 3, 0);
    boolean shorterFirst = p.corner(0).distance(p.corner(2)) <= p.corner(1).distance(p.corner(3));
    boolean useFirst = first == second ? shorterFirst : first;
    return useFirst ? new int[] {0, 1, 2, 0, 2, 3} : new int[] {1, 2, 3, 1, 3, 0};
  }

  private static boolean keepsWinding(Polygon p, int a, int b, int c) {
    Vec3 ab = p.corner(b).minus(p.corner(a));
    Vec3 ac = p.corner(c).minus(p.corner(a));
    return ab.cross(ac).dot(p.newell()) > 0;
  }

  /**
   * Whether a corner is an ear changes with its neighbours alone (O'Rourke, "Computational Geometry
   * in C", 1998, 1.4), so that each is looked at again only after one of them went.
   */
  private int[] clip() {
    int at = 0;
    for (int left = next.length; left > 3; ) {
      // Where no ear is left the projection crosses itself: clip on regardless.
      if (openCount == 0 || open[at] && isEar(at)) {
        emit(at);
        left--;
        at = previous[at];
      } else {
        close(at);
        at = next[at];
      }
    }
    emit(at);
    return triangles;
  }

  private void close(int at) {
    openCount -= open[at] ? 1 : 0;
    open[at] = false;
  }

  private void open(int at) {
    openCount += open[at] ? 0 : 1;
    open[at] = true;
  }

  private boolean isEar(int at) {
    int a = previous[at];
    int c = next[at];
    int turn = flat.turn(a, at, c);
    // A straight corner is no ear: clipping it would leave a triangle without area.
    if (turn <= 0) {
      return false;
    }
    if (tree != null) {
      return looks > MOST_LOOKS || tree.eachIn(a, at, c, k -> isOut(a, at, c, k));
    }
    for (int k = next[c]; k != a; k = next[k]) {
      if (isIn(a, at, c, k)) {
        return false;
      }
    }
    return true;
  }

  private boolean isOut(int a, int at, int c, int k) {
    if (++looks % OFTEN == 0) {
      Effort.check();
    }
    return k == a || k == at || k == c || !isIn(a, at, c, k);
  }

  private boolean isIn(int a, int at, int c, int k) {
    return !flat.samePlace(k, a)
        && !flat.samePlace(k, c)
        && !flat.samePlace(k, at)
        && flat.triangleHolds(a, at, c, k);
  }

  private void emit(int at) {
    triangles[filled++] = previous[at];
    triangles[filled++] = at;
    triangles[filled++] = next[at];
    close(at);
    open(previous[at]);
    open(next[at]);
    next[previous[at]] = next[at];
    previous[next[at]] = previous[at];
    if (tree != null) {
      tree.remove(at);
    }
  }
}
