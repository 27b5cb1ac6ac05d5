package fairedge.core.inspect;

import fairedge.core.flow.Unions;
import fairedge.core.mesh.Mesh;
import java.util.BitSet;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.IntStream;

/** Edges that hang together by shared vertices. */
final class EdgeGroups {
  private EdgeGroups() {}

  /** Each group in the order of its edges' ids; groups by their lowest. Cost: the vertices. */
  static List<int[]> of(Mesh mesh, BitSet edges) {
    if (edges.isEmpty()) {
      return List.of();
    }
    Unions vertices = new Unions(mesh.vertexEnd());
    edges.stream().forEach(e -> vertices.join(mesh.first(e), mesh.second(e)));
    Map<Integer, IntStream.Builder> groups = new TreeMap<>();
    edges.stream()
        .forEach(e ->
            groups
                .computeIfAbsent(vertices.rootOf(mesh.first(e)), r -> IntStream.builder())
                .add(e));
    return groups.values().stream()
        .map(group -> group.build().toArray())
        .sorted((a, b) -> Integer.compare(a[0], b[0]))
        .toList();
  }
}
