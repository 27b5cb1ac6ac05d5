package fairedge.core.local;

import fairedge.core.mesh.Mesh;
import java.util.Arrays;
import java.util.Collection;
import java.util.function.IntPredicate;

/**
 * Takes elements out together with what is left bare by it, and lays faces together with the edges
 * that they need. Cost: what is taken out or laid.
 */
public final class Pruning {
  private Pruning() {}

  /**
   * Takes faces out, and those of their edges and vertices that are in nothing else then. Loose
   * edges and lone vertices that were there before stay.
   */
  public static void removeFaces(MeshEdit edit, Collection<Integer> faces) {
    removeFaces(edit, faces.stream().mapToInt(f -> f).toArray());
  }

  /** The same. */
  public static void removeFaces(MeshEdit edit, int[] faces) {
    Mesh mesh = edit.mesh();
    int[] edges = new int[Arrays.stream(faces).map(mesh::size).sum()];
    int count = 0;
    for (int f : faces) {
      int c = mesh.firstCorner(f);
      for (int i = mesh.size(f); i > 0; i--) {
        edges[count++] = mesh.edgeOf(c);
        c = mesh.next(c);
      }
      edit.removeFace(f);
    }
    removeBare(edit, edges, v -> false);
  }

  /** Takes those edges out that are in no face, and their ends where nothing else meets there. */
  public static void removeBare(MeshEdit edit, Collection<Integer> edges) {
    removeBare(edit, edges, v -> false);
  }

  /** The same, but ends stay that are to. */
  public static void removeBare(MeshEdit edit, Collection<Integer> edges, IntPredicate stays) {
    removeBare(edit, edges.stream().mapToInt(e -> e).toArray(), stays);
  }

  /**
   * Each as often as it likes; in the order of their ids, so that the journal is always the same.
   */
  private static void removeBare(MeshEdit edit, int[] edges, IntPredicate stays) {
    Mesh mesh = edit.mesh();
    int[] ends = new int[2 * edges.length];
    int count = 0;
    Arrays.sort(edges);
    for (int e : edges) {
      if (mesh.hasEdge(e) && mesh.cornerOn(e) == Mesh.NONE) {
        ends[count++] = mesh.first(e);
        ends[count++] = mesh.second(e);
        edit.removeEdge(e);
      }
    }
    Arrays.sort(ends, 0, count);
    for (int i = 0; i < count; i++) {
      int v = ends[i];
      if (mesh.hasVertex(v) && mesh.edgeAt(v) == Mesh.NONE && !stays.test(v)) {
        edit.removeVertex(v);
      }
    }
  }

  /** The edge between two vertices, made where there is none. */
  public static int edgeBetween(MeshEdit edit, int a, int b) {
    int e = edit.mesh().findEdge(a, b);
    return e == Mesh.NONE ? edit.makeEdge(a, b) : e;
  }

  /** Puts a face over a ring of vertices, with the edges that are missing. */
  public static int layFace(MeshEdit edit, int[] ring, int like) {
    for (int i = 0; i < ring.length; i++) {
      edgeBetween(edit, ring[i], ring[(i + 1) % ring.length]);
    }
    return edit.makeFace(ring, like);
  }

  /** Lets a face look the other way, its first corner the same. */
  public static void turnOver(MeshEdit edit, int face) {
    int[] ring = edit.mesh().vertices(face);
    int n = ring.length;
    int[] turned = new int[n];
    int[] carried = new int[n];
    for (int i = 0; i < n; i++) {
      carried[i] = (n - i) % n;
      turned[i] = ring[carried[i]];
    }
    edit.reshapeFace(face, turned, carried);
  }

  /** Lets a face run over other vertices in the same order, with the edges that are missing. */
  public static void relay(MeshEdit edit, int face, int[] ring) {
    for (int i = 0; i < ring.length; i++) {
      edgeBetween(edit, ring[i], ring[(i + 1) % ring.length]);
    }
    int[] same = new int[ring.length];
    Arrays.setAll(same, i -> i);
    edit.reshapeFace(face, ring, same);
  }
}
