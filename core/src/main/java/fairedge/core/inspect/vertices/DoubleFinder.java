package fairedge.core.inspect.vertices;

import fairedge.core.effort.Effort;
import fairedge.core.flow.Unions;
import fairedge.core.geometry.Vec3;
import fairedge.core.inspect.finding.Finder;
import fairedge.core.inspect.finding.Finding;
import fairedge.core.inspect.finding.Kind;
import fairedge.core.inspect.finding.VerticesFinding;
import fairedge.core.inspect.finding.Where;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.IdSet;
import fairedge.core.mesh.Mesh;
import fairedge.core.near.VertexGrid;
import fairedge.core.survey.Anew;
import fairedge.core.survey.Blocks;
import fairedge.core.survey.Lazy;
import fairedge.core.survey.Nearby;
import fairedge.core.survey.Pairs;
import fairedge.core.survey.Places;
import fairedge.core.survey.Subject;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import java.util.stream.IntStream;
import java.util.stream.LongStream;
import org.jspecify.annotations.Nullable;

/**
 * {@code double}:
 *
 * <ol>
 *   <li>every pair of vertices with a place, lone ones too, at the weld distance or less, joined by
 *       an edge or not;
 *   <li>pairs that share a vertex join into one cluster: one finding each, with its number of
 *       pairs.
 * </ol>
 *
 * Vertices are sorted along an oblique direction, so that those of straight and flat forms don't
 * fall together; then each is compared with those that follow it within the weld distance. Cost: n
 * log n, and the pairs that are near along that direction, of which {@value #MOST_COMPARED} are
 * compared; after them each with the next {@value #FEW}, and that is said.
 */
public final class DoubleFinder implements Finder {
  private static final Vec3 OBLIQUE = new Vec3(0.7310585, 0.5411961, 0.4155393).unit();

  /** Sort keys hold the place along the direction in 38 bits over a vertex index in 25. */
  private static final int INDEX_BITS = 25;

  private static final long BINS = 1L << 38;

  /** With more pairs than these, or larger clusters, all are looked for anew after a step. */
  private static final int MOST_KEPT = 100_000;

  private static final int LARGEST_KEPT = 100;

  /** With more comparisons than these, each vertex is compared with few more. */
  private static final long MOST_COMPARED = 60_000_000;

  private static final int FEW = 16;

  @Override
  public List<Finding> find(Subject subject) {
    Search search = new Search(subject.mesh(), subject.weld(), Separate.of(subject));
    List<Finding> all = mayHaveAny(subject) ? search.findings() : List.of();
    subject.leaveOut(
        Kind.DOUBLE.key(),
        search.left < 0,
        "So many vertices lie in each other's way that not every two of them were compared: there"
            + " are more pairs than were counted.");
    subject.gathered().doubles = pairsOf(subject, all);
    return all;
  }

  /** Most meshes have no two vertices so near to each other: that is soon seen in a grid. */
  private static boolean mayHaveAny(Subject subject) {
    VertexGrid grid = subject.vertexGrid();
    if (grid.isCrowded()) {
      return true;
    }
    Mesh mesh = subject.mesh();
    double weld = subject.weld();
    return !Blocks.search(
            mesh.vertexEnd(),
            (int from, int to, Consumer<Integer> found) -> {
              VertexGrid.Asker asker =
                  grid.asker(
                      weld,
                      (v, w) -> {
                        if (mesh.position(v).distance(mesh.position(w)) <= weld) {
                          found.accept(v);
                        }
                      });
              for (int v = from; v < to; v++) {
                if (mesh.hasVertex(v) && mesh.hasPlace(v)) {
                  asker.aboutVertex(v);
                }
              }
            })
        .isEmpty();
  }

  @Override
  public List<Finding> renew(Subject subject, Anew anew, List<Finding> before) {
    Pairs known = anew.nearby().known().doubles;
    Pairs renewed = known == null ? null : renewed(subject, anew.nearby(), known);
    if (renewed == null) {
      return find(subject);
    }
    subject.gathered().doubles = renewed;
    return ofPairs(subject, renewed);
  }

