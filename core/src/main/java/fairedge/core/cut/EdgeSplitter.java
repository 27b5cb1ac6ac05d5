package fairedge.core.cut;

import fairedge.core.local.MeshEdit;
import fairedge.core.mesh.Mesh;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * Puts several vertices into edges at once: requests name places on the edges as they are now, and
 * equal requests share a vertex. Cost: the requests and the uses of their edges.
 */
final class EdgeSplitter {
  private final MeshEdit edit;
  private final Mesh mesh;
  private final double merge;
  private final List<Node.OnEdge> requests = new ArrayList<>();
  private final Map<Node.OnEdge, Integer> made = new HashMap<>();

  /** By edge the part of it at its far end. */
  private final Map<Integer, Integer> lastParts = new HashMap<>();

  /**
   * @param merge requests on one edge this near to each other share a vertex
   */
  EdgeSplitter(MeshEdit edit, double merge) {
    this.edit = edit;
    this.merge = merge;
    this.mesh = edit.mesh();
  }

  Node.OnEdge request(int edge, double t) {
    Node.OnEdge node = new Node.OnEdge(edge, t, mesh.along(edge, t));
    request(node);
    return node;
  }

  void request(Node.OnEdge node) {
    requests.add(node);
  }

  /**
   * Splits all: edge by edge in order of first request, from the far end to the near one, so that
   * an edge keeps its id at its first vertex and the fractions of the rest stay true.
   */
  void splitAll() {
    Map<Integer, List<Node.OnEdge>> byEdge = new LinkedHashMap<>();
    for (Node.OnEdge node : requests) {
      byEdge.computeIfAbsent(node.edge(), e -> new ArrayList<>()).add(node);
    }
    for (List<Node.OnEdge> onOne : byEdge.values()) {
      onOne.sort(Comparator.comparingDouble(Node.OnEdge::t).reversed());
      splitOne(onOne);
    }
    requests.clear();
  }

  private void splitOne(List<Node.OnEdge> fromFarToNear) {
    Node.OnEdge last = null;
    int edge = fromFarToNear.getFirst().edge();
    int far = mesh.second(edge);
    for (Node.OnEdge node : fromFarToNear) {
      if (last != null && last.at().distance(node.at()) <= merge) {
        made.put(node, vertexAt(last));
      } else {
        made.put(node, edit.splitEdge(node.edge(), node.at()));
        last = node;
      }
    }
    lastParts.put(edge, mesh.findEdge(vertexAt(fromFarToNear.getFirst()), far));
  }

  /** By edge that was split the edges that it is in now, from its first vertex on. */
  Map<Integer, List<Integer>> parts() {
    Map<Integer, List<Node.OnEdge>> byEdge = new LinkedHashMap<>();
    made.keySet().forEach(on -> byEdge.computeIfAbsent(on.edge(), e -> new ArrayList<>()).add(on));
    Map<Integer, List<Integer>> parts = new LinkedHashMap<>();
    byEdge.forEach((e, nodes) -> {
      nodes.sort(Comparator.comparingDouble(Node.OnEdge::t));
      // It keeps its id at its first vertex; the far end is that of the last part.
      List<Integer> own = new ArrayList<>(List.of(e));
      int[] along = nodes.stream().mapToInt(this::vertexAt).distinct().toArray();
      for (int i = 0; i + 1 < along.length; i++) {
        own.add(mesh.findEdge(along[i], along[i + 1]));
      }
      own.add(lastParts.getOrDefault(e, Mesh.NONE));
      parts.put(e, own);
    });
    return parts;
  }

  int vertexAt(Node.OnEdge node) {
    Integer v = made.get(node);
    if (v == null) {
      throw new IllegalStateException("no vertex was put at " + node);
    }
    return v;
  }
}
