package fairedge.core.geometry;

/**
 * A bend, a twist or a taper of all space along a line through the middle of a box, parallel to an
 * axis. What lies on the line keeps its distance from the middle along it, and its direction there.
 *
 * @param way what is done
 * @param axis along which
 * @param side square to the axis: to where a bend turns both ends
 * @param middle what stays where it is
 * @param length of the line: over it the whole amount is done; 0 does nothing
 * @param amount of a bend or twist in degrees, from one end to the other; of a taper the share of
 *     its width, under 1, that one end loses and, if negative, the other
 */
public record Bending(
    BendWay way, Vec3 axis, Vec3 side, Vec3 middle, double length, double amount) {
  /** What may be done. */
  public enum BendWay {
    BEND,
    TWIST,
    TAPER
  }

  /** Most degrees, either way: a whole turn. */
  public static final double MOST_DEGREES = 360;

  /** Most that an end may lose. */
  public static final double MOST_TAPER = 0.95;

  /**
   * Along an axis of a box.
   *
   * @param towards for a bend another axis; else it does not matter
   * @throws IllegalArgumentException if the amount is not finite or too large, or if a bend is to
   *     go along its own axis
   */
  public static Bending of(Bounds box, BendWay way, Axis along, Axis towards, double amount) {
    double most = way == BendWay.TAPER ? MOST_TAPER : MOST_DEGREES;
    if (!(Math.abs(amount) <= most)) {
      throw new IllegalArgumentException("an amount of " + amount + ", at most " + most);
    }
    if (way == BendWay.BEND && along == towards) {
      throw new IllegalArgumentException("a bend along " + along + " towards " + towards);
    }
    Axis side = along == towards ? along.next() : towards;
    double length = box.isEmpty() ? 0 : box.max().minus(box.min()).dot(along.unit());
    return new Bending(way, along.unit(), side.unit(), box.centre(), length, amount);
  }

  /** Where a place comes to lie. */
  public Vec3 place(Vec3 p) {
    if (!(length > 0)) {
      return p;
    }
    Vec3 from = p.minus(middle);
    Vec3 other = axis.cross(side);
    double t = from.dot(axis);
    double u = from.dot(side);
    double w = from.dot(other);
    return switch (way) {
      case BEND -> {
        double k = StrictMath.toRadians(amount) / length;
        double sine = StrictMath.sin(k * t);
        double half = StrictMath.sin(k * t / 2);
        double along = k == 0 ? t : sine / k;
        double aside = k == 0 ? 0 : 2 * half * half / k;
        yield at(along - u * sine, u * StrictMath.cos(k * t) + aside, w, other);
      }
      case TWIST -> {
        double angle = StrictMath.toRadians(turn(p));
        double cosine = StrictMath.cos(angle);
        double sine = StrictMath.sin(angle);
        yield at(t, u * cosine - w * sine, u * sine + w * cosine, other);
      }
      case TAPER -> {
        double end = amount < 0 ? 0.5 - t / length : 0.5 + t / length;
        double width = 1 - Math.abs(amount) * end;
        yield at(t, u * width, w * width, other);
      }
    };
  }

  private Vec3 at(double along, double u, double w, Vec3 other) {
    return middle.plus(axis.times(along)).plus(side.times(u)).plus(other.times(w));
  }

  /** By how many degrees what lies at a place is turned. */
  public double turn(Vec3 p) {
    return way == BendWay.TAPER || !(length > 0) ? 0 : amount * p.minus(middle).dot(axis) / length;
  }

  /**
   * Whether a place lies beyond what a bend turns about: there the inside of a form comes to lie
   * outside.
   */
  public boolean isTurnedOut(Vec3 p) {
    double k = length > 0 ? StrictMath.toRadians(amount) / length : 0;
    return way == BendWay.BEND && k * p.minus(middle).dot(side) >= 1;
  }

  /**
   * To where a surface looks that looked along a normal before.
   *
   * @param reach how far from the place its change is measured
   */
  public Vec3 normal(Vec3 p, Vec3 normal, double reach) {
    Vec3 n = normal.unit();
    Vec3 least =
        Math.abs(n.x()) < 0.6
            ? Axis.X.unit()
            : Math.abs(n.y()) < 0.6 ? Axis.Y.unit() : Axis.Z.unit();
    Vec3 a = n.cross(least).unit().times(reach);
    Vec3 b = n.cross(a);
    Vec3 alongA = place(p.plus(a)).minus(place(p.minus(a)));
    Vec3 alongB = place(p.plus(b)).minus(place(p.minus(b)));
    return alongA.cross(alongB);
  }
}
