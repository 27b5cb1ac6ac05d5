package fairedge.server.submission;

import fairedge.server.submission.UploadView.Stage;
import fairedge.server.submission.UploadView.UploadProblem;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/**
 * Files of a class that an instructor brought for an exercise at once.
 *
 * @param students of the class, by name
 */
public record BundleView(UUID id, List<StudentView> students, List<EntryView> entries) {
  /** A student whose a file may be. */
  public record StudentView(UUID id, String name) {}

  /**
   * One of the files.
   *
   * @param number from 0, in the order in which they came
   * @param student whose it is, as far as its path tells, or was said to be
   * @param doubt why its path does not tell; null where it does
   * @param stage how far it is; null while it is not handed in
   * @param problem why it could not be read, if so
   * @param kept by which upload its file is kept although it failed; null where it is not
   * @param submission what came of it
   */
  public record EntryView(
      int number,
      String path,
      long size,
      @Nullable UUID student,
      @Nullable String doubt,
      @Nullable Stage stage,
      @Nullable UploadProblem problem,
      @Nullable UUID kept,
      @Nullable UUID submission) {}
}
