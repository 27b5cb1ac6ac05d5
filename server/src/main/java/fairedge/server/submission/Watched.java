package fairedge.server.submission;

import java.io.FilterInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.util.function.DoubleConsumer;

/** Tells from time to time how much of a stream has been read. */
final class Watched extends FilterInputStream {
  private static final long EVERY_NANOS = 250_000_000L;

  private final long size;
  private final DoubleConsumer watcher;
  private long read;
  private long toldAt = System.nanoTime();

  /**
   * @param size of the whole, in bytes; more than 0
   * @param watcher is told a share from 0 to 1; what it throws ends the reading
   */
  Watched(InputStream in, long size, DoubleConsumer watcher) {
    super(in);
    this.size = size;
    this.watcher = watcher;
  }

  @Override
  public int read() throws IOException {
    int value = super.read();
    note(value < 0 ? 0 : 1);
    return value;
  }

  @Override
  public int read(byte[] into, int from, int length) throws IOException {
    int count = super.read(into, from, length);
    note(Math.max(0, count));
    return count;
  }

  private void note(int count) {
    read += count;
    long now = System.nanoTime();
    if (now - toldAt > EVERY_NANOS) {
      toldAt = now;
      watcher.accept(Math.min(1, (double) read / size));
    }
  }
}
