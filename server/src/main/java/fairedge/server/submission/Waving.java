package fairedge.server.submission;

import fairedge.core.compare.Comparison.Spot;
import fairedge.core.geometry.Vec3;
import java.time.Instant;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/**
 * A finding that does not count for a student any more, where it is: in the attempt in which it was
 * waved through and the next ones.
 *
 * @param place null: it is about the whole mesh
 * @param by who waved it through
 * @param firstAttempt from which on it does not count
 */
public record Waving(
    UUID id,
    UUID assignmentId,
    UUID studentId,
    String kind,
    @Nullable Vec3 place,
    double reach,
    String reason,
    UUID by,
    Instant at,
    int firstAttempt) {

  Spot spot() {
    return new Spot(
        kind, place == null ? new Vec3(Double.NaN, Double.NaN, Double.NaN) : place, reach);
  }
}
