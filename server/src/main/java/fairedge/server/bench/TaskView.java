package fairedge.server.bench;

import fairedge.core.survey.Wanted;
import fairedge.server.exercise.Exercise.Tells;
import java.time.Instant;
import org.jspecify.annotations.Nullable;

/**
 * What a workpiece is cut for.
 *
 * @param summary one line of what is asked
 * @param zone of the clock by which it is due; null where nothing is
 * @param tells how much of the check is told now
 * @param isMarked whether its exercise marks something on it
 * @param sheet name of the picture that it gives to be traced; null: none
 * @param mends whether mends are shown now
 */
public record TaskView(
    Owner owner,
    String title,
    String summary,
    String brief,
    String unit,
    String profile,
    @Nullable Instant dueAt,
    @Nullable String zone,
    Tells tells,
    boolean isMarked,
    @Nullable String sheet,
    boolean mends) {
  /** Whether an exercise marks something that the bench draws. */
  static boolean isMarked(Wanted wanted, boolean showsLines) {
    return !wanted.cuttable().isEmpty()
        || !wanted.held().isEmpty()
        || !wanted.hardLines().isEmpty()
        || !wanted.coveredEnds().isEmpty()
        || showsLines && !wanted.lines().isEmpty();
  }
}
