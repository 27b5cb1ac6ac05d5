package fairedge.server.review;

import fairedge.server.submission.Summary;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/**
 * The instructor's home.
 *
 * @param rows what waits and is let through by the filter
 * @param waiting how many wait, whatever the filter
 * @param going answers on their way out that can be called back
 * @param amending answers that are out and are written again
 * @param replies to answers that nobody has read
 * @param choices by what the rows can be filtered
 */
public record DeskView(
    List<Row> rows,
    int waiting,
    List<Going> going,
    List<Named> amending,
    List<Replied> replies,
    Choices choices,
    List<Trip> trips,
    int students,
    List<Due> due) {

  /**
   * A submission that waits.
   *
   * @param worst some of its findings: what must be mended goes first
   * @param findings how many count
   * @param report revision of the report that tells them
   * @param isReady whether its answer waits to go out with others
   * @param writtenBy who wrote in its answer last; null where nobody
   * @param holder who else has it open
   * @param replies how many replies of its student to earlier answers nobody has read
   * @param isClean whether it came in time, wants no mending, asks nothing, and gets all that the
   *     engine gives
   */
  public record Row(
      UUID id,
      UUID assignment,
      String student,
      String exercise,
      int attempt,
      boolean fromFile,
      Instant handedInAt,
      List<Summary.Mark> worst,
      int findings,
      int report,
      Summary.@Nullable Since since,
      boolean isReady,
      @Nullable String writtenBy,
      @Nullable String holder,
      int replies,
      boolean isClean) {}

  /** A hand-in by what is told of it in a line. */
  public record Named(UUID id, String student, String exercise, int attempt) {}

  /** An answer on its way out. */
  public record Going(UUID id, String student, String exercise, int attempt, Instant at) {}

  /** Replies that nobody has read. */
  public record Replied(UUID id, String student, String exercise, int attempt, int replies) {}

  /** By what rows can be filtered. */
  public record Choices(List<Choice> groups, List<Choice> assignments, List<String> kinds) {}

  /** One of them, by its name. */
  public record Choice(UUID id, String name) {}

  /** A kind of finding and how many students have it in their last attempts. */
  public record Trip(String kind, int students) {}

  /** An exercise that is due. */
  public record Due(String exercise, Instant dueAt, String zone, int handedIn) {}
}
