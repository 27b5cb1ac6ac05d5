package fairedge.core.tidy;

import fairedge.core.flow.Fans;
import fairedge.core.geometry.Vec3;
import fairedge.core.local.Refusal;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import fairedge.core.near.NearPairs;
import fairedge.core.work.Asked;
import fairedge.core.work.Done;
import fairedge.core.work.Remark;
import fairedge.core.work.Site;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.TreeMap;
import java.util.TreeSet;

/**
 * Makes one vertex of several. Faces that lose corners shrink, under three corners they go; a face
 * whose corners meet splits; twins that arise go. The vertex that stays keeps its id. Cost: the
 * corners of the faces at the vertices; by distance the vertices and the pairs.
 */
public final class Weld {
  private static final int MOST_PAIRS = 1_000_000;

  /** Where the one vertex lies. */
  public enum At {
    FIRST,
    LAST,
    MIDDLE
  }

  /**
   * What hangs together by edges.
   *
   * @param edge the lowest of them
   */
  private record Hanging(TreeSet<Integer> vertices, int edge) {}

  private Weld() {}

  /**
   * Chosen vertices into one.
   *
   * @param vertices in the order in which they were chosen
   * @throws Refusal.Raised for fewer than two
   */
  public static Done together(Site site, List<Integer> vertices, At at) {
    Asked.placed(site, vertices);
    List<Integer> distinct = vertices.stream().distinct().toList();
    if (distinct.size() < 2) {
      throw Refusal.because("Choose at least two vertices to weld.");
    }
    int keep = at == At.LAST ? distinct.getLast() : distinct.getFirst();
    Vec3 place = at == At.MIDDLE ? Asked.middle(site.mesh(), distinct) : site.mesh().position(keep);
    VertexMerge merge = new VertexMerge(site.edit());
    merge.into(distinct, keep);
    if (!site.mesh().hasVertex(keep)) {
      throw Refusal.because("Nothing would be left here: every face would collapse.");
    }
    if (!place.equals(site.mesh().position(keep))) {
      site.edit().moveVertex(keep, place);
    }
    return told(distinct.size() - 1, merge);
  }

  /**
   * Every edge into one vertex at its middle; edges that hang together into one.
   *
   * @throws Refusal.Raised if nothing would be left, or if what hung together as one surface about
   *     an edge would not any more
   */
  public static Done collapse(Site site, Collection<Integer> edges) {
    Mesh mesh = site.mesh();
    Map<Integer, TreeSet<Integer>> groups = new HashMap<>();
    TreeSet<Integer> chosen = Asked.edges(site, edges);
    for (int e : chosen) {
      TreeSet<Integer> a = groups.getOrDefault(mesh.first(e), single(mesh.first(e)));
      TreeSet<Integer> b = groups.getOrDefault(mesh.second(e), single(mesh.second(e)));
      a.addAll(b);
      a.forEach(v -> groups.put(v, a));
    }
    TreeMap<Integer, Hanging> byFirst = new TreeMap<>();
    for (int e : chosen) {
      TreeSet<Integer> group = Objects.requireNonNull(groups.get(mesh.first(e)));
      byFirst.putIfAbsent(group.first(), new Hanging(group, e));
    }
    List<Remark> remarks = new ArrayList<>();
    for (Hanging group : byFirst.values()) {
      // What was collapsed before may have taken some of them with it.
      List<Integer> left = group.vertices().stream().filter(mesh::hasVertex).toList();
      if (left.size() > 1) {
        remarks.addAll(collapse(site, left, group.edge()).remarks());
      }
    }
    return new Done(List.of(), remarks, 0);
  }

  private static Done collapse(Site site, List<Integer> group, int edge) {
    Mesh mesh = site.mesh();
    boolean wasOne = group.stream().allMatch(v -> isOneSurface(mesh, v));
    Done result = together(site, group, At.MIDDLE);
    int left = group.getFirst();
    if (wasOne && !isOneSurface(mesh, left)) {
      throw Refusal.because(
          "Collapsed, this edge would pinch the surface: more than two faces would meet in an edge,"
              + " or parts in one vertex only.",
          Element.edge(edge));
    }
    return result;
  }

