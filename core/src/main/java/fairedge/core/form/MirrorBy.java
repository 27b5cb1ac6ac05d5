package fairedge.core.form;

import fairedge.core.cut.Anchor;
import fairedge.core.geometry.Axis;
import java.util.List;
import java.util.Objects;

/** By what the plane of a mirror is laid. */
public sealed interface MirrorBy {
  /** Where in the box round the model. */
  enum InBox {
    LOW,
    MIDDLE,
    HIGH
  }

  /** Square to an axis, at an offset from the origin. */
  record AtOffset(Axis axis, double offset) implements MirrorBy {
    public AtOffset {
      Objects.requireNonNull(axis, "axis");
    }
  }

  /** Square to an axis, through the middle or a side of the box round all faces. */
  record AtBox(Axis axis, InBox at) implements MirrorBy {
    public AtBox {
      Objects.requireNonNull(axis, "axis");
      Objects.requireNonNull(at, "at");
    }
  }

  /** Through edges that lie in one plane. */
  record AlongEdges(List<Integer> edges) implements MirrorBy {
    public AlongEdges {
      edges = List.copyOf(edges);
    }
  }

  /** Through three anchors on the model. */
  record ThroughAnchors(List<Anchor> anchors) implements MirrorBy {
    public ThroughAnchors {
      anchors = List.copyOf(anchors);
    }
  }
}
