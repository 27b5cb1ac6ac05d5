package fairedge.core.inspect.finding;

import fairedge.core.survey.Measure;

/** Vertices and edges too many, or not joined. */
public sealed interface VerticesFinding extends Finding {
  /**
   * A vertex between two edges that run straight on: it shapes nothing.
   *
   * @param turn degrees
   */
  record IdleVertex(Where where, double turn) implements VerticesFinding {
    @Override
    public Rule rule() {
      return Rule.IDLE_VERTEX;
    }

    @Override
    public Measure measure() {
      return new Measure(turn, Measure.Unit.DEGREES);
    }
  }

  /**
   * A vertex between two edges that bend.
   *
   * @param turn degrees
   */
  record BentVertex(Where where, double turn) implements VerticesFinding {
    @Override
    public Rule rule() {
      return Rule.BENT_VERTEX;
    }

    @Override
    public Measure measure() {
      return new Measure(turn, Measure.Unit.DEGREES);
    }
  }

  /**
   * A cluster of vertices in one place.
   *
   * @param pairs how many pairs of them lie within the weld distance
   * @param apart the largest distance of such a pair
   */
  record DoubleVertices(Where where, long pairs, double apart) implements VerticesFinding {
    @Override
    public Rule rule() {
      return Rule.DOUBLE;
    }

    @Override
    public Measure measure() {
      return new Measure(pairs, Measure.Unit.PAIRS);
    }
  }

  /** Border edges that lie side by side with others and are not joined. */
  record Seam(Where where) implements VerticesFinding {
    @Override
    public Rule rule() {
      return Rule.SEAM;
    }

    @Override
    public Measure measure() {
      return new Measure(elements().size(), Measure.Unit.EDGES);
    }
  }

  /** A vertex on an edge that it is no end of. */
  record Touching(Where where, double distance) implements VerticesFinding {
    @Override
    public Rule rule() {
      return Rule.TOUCHING;
    }

    @Override
    public Measure measure() {
      return new Measure(distance, Measure.Unit.LENGTH);
    }
  }

  /**
   * An edge too short.
   *
   * @param welded within the weld distance; else much shorter than those beside it
   * @param share of the mean edge of the faces at it
   */
  record ShortEdge(Where where, boolean welded, double length, double share)
      implements VerticesFinding {
    @Override
    public Rule rule() {
      return welded ? Rule.SHORT_EDGE : Rule.SHORT_EDGE_BESIDE;
    }

    @Override
    public Measure measure() {
      return new Measure(length, Measure.Unit.LENGTH);
    }
  }

  /** A vertex to which a face goes there and back. */
  record Slit(Where where) implements VerticesFinding {
    @Override
    public Rule rule() {
      return Rule.SLIT;
    }

    @Override
    public Measure measure() {
      return new Measure(1, Measure.Unit.VERTICES);
    }
  }

  /** A vertex at no edge. */
  record LooseVertex(Where where) implements VerticesFinding {
    @Override
    public Rule rule() {
      return Rule.LOOSE_VERTEX;
    }

    @Override
    public Measure measure() {
      return new Measure(1, Measure.Unit.VERTICES);
    }
  }

  /** An edge of no face. */
  record LooseEdge(Where where) implements VerticesFinding {
    @Override
    public Rule rule() {
      return Rule.LOOSE_EDGE;
    }

    @Override
    public Measure measure() {
      return new Measure(1, Measure.Unit.EDGES);
    }
  }

  /** A whole loop of new edges that bends and holds nothing. */
  record IdleLoop(Where where) implements VerticesFinding {
    @Override
    public Rule rule() {
      return Rule.IDLE_LOOP;
    }

    @Override
    public Measure measure() {
      return new Measure(elements().size(), Measure.Unit.EDGES);
    }
  }
}
