package fairedge.core.meet;

import fairedge.core.geometry.Predicates;
import fairedge.core.geometry.Vec3;
import org.jspecify.annotations.Nullable;

/**
 * Where two triangles of different skins pass through one another: a piece of the line that both
 * planes have in common, told by what of each meets at its ends. All is decided by signs of
 * determinants of corners (Guigue and Devillers, "Fast and robust triangle-triangle overlap test
 * using orientation predicates", 2003). Triangles in one plane, and such as touch in a point only,
 * have none.
 */
final class TrianglePair {
  /** Kinds of what meets: a vertex, a side, the inside of a triangle. */
  static final int VERTEX = 0;

  static final int SIDE = 1;
  static final int INSIDE = 2;

  /** Of an end on a corner its number; of one on a side 3 more than that of its first corner. */
  private static final int ON_SIDE = 3;

  private final Skin a;
  private final Skin b;

  /** What meets at a place: a kind and an id of each skin. */
  record Met(int kindA, int idA, int kindB, int idB) {}

  /**
   * A piece.
   *
   * @param from where it begins: to the left of it, as seen from the front of a's triangle, that
   *     lies behind b's; to the left as seen from the front of b's, b's lies before a's
   * @param alongA the side of a's triangle on which it lies; -1 where it runs through its inside
   * @param signs of the corners of a's triangle against b's plane, and of b's against a's: 1 before
   */
  record Piece(int ta, int tb, Met from, Met to, int alongA, int alongB, int[] signs) {
    /** A corner of a's triangle that lies before b's (1) or behind it (-1); -1 where none does. */
    int cornerOfA(int sign) {
      return corner(0, sign);
    }

    int cornerOfB(int sign) {
      return corner(3, sign);
    }

    private int corner(int first, int sign) {
      for (int k = 0; k < 3; k++) {
        if (signs[first + k] == sign) {
          return k;
        }
      }
      return -1;
    }
  }

  TrianglePair(Skin a, Skin b) {
    this.a = a;
    this.b = b;
  }

  @Nullable Piece piece(int ta, int tb) {
    int[] signs = new int[6];
    if (!crosses(a, ta, b, tb, signs, 0) || !crosses(b, tb, a, ta, signs, 3)) {
      return null;
    }
    int inA = ends(signs, 0);
    int inB = ends(signs, 3);
    if (inA < 0 || inB < 0) {
      return null;
    }
    int beginA = inA >> 8;
    int endA = inA & 0xff;
    // Seen from the front of b's the line runs the other way.
    int beginB = inB & 0xff;
    int endB = inB >> 8;
    if (order(ta, endA, tb, beginB, signs) >= 0 || order(ta, beginA, tb, endB, signs) <= 0) {
      return null;
    }
    int alongA = along(a, ta, signs, 0);
    int alongB = along(b, tb, signs, 3);
    int begin = order(ta, beginA, tb, beginB, signs);
    int end = order(ta, endA, tb, endB, signs);
    return new Piece(
        ta,
        tb,
        met(ta, begin <= 0 ? beginA : -1, tb, begin >= 0 ? beginB : -1, alongA, alongB),
        met(ta, end >= 0 ? endA : -1, tb, end <= 0 ? endB : -1, alongA, alongB),
        alongA,
        alongB,
        signs);
  }

  /** Whether a triangle reaches both sides of another's plane, or has a side in it. */
  private static boolean crosses(Skin of, int t, Skin other, int u, int[] signs, int at) {
    Vec3 p = other.place(u, 0);
    Vec3 q = other.place(u, 1);
    Vec3 r = other.place(u, 2);
    int before = 0;
    int behind = 0;
    for (int k = 0; k < 3; k++) {
      int sign = Predicates.side(p, q, r, of.place(t, k));
      signs[at + k] = sign;
      before += sign > 0 ? 1 : 0;
      behind += sign < 0 ? 1 : 0;
    }
    return before < 3 && behind < 3 && before + behind > 0;
  }

  /**
   * Where the line comes into a triangle and where it leaves: two codes in one number; -1 where it
   * touches a corner only. With what lies behind the other's plane to its left, as seen from the
   * front.
   */
  private static int ends(int[] signs, int at) {
    for (int k = 0; k < 3; k++) {
      int next = (k + 1) % 3;
      int last = signs[at + (k + 2) % 3];
      if (signs[at + k] == 0 && signs[at + next] == 0) {
        return last > 0 ? next << 8 | k : k << 8 | next;
      }
    }
    int in = -1;
    int out = -1;
    for (int k = 0; k < 3; k++) {
      int from = signs[at + k];
      int to = signs[at + (k + 1) % 3];
      if (from < 0 && to > 0) {
        in = ON_SIDE + k;
      } else if (from > 0 && to < 0) {
        out = ON_SIDE + k;
      }
    }
    for (int k = 0; k < 3; k++) {
      if (signs[at + k] == 0) {
        if (in < 0 && out < 0) {
          return -1;
        }
        in = in < 0 ? k : in;
        out = out < 0 ? k : out;
      }
    }
    return in << 8 | out;
  }

  private static int along(Skin of, int t, int[] signs, int at) {
    for (int k = 0; k < 3; k++) {
      if (signs[at + k] == 0 && signs[at + (k + 1) % 3] == 0) {
        return of.side(t, k);
      }
    }
    return -1;
  }

  /** Whether an end of b's lies after one of a's on the line (1), before it (-1), or on it (0). */
  private int order(int ta, int endA, int tb, int endB, int[] signs) {
    int fromA = front(endA, signs, 0);
    int toA = back(endA, signs, 0);
    int fromB = front(endB, signs, 3);
    int toB = back(endB, signs, 3);
    return Predicates.side(
        a.place(ta, fromA), a.place(ta, toA), b.place(tb, fromB), b.place(tb, toB));
  }

  /** Of the side that runs through an end the corner that lies farther to the front. */
  private static int front(int end, int[] signs, int at) {
    int k = end % ON_SIDE;
    int other = partner(end, signs, at);
    return signs[at + k] > signs[at + other] ? k : other;
  }

  private static int back(int end, int[] signs, int at) {
    int k = end % ON_SIDE;
    int other = partner(end, signs, at);
    return signs[at + k] > signs[at + other] ? other : k;
  }

  private static int partner(int end, int[] signs, int at) {
    int k = end % ON_SIDE;
    int next = (k + 1) % 3;
    return end >= ON_SIDE || signs[at + next] != 0 ? next : (k + 2) % 3;
  }

  private Met met(int ta, int endA, int tb, int endB, int alongA, int alongB) {
    int kindA = kind(endA, alongA);
    int kindB = kind(endB, alongB);
    return new Met(kindA, id(a, ta, endA, kindA, alongA), kindB, id(b, tb, endB, kindB, alongB));
  }

  private static int kind(int end, int along) {
    return end < 0 ? along < 0 ? INSIDE : SIDE : end < ON_SIDE ? VERTEX : SIDE;
  }

  private static int id(Skin of, int t, int end, int kind, int along) {
    return switch (kind) {
      case VERTEX -> of.vertex(t, end);
      case SIDE -> end < 0 ? along : of.side(t, end - ON_SIDE);
      default -> t;
    };
  }
}
