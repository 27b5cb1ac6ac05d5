package fairedge.core.format.obj;

import java.math.BigInteger;

/**
 * The double nearest to w x 10^q, ties to even (Lemire, "Number parsing at a gigabyte per second",
 * 2021; that the product of 128 bits always decides: Mushtak and Lemire, "Fast number parsing
 * without fallback", 2022). Cost: two multiplications.
 */
final class NearestDouble {
  private static final int LOWEST = -342;
  private static final int HIGHEST = 308;
  private static final int FRACTION_BITS = 52;
  private static final int BIAS = 1023;

  /** Of 5^q the leading 128 bits; rounded up where q is negative. */
  private static final long[] HIGH = new long[HIGHEST - LOWEST + 1];

  private static final long[] LOW = new long[HIGH.length];

  static {
    for (int q = LOWEST; q <= HIGHEST; q++) {
      BigInteger bits = q < 0 ? reciprocal(-q) : leading(BigInteger.valueOf(5).pow(q));
      HIGH[q - LOWEST] = bits.shiftRight(64).longValue();
      LOW[q - LOWEST] = bits.longValue();
    }
  }

  private NearestDouble() {}

  private static BigInteger leading(BigInteger power) {
    return power.shiftLeft(128 - power.bitLength());
  }

  private static BigInteger reciprocal(int q) {
    BigInteger power = BigInteger.valueOf(5).pow(q);
    // More bits than are kept: what is cut off must not change the last of them.
    int bits = power.bitLength() + (q <= 27 ? 127 : power.bitLength() + 128);
    return leading(BigInteger.ONE.shiftLeft(bits).divide(power).add(BigInteger.ONE));
  }

  /**
   * @param w not 0, unsigned
   * @return NaN where the result is no normal number: very small ones, and those too large
   */
  static double of(long w, int q) {
    if (q < LOWEST || q > HIGHEST) {
      return Double.NaN;
    }
    int zeros = Long.numberOfLeadingZeros(w);
    long digits = w << zeros;
    long high = Math.unsignedMultiplyHigh(digits, HIGH[q - LOWEST]);
    long low = digits * HIGH[q - LOWEST];
    long undecided = -1L >>> FRACTION_BITS + 3;
    if ((high & undecided) == undecided) {
      long more = Math.unsignedMultiplyHigh(digits, LOW[q - LOWEST]);
      low += more;
      high += Long.compareUnsigned(more, low) > 0 ? 1 : 0;
    }
    int carry = (int) (high >>> 63);
    int shift = carry + 64 - FRACTION_BITS - 3;
    long fraction = high >>> shift;
    // The power of two in 10^q: q + floor(q log2 5).
    int exponent = (int) ((152170L + 65536) * q >> 16) + 63 + carry - zeros + BIAS;
    boolean isHalf = Long.compareUnsigned(low, 1) <= 0 && q >= -4 && q <= 23;
    if (isHalf && (fraction & 3) == 1 && fraction << shift == high) {
      fraction &= ~1L;
    }
    fraction = fraction + (fraction & 1) >>> 1;
    if (fraction >>> FRACTION_BITS + 1 != 0) {
      fraction >>>= 1;
      exponent++;
    }
    if (exponent <= 0 || exponent >= 2 * BIAS + 1) {
      return Double.NaN;
    }
    long kept = fraction & (1L << FRACTION_BITS) - 1;
    return Double.longBitsToDouble((long) exponent << FRACTION_BITS | kept);
  }
}
