package fairedge.core.format.obj;

/** Words in a line of bytes: between blanks, up to a comment. */
final class Words {
  /** What ends a word, by its byte; one look each instead of five comparisons. */
  private static final boolean[] ENDS = new boolean[256];

  private static final boolean[] BLANK = new boolean[256];

  static {
    for (char c : " \t\r\f".toCharArray()) {
      BLANK[c] = true;
      ENDS[c] = true;
    }
    ENDS['#'] = true;
  }

  private Words() {}

  static boolean endsAt(byte[] b, int at, int to) {
    return at >= to || ENDS[b[at] & 0xFF];
  }

  static int skipBlank(byte[] b, int from, int to) {
    int at = from;
    while (at < to && BLANK[b[at] & 0xFF]) {
      at++;
    }
    return at;
  }

  static int wordEnd(byte[] b, int from, int to) {
    int at = from;
    while (at < to && !ENDS[b[at] & 0xFF]) {
      at++;
    }
    return at;
  }
}
