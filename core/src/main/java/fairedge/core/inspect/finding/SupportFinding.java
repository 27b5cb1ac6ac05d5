package fairedge.core.inspect.finding;

import fairedge.core.survey.Measure;

/** How the form fares when it is made smooth. */
public sealed interface SupportFinding extends Finding {
  /**
   * Hard edges from which the smooth surface moves.
   *
   * @param share of the flat beside, the largest
   */
  record SoftEdge(Where where, double share) implements SupportFinding {
    @Override
    public Rule rule() {
      return Rule.SOFT_EDGE;
    }

    @Override
    public Measure measure() {
      return new Measure(share, Measure.Unit.SHARE);
    }
  }

  /**
   * A face whose smooth surface turns far from its front.
   *
   * @param turn degrees
   */
  record Pinch(Where where, double turn) implements SupportFinding {
    /** What turns by more lies over itself. */
    public static final double FOLD = 90;

    @Override
    public Rule rule() {
      return Rule.PINCH;
    }

    @Override
    public Measure measure() {
      return new Measure(turn, Measure.Unit.DEGREES);
    }

    public boolean folds() {
      return turn > FOLD;
    }
  }

  /**
   * A support strip very narrow.
   *
   * @param share of the size of the form
   */
  record Tight(Where where, double width, double share) implements SupportFinding {
    @Override
    public Rule rule() {
      return Rule.TIGHT;
    }

    @Override
    public Measure measure() {
      return new Measure(width, Measure.Unit.LENGTH);
    }
  }

  /** A hard outline that no closed ring of quads goes round. */
  record NoCollar(Where where) implements SupportFinding {
    @Override
    public Rule rule() {
      return Rule.NO_COLLAR;
    }

    @Override
    public Measure measure() {
      return new Measure(elements().size(), Measure.Unit.EDGES);
    }
  }
}
