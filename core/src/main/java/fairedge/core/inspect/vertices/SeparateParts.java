package fairedge.core.inspect.vertices;

import fairedge.core.flow.Unions;
import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;
import fairedge.core.survey.Subject;
import java.util.Arrays;
import java.util.List;

/**
 * Where an exercise expects several parts, vertices of different ones are no doubles: fitted pieces
 * touch.
 *
 * @param partOf each vertex's part by its lowest vertex; empty where all may be one
 */
record SeparateParts(int[] partOf) {
  static boolean isAsked(Subject subject) {
    Integer parts = subject.wanted().parts();
    return parts != null && parts > 1;
  }

  static SeparateParts of(Subject subject) {
    if (!isAsked(subject)) {
      return new SeparateParts(new int[0]);
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
    return new SeparateParts(partOf);
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
