package fairedge.core.inspect.vertices;

import fairedge.core.effort.Effort;
import fairedge.core.geometry.Vec3;
import fairedge.core.inspect.finding.Finding;
import fairedge.core.mesh.Mesh;
import fairedge.core.survey.Lazy;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;

/** Vertices along the direction, and a window that runs over them. */
final class DoubleSearch {
  /** Few forms have many vertices at one place along it. */
  static final Vec3 OBLIQUE = new Vec3(0.7310585, 0.5411961, 0.4155393).unit();

  /** Sort keys hold the place along the direction in 38 bits over a vertex index in 25. */
  private static final int INDEX_BITS = 25;

  private static final long BINS = 1L << 38;

  /** With more comparisons than these, each vertex is compared with few more. */
  static final long MOST_COMPARED = 60_000_000;

  static final int FEW = 16;

  private final Mesh mesh;
  private final double weld;
  private final SeparateParts separate;
  private long window;

  /** How many comparisons may be made yet; below 0 where some were left out. */
  private long left = MOST_COMPARED;

  DoubleSearch(Mesh mesh, double weld, SeparateParts separate) {
    this.mesh = mesh;
    this.weld = weld;
    this.separate = separate;
  }

  /** Whether not every two were compared. */
  boolean isCutShort() {
    return left < 0;
  }

  List<Finding> findings() {
    long[] keys = sortedKeys();
    if (keys.length == 0) {
      return List.of();
    }
    // Most meshes have no doubles at all.
    Lazy<DoubleClusters> clusters =
        new Lazy<>(() ->
            new DoubleClusters(
                Arrays.stream(keys).mapToInt(DoubleSearch::vertexOf).sorted().toArray()));
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
   * Vertices with the very same numbers count together: the first stands for all, so that a million
   * in one place don't make a million times a million comparisons.
   *
   * @return for each vertex how many it stands for; 0 where another stands for it
   */
  private int[] joinSamePlaces(long[] keys, Lazy<DoubleClusters> clusters) {
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
            Arrays.stream(keys, from, to).mapToInt(DoubleSearch::vertexOf), together, clusters);
      }
      from = to;
    }
    return together;
  }

  private void joinSamePlaces(IntStream vertices, int[] together, Lazy<DoubleClusters> clusters) {
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
