package fairedge.server.inspection;

import fairedge.core.geometry.Tolerance;
import fairedge.core.inspect.Profile;
import fairedge.core.survey.Wanted;

/**
 * By what a mesh is inspected.
 *
 * @param starter hash of the mesh that the work began from
 */
public record Terms(Profile profile, Wanted wanted, Tolerance tolerance, byte[] starter) {
  /** Whether the same counts, and the same is asked. */
  public boolean countsLike(Terms other) {
    return profile.equals(other.profile) && wanted.equals(other.wanted);
  }
}
