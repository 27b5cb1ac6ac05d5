package fairedge.server.review;

import fairedge.json.CheckView;
import fairedge.json.CreditsView;
import fairedge.server.bench.StepView;
import fairedge.server.exercise.AssignmentView;
import fairedge.server.submission.HandedIn.ReadingView;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/**
 * A submission under review, or as its student reads it with its answer.
 *
 * @param report version of the report that {@code check} is
 * @param credits by the rule that holds; null where there are none
 * @param references hashes of solutions that may be seen now
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
    List<ReadingView> reading,
    @Nullable SinceView since,
    List<StepView> steps,
    AnswerView answer,
    @Nullable CreditsView credits,
    List<String> references,
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
}
