package fairedge.core.meet;

import fairedge.core.geometry.Polygon;
import fairedge.core.geometry.Vec3;
import fairedge.core.local.Refusal;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.IdSet;
import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.Runs;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.List;

/**
 * The faces of a part as triangles, and the sides between these: edges of the mesh, and diagonals
 * that nobody sees. A face's triangles are the same from whatever corner and whichever side one
 * begins. As it was when it was made, as long as its vertices stay where they are. Cost: the faces.
 */
final class Skin {
  private static final int[] THREE = {0, 1, 2};

  private final Mesh mesh;
  private final int[] faceOf;
  private final int[] vertices;
  private final int[] sides;
  private final int diagonals;

  /** By side the triangles at it, two each, and one more; 0 where there is none. */
  private final int[] beside;

  /** By diagonal its ends, the lower vertex first. */
  private final int[] ends;

  Skin(Mesh mesh, BitSet part) {
    this.mesh = mesh;
    int[] faces = IdSet.idsOf(part);
    int[] first = new int[faces.length + 1];
    for (int i = 0; i < faces.length; i++) {
      if (!mesh.isMeasurable(faces[i])) {
        throw Refusal.because("This face has no area: it can't be met.", Element.face(faces[i]));
      }
      first[i + 1] = first[i] + mesh.size(faces[i]) - 2;
    }
    int all = first[faces.length];
    faceOf = new int[all];
    vertices = new int[3 * all];
    sides = new int[3 * all];
    diagonals = mesh.edgeEnd();
    ends = new int[2 * (all - faces.length)];
    // A face of n sides has n - 2 triangles and one diagonal less.
    Runs.each(
        faces.length,
        (from, to) -> {
          for (int i = from; i < to; i++) {
            add(faces[i], first[i], diagonals + first[i] - i);
          }
        });
    beside = new int[2 * (diagonals + all - faces.length)];
    for (int i = 0; i < sides.length; i++) {
      int at = 2 * sides[i];
      beside[beside[at] == 0 ? at : at + 1] = i / 3 + 1;
    }
  }

  /**
   * @param first the number of its first triangle
   * @param firstDiagonal that of its first diagonal
   */
  private void add(int f, int first, int firstDiagonal) {
    int[] ring = mesh.vertices(f);
    int[] edges = mesh.edges(f);
    int n = ring.length;
    int[] triangles = triangles(mesh, ring);
    long[] inner = new long[n - 3];
    int known = 0;
    for (int i = 0; i < triangles.length; i++) {
      int a = triangles[i];
      int b = triangles[i % 3 == 2 ? i - 2 : i + 1];
      int at = 3 * first + i;
      faceOf[at / 3] = f;
      vertices[at] = ring[a];
      if ((a + 1) % n == b) {
        sides[at] = edges[a];
        continue;
      }
      long key = (long) Math.min(a, b) << 32 | Math.max(a, b);
      int number = 0;
      while (number < known && inner[number] != key) {
        number++;
      }
      if (number == known) {
        inner[known++] = key;
        int end = 2 * (firstDiagonal - diagonals + number);
        ends[end] = Math.min(ring[a], ring[b]);
        ends[end + 1] = Math.max(ring[a], ring[b]);
      }
      sides[at] = firstDiagonal + number;
    }
  }

