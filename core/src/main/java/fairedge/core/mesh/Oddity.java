package fairedge.core.mesh;

import java.util.List;

/**
 * A face of a file that was mended or left out while reading.
 *
 * @param line where it begins, from 1
 * @param face its id; {@link Mesh#NONE} where it was left out
 * @param vertices those that it names and that there are
 * @param text what was found there, in words
 */
public record Oddity(Kind kind, int line, int face, List<Integer> vertices, String text) {
  /** What was odd. */
  public enum Kind {
    REPEATED_CORNER,
    UNREADABLE_FACE
  }
}
