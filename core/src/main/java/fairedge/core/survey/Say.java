package fairedge.core.survey;

import java.math.BigDecimal;
import java.math.MathContext;
import java.util.Locale;

/** Numbers in words, the same everywhere. */
public final class Say {
  private Say() {}

  /** Words with numbers in them, as everywhere. */
  public static String words(String format, Object... numbers) {
    return String.format(Locale.ROOT, format, numbers);
  }

  /** A number to three digits, without noughts at its end. */
  public static String number(double value) {
    if (!Double.isFinite(value)) {
      return "beyond measure";
    }
    return new BigDecimal(value).round(new MathContext(3)).stripTrailingZeros().toPlainString();
  }

  /** A count with its noun. */
  public static String count(long n, String one, String many) {
    return n + " " + (n == 1 ? one : many);
  }
}
