package fairedge.core.cut;

import fairedge.core.geometry.Axis;
import fairedge.core.geometry.Vec3;
import fairedge.core.work.View;
import java.util.List;
import java.util.Objects;

/** By what a straight cut's plane is laid. */
public sealed interface PlaneBy {
  /** Through two points of the screen, seen edge-on; each a place on its sight-line. */
  record Drawn(Vec3 from, Vec3 to, View view) implements PlaneBy {
    public Drawn {
      Objects.requireNonNull(from, "from");
      Objects.requireNonNull(to, "to");
      Objects.requireNonNull(view, "view");
    }
  }

  /** Square to an axis, at an offset from the origin. */
  record Along(Axis axis, double offset) implements PlaneBy {
    public Along {
      Objects.requireNonNull(axis, "axis");
    }
  }

  /** Through three anchors on the model. */
  record Through(List<Anchor> anchors) implements PlaneBy {
    public Through {
      anchors = List.copyOf(anchors);
    }
  }

  /** Square to a face, through its middle, across its longest side. */
  record SquareTo(int face) implements PlaneBy {}
}
