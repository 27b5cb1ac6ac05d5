package fairedge.core.inspect.surface;

import fairedge.core.inspect.finding.Finder;
import fairedge.core.inspect.finding.Finding;
import fairedge.core.inspect.finding.SurfaceFinding;
import fairedge.core.inspect.finding.Where;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.IdSet;
import fairedge.core.mesh.Mesh;
import fairedge.core.survey.Anew;
import fairedge.core.survey.Blocks;
import fairedge.core.survey.Subject;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/**
 * {@code twin-face}: faces with the same vertices in the same cyclic order, either way. One finding
 * a group. Cost: n log n in the faces whose vertex sets have one hash.
 */
public final class TwinFaceFinder implements Finder {
  @Override
  public List<Finding> find(Subject subject) {
    Mesh mesh = subject.mesh();
    List<Integer> faces =
        Blocks.collect(
            mesh.faceEnd(),
            (f, found) -> {
              if (mesh.hasFace(f) && mayHaveTwin(mesh, f)) {
                found.accept(f);
              }
            });
    return among(mesh, faces.stream().mapToInt(Integer::intValue).toArray());
  }

  /** Twins share all their edges; that is soon seen where there are two faces on the first. */
  private static boolean mayHaveTwin(Mesh mesh, int f) {
    int c = mesh.firstCorner(f);
    int d = mesh.nextOnEdge(c);
    if (d == c) {
      return false;
    }
    if (mesh.nextOnEdge(d) != c) {
      return true;
    }
    int e = mesh.edgeOf(mesh.next(c));
    return mesh.size(mesh.faceOf(d)) == mesh.size(f)
        && (mesh.edgeOf(mesh.next(d)) == e || mesh.edgeOf(mesh.previous(d)) == e);
  }

  /** Twins share all their edges: they are among the faces at the first of each. */
  @Override
  public List<Finding> renew(Subject subject, Anew anew, List<Finding> before) {
    Mesh mesh = subject.mesh();
    IdSet near = new IdSet();
    for (int f : anew.touched().faces()) {
      if (mesh.hasFace(f)) {
        near.addAll(mesh.facesOn(mesh.edgeOf(mesh.firstCorner(f))));
      }
    }
    List<Finding> found = new ArrayList<>(among(mesh, near.sorted()));
    for (Finding finding : before) {
      if (finding.elements().stream().noneMatch(e -> near.has(e.id()) || anew.has(e))) {
        found.add(finding);
      } else {
        found.addAll(still(mesh, finding, near));
      }
    }
    found.sort(Comparator.comparingInt(finding -> finding.elements().getFirst().id()));
    return found;
  }

  /** What is left of a group none of whose faces was among those near. */
  private static List<Finding> still(Mesh mesh, Finding finding, IdSet near) {
    int[] faces = finding.elements().stream().mapToInt(Element::id).toArray();
    boolean isFound = Arrays.stream(faces).anyMatch(near::has);
    return isFound ? List.of() : among(mesh, Arrays.stream(faces).filter(mesh::hasFace).toArray());
  }

  private static List<Finding> among(Mesh mesh, int[] faces) {
    long[] byHash = new long[faces.length];
    for (int i = 0; i < faces.length; i++) {
      byHash[i] = (long) hashOf(mesh, faces[i]) << 32 | faces[i];
    }
    Arrays.sort(byHash);
    Map<Integer, Finding> found = new TreeMap<>();
    for (int i = 0; i < byHash.length; ) {
      int j = i + 1;
      while (j < byHash.length && byHash[j] >> 32 == byHash[i] >> 32) {
        j++;
      }
      if (j - i > 1) {
        addGroups(mesh, Arrays.copyOfRange(byHash, i, j), found);
      }
      i = j;
    }
    return List.copyOf(found.values());
  }

  /** The same for the same vertices in any order. */
  private static int hashOf(Mesh mesh, int f) {
    int sum = mesh.size(f);
    int c = mesh.firstCorner(f);
    for (int i = mesh.size(f); i > 0; i--) {
      int h = mesh.vertexOf(c) * 0x9E3779B9;
      sum += (h ^ h >>> 15) * 0x85EBCA6B;
      c = mesh.next(c);
    }
    return sum;
  }

  private static void addGroups(Mesh mesh, long[] keys, Map<Integer, Finding> found) {
    Map<List<Integer>, List<Integer>> groups = new HashMap<>();
    for (long key : keys) {
      int f = (int) key;
      groups.computeIfAbsent(cycleOf(mesh.vertices(f)), k -> new ArrayList<>()).add(f);
    }
    for (List<Integer> group : groups.values()) {
      if (group.size() > 1) {
        found.put(group.getFirst(), finding(mesh, group));
      }
    }
  }

  /**
   * The cycle as it reads from where, and in what direction, its vertices are least. Cost: linear.
   */
  static List<Integer> cycleOf(int[] vertices) {
    int[] turned = new int[vertices.length];
    for (int i = 0; i < turned.length; i++) {
      turned[i] = vertices[vertices.length - 1 - i];
    }
    int[] one = leastRotation(vertices);
    int[] other = leastRotation(turned);
    return Arrays.stream(Arrays.compare(one, other) <= 0 ? one : other).boxed().toList();
  }

  /** Source: Shiloach, "Fast canonization of circular strings", 1981. */
  private static int[] leastRotation(int[] ring) {
    int n = ring.length;
    int i = 0;
    int j = 1;
    int same = 0;
    while (i < n && j < n && same < n) {
      int difference = Integer.compare(ring[(i + same) % n], ring[(j + same) % n]);
      if (difference == 0) {
        same++;
        continue;
      }
      if (difference > 0) {
        i += same + 1;
      } else {
        j += same + 1;
      }
      j += i == j ? 1 : 0;
      same = 0;
    }
    int start = Math.min(i, j);
    int[] result = new int[n];
    for (int k = 0; k < n; k++) {
      result[k] = ring[(start + k) % n];
    }
    return result;
  }

  private static Finding finding(Mesh mesh, List<Integer> faces) {
    int first = faces.getFirst();
    return new SurfaceFinding.TwinFaces(Where.atFaces(mesh, faces, first));
  }
}
