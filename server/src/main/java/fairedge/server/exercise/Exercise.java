package fairedge.server.exercise;

import fairedge.core.geometry.Tolerance;
import java.time.Instant;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/**
 * An exercise.
 *
 * @param summary one line of what is asked
 * @param starter hash of its starter mesh
 * @param scale S of the starter, in its unit
 */
public record Exercise(
    UUID id,
    UUID courseId,
    String title,
    String summary,
    String brief,
    String unit,
    byte[] starter,
    double scale,
    String profile,
    @Nullable Instant dueAt) {

  public Tolerance tolerance() {
    return new Tolerance(scale);
  }
}
