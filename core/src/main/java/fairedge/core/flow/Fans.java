package fairedge.core.flow;

import fairedge.core.mesh.Mesh;
import java.util.Arrays;

/**
 * The fans at one vertex: faces there, joined through edges at it. A face that comes to the vertex
 * more than once is one face there.
 *
 * @param corners the corners at the vertex, by id
 * @param fanOf of each of them its fan, by the lowest of its corners
 */
public record Fans(int[] corners, int[] fanOf) {

  /** Cost: n log n in the edges at the vertex and their uses. */
  public static Fans at(Mesh mesh, int v) {
    int[] corners = cornersAt(mesh, v);
    Unions joined = new Unions(corners.length);
    long[] byFace = new long[corners.length];
    for (int i = 0; i < corners.length; i++) {
      int c = corners[i];
      byFace[i] = (long) mesh.faceOf(c) << 32 | i;
      // Round each of the two sides at this corner: all that lie on one edge are joined.
      joinNext(mesh, v, c, i, corners, joined);
      joinNext(mesh, v, mesh.previous(c), i, corners, joined);
    }
    Arrays.sort(byFace);
    for (int i = 1; i < byFace.length; i++) {
      if (byFace[i] >> 32 == byFace[i - 1] >> 32) {
        joined.join((int) byFace[i], (int) byFace[i - 1]);
      }
    }
    int[] fanOf = new int[corners.length];
    Arrays.setAll(fanOf, i -> corners[joined.rootOf(i)]);
    return new Fans(corners, fanOf);
  }

  private static void joinNext(Mesh mesh, int v, int side, int own, int[] corners, Unions joined) {
    int next = mesh.nextOnEdge(side);
    int there = mesh.vertexOf(next) == v ? next : mesh.next(next);
    joined.join(own, Arrays.binarySearch(corners, there));
  }

  private static int[] cornersAt(Mesh mesh, int v) {
    int[] corners = new int[8];
    int count = 0;
    int start = mesh.edgeAt(v);
    int e = start;
    do {
      int first = e < 0 ? Mesh.NONE : mesh.cornerOn(e);
      for (int c = first; c != Mesh.NONE; ) {
        corners = count == corners.length ? Arrays.copyOf(corners, 2 * count) : corners;
        // Every corner lies between two sides: it is taken by the one that leaves it.
        if (mesh.vertexOf(c) == v) {
          corners[count++] = c;
        }
        c = mesh.nextOnEdge(c) == first ? Mesh.NONE : mesh.nextOnEdge(c);
      }
      e = e < 0 ? e : mesh.nextEdgeAt(v, e);
    } while (e != start);
    int[] found = Arrays.copyOf(corners, count);
    Arrays.sort(found);
    return found;
  }

  /** How many there are. */
  public int count() {
    return each().length;
  }

  /** The lowest corner of each fan. */
  int[] each() {
    return Arrays.stream(fanOf).sorted().distinct().toArray();
  }

  /** The fan of a corner at the vertex. */
  int of(int corner) {
    return fanOf[Arrays.binarySearch(corners, corner)];
  }
}
