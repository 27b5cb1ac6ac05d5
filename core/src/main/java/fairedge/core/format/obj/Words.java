package fairedge.core.format.obj;

/** Words in a line of bytes: between blanks, up to a comment. */
final class Words {
  private Words() {}

  static int skipBlank(byte[] b, int from, int to) {
    int at = from;
    while (at < to && (b[at] == ' ' || b[at] == '\t' || b[at] == '\r' || b[at] == '\f')) {
      at++;
    }
    return at;
  }

  static int wordEnd(byte[] b, int from, int to) {
    int at = from;
    while (at < to
        && b[at] != ' '
        && b[at] != '\t'
        && b[at] != '#'
        && b[at] != '\r'
        && b[at] != '\f') {
      at++;
    }
    return at;
  }
}
