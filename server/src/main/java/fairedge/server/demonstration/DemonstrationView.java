package fairedge.server.demonstration;

import fairedge.server.bench.StepView.Brought;
import fairedge.server.review.NoteView.CameraView;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/**
 * A demonstration for whoever looks at it.
 *
 * @param by whose it is; null: it came with the application
 * @param mine whether who asks may edit it
 * @param frames what is shown, one after the other
 * @param steps as they are written; only for who may edit it
 * @param classes those that it is set in, of which who asks may know
 * @param exercises beside whose brief it stands; only for who may edit it
 * @param tries what who asks began with one of its states
 */
public record DemonstrationView(
    UUID id,
    String title,
    String about,
    @Nullable String by,
    String unit,
    long revision,
    boolean mine,
    boolean putAway,
    List<FrameView> frames,
    List<ToldStep> steps,
    List<UUID> classes,
    List<UUID> exercises,
    List<TryView> tries) {

  /** What there is to look at. */
  public enum FrameKind {
    starter,
    question,
    made,
    takenBack
  }

  /**
   * One thing to look at, at which playing can stop.
   *
   * @param step the number of the step that it shows, or asks about; 0 for the starter
   * @param title the tool's name, or what else it is
   * @param did what the step does, in a sentence
   * @param text caption, or question
   * @param answer to a question
   * @param mesh hash of the mesh that is shown
   * @param lens by its name
   * @param must how many must be mended
   */
  public record FrameView(
      FrameKind kind,
      int step,
      String title,
      @Nullable String brief,
      String did,
      String text,
      String answer,
      String mesh,
      @Nullable CameraView camera,
      String lens,
      List<Brought> brought,
      int mended,
      int must) {}

  /** A step as it is written. */
  public record ToldStep(
      int number,
      String title,
      @Nullable String brief,
      boolean leftOut,
      String caption,
      String question,
      String answer,
      @Nullable CameraView camera,
      @Nullable String lens) {}

  /**
   * What was begun with a state of it.
   *
   * @param frame its number among the frames
   * @param steps that were cut since
   */
  public record TryView(UUID practice, int frame, int steps, Instant begunAt) {}

  /** As lists have it. */
  public record DemonstrationRow(
      UUID id,
      String title,
      String about,
      @Nullable String by,
      boolean mine,
      boolean putAway,
      int steps,
      int questions,
      int classes,
      String mesh,
      long revision) {}

  /** All that somebody may see, their own first. */
  public record DemonstrationList(List<DemonstrationRow> demonstrations, boolean mayMake) {}
}
