package fairedge.core.inspect.finding;

import fairedge.core.survey.Measure;

/** Where rings and loops don't run on. */
public sealed interface FlowFinding extends Finding {
  /**
   * A face at which open rings end.
   *
   * @param rings how many
   */
  record RingStop(Where where, int sides, int rings) implements FlowFinding {
    @Override
    public Rule rule() {
      return Rule.RING_STOP;
    }

    @Override
    public Measure measure() {
      return new Measure(rings, Measure.Unit.RINGS);
    }
  }

  /**
   * A loop with new edges that ends at a pole; its elements are the poles, then the edges.
   *
   * @param edges how many
   * @param valence of the first pole
   */
  record LoopEnd(Where where, int edges, int valence) implements FlowFinding {
    @Override
    public Rule rule() {
      return Rule.LOOP_END;
    }

    @Override
    public Measure measure() {
      return new Measure(edges, Measure.Unit.EDGES);
    }
  }

  /**
   * A loop of new edges that ends in a fault; its elements are the vertices there, then the edges.
   *
   * @param edges how many
   * @param sides of the face at its first end; 2 where only 2 edges meet
   */
  record DeadEnd(Where where, int edges, int sides) implements FlowFinding {
    @Override
    public Rule rule() {
      return Rule.DEAD_END;
    }

    @Override
    public Measure measure() {
      return new Measure(edges, Measure.Unit.EDGES);
    }
  }

  /**
   * An inner vertex where not 4 edges meet.
   *
   * @param fresh the starter has none there
   * @param curved where the form bends most
   */
  record Pole(Where where, int valence, boolean fresh, boolean curved) implements FlowFinding {
    @Override
    public Rule rule() {
      return valence >= 6 ? Rule.POLE_MANY : Rule.POLE_NEW;
    }

    @Override
    public Measure measure() {
      return new Measure(valence, Measure.Unit.EDGES);
    }
  }

  /** A ring or a loop in a spiral; its elements are the quads where it meets itself. */
  record Spiral(Where where, boolean ring) implements FlowFinding {
    @Override
    public Rule rule() {
      return Rule.SPIRAL;
    }

    @Override
    public Measure measure() {
      return new Measure(elements().size(), Measure.Unit.FACES);
    }
  }

  /**
   * Edges on both sides of which quads differ in width.
   *
   * @param ratio the largest
   */
  record Jump(Where where, double ratio) implements FlowFinding {
    @Override
    public Rule rule() {
      return Rule.JUMP;
    }

    @Override
    public Measure measure() {
      return new Measure(ratio, Measure.Unit.RATIO);
    }
  }

  /**
   * A quad long and narrow.
   *
   * @param aspect longest side to shortest
   */
  record Stretched(Where where, double aspect) implements FlowFinding {
    @Override
    public Rule rule() {
      return Rule.STRETCHED;
    }

    @Override
    public Measure measure() {
      return new Measure(aspect, Measure.Unit.RATIO);
    }
  }

  /**
   * New edges off the way the form bends.
   *
   * @param off the largest angle, degrees
   */
  record Askew(Where where, double off) implements FlowFinding {
    @Override
    public Rule rule() {
      return Rule.ASKEW;
    }

    @Override
    public Measure measure() {
      return new Measure(off, Measure.Unit.DEGREES);
    }
  }
}
