package fairedge.server.inspection;

import fairedge.core.inspect.Figures;
import fairedge.server.inspection.FindingView.SeverityView;
import java.util.List;
import java.util.stream.Collectors;

/** An inspection as the API tells it. */
public record CheckView(
    int must, int should, int remarks, Figures figures, List<FindingView> findings) {
  public static CheckView of(Figures figures, List<FindingView> findings) {
    return new CheckView(
        count(findings, SeverityView.must),
        count(findings, SeverityView.should),
        count(findings, SeverityView.remark),
        figures,
        findings);
  }

  private static int count(List<FindingView> findings, SeverityView severity) {
    return (int) findings.stream().filter(f -> f.severity() == severity).count();
  }

  /** What is here and was not in an earlier check of the same workpiece. */
  public List<FindingView> newSince(CheckView before) {
    var known = before.findings.stream().map(FindingView::key).collect(Collectors.toSet());
    return findings.stream().filter(f -> !known.contains(f.key())).toList();
  }
}
