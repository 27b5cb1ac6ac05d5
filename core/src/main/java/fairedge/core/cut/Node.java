package fairedge.core.cut;

import fairedge.core.geometry.Vec3;

/** An end of a chord across a face. */
sealed interface Node {
  Vec3 at();

  /** A vertex of the mesh. */
  record AtVertex(int vertex, Vec3 at) implements Node {}

  /** A new vertex to come on an edge, at t from its first vertex. */
  record OnEdge(int edge, double t, Vec3 at) implements Node {}

  /** Where a sight-line passes the model by; no end of a chord. */
  record Beside(Vec3 at) implements Node {}

  /** A bend inside a face. */
  record Inside(Vec3 at) implements Node {}
}
