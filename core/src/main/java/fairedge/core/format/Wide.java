package fairedge.core.format;

import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.Reader;
import java.nio.charset.StandardCharsets;
import java.util.Objects;

/**
 * Text of two bytes a letter (UTF-16, either way round, told by the mark at its beginning) as the
 * readers expect text, in UTF-8. Bytes that are no letters become the mark of a lost one. Cost: the
 * bytes.
 */
final class Wide extends InputStream {
  private final Reader in;
  private final char[] letters = new char[8192];
  private byte[] bytes = new byte[0];
  private int at;

  /** Half of a letter that takes two; 0 for none. */
  private char half;

  private Wide(InputStream in) {
    this.in = new InputStreamReader(in, StandardCharsets.UTF_16);
  }

  /** Whether a file begins as such a text does. */
  static boolean begins(byte[] head) {
    return head.length >= 2
        && (head[0] == (byte) 0xFF && head[1] == (byte) 0xFE
            || head[0] == (byte) 0xFE && head[1] == (byte) 0xFF);
  }

  static InputStream read(InputStream in) {
    return new Wide(in);
  }

  /** False at the end. */
  private boolean fill() throws IOException {
    while (at == bytes.length) {
      int from = half == 0 ? 0 : 1;
      letters[0] = half;
      int read = in.read(letters, from, letters.length - from);
      if (read < 0 && half == 0) {
        return false;
      }
      int count = from + Math.max(0, read);
      half = read >= 0 && Character.isHighSurrogate(letters[count - 1]) ? letters[--count] : 0;
      bytes = new String(letters, 0, count).getBytes(StandardCharsets.UTF_8);
      at = 0;
    }
    return true;
  }

  @Override
  public int read() throws IOException {
    return fill() ? bytes[at++] & 0xFF : -1;
  }

  @Override
  public int read(byte[] into, int from, int length) throws IOException {
    Objects.checkFromIndexSize(from, length, into.length);
    if (length == 0) {
      return 0;
    }
    if (!fill()) {
      return -1;
    }
    int count = Math.min(length, bytes.length - at);
    System.arraycopy(bytes, at, into, from, count);
    at += count;
    return count;
  }

  @Override
  public void close() throws IOException {
    in.close();
  }
}
