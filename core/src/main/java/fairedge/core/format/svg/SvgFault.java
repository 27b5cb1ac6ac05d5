package fairedge.core.format.svg;

/** Why an SVG file can't be read, with the line where there is one. */
public final class SvgFault extends Exception {
  private static final long serialVersionUID = 1L;
  private final int line;

  SvgFault(String message, int line) {
    super(message);
    this.line = line;
  }

  /** From 1; 0 where it is about the whole file. */
  public int line() {
    return line;
  }
}
