package fairedge.core.lens;

import fairedge.core.geometry.Axis;
import fairedge.core.geometry.Bending;

/**
 * What a mesh is tried with: a bend, a twist or a taper, and what is too much.
 *
 * @param along the axis
 * @param towards to where a bend turns the ends; another axis
 * @param amount as {@link Bending} has it
 * @param mostStretch the share by which an edge may become longer, or shorter by as much
 * @param mostTurn how many degrees one face may turn from end to end; over it there are too few
 *     sections
 */
public record BendTrial(
    Bending.BendWay way,
    Axis along,
    Axis towards,
    double amount,
    double mostStretch,
    double mostTurn) {
  /**
   * @throws IllegalArgumentException if a limit is not over 0
   */
  public BendTrial {
    if (!(mostStretch > 0) || !(mostTurn > 0)) {
      throw new IllegalArgumentException("limits of " + mostStretch + " and " + mostTurn);
    }
  }

  /** A quarter longer. */
  public static final double STRETCH = 0.25;

  /** Twenty-four sections for a whole turn. */
  public static final double TURN = 15;
}
