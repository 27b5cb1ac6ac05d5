package fairedge.core.cut;

import fairedge.core.geometry.Vec3;
import java.util.Objects;

/** Where a point of a cut lies. */
public sealed interface Anchor {
  /** On a vertex. */
  record OnVertex(int vertex) implements Anchor {}

  /**
   * On an edge.
   *
   * @param t from 0 at the edge's first vertex (lower id) to 1 at its second; within 1e-7 S of an
   *     end it is that end
   */
  record OnEdge(int edge, double t) implements Anchor {}

  /**
   * Off the model, or in no face that is cut: the cut begins or ends where the segment enters or
   * leaves what is cut.
   *
   * @param at a point on the sight-line
   */
  record OffModel(Vec3 at) implements Anchor {
    public OffModel {
      Objects.requireNonNull(at, "at");
    }
  }

  /**
   * In a face.
   *
   * @param at a point on the face's triangulation, as it was picked: laid onto it along the face's
   *     normal
   */
  record InFace(int face, Vec3 at) implements Anchor {
    public InFace {
      Objects.requireNonNull(at, "at");
    }
  }
}