  private static List<Finding> ofPairs(Subject subject, Pairs pairs) {
    Mesh mesh = subject.mesh();
    if (pairs.count() == 0) {
      return List.of();
    }
    Clusters clusters =
        new Clusters(
            pairs.stream()
                .flatMap(pair -> LongStream.of(Pairs.first(pair), Pairs.second(pair)))
                .mapToInt(v -> (int) v)
                .sorted()
                .distinct()
                .toArray());
    pairs.stream()
        .forEach(pair -> {
          int v = Pairs.first(pair);
          int w = Pairs.second(pair);
          clusters.join(v, w, mesh.position(v).distance(mesh.position(w)), 1);
        });
    return clusters.findings(mesh);
  }

  /** The pairs of clusters; null where they are too many to be kept. */
  private static @Nullable Pairs pairsOf(Subject subject, List<Finding> clusters) {
    Mesh mesh = subject.mesh();
    Separate separate = Separate.of(subject);
    LongStream.Builder pairs = LongStream.builder();
    long count = 0;
    for (Finding cluster : clusters) {
      int[] members = cluster.elements().stream().mapToInt(Element::id).toArray();
      count += (long) members.length * members.length;
      if (members.length > LARGEST_KEPT || count > MOST_KEPT) {
        return null;
      }
      for (int i = 0; i < members.length; i++) {
        for (int j = i + 1; j < members.length; j++) {
          if (mesh.position(members[i]).distance(mesh.position(members[j])) <= subject.weld()
              && separate.mayBeOne(members[i], members[j])) {
            pairs.add(Pairs.unordered(members[i], members[j]));
          }
        }
      }
    }
    return Pairs.of(pairs.build());
  }

  /**
   * Touched vertices are compared with those near, lone ones too; null where they are so many in
   * one place that all are better looked for.
   */
  private static @Nullable Pairs renewed(Subject subject, Nearby nearby, Pairs before) {
    if (Separate.isAsked(subject)) {
      // Far parts may have been joined by what was touched.
      return null;
    }
    Mesh mesh = subject.mesh();
    IdSet touched = nearby.vertices();
    IdSet near = IdSet.of(nearby.verticesNear(mesh));
    near.addAll(touched.sorted());
    if (subject.topology().apartCount() > 0) {
      near.addAll(subject.topology().verticesApart().stream().toArray());
    }
    int[] vertices =
        Arrays.stream(near.sorted()).filter(v -> mesh.hasVertex(v) && mesh.hasPlace(v)).toArray();
    double[] along = new double[vertices.length];
    Integer[] order = new Integer[vertices.length];
    for (int i = 0; i < vertices.length; i++) {
      along[i] = mesh.position(vertices[i]).dot(OBLIQUE);
      order[i] = i;
    }
    Arrays.sort(order, Comparator.comparingDouble(i -> along[i]));
    // Rounding along the direction must not part what is near.
    double window = subject.weld() + 1e-12 * subject.tolerance().scale();
    List<Long> anew = new ArrayList<>();
    for (int i = 0; i < order.length; i++) {
      int v = vertices[order[i]];
      for (int j = i + 1; j < order.length; j++) {
        int w = vertices[order[j]];
        if (along[order[j]] - along[order[i]] > window) {
          break;
        }
        if ((touched.has(v) || touched.has(w))
            && mesh.position(v).distance(mesh.position(w)) <= subject.weld()) {
          anew.add(Pairs.unordered(v, w));
          if (anew.size() > MOST_KEPT) {
            return null;
          }
        }
      }
    }
    return before.renewed(
        pair ->
            !touched.has(Pairs.first(pair))
                && !touched.has(Pairs.second(pair))
                && mesh.hasVertex(Pairs.first(pair))
                && mesh.hasVertex(Pairs.second(pair)),
        anew.stream().mapToLong(Long::longValue));
  }

