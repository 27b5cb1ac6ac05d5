package fairedge.server.submission;

import java.util.List;
import java.util.UUID;

/**
 * What a student is told after handing in.
 *
 * @param reading what was odd about the file: faces left out or mended while reading
 */
public record HandedIn(UUID id, int attempt, List<ReadingView> reading) {
  /** A face of a file that was mended or left out. */
  public record ReadingView(int line, String text) {}
}
