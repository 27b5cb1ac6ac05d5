package fairedge.server.insight;

import fairedge.server.insight.BoardView.AnsweredAttempt;
import fairedge.server.insight.BoardView.BoardState;
import fairedge.server.insight.BoardView.KindTally;
import fairedge.server.insight.InsightView.InsightSkill;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/**
 * A student's page: their own figures and nobody else's.
 *
 * @param skills as far as the attempts that count show them
 */
public record TermView(
    UUID student,
    String name,
    String course,
    String zone,
    List<TermLine> lines,
    List<InsightSkill> skills) {

  /**
   * An exercise.
   *
   * @param submission the last attempt; null where there is none
   * @param answer the last attempt whose answer is out; null where none is
   * @param most the credits that there are to get; 0 where there are none
   * @param credits of the attempt that counts; null while nothing was answered
   * @param must what must be mended in the last attempt that was answered, by kind
   * @param should what should be mended in it
   */
  public record TermLine(
      UUID assignment,
      String title,
      @Nullable Instant dueAt,
      BoardState state,
      boolean isLate,
      @Nullable UUID submission,
      @Nullable UUID answer,
      double most,
      @Nullable Double credits,
      List<KindTally> must,
      List<KindTally> should,
      List<AnsweredAttempt> attempts) {}
}
