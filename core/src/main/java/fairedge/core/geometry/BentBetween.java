package fairedge.core.geometry;

/**
 * A {@link Bending} between two limits along its axis: beyond them all goes straight on, rigid, and
 * a taper keeps its last width.
 *
 * @param bending about the point of its line that is held, so that this stays where it is
 * @param low the lower limit, along the axis from there
 * @param high the higher limit
 * @param width by which a taper is multiplied, so that what is held keeps its width
 */
public record BentBetween(Bending bending, double low, double high, double width) {
  /** What stays where it is. */
  public enum HeldAt {
    LOW,
    MIDDLE,
    HIGH
  }

  /**
   * @param centre of what is bent: the line goes through it
   * @param low the lower limit, a coordinate along the axis
   * @param high the higher one
   * @param amount from limit to limit
   */
  public static BentBetween of(
      Vec3 centre,
      Bending.BendWay way,
      Axis along,
      Axis towards,
      double low,
      double high,
      HeldAt held,
      double amount) {
    Axis side = along == towards ? along.next() : towards;
    double middle = 0.5 * (low + high);
    double at =
        switch (held) {
          case LOW -> low;
          case MIDDLE -> middle;
          case HIGH -> high;
        };
    // A taper is told from the middle of its limits, whatever is held.
    double origin = way == Bending.BendWay.TAPER ? middle : at;
    Vec3 from = centre.plus(along.unit().times(origin - centre.dot(along.unit())));
    Bending bending = new Bending(way, along.unit(), side.unit(), from, high - low, amount);
    double width = 1;
    if (way == Bending.BendWay.TAPER && held != HeldAt.MIDDLE) {
      double share = (at - middle) / (high - low);
      width = 1 / (1 - Math.abs(amount) * (amount < 0 ? 0.5 - share : 0.5 + share));
    }
    return new BentBetween(bending, low - origin, high - origin, width);
  }

  /** How far a place lies along the axis from what is held. */
  public double along(Vec3 p) {
    return p.minus(bending.middle()).dot(bending.axis());
  }

  /** From limit to limit. */
  public double length() {
    return high - low;
  }

  /** Where a place comes to lie. */
  public Vec3 place(Vec3 p) {
    double t = along(p);
    double within = Math.clamp(t, low, high);
    if (within == t) {
      return wide(bending.place(p));
    }
    Vec3 atLimit = p.plus(bending.axis().times(within - t));
    return wide(bending.place(atLimit)).plus(onwards(atLimit).times(t - within));
  }

  private Vec3 wide(Vec3 p) {
    if (width == 1) {
      return p;
    }
    Vec3 from = p.minus(bending.middle());
    Vec3 along = bending.axis().times(from.dot(bending.axis()));
    return bending.middle().plus(along).plus(from.minus(along).times(width));
  }

  /** Which way the line goes on past a limit. */
  private Vec3 onwards(Vec3 atLimit) {
    if (bending.way() != Bending.BendWay.BEND) {
      return bending.axis();
    }
    double angle = StrictMath.toRadians(bending.turn(atLimit));
    return bending
        .axis()
        .times(StrictMath.cos(angle))
        .plus(bending.side().times(StrictMath.sin(angle)));
  }

  /** By how many degrees what lies at a place is turned. */
  public double turn(Vec3 p) {
    double t = along(p);
    return bending.turn(p.plus(bending.axis().times(Math.clamp(t, low, high) - t)));
  }
}
