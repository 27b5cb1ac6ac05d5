package fairedge.server.submission;

import fairedge.json.FindingView;
import fairedge.json.FindingView.SeverityView;
import java.util.Comparator;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * What lists tell of a report, without reading all of it.
 *
 * @param revision version of the exercise by which it was made
 * @param findings how many there are, listed or not
 * @param worst some of its findings: what must be mended goes first
 * @param since null where there is no attempt before
 * @param isCompared whether that is known
 */
public record Summary(
    int revision, int findings, List<Mark> worst, @Nullable Since since, boolean isCompared) {
  /** So many marks stand in a row. */
  private static final int MOST_MARKS = 7;

  /** A finding as a mark. */
  public record Mark(String kind, SeverityView severity, String title) {}

  /** Against the attempt of this number, in figures. */
  public record Since(int attempt, int gone, int still, int fresh) {}

  /** The marks of a row. */
  public static List<Mark> worstOf(List<FindingView> findings) {
    return findings.stream()
        .sorted(Comparator.comparing(FindingView::severity))
        .limit(MOST_MARKS)
        .map(f -> new Mark(f.kind(), f.severity(), f.title()))
        .toList();
  }
}
