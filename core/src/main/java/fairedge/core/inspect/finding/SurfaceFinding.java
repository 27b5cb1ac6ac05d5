package fairedge.core.inspect.finding;

import fairedge.core.survey.Measure;

/** Where a mesh is no sound surface. */
public sealed interface SurfaceFinding extends Finding {
  /** A border, along its edges. */
  record Border(Where where) implements SurfaceFinding {
    @Override
    public Rule rule() {
      return Rule.BORDER;
    }

    @Override
    public Measure measure() {
      return new Measure(elements().size(), Measure.Unit.EDGES);
    }
  }

  /** An edge with more than two sides of faces. */
  record CrowdedEdge(Where where, int uses) implements SurfaceFinding {
    @Override
    public Rule rule() {
      return Rule.CROWDED_EDGE;
    }

    @Override
    public Measure measure() {
      return new Measure(uses, Measure.Unit.USES);
    }
  }

  /** A vertex in which alone pieces of surface hang together. */
  record BowTie(Where where, int fans) implements SurfaceFinding {
    @Override
    public Rule rule() {
      return Rule.BOW_TIE;
    }

    @Override
    public Measure measure() {
      return new Measure(fans, Measure.Unit.FANS);
    }
  }

  /** Faces to turn, so that neighbours are wound alike. */
  record Flipped(Where where) implements SurfaceFinding {
    @Override
    public Rule rule() {
      return Rule.FLIPPED;
    }

    @Override
    public Measure measure() {
      return new Measure(elements().size(), Measure.Unit.FACES);
    }
  }

  /**
   * A surface that no turning of faces makes alike; its elements are the edges at which it is not.
   */
  record OneSurface(Where where, int faces) implements SurfaceFinding {
    @Override
    public Rule rule() {
      return Rule.FLIPPED;
    }

    @Override
    public Measure measure() {
      return new Measure(elements().size(), Measure.Unit.EDGES);
    }
  }

  /** A part that shows its backs. */
  record InsideOut(Where where, int faces, double volume) implements SurfaceFinding {
    @Override
    public Rule rule() {
      return Rule.INSIDE_OUT;
    }

    @Override
    public Measure measure() {
      return new Measure(volume, Measure.Unit.VOLUME);
    }
  }

  /**
   * A face read without corners that repeated the one before.
   *
   * @param line of the file
   * @param reading what was odd there
   */
  record RepeatedCorner(Where where, int line, String reading) implements SurfaceFinding {
    @Override
    public Rule rule() {
      return Rule.REPEATED_CORNER;
    }

    @Override
    public Measure measure() {
      return new Measure(line, Measure.Unit.LINE);
    }
  }

  /**
   * A face of the file that could not be read.
   *
   * @param line of the file
   * @param reading why
   */
  record UnreadableFace(Where where, int line, String reading) implements SurfaceFinding {
    @Override
    public Rule rule() {
      return Rule.UNREADABLE_FACE;
    }

    @Override
    public Measure measure() {
      return new Measure(line, Measure.Unit.LINE);
    }
  }

  /** A vertex whose place is no place. */
  record NoPlace(Where where) implements SurfaceFinding {
    @Override
    public Rule rule() {
      return Rule.NO_PLACE;
    }

    @Override
    public Measure measure() {
      return new Measure(1, Measure.Unit.VERTICES);
    }
  }

  /** Faces with the same corners. */
  record TwinFaces(Where where) implements SurfaceFinding {
    @Override
    public Rule rule() {
      return Rule.TWIN_FACE;
    }

    @Override
    public Measure measure() {
      return new Measure(elements().size(), Measure.Unit.FACES);
    }
  }

  /** Faces with solid on both sides. */
  record InnerFaces(Where where) implements SurfaceFinding {
    @Override
    public Rule rule() {
      return Rule.INNER_FACE;
    }

    @Override
    public Measure measure() {
      return new Measure(elements().size(), Measure.Unit.FACES);
    }
  }

  /** A face whose corners lie in one line or one place. */
  record NoArea(Where where, int sides, double slenderness) implements SurfaceFinding {
    @Override
    public Rule rule() {
      return Rule.NO_AREA;
    }

    @Override
    public Measure measure() {
      return new Measure(slenderness, Measure.Unit.RATIO);
    }
  }

  /** A face long and thin. */
  record Sliver(Where where, int sides, double slenderness) implements SurfaceFinding {
    @Override
    public Rule rule() {
      return Rule.SLIVER;
    }

    @Override
    public Measure measure() {
      return new Measure(slenderness, Measure.Unit.RATIO);
    }
  }

  /**
   * A face with a notch.
   *
   * @param back by how much its sharpest corner turns back, degrees
   */
  record Concave(Where where, double back) implements SurfaceFinding {
    @Override
    public Rule rule() {
      return Rule.CONCAVE;
    }

    @Override
    public Measure measure() {
      return new Measure(back, Measure.Unit.DEGREES);
    }
  }

  /**
   * A face bent in itself.
   *
   * @param warp degrees
   */
  record Warped(Where where, double warp) implements SurfaceFinding {
    @Override
    public Rule rule() {
      return Rule.WARPED;
    }

    @Override
    public Measure measure() {
      return new Measure(warp, Measure.Unit.DEGREES);
    }
  }

  /**
   * Two faces that all but lie on each other.
   *
   * @param turn degrees
   */
  record Folded(Where where, double turn) implements SurfaceFinding {
    @Override
    public Rule rule() {
      return Rule.FOLDED;
    }

    @Override
    public Measure measure() {
      return new Measure(turn, Measure.Unit.DEGREES);
    }
  }

  /** Faces that pass through each other, or lie on each other. */
  record Crossing(Where where, long pairs) implements SurfaceFinding {
    @Override
    public Rule rule() {
      return Rule.CROSSING;
    }

    @Override
    public Measure measure() {
      return new Measure(pairs, Measure.Unit.PAIRS);
    }
  }

  /**
   * More faces cross than are told one by one.
   *
   * @param told how many pairs would be
   */
  record Tangled(Where where, int told) implements SurfaceFinding {
    @Override
    public Rule rule() {
      return Rule.CROSSING;
    }

    @Override
    public Measure measure() {
      return new Measure(told, Measure.Unit.PAIRS);
    }
  }

  /** Another number of parts than the exercise expects. */
  record OtherParts(Where where, int parts, int wanted) implements SurfaceFinding {
    @Override
    public Rule rule() {
      return Rule.PARTS;
    }

    @Override
    public Measure measure() {
      return new Measure(parts, Measure.Unit.PARTS);
    }
  }
}
