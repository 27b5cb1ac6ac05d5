package fairedge.server.room;

import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/**
 * Who is at a bench of a class now.
 *
 * @param tiles those who are
 * @param others the students who are not
 * @param last the number of the last event that is in it
 */
public record RoomView(List<TileView> tiles, List<AwayView> others, long last) {

  /**
   * Somebody at a bench.
   *
   * @param tool of the last step in force; null before the first
   * @param steps how many are in force
   * @param must how many must be mended; null while the check has not come
   * @param stillSince when the last step was made, or the bench was opened
   * @param asksSince since when help is asked for; null: it is not
   * @param lately steps of the last 20 minutes
   * @param group in which they are, if in any
   */
  public record TileView(
      UUID workpiece,
      UUID student,
      String name,
      @Nullable UUID group,
      UUID assignment,
      String title,
      long revision,
      @Nullable String tool,
      @Nullable String brief,
      int steps,
      @Nullable Integer must,
      Instant stillSince,
      @Nullable Instant asksSince,
      List<Lately> lately) {}

  /**
   * A step that was made a while ago.
   *
   * @param must how many had to be mended after it
   */
  public record Lately(Instant at, int must) {}

  /** A student who is at no bench. */
  public record AwayView(UUID student, String name, @Nullable UUID group) {}

  /** Somebody left a bench. */
  public record LeftView(UUID workpiece) {}
}
