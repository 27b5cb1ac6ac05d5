package fairedge.core.survey;

import fairedge.core.flow.StripWidths;

/**
 * Support strips. A quad is in one where
 *
 * <ol>
 *   <li>a complete ring passes through it: one that closes, or ends at borders;
 *   <li>one of the ring's two sides is, at this quad, a hard edge or a border;
 *   <li>it is narrower than the profile's share (a quarter) of what lies beyond its other side: of
 *       the next quad, or of the face that is none, how far that reaches from the side between
 *       them.
 * </ol>
 *
 * Width: the mean of the two edges which the ring crosses at the quad. Told quad by quad, since a
 * ring may run beside a hard edge for a part of its way. Cost: constant for each question.
 */
public final class Strips {
  private final Subject subject;
  private final double share;

  Strips(Subject subject) {
    this.subject = subject;
    this.share = subject.threshold(Threshold.STRIP);
  }

  /** Whether the face is in a support strip, one way or the other. */
  public boolean isIn(int f) {
    return widthOf(f) < Double.POSITIVE_INFINITY;
  }

  /** How wide the support strip is that the face is in; infinite if it is in none. */
  public double widthOf(int f) {
    double width = Double.POSITIVE_INFINITY;
    if (subject.mesh().size(f) == 4) {
      int c = subject.mesh().firstCorner(f);
      for (int i = 0; i < 4; i++) {
        if (isBetween(c)) {
          width = Math.min(width, widths().at(c));
        }
        c = subject.mesh().next(c);
      }
    }
    return width;
  }

  /**
   * Whether an edge holds one beside it: a quad at it ends, on its other side, at a border or where
   * the surface turns by over the angle of a hard edge, hard or not, and is so much narrower than
   * what lies on the other side of the edge as a support strip is.
   */
  public boolean holds(int e) {
    int start = subject.mesh().cornerOn(e);
    int c = start;
    do {
      int far = subject.mesh().next(subject.mesh().next(c));
      if (subject.mesh().size(subject.mesh().faceOf(c)) == 4
          && isBend(subject.mesh().edgeOf(far))
          && widths().at(c) < share * widths().beyond(c)) {
        return true;
      }
      c = subject.mesh().nextOnEdge(c);
    } while (c != start);
    return false;
  }

  /** Whether a hard edge or a border has a support strip beside it. */
  public boolean isHeld(int e) {
    int start = subject.mesh().cornerOn(e);
    int c = start;
    do {
      if (subject.mesh().size(subject.mesh().faceOf(c)) == 4 && isBetween(c)) {
        return true;
      }
      c = subject.mesh().nextOnEdge(c);
    } while (c != start);
    return false;
  }

  private boolean isBend(int e) {
    return subject.topology().uses(e) == 1 || subject.hardEdges().turnsOver(e);
  }

  /** Whether an edge crosses a support strip: the strip's ring passes over it. */
  public boolean isAcross(int e) {
    int start = subject.mesh().cornerOn(e);
    int c = start;
    do {
      // Over e runs the ring whose sides leave the corners beside it.
      if (subject.mesh().size(subject.mesh().faceOf(c)) == 4
          && (isBetween(subject.mesh().next(c)) || isBetween(subject.mesh().previous(c)))) {
        return true;
      }
      c = subject.mesh().nextOnEdge(c);
    } while (c != start);
    return false;
  }

  /**
   * Whether the quad of corner c is in a strip whose hard side or border is the side that leaves c.
   */
  private boolean isBetween(int c) {
    int side = subject.mesh().edgeOf(c);
    int rung = subject.mesh().next(c);
    if (!subject.rings().ring(subject.rings().ringAcross(rung)).isComplete()) {
      return false;
    }
    int uses = subject.topology().uses(side);
    if (uses != 1 && !(uses == 2 && subject.hardEdges().isHard(side))) {
      return false;
    }
    double beyond = widths().beyond(subject.mesh().next(subject.mesh().next(c)));
    return widths().at(c) < share * beyond;
  }

  private StripWidths widths() {
    return new StripWidths(subject.mesh());
  }
}
