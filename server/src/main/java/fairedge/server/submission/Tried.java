package fairedge.server.submission;

import java.time.Instant;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/**
 * An attempt as lists over a term tell it.
 *
 * @param report version of the report that is shown
 * @param answeredAt from when on its answer is out; null while none is
 * @param credits what the answer gave; null where there are none
 */
public record Tried(
    UUID id,
    UUID assignment,
    UUID student,
    int attempt,
    Instant handedInAt,
    int report,
    @Nullable Instant answeredAt,
    boolean isAccepted,
    @Nullable Double credits) {

  public boolean isAnswered() {
    return answeredAt != null;
  }
}
