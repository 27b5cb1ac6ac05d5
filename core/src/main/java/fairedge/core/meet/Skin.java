package fairedge.core.meet;

import fairedge.core.geometry.Bounds;
import fairedge.core.geometry.Polygon;
import fairedge.core.geometry.Vec3;
import fairedge.core.local.Refusal;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import java.util.Arrays;
import java.util.Collection;
import java.util.HashMap;
import java.util.Map;

/**
 * The faces of a part as triangles, and the sides between these: edges of the mesh, and diagonals
 * that nobody sees. A face's triangles are the same from whatever corner and whichever side one
 * begins. As it was when it was made: changes of the mesh don't alter it. Cost: the faces.
 */
final class Skin {
  private final Mesh mesh;
  private final int[] faceOf;
  private final Vec3[] places;
  private final int[] vertices;
  private final int[] sides;
  private final int diagonals;

  /** By side the triangles at it, two each; {@link Mesh#NONE} where there is none. */
  private final Map<Integer, int[]> beside = new HashMap<>();

  /** By side its ends, the lower vertex first. */
  private int[] ends = new int[64];

  private int sideEnd;
  private int count;

  Skin(Mesh mesh, Collection<Integer> faces) {
    this.mesh = mesh;
    int all = 0;
    for (int f : faces) {
      if (!mesh.isMeasurable(f)) {
        throw Refusal.because("This face has no area: it can't be met.", Element.face(f));
      }
      all += mesh.size(f) - 2;
    }
    faceOf = new int[all];
    vertices = new int[3 * all];
    places = new Vec3[3 * all];
    sides = new int[3 * all];
    diagonals = mesh.edgeEnd();
    sideEnd = diagonals;
    faces.forEach(this::add);
  }

  private void add(int f) {
    int[] ring = mesh.vertices(f);
    int[] edges = mesh.edges(f);
    int n = ring.length;
    int[] triangles = triangles(mesh, ring);
    Map<Long, Integer> inner = new HashMap<>();
    for (int i = 0; i < triangles.length; i += 3) {
      int t = count++;
      faceOf[t] = f;
      for (int k = 0; k < 3; k++) {
        int a = triangles[i + k];
        int b = triangles[i + (k + 1) % 3];
        vertices[3 * t + k] = ring[a];
        places[3 * t + k] = mesh.position(ring[a]);
        int side =
            (a + 1) % n == b
                ? edges[a]
                : inner.computeIfAbsent((long) Math.min(a, b) * n + Math.max(a, b), x -> sideEnd++);
        sides[3 * t + k] = side;
        note(side, t, ring[a], ring[b]);
      }
    }
  }

  private void note(int side, int t, int a, int b) {
    int[] both = beside.computeIfAbsent(side, s -> new int[] {t, Mesh.NONE});
    if (both[0] != t) {
      both[1] = t;
    }
    if (side >= diagonals) {
      int at = 2 * (side - diagonals);
      ends = at + 1 < ends.length ? ends : Arrays.copyOf(ends, 2 * ends.length);
      ends[at] = Math.min(a, b);
      ends[at + 1] = Math.max(a, b);
    }
  }

  /**
   * The triangles of a ring as indices into it: begun at its lowest corner and towards the lower of
   * that one's neighbours, so that the outcome hangs on the places alone.
   */
  private static int[] triangles(Mesh mesh, int[] ring) {
    int n = ring.length;
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
    return count;
  }

  int faceOf(int t) {
    return faceOf[t];
  }

  int vertex(int t, int k) {
    return vertices[3 * t + k];
  }

  Vec3 place(int t, int k) {
    return places[3 * t + k];
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

  /** The other triangle at a side of one. */
  int across(int side, int t) {
    int[] both = beside.getOrDefault(side, new int[] {t, Mesh.NONE});
    return both[0] == t ? both[1] : both[0];
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

  Bounds bounds() {
    Bounds all = Bounds.EMPTY;
    for (Vec3 p : places) {
      all = all.with(p);
    }
    return all;
  }
}
