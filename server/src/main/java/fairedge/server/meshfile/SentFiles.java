package fairedge.server.meshfile;

import fairedge.server.meshfile.store.SentStore;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.SequenceInputStream;
import java.util.Enumeration;
import java.util.NoSuchElementException;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;

/**
 * Files as they were sent, kept until they are read. They go in and come out in parts of a
 * megabyte: none is ever in memory as a whole, and no connection is held while one is read.
 */
@Service
public class SentFiles {
  private static final int PART = 1 << 20;

  /** Files of more parts than these are large. */
  private static final int LARGE = 16;

  private final SentStore store;

  SentFiles(SentStore store) {
    this.store = store;
  }

  /**
   * Keeps a file; how many bytes it has.
   *
   * @param file by what it is known; none is kept by it yet
   */
  public long keep(UUID file, InputStream in) throws IOException {
    long size = 0;
    byte[] part = in.readNBytes(PART);
    for (int number = 0; part.length > 0; number++) {
      store.insert(file, number, part);
      size += part.length;
      part = in.readNBytes(PART);
    }
    return size;
  }

  /** The bytes of a file, as they are read; none of one that is not kept any more. */
  public InputStream open(UUID file) {
    return new SequenceInputStream(new Parts(file));
  }

  /** Whether there is something kept of it. */
  public boolean has(UUID file) {
    return store.has(file, 0);
  }

  /** Whether it is so large that no other such is to be read beside it. */
  public boolean isLarge(UUID file) {
    return store.has(file, LARGE);
  }

  public void forget(UUID file) {
    store.delete(file);
  }

  /** One part after the other, each fetched when the one before has been read. */
  private final class Parts implements Enumeration<InputStream> {
    private final UUID file;
    private int number;
    private Optional<byte[]> next;

    Parts(UUID file) {
      this.file = file;
      this.next = store.find(file, 0);
    }

    @Override
    public boolean hasMoreElements() {
      return next.isPresent();
    }

    @Override
    public InputStream nextElement() {
      byte[] part = next.orElseThrow(NoSuchElementException::new);
      next = store.find(file, ++number);
      return new ByteArrayInputStream(part);
    }
  }
}
