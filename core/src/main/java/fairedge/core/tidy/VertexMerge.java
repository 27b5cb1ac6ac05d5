package fairedge.core.tidy;

import fairedge.core.local.MeshEdit;
import fairedge.core.local.Pruning;
import fairedge.core.mesh.Mesh;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;

/** Lets vertices go into another. Cost of one: the corners of the faces at both. */
final class VertexMerge {
  private final MeshEdit edit;
  private final Mesh mesh;
  private int collapsed;
  private int twins;

  VertexMerge(MeshEdit edit) {
    this.edit = edit;
    this.mesh = edit.mesh();
  }

  /** How many faces went because they had fewer than three corners left. */
  int collapsed() {
    return collapsed;
  }

  /** How many faces went because another lies over the same vertices. */
  int twins() {
    return twins;
  }

  /**
   * Afterwards all but {@code keep} are gone, and that one too if nothing is left at it though
   * there was something. None goes before its turn: faces that others of them leave may be its
   * last.
   *
   * @param vertices with {@code keep} among them
   */
  void into(Collection<Integer> vertices, int keep) {
    Set<Integer> held = new HashSet<>(vertices);
    boolean wasBare = vertices.stream().allMatch(v -> mesh.edgeAt(v) == Mesh.NONE);
    for (int v : vertices) {
      if (v != keep) {
        into(v, keep, held);
      }
    }
    if (!wasBare && mesh.edgeAt(keep) == Mesh.NONE) {
      edit.removeVertex(keep);
    }
  }

  private void into(int from, int keep, Set<Integer> held) {
    splitBetween(from, keep);
    TreeSet<Integer> wereLoose = new TreeSet<>();
    TreeSet<Integer> sides = new TreeSet<>();
    for (int e : mesh.edgesAt(from)) {
      sides.add(e);
      int other = mesh.otherEnd(e, from);
      if (mesh.cornerOn(e) == Mesh.NONE && other != keep) {
        wereLoose.add(Pruning.edgeBetween(edit, keep, other));
      }
    }
    List<Integer> altered = new ArrayList<>();
    for (int f : mesh.facesAt(from)) {
      altered.addAll(relay(f, from, keep, sides));
    }
    dropTwins(altered, sides);
    sides.removeAll(wereLoose);
    Pruning.removeBare(edit, sides, held::contains);
    edit.removeVertex(from);
  }

  /** A face that has both, apart, is split between them, so that it can close over the edge. */
  private void splitBetween(int from, int keep) {
    for (int f : mesh.facesAt(from)) {
      int c = mesh.findCorner(f, from);
      int d = mesh.findCorner(f, keep);
      if (d != Mesh.NONE && mesh.findEdge(from, keep) == Mesh.NONE) {
        edit.splitFace(f, c, d, List.of());
      }
    }
  }

  /** The faces that are left of one. */
  private List<Integer> relay(int f, int from, int keep, TreeSet<Integer> sides) {
    int[] ring = mesh.vertices(f);
    int c = mesh.firstCorner(f);
    for (int i = mesh.size(f); i > 0; i--) {
      sides.add(mesh.edgeOf(c));
      c = mesh.next(c);
    }
    List<List<Integer>> rings = rings(ring, from, keep);
    if (rings.isEmpty()) {
      edit.removeFace(f);
      collapsed++;
      return List.of();
    }
    List<Integer> result = new ArrayList<>();
    for (int k = 1; k < rings.size(); k++) {
      result.add(Pruning.layFace(edit, vertices(rings.get(k), ring, from, keep), f));
    }
    List<Integer> first = rings.getFirst();
    int[] vertices = vertices(first, ring, from, keep);
    for (int i = 0; i < vertices.length; i++) {
      Pruning.edgeBetween(edit, vertices[i], vertices[(i + 1) % vertices.length]);
    }
    edit.reshapeFace(f, vertices, first.stream().mapToInt(Integer::intValue).toArray());
    result.add(f);
    return result;
  }

  private static int[] vertices(List<Integer> corners, int[] ring, int from, int keep) {
    return corners.stream().mapToInt(i -> ring[i] == from ? keep : ring[i]).toArray();
  }

  /** The rings into which one falls where it comes to a vertex twice now, as corners of it. */
  private static List<List<Integer>> rings(int[] ring, int from, int keep) {
    List<List<Integer>> done = new ArrayList<>();
    List<Integer> open = new ArrayList<>();
    int[] named = Arrays.stream(ring).map(v -> v == from ? keep : v).toArray();
    for (int i = 0; i < ring.length; i++) {
      int at = named[i] == keep ? indexOf(open, named, keep) : -1;
      if (at >= 0) {
        List<Integer> closed = new ArrayList<>(open.subList(at, open.size()));
        open.subList(at, open.size()).clear();
        keepIfWhole(closed, done);
      }
      open.add(i);
    }
    keepIfWhole(open, done);
    return done;
  }

  private static int indexOf(List<Integer> open, int[] named, int v) {
    for (int k = 0; k < open.size(); k++) {
      if (named[open.get(k)] == v) {
        return k;
      }
    }
    return -1;
  }

  private static void keepIfWhole(List<Integer> ring, List<List<Integer>> done) {
    if (ring.size() >= 3) {
      done.add(ring);
    }
  }

  private void dropTwins(List<Integer> altered, TreeSet<Integer> sides) {
    for (int f : altered) {
      if (!mesh.hasFace(f)) {
        continue;
      }
      for (int g : mesh.facesAt(mesh.vertexOf(mesh.firstCorner(f)))) {
        if (g != f && mesh.hasFace(g) && isTwin(f, g)) {
          int gone = Math.max(f, g);
          int c = mesh.firstCorner(gone);
          for (int i = mesh.size(gone); i > 0; i--) {
            sides.add(mesh.edgeOf(c));
            c = mesh.next(c);
          }
          edit.removeFace(gone);
          twins++;
          if (gone == f) {
            break;
          }
        }
      }
    }
  }

  /** Whether two faces run over the same vertices in the same order, either way. */
  private boolean isTwin(int f, int g) {
    if (mesh.size(f) != mesh.size(g)) {
      return false;
    }
    int[] a = mesh.vertices(f);
    int[] b = mesh.vertices(g);
    Set<Integer> distinct = new HashSet<>();
    for (int v : a) {
      distinct.add(v);
    }
    int n = a.length;
    for (int shift = 0; distinct.size() == n && shift < n; shift++) {
      if (b[shift] == a[0]) {
        return matches(a, b, shift, 1) || matches(a, b, shift, -1);
      }
    }
    return false;
  }

  private static boolean matches(int[] a, int[] b, int shift, int step) {
    for (int i = 0; i < a.length; i++) {
      if (a[i] != b[Math.floorMod(shift + step * i, b.length)]) {
        return false;
      }
    }
    return true;
  }
}
