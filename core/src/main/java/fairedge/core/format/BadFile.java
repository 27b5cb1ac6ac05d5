package fairedge.core.format;

/** A file that can't be read as a mesh: where, what was found, and what was expected. */
public final class BadFile extends Exception {
  private static final long serialVersionUID = 1L;
  private final int line;
  private final String found;
  private final String expected;

  /**
   * @param line from 1; 0 where it is about the whole file
   */
  public BadFile(int line, String found, String expected) {
    super((line > 0 ? "Line " + line + ": " : "") + "found " + found + ", expected " + expected);
    this.line = line;
    this.found = found;
    this.expected = expected;
  }

  /**
   * It was read to its end.
   *
   * @param lastLine 0 where it has no lines
   */
  public static BadFile withoutFace(int lastLine, String expected) {
    return new BadFile(
        lastLine, lastLine > 0 ? "the end, and no face before it" : "no face", expected);
  }

  public int line() {
    return line;
  }

  public String found() {
    return found;
  }

  public String expected() {
    return expected;
  }
}
