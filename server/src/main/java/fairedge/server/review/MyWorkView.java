package fairedge.server.review;

import fairedge.server.exercise.AssignmentView;
import fairedge.server.review.AnswerView.Verdict;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/** The student's home. */
public record MyWorkView(List<Item> items) {

  /**
   * An exercise that is set and how far it is.
   *
   * @param takeBack the attempt that waits and can be taken back; null if none can
   * @param answer the last answer that was returned
   */
  public record Item(
      AssignmentView assignment,
      String course,
      State state,
      int attempts,
      @Nullable Instant handedInAt,
      @Nullable UUID takeBack,
      @Nullable Returned answer) {}

  /** How far an exercise is. */
  public enum State {
    open,
    waiting,
    returned,
    accepted
  }

  /**
   * An answer to read.
   *
   * @param report revision of the report that it is about
   * @param isNew whether it was not read yet
   */
  public record Returned(
      UUID submission,
      int attempt,
      Verdict verdict,
      Instant returnedAt,
      int notes,
      int report,
      boolean isNew) {}
}