  /**
   * Where an exercise expects several parts, vertices of different ones are no doubles: fitted
   * pieces touch.
   *
   * @param partOf each vertex's part by its lowest vertex; empty where all may be one
   */
  private record Separate(int[] partOf) {
    static boolean isAsked(Subject subject) {
      Integer parts = subject.wanted().parts();
      return parts != null && parts > 1;
    }

    static Separate of(Subject subject) {
      if (!isAsked(subject)) {
        return new Separate(new int[0]);
      }
      Mesh mesh = subject.mesh();
      Unions parts = new Unions(mesh.vertexEnd());
      for (int e = 0; e < mesh.edgeEnd(); e++) {
        if (mesh.hasEdge(e) && subject.topology().uses(e) > 0) {
          parts.join(mesh.first(e), mesh.second(e));
        }
      }
      int[] partOf = new int[mesh.vertexEnd()];
      Arrays.setAll(partOf, v -> subject.topology().valence(v) > 0 ? parts.rootOf(v) : Mesh.NONE);
      return new Separate(partOf);
    }

    boolean mayBeOne(int v, int w) {
      return partOf.length == 0
          || partOf[v] == partOf[w]
          || partOf[v] == Mesh.NONE
          || partOf[w] == Mesh.NONE;
    }

    /** Vertices of one key in one place count together. */
    Object keyOf(int v, Vec3 place) {
      return partOf.length == 0 ? place : List.of(place, partOf[v]);
    }
  }

  /** Vertices along the direction, and a window that runs over them. */
  private static final class Search {
    private final Mesh mesh;
    private final double weld;
    private final Separate separate;
    private long window;

    /** How many comparisons may be made yet; below 0 where some were left out. */
    private long left = MOST_COMPARED;

    Search(Mesh mesh, double weld, Separate separate) {
      this.mesh = mesh;
      this.weld = weld;
      this.separate = separate;
    }

    List<Finding> findings() {
      long[] keys = sortedKeys();
      if (keys.length == 0) {
        return List.of();
      }
      // Most meshes have no doubles at all.
      Lazy<Clusters> clusters =
          new Lazy<>(() ->
              new Clusters(Arrays.stream(keys).mapToInt(Search::vertexOf).sorted().toArray()));
      int[] together = joinSamePlaces(keys, clusters);
      for (int i = 0; i < keys.length; i++) {
        int v = vertexOf(keys[i]);
        if (together[v] == 0) {
          continue;
        }
        Effort.check();
        for (int j = i + 1; j < keys.length && binOf(keys[j]) - binOf(keys[i]) <= window; j++) {
          if (left-- <= 0 && j > i + FEW) {
            break;
          }
          int w = vertexOf(keys[j]);
          double distance = mesh.position(v).distance(mesh.position(w));
          if (together[w] > 0 && distance <= weld && separate.mayBeOne(v, w)) {
            clusters.get().join(v, w, distance, (long) together[v] * together[w]);
          }
        }
      }
      return clusters.isMade() ? clusters.get().findings(mesh) : List.of();
    }

    /**
     * Vertices with the very same numbers count together: the first stands for all, so that a
     * million in one place don't make a million times a million comparisons.
     *
     * @return for each vertex how many it stands for; 0 where another stands for it
     */
    private int[] joinSamePlaces(long[] keys, Lazy<Clusters> clusters) {
      int[] together = new int[mesh.vertexEnd()];
      for (int from = 0; from < keys.length; ) {
        int to = from + 1;
        while (to < keys.length && binOf(keys[to]) == binOf(keys[from])) {
          to++;
        }
        if (to == from + 1) {
          together[vertexOf(keys[from])] = 1;
        } else {
          joinSamePlaces(
              Arrays.stream(keys, from, to).mapToInt(Search::vertexOf), together, clusters);
        }
        from = to;
      }
      return together;
    }

