package fairedge.core.format.obj;

import java.nio.charset.StandardCharsets;

/**
 * Decimal numbers from bytes. Where digits and exponent are few, one rounding gives the nearest
 * double (Clinger, "How to read floating point numbers accurately", 1990); up to 19 digits {@link
 * NearestDouble} does; else the JDK reads it.
 */
final class Numbers {
  private static final double[] POWERS = new double[23];

  static {
    double power = 1;
    for (int i = 0; i < POWERS.length; i++) {
      POWERS[i] = power;
      power *= 10;
    }
  }

  private Numbers() {}

  /** The number in a slice; NaN if it is none in decimal notation. */
  static double decimal(byte[] b, int from, int to) {
    int at = from;
    boolean negative = false;
    if (at < to && (b[at] == '-' || b[at] == '+')) {
      negative = b[at++] == '-';
    }
    long mantissa = 0;
    int digits = 0;
    int scale = 0;
    boolean point = false;
    boolean any = false;
    for (; at < to; at++) {
      int c = b[at];
      if (c >= '0' && c <= '9') {
        any = true;
        if (digits < 19) {
          mantissa = 10 * mantissa + (c - '0');
          digits += mantissa == 0 ? 0 : 1;
        } else {
          digits++;
        }
        scale -= point ? 1 : 0;
      } else if (c == '.' && !point) {
        point = true;
      } else {
        break;
      }
    }
    if (!any) {
      return Double.NaN;
    }
    if (at < to) {
      int exponent = exponent(b, at, to);
      if (exponent == Integer.MIN_VALUE) {
        return Double.NaN;
      }
      scale += exponent;
    }
    double value = digits <= 19 ? scaled(mantissa, scale) : Double.NaN;
    if (!Double.isNaN(value)) {
      return negative ? -value : value;
    }
    return Double.parseDouble(new String(b, from, to - from, StandardCharsets.ISO_8859_1));
  }

  /** The double nearest to a number times ten to a power; not a number where that is not told. */
  static double scaled(long mantissa, int scale) {
    if (mantissa >>> 53 == 0 && Math.abs(scale) < POWERS.length) {
      return scale < 0 ? mantissa / POWERS[-scale] : mantissa * POWERS[scale];
    }
    return mantissa != 0 ? NearestDouble.of(mantissa, scale) : Double.NaN;
  }

  /** The exponent that begins with an e; the lowest integer if it is none. */
  private static int exponent(byte[] b, int from, int to) {
    int at = from + 1;
    boolean negative = false;
    if ((b[from] | 0x20) != 'e') {
      return Integer.MIN_VALUE;
    }
    if (at < to && (b[at] == '-' || b[at] == '+')) {
      negative = b[at++] == '-';
    }
    if (at == to) {
      return Integer.MIN_VALUE;
    }
    int value = 0;
    for (; at < to; at++) {
      if (b[at] < '0' || b[at] > '9') {
        return Integer.MIN_VALUE;
      }
      value = Math.min(100_000, 10 * value + b[at] - '0');
    }
    return negative ? -value : value;
  }
}
