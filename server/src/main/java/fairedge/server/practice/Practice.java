package fairedge.server.practice;

import fairedge.core.geometry.Tolerance;
import java.time.Instant;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/**
 * A mesh that someone cuts freely.
 *
 * @param starter hash of the mesh as it was begun with
 * @param scale S of the starter, in its unit
 * @param putAwayAt since when it is out of sight; null: it is not
 */
public record Practice(
    UUID id,
    UUID accountId,
    String title,
    String unit,
    byte[] starter,
    double scale,
    String profile,
    Instant begunAt,
    @Nullable Instant putAwayAt) {

  public Tolerance tolerance() {
    return new Tolerance(scale);
  }
}