  /**
   * The triangles of a ring as indices into it: begun at its lowest corner and towards the lower of
   * that one's neighbours, so that the outcome hangs on the places alone.
   */
  private static int[] triangles(Mesh mesh, int[] ring) {
    int n = ring.length;
    if (n == 3) {
      return THREE;
    }
    int start = 0;
    for (int i = 1; i < n; i++) {
      if (compare(mesh.position(ring[i]), mesh.position(ring[start])) < 0) {
        start = i;
      }
    }
    Vec3 after = mesh.position(ring[(start + 1) % n]);
    Vec3 before = mesh.position(ring[(start + n - 1) % n]);
    boolean isTurned = compare(before, after) < 0;
    int[] from = new int[n];
    Vec3[] places = new Vec3[n];
    for (int i = 0; i < n; i++) {
      from[i] = Math.floorMod(isTurned ? start - i : start + i, n);
      places[i] = mesh.position(ring[from[i]]);
    }
    int[] found = new Polygon(places).triangles();
    for (int i = 0; i < found.length; i += 3) {
      int a = from[found[i]];
      int c = from[found[i + 2]];
      found[i] = isTurned ? c : a;
      found[i + 1] = from[found[i + 1]];
      found[i + 2] = isTurned ? a : c;
    }
    return found;
  }

  private static int compare(Vec3 p, Vec3 q) {
    int x = Double.compare(p.x(), q.x());
    int y = x != 0 ? x : Double.compare(p.y(), q.y());
    return y != 0 ? y : Double.compare(p.z(), q.z());
  }

  int count() {
    return faceOf.length;
  }

  int faceOf(int t) {
    return faceOf[t];
  }

  int vertex(int t, int k) {
    return vertices[3 * t + k];
  }

  Vec3 place(int t, int k) {
    return mesh.position(vertices[3 * t + k]);
  }

  /** The lowest and the highest corner of the box of a triangle. */
  void box(int t, double[] boxes, int at) {
    int a = vertices[3 * t];
    int b = vertices[3 * t + 1];
    int c = vertices[3 * t + 2];
    boxes[at] = Math.min(mesh.x(a), Math.min(mesh.x(b), mesh.x(c)));
    boxes[at + 1] = Math.min(mesh.y(a), Math.min(mesh.y(b), mesh.y(c)));
    boxes[at + 2] = Math.min(mesh.z(a), Math.min(mesh.z(b), mesh.z(c)));
    boxes[at + 3] = Math.max(mesh.x(a), Math.max(mesh.x(b), mesh.x(c)));
    boxes[at + 4] = Math.max(mesh.y(a), Math.max(mesh.y(b), mesh.y(c)));
    boxes[at + 5] = Math.max(mesh.z(a), Math.max(mesh.z(b), mesh.z(c)));
  }

  /** The side from corner k to the next. */
  int side(int t, int k) {
    return sides[3 * t + k];
  }

  boolean isDiagonal(int side) {
    return side >= diagonals;
  }

  /** The end of a side from which shares on it are measured, or the other one. */
  int end(int side, boolean isSecond) {
    if (side < diagonals) {
      return isSecond ? mesh.second(side) : mesh.first(side);
    }
    return ends[2 * (side - diagonals) + (isSecond ? 1 : 0)];
  }

  /** The other triangle at a side of one; {@link Mesh#NONE} where there is none. */
  int across(int side, int t) {
    int other = beside[2 * side] == t + 1 ? beside[2 * side + 1] : beside[2 * side];
    return other == 0 ? Mesh.NONE : other - 1;
  }

  /** The triangles at a corner of one that hang together with it there. Cost: these, squared. */
  List<Integer> around(int vertex, int t) {
    List<Integer> around = new ArrayList<>(List.of(t));
    for (int i = 0; i < around.size(); i++) {
      int at = around.get(i);
      for (int k = 0; k < 3; k++) {
        if (vertex(at, k) == vertex || vertex(at, (k + 1) % 3) == vertex) {
          int next = across(side(at, k), at);
          if (next != Mesh.NONE && !around.contains(next)) {
            around.add(next);
          }
        }
      }
    }
    return around;
  }

  /** Which corner of a triangle lies across a side of it. */
  int opposite(int t, int side) {
    for (int k = 0; k < 3; k++) {
      if (sides[3 * t + k] == side) {
        return (k + 2) % 3;
      }
    }
    throw new IllegalArgumentException("side " + side + " is not one of triangle " + t);
  }
}
