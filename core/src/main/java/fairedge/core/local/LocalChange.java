package fairedge.core.local;

import fairedge.core.geometry.Vec3;

/** What one local operator did, with all that its inverse needs to put the same bytes back. */
public sealed interface LocalChange {

  /** Edge e was split at a new vertex; newEdge is the piece at e's second end. */
  record EdgeSplit(int edge, int vertex, int newEdge) implements LocalChange {}

  /**
   * Vertex v, met by two edges only, was taken out; edge goneEdge went into edge.
   *
   * @param begunThere the faces whose first corner was at v
   */
  record EdgeJoined(
      int edge, int vertex, int goneEdge, int end, int goneEnd, Vec3 at, int[] begunThere)
      implements LocalChange {}

  /** Face was split along a path of new edges, with new vertices at its bends. */
  record FaceSplit(int face, int newFace, int[] edges, int[] vertices) implements LocalChange {}

  /**
   * Face goneFace went into face across the edge between two vertices.
   *
   * @param keptFirst how many corners after its first the joined face has the one that followed the
   *     edge in the kept face
   * @param goneFirst the same for the one that followed it in the face that went; positions, since
   *     corner ids don't outlive a state
   * @param begunAtEdge whether the kept face began with the corner that was dropped
   * @param goneBegin how many corners after goneFirst the gone face began
   */
  record FacesJoined(
      int face,
      int goneFace,
      int edge,
      int keptFirst,
      int goneFirst,
      boolean begunAtEdge,
      int goneBegin)
      implements LocalChange {}

  /** A lone vertex was made. */
  record VertexMade(int vertex) implements LocalChange {}

  /** A lone vertex was taken out. */
  record VertexRemoved(int vertex, Vec3 at) implements LocalChange {}

  /** A vertex lies elsewhere now. */
  record VertexMoved(int vertex, Vec3 from) implements LocalChange {}

  /** A loose edge was made. */
  record EdgeMade(int edge, int first, int second) implements LocalChange {}

  /** A loose edge was taken out. */
  record EdgeRemoved(int edge, int first, int second) implements LocalChange {}

  /** A face was put over edges that were there. */
  record FaceMade(int face) implements LocalChange {}

  /** A face was taken off its edges. */
  record FaceRemoved(int face, int[] vertices) implements LocalChange {}

  /** A face runs over other vertices now. */
  record FaceReshaped(int face, int[] before) implements LocalChange {}

  /**
   * A face has another label now.
   *
   * @param isNew whether there was no such label before
   */
  record FaceLabelled(int face, int before, boolean isNew) implements LocalChange {}
}
