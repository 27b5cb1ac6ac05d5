package fairedge.core.format.obj;

/**
 * Reads numbers word by word, each byte of most looked at once: digits with a point among them, as
 * nearly all files have them. Others go the long way by {@link Numbers}.
 */
final class Decimal {
  private static final int MOST_DIGITS = 18;

  private int end;

  /** Where the word ends that was read last. */
  int end() {
    return end;
  }

  /**
   * The number at a place; not a number if the word there is none in decimal notation.
   *
   * @param to where the line ends
   */
  double read(byte[] b, int from, int to) {
    boolean negative = from < to && b[from] == '-';
    int begin = negative ? from + 1 : from;
    long mantissa = 0;
    int at = begin;
    for (; at < to && isDigit(b[at]); at++) {
      mantissa = 10 * mantissa + b[at] - '0';
    }
    int digits = at - begin;
    int behind = 0;
    if (at < to && b[at] == '.') {
      int point = at++;
      for (; at < to && isDigit(b[at]); at++) {
        mantissa = 10 * mantissa + b[at] - '0';
      }
      behind = at - point - 1;
      digits += behind;
    }
    if (digits == 0 || digits > MOST_DIGITS || !Words.endsAt(b, at, to)) {
      end = Words.wordEnd(b, at, to);
      return Numbers.decimal(b, from, end);
    }
    end = at;
    double value = Numbers.scaled(mantissa, -behind);
    return negative ? -value : value;
  }

  private static boolean isDigit(byte b) {
    return b >= '0' && b <= '9';
  }
}
