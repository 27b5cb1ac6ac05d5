package fairedge.core.format.obj;

import fairedge.core.format.BadFile;
import java.io.IOException;
import java.io.InputStream;
import java.lang.invoke.MethodHandles;
import java.lang.invoke.VarHandle;
import java.nio.ByteOrder;
import java.util.Arrays;

/**
 * The logical lines of a text as slices of a byte buffer: a byte order mark is skipped, lines end
 * in LF or CRLF, a trailing backslash joins lines (not in a comment). The buffer grows with the
 * longest line, up to a limit.
 */
final class TextLines {
  private static final int LONGEST_LINE = 16 * 1024 * 1024;

  private static final VarHandle EIGHT =
      MethodHandles.byteArrayViewVarHandle(long[].class, ByteOrder.LITTLE_ENDIAN);
  private static final long ONES = 0x0101010101010101L;
  private static final long TOPS = ONES << 7;
  private static final long FEEDS = '\n' * ONES;

  private final InputStream in;
  private byte[] buffer = new byte[1 << 17];
  private int filled;
  private int next;
  private boolean atEnd;
  private byte[] joined = new byte[0];
  private int number;

  /** The line that is at hand. */
  byte[] bytes = buffer;

  int from;
  int to;
  int begun;

  TextLines(InputStream in) throws IOException {
    this.in = in;
    fill();
    if (filled >= 3
        && buffer[0] == (byte) 0xEF
        && buffer[1] == (byte) 0xBB
        && buffer[2] == (byte) 0xBF) {
      next = 3;
    }
  }

  /** Goes on to the next line; false at the end of the text. */
  boolean advance() throws IOException, BadFile {
    if (!raw()) {
      return false;
    }
    begun = number;
    if (isJoined()) {
      join();
    }
    return true;
  }

  /** The number of the last line that was read, from 1; 0 before any. */
  int last() {
    return number;
  }

  private boolean isJoined() {
    if (to == from || bytes[to - 1] != '\\') {
      return false;
    }
    for (int i = from; i < to; i++) {
      if (bytes[i] == '#') {
        return false;
      }
    }
    return true;
  }

  private void join() throws IOException, BadFile {
    int size = 0;
    boolean more = true;
    while (more) {
      more = isJoined();
      int part = to - from - (more ? 1 : 0);
      if (size + part + 1 > LONGEST_LINE) {
        throw tooLong();
      }
      if (joined.length < size + part + 1) {
        joined = Arrays.copyOf(joined, 2 * (size + part + 1));
      }
      System.arraycopy(bytes, from, joined, size, part);
      size += part;
      joined[size++] = ' ';
      more = more && raw();
    }
    bytes = joined;
    from = 0;
    to = size;
  }

  private boolean raw() throws IOException, BadFile {
    bytes = buffer;
    int scan = next;
    while (true) {
      scan = lineEnd(scan);
      if (scan < filled || atEnd) {
        break;
      }
      if (filled - next > LONGEST_LINE) {
        number++;
        throw tooLong();
      }
      int begin = next;
      fill();
      scan -= begin - next;
      bytes = buffer;
    }
    if (scan == filled && next == filled) {
      return false;
    }
    number++;
    from = next;
    to = scan;
    next = Math.min(filled, scan + 1);
    while (to > from && bytes[to - 1] == '\r') {
      to--;
    }
    return true;
  }

  /** Eight bytes at a time: the lowest byte without a difference to a line feed borrows first. */
  private int lineEnd(int from) {
    int scan = from;
    for (; scan + Long.BYTES <= filled; scan += Long.BYTES) {
      long apart = (long) EIGHT.get(buffer, scan) ^ FEEDS;
      long ended = apart - ONES & ~apart & TOPS;
      if (ended != 0) {
        return scan + Long.numberOfTrailingZeros(ended) / Byte.SIZE;
      }
    }
    while (scan < filled && buffer[scan] != '\n') {
      scan++;
    }
    return scan;
  }

  /** Moves what is not read yet to the front and reads more behind it. */
  private void fill() throws IOException {
    System.arraycopy(buffer, next, buffer, 0, filled - next);
    filled -= next;
    next = 0;
    if (filled == buffer.length) {
      buffer = Arrays.copyOf(buffer, 2 * filled);
    }
    int read = in.read(buffer, filled, buffer.length - filled);
    atEnd = read < 0;
    filled += Math.max(0, read);
  }

  private BadFile tooLong() {
    return new BadFile(number, "a line of over 16 million characters", "shorter lines");
  }
}
