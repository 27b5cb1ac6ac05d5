package fairedge.server.exercise;

import fairedge.core.geometry.Tolerance;
import fairedge.core.inspect.Profile;
import fairedge.core.survey.Wanted;
import fairedge.server.inspection.Terms;
import java.time.Instant;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/**
 * An exercise.
 *
 * @param summary one line of what is asked
 * @param starter hash of its starter mesh
 * @param scale S of the starter, in its unit
 * @param wanted what is asked of the shape
 * @param termsRevision counts the changes of profile and wanted
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
    Profile profile,
    Wanted wanted,
    int termsRevision,
    @Nullable Instant dueAt) {

  /** By what hand-ins are inspected. */
  public Terms terms() {
    return new Terms(profile, wanted, tolerance(), starter);
  }

  public Tolerance tolerance() {
    return new Tolerance(scale);
  }
}
