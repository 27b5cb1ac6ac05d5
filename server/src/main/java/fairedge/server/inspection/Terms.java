package fairedge.server.inspection;

import fairedge.core.geometry.Tolerance;
import fairedge.core.inspect.Profile;
import fairedge.core.survey.Wanted;
import java.util.HexFormat;
import java.util.List;

/**
 * By what a mesh is inspected.
 *
 * @param starter hash of the mesh that the work began from
 * @param references hashes of solutions
 */
public record Terms(
    Profile profile, Wanted wanted, Tolerance tolerance, byte[] starter, List<byte[]> references) {
  /** Whether the same counts, and the same is asked. */
  public boolean countsLike(Terms other) {
    return profile.equals(other.profile)
        && wanted.equals(other.wanted)
        && namesOf(references).equals(namesOf(other.references));
  }

  static List<String> namesOf(List<byte[]> hashes) {
    return hashes.stream().map(HexFormat.of()::formatHex).toList();
  }

  /** The same with every fault of the starter told, pardoned or not. */
  public Terms withoutPardons() {
    return new Terms(profile, wanted.pardoning(List.of()), tolerance, starter, references);
  }
}
