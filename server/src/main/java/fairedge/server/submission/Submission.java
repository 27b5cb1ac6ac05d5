package fairedge.server.submission;

import java.time.Instant;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/**
 * A handed-in mesh.
 *
 * @param fileName the name of the file, where it came as one
 * @param stepId the last step, where it came from the bench
 * @param mesh hash of its bytes
 * @param newest version of the exercise by which its newest report was made
 * @param isOpened whether somebody who reviews has seen it
 * @param quoted version of the report that its answer quotes; null while none is out
 */
public record Submission(
    UUID id,
    UUID assignmentId,
    UUID studentId,
    int attempt,
    @Nullable String fileName,
    @Nullable Long stepId,
    byte[] mesh,
    Instant handedInAt,
    int newest,
    boolean isOpened,
    @Nullable Integer quoted) {

  /** Version of the report that is to be shown: an answer that is out keeps its own. */
  public int shown() {
    return quoted != null ? quoted : newest;
  }
}
