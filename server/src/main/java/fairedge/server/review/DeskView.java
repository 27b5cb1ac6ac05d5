package fairedge.server.review;

import fairedge.server.submission.Summary;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/** The instructor's home. */
public record DeskView(List<Row> rows, List<Trip> trips, int students, List<Due> due) {

  /**
   * A submission that waits.
   *
   * @param worst some of its findings: what must be mended goes first
   * @param findings how many it has
   * @param report revision of the report that tells them
   */
  public record Row(
      UUID id,
      String student,
      String exercise,
      int attempt,
      boolean fromFile,
      Instant handedInAt,
      List<Summary.Mark> worst,
      int findings,
      int report,
      Summary.@Nullable Since since) {}

  /** A kind of finding and how many students have it in their last attempts. */
  public record Trip(String kind, int students) {}

  /** An exercise that is due. */
  public record Due(String exercise, Instant dueAt, String zone, int handedIn) {}
}
