package fairedge.core.geometry;

/** The triangulation of one polygon; see {@link Polygon#triangles}. */
final class EarClipping {
  /** Clipping costs the square of the corners: a face of a million would never be drawn. */
  static final int MOST_CORNERS = 5000;

  private final Polygon.Flat flat;
  private final int[] next;
  private final int[] previous;
  private final int[] triangles;
  private int filled;

  private EarClipping(Polygon polygon) {
    int n = polygon.size();
    flat = polygon.flat();
    next = new int[n];
    previous = new int[n];
    triangles = new int[3 * (n - 2)];
    for (int i = 0; i < n; i++) {
      next[i] = (i + 1) % n;
      previous[i] = (i + n - 1) % n;
    }
  }

  static int[] triangles(Polygon polygon) {
    return switch (polygon.size()) {
      case 3 -> new int[] {0, 1, 2};
      case 4 -> quad(polygon);
      default ->
          polygon.size() > MOST_CORNERS ? fan(polygon.size()) : new EarClipping(polygon).clip();
    };
  }

  private static int[] fan(int corners) {
    int[] triangles = new int[3 * (corners - 2)];
    for (int i = 0; i + 2 < corners; i++) {
      triangles[3 * i + 1] = i + 1;
      triangles[3 * i + 2] = i + 2;
    }
    return triangles;
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

  private int[] clip() {
    int at = 0;
    int left = next.length;
    int misses = 0;
    while (left > 3) {
      // After a whole round without an ear the projection crosses itself: clip on regardless.
      if (misses >= left || isEar(at)) {
        emit(at);
        left--;
        misses = 0;
        at = previous[at];
      } else {
        misses++;
        at = next[at];
      }
    }
    emit(at);
    return triangles;
  }

  private boolean isEar(int at) {
    int a = previous[at];
    int c = next[at];
    int turn = flat.turn(a, at, c);
    // A straight corner is no ear: clipping it would leave a triangle without area.
    if (turn <= 0) {
      return false;
    }
    for (int k = next[c]; k != a; k = next[k]) {
      if (!flat.samePlace(k, a)
          && !flat.samePlace(k, c)
          && !flat.samePlace(k, at)
          && flat.triangleHolds(a, at, c, k)) {
        return false;
      }
    }
    return true;
  }

  private void emit(int at) {
    triangles[filled++] = previous[at];
    triangles[filled++] = at;
    triangles[filled++] = next[at];
    next[previous[at]] = next[at];
    previous[next[at]] = previous[at];
  }
}
