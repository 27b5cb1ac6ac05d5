package fairedge.server.review;

import fairedge.core.work.View;
import fairedge.json.CheckView;
import fairedge.json.CreditsView;
import fairedge.server.bench.StepView;
import fairedge.server.exercise.AssignmentView;
import fairedge.server.review.AnswerView.Verdict;
import fairedge.server.submission.HandedIn.ReadingView;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/**
 * A submission under review, or as its student reads it with its answer.
 *
 * @param report version of the report that {@code check} is
 * @param waved findings of it that don't count
 * @param views how the student saw the model at each step
 * @param credits by the rule that holds; null where there are none
 * @param references hashes of solutions that may be seen now
 * @param attempts all of this student in this assignment, the first first
 * @param replies to notes of earlier attempts
 * @param praise what there is to praise, from figures; only for whoever reviews
 * @param sayings what this answer said before it was amended, the first first
 * @param holder who else has it open to write in; null where nobody
 */
public record ReviewView(
    UUID id,
    AssignmentView assignment,
    String student,
    int attempt,
    @Nullable String fileName,
    Instant handedInAt,
    CheckView check,
    int report,
    List<WavedView> waved,
    List<ReadingView> reading,
    @Nullable SinceView since,
    List<StepView> steps,
    List<View> views,
    AnswerView answer,
    @Nullable CreditsView credits,
    List<String> references,
    List<AttemptView> attempts,
    List<ReplyView> replies,
    List<String> praise,
    List<SayingView> sayings,
    @Nullable String holder,
    @Nullable QueueView queue) {

  /**
   * Against the attempt before.
   *
   * @param stillThere for each finding, whether the attempt before had it too
   */
  public record SinceView(int attempt, int gone, int still, int fresh, List<Boolean> stillThere) {}

  /** Where a submission stands among those that wait; position from 1, or 0 if it doesn't. */
  public record QueueView(
      int position, int waiting, @Nullable UUID previous, @Nullable UUID next) {}

  /**
   * A finding that does not count.
   *
   * @param finding its place in the report
   * @param id by which it is let count again; null in an answer that is out
   * @param fromAttempt in which attempt it was waved through
   */
  public record WavedView(
      int finding, @Nullable UUID id, String reason, @Nullable Integer fromAttempt) {}

  /**
   * An attempt.
   *
   * @param verdict null where no answer is out
   */
  public record AttemptView(
      UUID id,
      int attempt,
      Instant handedInAt,
      @Nullable Verdict verdict,
      @Nullable Instant returnedAt) {}

  /** What a student answered to a note. */
  public record ReplyView(
      UUID submission, int attempt, int note, String about, String reply, Instant at) {}

  /** What an answer said before. */
  public record SayingView(
      int number,
      Instant outAt,
      String by,
      String word,
      Verdict verdict,
      List<String> notes,
      @Nullable Double credits) {}
}
