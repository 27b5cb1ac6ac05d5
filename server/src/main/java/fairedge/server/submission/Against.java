package fairedge.server.submission;

import fairedge.core.compare.Comparison;
import fairedge.core.geometry.Tolerance;
import fairedge.json.CheckView;
import fairedge.json.FindingView;
import java.util.List;

/**
 * What became of what the attempt before had.
 *
 * @param attempt the number of that
 * @param stillThere for each finding that is listed now, whether the attempt before had it too
 */
public record Against(int attempt, int gone, int still, int fresh, List<Boolean> stillThere) {
  /** Cost: n log n in the findings of both. */
  static Against of(int attempt, CheckView then, CheckView now, Tolerance tolerance) {
    Comparison comparison =
        Comparison.of(
            then.findings().stream().map(FindingView::spot).toList(),
            now.findings().stream().map(FindingView::spot).toList(),
            tolerance);
    return new Against(
        attempt,
        comparison.gone().size() + unlistedOnlyIn(then, now),
        comparison.stillThere(),
        comparison.fresh() + unlistedOnlyIn(now, then),
        comparison.match().stream().map(m -> m >= 0).toList());
  }

  /** Of kinds that the other check does not have at all; of the rest it can't be told. */
  private static int unlistedOnlyIn(CheckView one, CheckView other) {
    return one.unlisted().stream()
        .filter(u -> other.findings().stream().noneMatch(f -> f.kind().equals(u.kind())))
        .mapToInt(CheckView.Unlisted::count)
        .sum();
  }
}
