package fairedge.core.inspect;

import fairedge.core.survey.Gathered;

/**
 * What is known from an inspection, to be kept for the next inspection of the same mesh after a
 * step: that looks again only at what the step touched. Costs about 200 bytes for each face as long
 * as any recall of the same line of steps is kept. May be used by several threads.
 */
public final class Recall {
  /** Who found it: by another profile or starter it would not hold. */
  private final Inspector by;

  private final Line line;
  private final int move;
  private final Gathered gathered;

  /**
   * @param move of the line, by which the mesh had come to be as it was then
   */
  Recall(Inspector by, Line line, int move, Gathered gathered) {
    this.by = by;
    this.line = line;
    this.move = move;
    this.gathered = gathered;
  }

  boolean isBy(Inspector inspector) {
    return by.asksLike(inspector);
  }

  Line line() {
    return line;
  }

  int move() {
    return move;
  }

  Gathered gathered() {
    return gathered;
  }
}
