package fairedge.core.format;

import java.util.Arrays;
import java.util.Optional;

/** What the numbers of a file may count. */
public enum LengthUnit {
  MM("mm", 0.001),
  CM("cm", 0.01),
  M("m", 1),
  IN("in", 0.0254);

  private final String sign;
  private final double metres;

  LengthUnit(String sign, double metres) {
    this.sign = sign;
    this.metres = metres;
  }

  /** As it is written behind a number. */
  public String sign() {
    return sign;
  }

  /** How many of another unit one is. */
  public double in(LengthUnit other) {
    return this == other ? 1 : metres / other.metres;
  }

  public static Optional<LengthUnit> named(String sign) {
    return Arrays.stream(values()).filter(unit -> unit.sign.equals(sign)).findFirst();
  }
}
