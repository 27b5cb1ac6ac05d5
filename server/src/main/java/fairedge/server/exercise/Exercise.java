package fairedge.server.exercise;

import fairedge.core.geometry.Tolerance;
import fairedge.core.inspect.Profile;
import fairedge.core.survey.Wanted;
import fairedge.server.inspection.Terms;
import java.util.UUID;

/**
 * An exercise, as its newest version has it.
 *
 * @param owner the instructor whose it is, and who alone changes it
 * @param summary one line of what is asked
 * @param starter hash of its starter mesh
 * @param scale S of the starter, in its unit
 * @param version number of the version of which {@code brief} and all after it are
 * @param wanted what is asked of the shape
 */
public record Exercise(
    UUID id,
    UUID owner,
    String title,
    String summary,
    String unit,
    byte[] starter,
    double scale,
    int version,
    String brief,
    Profile profile,
    Wanted wanted) {

  /** Its next version, in which something else counts. */
  Exercise with(int version, Profile profile, Wanted wanted) {
    return new Exercise(
        id, owner, title, summary, unit, starter, scale, version, brief, profile, wanted);
  }

  /** By what hand-ins are inspected. */
  public Terms terms() {
    return new Terms(profile, wanted, tolerance(), starter);
  }

  public Tolerance tolerance() {
    return new Tolerance(scale);
  }
}
