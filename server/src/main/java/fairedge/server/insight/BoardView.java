package fairedge.server.insight;

import fairedge.core.insight.Progress;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/**
 * Students by exercises.
 *
 * @param columns what is set in the class, in its order
 * @param rows the students, by name; each has a cell for every column
 * @param trips what most students have in a last attempt, the most first
 * @param students how many there are; trips are told of them
 */
public record BoardView(
    String course,
    String zone,
    List<BoardGroup> groups,
    List<BoardColumn> columns,
    List<BoardRow> rows,
    List<BoardTrip> trips,
    int students) {

  /** A group of the class. */
  public record BoardGroup(UUID id, String name) {}

  /**
   * An exercise.
   *
   * @param heading under which it stands; null where none was given before it
   * @param most the credits that there are to get; 0 where there are none
   * @param common the must-mends that most students have now, and how many have each
   */
  public record BoardColumn(
      UUID assignment,
      String title,
      @Nullable String heading,
      @Nullable Instant dueAt,
      double most,
      List<KindTally> common) {}

  /** A kind of finding and how many there are, or how many students have it. */
  public record KindTally(String kind, int count) {}

  /** A student. */
  public record BoardRow(UUID student, String name, @Nullable UUID group, List<BoardCell> cells) {}

  /** How far a student is with an exercise, as the board tells it. */
  public enum BoardState {
    notBegun,
    begun,
    handedIn,
    late,
    tryAgain,
    accepted,
    excused;

    static BoardState of(Progress progress) {
      return values()[progress.ordinal()];
    }
  }

  /**
   * A student's in an exercise.
   *
   * @param attempts how many were handed in
   * @param submission the last of them; null where there is none
   * @param isLate whether that came after its time
   * @param must what must be mended in it, by kind
   * @param credits of the attempt that counts; while the last waits what the engine proposes for it
   * @param isProposed whether these are proposed
   * @param since when the last was handed in; of what is late when it was due; else null
   * @param before the last attempts that were answered, the first first
   */
  public record BoardCell(
      BoardState state,
      int attempts,
      @Nullable UUID submission,
      boolean isLate,
      List<KindTally> must,
      @Nullable Double credits,
      boolean isProposed,
      @Nullable Instant since,
      List<AnsweredAttempt> before) {}

  /** An attempt that was answered. */
  public record AnsweredAttempt(int attempt, boolean isAccepted, @Nullable Double credits) {}

  /** How many students have a kind of finding in a last attempt, now and a week ago. */
  public record BoardTrip(String kind, int now, int weekAgo) {}
}