    private void joinSamePlaces(IntStream vertices, int[] together, Lazy<Clusters> clusters) {
      Map<Object, Integer> first = new HashMap<>();
      vertices.forEach(v -> {
        int standing = first.computeIfAbsent(separate.keyOf(v, unsigned(mesh.position(v))), p -> v);
        if (standing != v) {
          clusters.get().join(standing, v, 0, together[standing]);
        }
        together[standing]++;
      });
    }

    /** Zero is one place, whatever its sign. */
    private static Vec3 unsigned(Vec3 p) {
      return p.plus(Vec3.ZERO);
    }

    private long[] sortedKeys() {
      double low = Double.POSITIVE_INFINITY;
      double high = Double.NEGATIVE_INFINITY;
      int count = 0;
      for (int v = 0; v < mesh.vertexEnd(); v++) {
        if (mesh.hasVertex(v) && mesh.hasPlace(v)) {
          double along = mesh.position(v).dot(OBLIQUE);
          low = Math.min(low, along);
          high = Math.max(high, along);
          count++;
        }
      }
      long[] keys = new long[count];
      double binsPerUnit = high > low ? (BINS - 1) / (high - low) : 0;
      window = (long) Math.min(BINS, weld * binsPerUnit) + 1;
      int filled = 0;
      for (int v = 0; v < mesh.vertexEnd(); v++) {
        if (mesh.hasVertex(v) && mesh.hasPlace(v)) {
          long bin = (long) ((mesh.position(v).dot(OBLIQUE) - low) * binsPerUnit);
          keys[filled++] = bin << INDEX_BITS | v;
        }
      }
      Arrays.parallelSort(keys);
      return keys;
    }

    private static int vertexOf(long key) {
      return (int) (key & (1L << INDEX_BITS) - 1);
    }

    private static long binOf(long key) {
      return key >> INDEX_BITS;
    }
  }

  /** Vertices joined by pairs; what a cluster has is kept with its lowest vertex. */
  private static final class Clusters {
    private final int[] vertices;
    private final Unions joined;
    private final long[] pairs;
    private final double[] apart;

    /**
     * @param vertices all that may be joined, by id
     */
    Clusters(int[] vertices) {
      this.vertices = vertices;
      this.joined = new Unions(vertices.length);
      this.pairs = new long[vertices.length];
      this.apart = new double[vertices.length];
    }

    void join(int v, int w, double distance, long count) {
      int a = joined.rootOf(placeOf(v));
      int b = joined.rootOf(placeOf(w));
      int root = Math.min(a, b);
      int other = Math.max(a, b);
      pairs[root] += count;
      apart[root] = Math.max(apart[root], distance);
      if (other != root) {
        joined.join(a, b);
        pairs[root] += pairs[other];
        apart[root] = Math.max(apart[root], apart[other]);
      }
    }

    /** Mostly all vertices are there. */
    private int placeOf(int v) {
      return v < vertices.length && vertices[v] == v ? v : Arrays.binarySearch(vertices, v);
    }

    List<Finding> findings(Mesh mesh) {
      List<int[]> clusters = joined.sets().stream().filter(set -> set.length > 1).toList();
      return Blocks.collect(
          clusters.size(),
          (int i, Consumer<Finding> found) -> found.accept(finding(mesh, clusters.get(i))));
    }

    private Finding finding(Mesh mesh, int[] cluster) {
      List<Integer> members = Arrays.stream(cluster).map(i -> vertices[i]).boxed().toList();
      double reach = 0;
      for (int v : members) {
        reach = Math.max(reach, Places.meanEdge(mesh, mesh.facesAt(v)));
      }
      Where where =
          new Where(
              members.stream().map(Element::vertex).toList(),
              mesh.position(members.getFirst()),
              reach);
      return new VerticesFinding.DoubleVertices(where, pairs[cluster[0]], apart[cluster[0]]);
    }
  }
}
