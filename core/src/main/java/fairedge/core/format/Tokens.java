package fairedge.core.format;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import org.jspecify.annotations.Nullable;

/**
 * The words of a text file, read as a stream: a line may be of any length, a word is cut after
 * {@value #LONGEST} bytes.
 */
public final class Tokens {
  private static final int LONGEST = 400;

  private final InputStream in;
  private final boolean comments;
  private final byte[] word = new byte[LONGEST];
  private int next;
  private int line = 1;

  /**
   * @param in buffered
   * @param comments whether {@code #} begins a comment that ends with the line
   */
  public Tokens(InputStream in, boolean comments) throws IOException {
    this.in = in;
    this.comments = comments;
    this.next = in.read();
  }

  /** The line that is being read, from 1. */
  public int line() {
    return line;
  }

  /** The next word of this line; null at its end. */
  public @Nullable String onLine() throws IOException {
    while (next == ' ' || next == '\t' || next == '\r' || next == '\f') {
      next = in.read();
    }
    if (comments && next == '#') {
      while (next != '\n' && next >= 0) {
        next = in.read();
      }
    }
    if (next == '\n' || next < 0) {
      return null;
    }
    int length = 0;
    while (next > ' ') {
      if (length < LONGEST) {
        word[length++] = (byte) next;
      }
      next = in.read();
    }
    if (length == 0) {
      // A control character that is no blank: a word of its own.
      word[length++] = '?';
      next = in.read();
    }
    return new String(word, 0, length, StandardCharsets.UTF_8);
  }

  /** Goes to the next line; false at the end of the file. */
  public boolean nextLine() throws IOException {
    while (onLine() != null) {
      continue;
    }
    if (next < 0) {
      return false;
    }
    next = in.read();
    line++;
    return true;
  }

  /** The next word, on this line or a later one; null at the end of the file. */
  public @Nullable String anywhere() throws IOException {
    for (String found = onLine(); ; found = onLine()) {
      if (found != null || next < 0) {
        return found;
      }
      next = in.read();
      line++;
    }
  }

  /** A number; not a number where the word is none, or there is none. */
  public static double number(@Nullable String word) {
    if (word == null) {
      return Double.NaN;
    }
    try {
      return Double.parseDouble(word);
    } catch (NumberFormatException none) {
      return Double.NaN;
    }
  }

  /** A whole number; -1 where the word is none, or there is none. */
  public static long whole(@Nullable String word) {
    if (word == null) {
      return -1;
    }
    try {
      return Long.parseLong(word);
    } catch (NumberFormatException none) {
      double number = number(word);
      return number == Math.rint(number) && Math.abs(number) < 1e15 ? (long) number : -1;
    }
  }
}
