package fairedge.server.submission;

import java.util.UUID;
import org.jspecify.annotations.Nullable;

/**
 * A file on its way in.
 *
 * @param share how much of the stage is done, from 0 to 1, where that is known; else 0
 * @param handedIn what came of it, once it is done
 * @param problem why it failed, if it did
 */
public record UploadView(
    UUID id,
    String fileName,
    Stage stage,
    double share,
    @Nullable HandedIn handedIn,
    @Nullable UploadProblem problem) {

  /** How far it is. */
  public enum Stage {
    waiting,
    reading,
    inspecting,
    drawing,
    done,
    failed,
    cancelled;

    public boolean isOver() {
      return compareTo(done) >= 0;
    }
  }

  /**
   * What is wrong with a file, and where.
   *
   * @param line from 1; 0 where it is about the whole file
   */
  public record UploadProblem(String detail, int line, String found, String expected) {}
}
