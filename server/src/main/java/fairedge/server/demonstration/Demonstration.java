package fairedge.server.demonstration;

import fairedge.core.geometry.Tolerance;
import fairedge.core.inspect.Profile;
import fairedge.core.survey.Wanted;
import fairedge.server.inspection.Terms;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/**
 * Steps that are shown one after the other.
 *
 * @param owner whose it is; null: it came with the application
 * @param starter hash of the mesh before the first step
 * @param scale S of that, in its unit
 * @param revision counts its edits
 */
public record Demonstration(
    UUID id,
    @Nullable UUID owner,
    String title,
    String about,
    String unit,
    String profile,
    byte[] starter,
    double scale,
    KeptSteps steps,
    long revision,
    Instant editedAt,
    @Nullable Instant putAwayAt) {

  boolean isOf(UUID account) {
    return account.equals(owner);
  }

  Tolerance tolerance() {
    return new Tolerance(scale);
  }

  /** By what its states are looked at; a profile that was written for an exercise may be gone. */
  Terms terms() {
    Profile named =
        Profile.builtIn().stream()
            .filter(p -> p.name().equals(profile))
            .findFirst()
            .orElse(Profile.ALL_QUADS);
    return new Terms(named, Wanted.NOTHING, tolerance(), starter, List.of());
  }

  Demonstration saying(String otherTitle, String otherAbout, KeptSteps otherSteps) {
    return new Demonstration(
        id,
        owner,
        otherTitle,
        otherAbout,
        unit,
        profile,
        starter,
        scale,
        otherSteps,
        revision,
        editedAt,
        putAwayAt);
  }
}
