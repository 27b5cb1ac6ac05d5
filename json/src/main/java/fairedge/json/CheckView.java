package fairedge.json;

import fairedge.core.inspect.Figures;
import fairedge.core.inspect.Report;
import fairedge.core.mesh.Mesh;
import fairedge.json.FindingView.SeverityView;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;

/** An inspection as the API tells it. */
public record CheckView(
    int must, int should, int remarks, Figures figures, List<FindingView> findings) {
  public static CheckView of(Report report, Mesh mesh) {
    return of(
        report.figures(), report.findings().stream().map(f -> FindingView.of(f, mesh)).toList());
  }

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

  /** A finding that was there in an earlier check, and is there still in another form. */
  public record Altered(String title, FindingView now) {}

  /** What was here in an earlier check of the same workpiece in another form, by its title then. */
  public List<Altered> alteredSince(CheckView before) {
    Map<String, String> titles =
        before.findings.stream()
            .collect(Collectors.toMap(FindingView::key, FindingView::title, (a, b) -> a));
    return findings.stream()
        .filter(f -> !titles.getOrDefault(f.key(), f.title()).equals(f.title()))
        .map(f -> new Altered(titles.getOrDefault(f.key(), ""), f))
        .toList();
  }
}
