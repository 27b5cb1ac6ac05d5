package fairedge.core.work;

import fairedge.core.geometry.Vec3;
import java.util.Objects;

/** How the user saw the model when a point was placed. */
public sealed interface View {
  /** The direction in which the eye looks at a place; not of unit length. */
  Vec3 sightTo(Vec3 place);

  boolean isFinite();

  /** An eye at a place in space. */
  record Perspective(Vec3 eye) implements View {
    public Perspective {
      Objects.requireNonNull(eye, "eye");
    }

    @Override
    public Vec3 sightTo(Vec3 place) {
      return place.minus(eye);
    }

    @Override
    public boolean isFinite() {
      return eye.isFinite();
    }
  }

  /** An eye infinitely far away, looking in a direction. */
  record Parallel(Vec3 direction) implements View {
    public Parallel {
      Objects.requireNonNull(direction, "direction");
    }

    @Override
    public Vec3 sightTo(Vec3 place) {
      return direction;
    }

    @Override
    public boolean isFinite() {
      return direction.isFinite() && direction.length() > 0;
    }
  }
}
