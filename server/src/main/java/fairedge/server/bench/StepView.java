package fairedge.server.bench;

import fairedge.json.FindingView.SeverityView;
import fairedge.server.exercise.Told;
import java.time.Instant;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * A step in a list of steps.
 *
 * @param parent the step that it was made after; null: the starter
 * @param name of the state after it, if it was given one
 * @param tool the name of the tool on screen
 * @param did what it did, in a sentence
 * @param brief what it did, in a few words beside the tool's name; null where that says all
 * @param brought findings that were not there before it
 * @param checked whether its check has come; else the two before say nothing yet
 * @param mended how many that were there before it are gone
 * @param depth how many must be mended after it; null while its check has not come
 */
public record StepView(
    long id,
    @Nullable Long parent,
    @Nullable String name,
    int number,
    String tool,
    String did,
    @Nullable String brief,
    List<Brought> brought,
    int mended,
    @Nullable Integer depth,
    boolean checked,
    Instant madeAt) {

  /**
   * @param name of the state after it, if it was given one
   */
  public static StepView of(
      long id,
      @Nullable Long parent,
      int number,
      After after,
      Instant madeAt,
      @Nullable String name) {
    return new StepView(
        id,
        parent,
        name,
        number,
        after.tool(),
        after.did(),
        after.brief(),
        after.brought(),
        after.mended(),
        after.isUnchecked() ? null : after.must(),
        !after.isUnchecked(),
        madeAt);
  }

  /** What whoever cut it is told of it: what it did always, what it brought if they may know. */
  StepView told(Told told) {
    return told.isAll()
        ? this
        : new StepView(
            id, parent, name, number, tool, did, brief, List.of(), 0, null, checked, madeAt);
  }

  /** A finding that a step brought, as a mark. */
  public record Brought(String kind, SeverityView severity, String title) {}
}
