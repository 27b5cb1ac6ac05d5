package fairedge.server.bench;

import fairedge.core.step.Change;
import fairedge.core.step.ChangeKind;
import fairedge.core.step.Effect;
import fairedge.json.CheckView;
import fairedge.json.FindingView;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * What a step did, as lists of steps tell it; kept with the step.
 *
 * @param brief what it did, in a few words; null for steps of before it was kept, or where the tool
 *     says all
 * @param unchecked true until the check of a large mesh has come: then the counts say nothing yet
 */
public record After(
    String tool,
    String did,
    @Nullable String brief,
    List<StepView.Brought> brought,
    int mended,
    int must,
    int should,
    @Nullable Boolean unchecked) {

  public static After of(Change change, Effect effect, CheckView before, CheckView after) {
    return unchecked(change, effect).checked(before, after);
  }

  /** Of a step that was taken back. */
  public static After takenBack(CheckView before, CheckView after) {
    return new After("Taken back", "The last step is taken back.", null, List.of(), 0, 0, 0, true)
        .checked(before, after);
  }

  /** Before its check has come. */
  static After unchecked(Change change, Effect effect) {
    return new After(
        ChangeKind.of(change).title(),
        effect.sentence(),
        change.brief(effect),
        List.of(),
        0,
        0,
        0,
        true);
  }

  After checked(CheckView before, CheckView after) {
    List<FindingView> fresh = after.newSince(before);
    return new After(
        tool,
        did,
        brief,
        fresh.stream().map(f -> new StepView.Brought(f.kind(), f.severity(), f.title())).toList(),
        before.newSince(after).size(),
        after.must(),
        after.should(),
        null);
  }

  public boolean isUnchecked() {
    return Boolean.TRUE.equals(unchecked);
  }
}
