package fairedge.server.room;

import fairedge.core.geometry.Vec3;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/**
 * Who looks on at a bench, for whoever cuts there.
 *
 * @param room names of those who have the room open
 * @param followers names of those who follow this bench
 * @param asksSince since when help is asked for; null: it is not
 * @param hints those of this bench, the last one first
 * @param last the number of the last event that is in it
 */
public record CompanyView(
    List<String> room,
    List<String> followers,
    @Nullable Instant asksSince,
    List<HintView> hints,
    long last) {

  /**
   * A word that was pinned to a bench.
   *
   * @param by who said it
   * @param title of the exercise
   * @param place on the model; null: it is about the whole
   * @param revision of the workpiece when it was said
   * @param seenAt when it was put aside; null: not yet
   */
  public record HintView(
      UUID id,
      UUID workpiece,
      UUID assignment,
      String title,
      String by,
      String text,
      @Nullable Vec3 place,
      long revision,
      Instant sentAt,
      @Nullable Instant seenAt) {}
}