  /** Whether faces meet two at an edge, and all of them round the vertex. */
  private static boolean isOneSurface(Mesh mesh, int v) {
    for (int e : mesh.edgesAt(v)) {
      if (mesh.uses(e) > 2) {
        return false;
      }
    }
    return Fans.at(mesh, v).count() <= 1;
  }

  private static TreeSet<Integer> single(int v) {
    return new TreeSet<>(List.of(v));
  }

  /**
   * All pairs nearer than a distance: in order of distance, then ids, as long as the vertices that
   * become one all lie within it of each other. Each goes into the one with the lowest id.
   *
   * @param distance in the unit of the mesh
   */
  public static Done near(Site site, double distance) {
    Mesh mesh = site.mesh();
    if (!(distance > 0) || !Double.isFinite(distance)) {
      throw Refusal.because("The distance to weld within is more than 0.");
    }
    List<NearPairs.Pair> pairs =
        NearPairs.of(mesh, distance, v -> isAllowed(site, v), MOST_PAIRS)
            .orElseThrow(() ->
                Refusal.because(
                    "At this distance more than a million pairs would be welded: take a smaller"
                        + " one."));
    pairs.sort(
        Comparator.comparingDouble(NearPairs.Pair::distance)
            .thenComparingInt(NearPairs.Pair::a)
            .thenComparingInt(NearPairs.Pair::b));
    Map<Integer, TreeSet<Integer>> clusters = new HashMap<>();
    for (NearPairs.Pair pair : pairs) {
      TreeSet<Integer> a = clusters.getOrDefault(pair.a(), single(pair.a()));
      TreeSet<Integer> b = clusters.getOrDefault(pair.b(), single(pair.b()));
      if (a != b && isWithin(mesh, a, b, distance)) {
        a.addAll(b);
        a.forEach(v -> clusters.put(v, a));
      }
    }
    return mergeAll(site, clusters);
  }

  private static Done mergeAll(Site site, Map<Integer, TreeSet<Integer>> clusters) {
    TreeMap<Integer, TreeSet<Integer>> byFirst = new TreeMap<>();
    clusters.values().forEach(c -> byFirst.put(c.first(), c));
    VertexMerge merge = new VertexMerge(site.edit());
    int welded = 0;
    for (TreeSet<Integer> cluster : byFirst.values()) {
      // What was welded before may have taken some of them with it.
      List<Integer> left = cluster.stream().filter(site.mesh()::hasVertex).toList();
      if (left.size() > 1) {
        merge.into(left, left.getFirst());
        welded += left.size() - 1;
      }
    }
    if (site.mesh().faceCount() == 0) {
      throw Refusal.because("No face would be left at this distance.");
    }
    return told(welded, merge);
  }

  private static boolean isAllowed(Site site, int v) {
    int[] faces = site.mesh().facesAt(v);
    for (int f : faces) {
      if (site.allows(f)) {
        return true;
      }
    }
    return faces.length == 0;
  }

  private static boolean isWithin(
      Mesh mesh, TreeSet<Integer> a, TreeSet<Integer> b, double distance) {
    for (int v : a) {
      for (int w : b) {
        if (mesh.position(v).distance(mesh.position(w)) > distance) {
          return false;
        }
      }
    }
    return true;
  }

  private static Done told(int welded, VertexMerge merge) {
    List<Remark> remarks = new ArrayList<>();
    remarks.add(remark("Welds %d %s.".formatted(welded, welded == 1 ? "vertex" : "vertices")));
    int gone = merge.collapsed();
    if (gone > 0) {
      remarks.add(
          remark("%d %s.".formatted(gone, gone == 1 ? "face collapses" : "faces collapse")));
    }
    if (merge.twins() > 0) {
      remarks.add(
          remark(
              merge.twins() == 1
                  ? "1 face that would lie twice goes."
                  : "%d faces that would lie twice go.".formatted(merge.twins())));
    }
    return new Done(List.of(), remarks, 0);
  }

  private static Remark remark(String text) {
    return new Remark(text, null, null, null);
  }
}
