package fairedge.core.format;

import fairedge.core.mesh.Mesh;
import java.util.List;

/**
 * A mesh that was read, and what was odd about its file. Ids are the file's order: vertices by
 * their records, faces by accepted faces.
 */
public record ReadResult(Mesh mesh, List<ReadRemark> remarks) {

  /**
   * A face that was mended or left out while reading.
   *
   * @param line where it begins, from 1
   * @param face its id; {@link Mesh#NONE} where it was left out
   * @param text what was found there, in words
   */
  public record ReadRemark(Kind kind, int line, int face, String text) {
    /** What was odd. */
    public enum Kind {
      REPEATED_CORNER,
      UNREADABLE_FACE
    }
  }
}
