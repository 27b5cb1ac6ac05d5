package fairedge.server.review;

import fairedge.json.CreditsView;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/**
 * What an answer said when it went out, once and for all.
 *
 * @param number from 1; more where it was amended
 * @param report version of the report that it quotes
 * @param waved findings of that report that did not count
 */
public record Saying(
    int number,
    Instant outAt,
    UUID by,
    int report,
    Answer.Words words,
    @Nullable CreditsView credits,
    List<WavedNote> waved) {

  /** A finding that did not count, by its place in the report, and why. */
  public record WavedNote(int finding, String reason) {}
}
