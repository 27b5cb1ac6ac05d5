package fairedge.core.inspect.finding;

import fairedge.core.geometry.Vec3;
import fairedge.core.survey.Measure;
import fairedge.core.survey.Placement;

/** Against the starter, the reference, and what the exercise asks for. */
public sealed interface ShapeFinding extends Finding {
  /**
   * A mesh that does not lie where the starter lies.
   *
   * @param placement what brings it there
   * @param moved how far the middle of its box moves by it
   */
  record Placed(Where where, Placement placement, double moved) implements ShapeFinding {
    @Override
    public Rule rule() {
      return Rule.PLACED;
    }

    @Override
    public Measure measure() {
      return placement.scale() != 1
          ? new Measure(placement.scale(), Measure.Unit.RATIO)
          : new Measure(moved, Measure.Unit.LENGTH);
    }
  }

  /**
   * A surface that lies farther from the starter than allowed.
   *
   * @param missing the starter has the surface, this mesh does not
   * @param at where it is farthest
   * @param mean from here to the starter
   * @param meanBack from it to here
   */
  record Moved(
      Where where,
      boolean missing,
      double largest,
      Vec3 at,
      double allowed,
      double mean,
      double meanBack)
      implements ShapeFinding {
    @Override
    public Rule rule() {
      return Rule.MOVED;
    }

    @Override
    public Measure measure() {
      return new Measure(largest, Measure.Unit.LENGTH);
    }
  }

  /**
   * A place that is to be held, without a vertex; told of the nearest.
   *
   * @param at the place
   * @param distance how far the vertex is from it
   */
  record LeftPlace(Where where, Vec3 at, double distance) implements ShapeFinding {
    @Override
    public Rule rule() {
      return Rule.MOVED;
    }

    @Override
    public Measure measure() {
      return new Measure(distance, Measure.Unit.LENGTH);
    }
  }

  /** New edges across faces of the starter that are locked. */
  record Locked(Where where) implements ShapeFinding {
    @Override
    public Rule rule() {
      return Rule.OFF_LINE;
    }

    @Override
    public Measure measure() {
      return new Measure(elements().size(), Measure.Unit.EDGES);
    }
  }

  /**
   * A line of new edges that does not come round; its elements are its ends, then its edges.
   *
   * @param ends how many
   */
  record OneSided(Where where, int ends, int edges) implements ShapeFinding {
    @Override
    public Rule rule() {
      return Rule.ONE_SIDED;
    }

    @Override
    public Measure measure() {
      return new Measure(ends, Measure.Unit.VERTICES);
    }
  }

  /**
   * A required line without edges along it.
   *
   * @param share of its length that has
   * @param near so near they are to lie
   * @param angle by so much they may turn from it, degrees
   * @param at where none is for the longest way
   * @param largest how far the nearest is from there
   */
  record OffLine(
      Where where, double length, double share, double near, double angle, Vec3 at, double largest)
      implements ShapeFinding {
    @Override
    public Rule rule() {
      return Rule.OFF_LINE;
    }

    @Override
    public Measure measure() {
      return new Measure(share, Measure.Unit.SHARE);
    }
  }

  /**
   * New edges that the reference does not have.
   *
   * @param near so near to its edges they would lie
   */
  record Needless(Where where, double near) implements ShapeFinding {
    @Override
    public Rule rule() {
      return Rule.OFF_LINE;
    }

    @Override
    public Measure measure() {
      return new Measure(elements().size(), Measure.Unit.EDGES);
    }
  }

  /** A mesh over the face budget. */
  record TooMany(Where where, int faces, int budget) implements ShapeFinding {
    @Override
    public Rule rule() {
      return Rule.TOO_MANY;
    }

    @Override
    public Measure measure() {
      return new Measure(faces, Measure.Unit.FACES);
    }
  }

  /**
   * Edges without a mirror image.
   *
   * @param within so near it would lie
   */
  record Lopsided(Where where, double within) implements ShapeFinding {
    @Override
    public Rule rule() {
      return Rule.LOPSIDED;
    }

    @Override
    public Measure measure() {
      return new Measure(elements().size(), Measure.Unit.EDGES);
    }
  }
}
