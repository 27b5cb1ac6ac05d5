package fairedge.core.cut;

import fairedge.core.geometry.Vec3;
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

  /** An axis of space. */
  enum Axis {
    X(new Vec3(1, 0, 0)),
    Y(new Vec3(0, 1, 0)),
    Z(new Vec3(0, 0, 1));

    private final Vec3 unit;

    Axis(Vec3 unit) {
      this.unit = unit;
    }

    public Vec3 unit() {
      return unit;
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
