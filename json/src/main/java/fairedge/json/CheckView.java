package fairedge.json;

import fairedge.core.inspect.Figures;
import fairedge.core.inspect.Met;
import fairedge.core.inspect.Report;
import fairedge.core.inspect.finding.Kind;
import fairedge.core.mesh.Mesh;
import fairedge.json.FindingView.SeverityView;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;

/**
 * An inspection as the API tells it.
 *
 * @param must how many findings must be mended, listed or not; so the others
 * @param unlisted what there is beside the findings that are listed: too many of one kind to read
 * @param leftOut what was not looked at, because it would have taken too long; mostly nothing
 * @param byFamily the same numbers of must and should, family by family; those without are left out
 * @param met how far what is asked of the shape is met
 * @param pardoned how many faults of the starter don't count, since the exercise pardons them
 */
public record CheckView(
    int must,
    int should,
    int remarks,
    Figures figures,
    List<FindingView> findings,
    List<Unlisted> unlisted,
    List<LeftOut> leftOut,
    List<OfFamily> byFamily,
    Met met,
    int pardoned) {

  /**
   * The same with some findings that don't count: they stay listed.
   *
   * @param some by their place in the list
   */
  public CheckView notCounting(Set<Integer> some) {
    if (some.isEmpty()) {
      return this;
    }
    List<FindingView> counting = counting(some);
    return new CheckView(
        count(counting, unlisted, SeverityView.must),
        count(counting, unlisted, SeverityView.should),
        count(counting, unlisted, SeverityView.remark),
        figures,
        findings,
        unlisted,
        leftOut,
        byFamily(counting, unlisted),
        met,
        pardoned);
  }

  /** What is listed, less some by their place in the list. */
  public List<FindingView> counting(Set<Integer> but) {
    return IntStream.range(0, findings.size())
        .filter(i -> !but.contains(i))
        .mapToObj(findings::get)
        .toList();
  }

  /** How many of a family must and should be mended. */
  public record OfFamily(String family, int must, int should) {}

  /** Of which kind not all was looked for, and why, as a sentence. */
  public record LeftOut(String kind, String why) {}

  /** How many of one kind are not listed. */
  public record Unlisted(String kind, String family, SeverityView severity, int count) {}

  /** With all findings. */
  public static CheckView of(Report report, Mesh mesh) {
    return of(report, mesh, Integer.MAX_VALUE);
  }

  /**
   * @param most how many findings of one kind are listed, evenly spread over all of them, so that
   *     the list and the marks tell where they are; the rest is counted
   */
  public static CheckView of(Report report, Mesh mesh, int most) {
    Map<Group, Integer> counts = new LinkedHashMap<>();
    report.findings().forEach(found -> counts.merge(Group.of(found), 1, Integer::sum));
    Map<Group, Integer> passed = new HashMap<>();
    List<FindingView> listed = new ArrayList<>();
    for (Report.Assessed found : report.findings()) {
      Group group = Group.of(found);
      long place = passed.merge(group, 1, Integer::sum);
      int count = counts.getOrDefault(group, 0);
      if (count <= most || place * most / count > (place - 1) * most / count) {
        listed.add(FindingView.of(found, mesh));
      }
    }
    List<Unlisted> unlisted = new ArrayList<>();
    counts.forEach((group, count) -> {
      if (count > most) {
        unlisted.add(group.unlisted(count - most));
      }
    });
    List<LeftOut> leftOut =
        report.leftOut().stream().map(l -> new LeftOut(l.kind().key(), l.why())).toList();
    return of(report.figures(), listed, unlisted, leftOut, report.met(), report.pardoned());
  }

  private record Group(Kind kind, SeverityView severity) {
    static Group of(Report.Assessed found) {
      return new Group(found.finding().kind(), SeverityView.of(found.severity()));
    }

    Unlisted unlisted(int count) {
      return new Unlisted(kind.key(), kind.family().title(), severity, count);
    }
  }

  public static CheckView of(
      Figures figures,
      List<FindingView> findings,
      List<Unlisted> unlisted,
      List<LeftOut> leftOut,
      Met met,
      int pardoned) {
    return new CheckView(
        count(findings, unlisted, SeverityView.must),
        count(findings, unlisted, SeverityView.should),
        count(findings, unlisted, SeverityView.remark),
        figures,
        findings,
        unlisted,
        leftOut,
        byFamily(findings, unlisted),
        met,
        pardoned);
  }

  private static List<OfFamily> byFamily(List<FindingView> findings, List<Unlisted> unlisted) {
    Map<String, int[]> counts = new LinkedHashMap<>();
    findings.forEach(f -> add(counts, f.family(), f.severity(), 1));
    unlisted.forEach(u -> add(counts, u.family(), u.severity(), u.count()));
    return counts.entrySet().stream()
        .map(e -> new OfFamily(e.getKey(), e.getValue()[0], e.getValue()[1]))
        .filter(f -> f.must() + f.should() > 0)
        .toList();
  }

  private static void add(
      Map<String, int[]> counts, String family, SeverityView severity, int more) {
    int[] of = counts.computeIfAbsent(family, f -> new int[2]);
    switch (severity) {
      case must -> of[0] += more;
      case should -> of[1] += more;
      case remark -> {}
    }
  }

  /** How many there are in each family, and nothing of what and where. */
  public CheckView countsOnly() {
    return new CheckView(
        must,
        should,
        0,
        figures.ofSize(),
        List.of(),
        List.of(),
        List.of(),
        byFamily,
        Met.NOTHING_ASKED,
        0);
  }

  /** That it was done, and nothing of what it found. */
  public CheckView nothingSaid() {
    return new CheckView(
        0,
        0,
        0,
        figures.ofSize(),
        List.of(),
        List.of(),
        List.of(),
        List.of(),
        Met.NOTHING_ASKED,
        0);
  }

  private static int count(
      List<FindingView> findings, List<Unlisted> unlisted, SeverityView severity) {
    long listed = findings.stream().filter(f -> f.severity() == severity).count();
    int more =
        unlisted.stream().filter(u -> u.severity() == severity).mapToInt(Unlisted::count).sum();
    return (int) listed + more;
  }

  /** How many findings there are, listed or not. */
  public int total() {
    return must + should + remarks;
  }

  /**
   * What is here and was not in an earlier check of the same workpiece. Nothing is said of kinds of
   * which not all are listed: one that comes onto the list may have been there before.
   */
  public List<FindingView> newSince(CheckView before) {
    Set<String> known = before.findings.stream().map(FindingView::key).collect(Collectors.toSet());
    Set<String> partly =
        Stream.concat(unlisted.stream(), before.unlisted.stream())
            .map(Unlisted::kind)
            .collect(Collectors.toSet());
    return findings.stream()
        .filter(f -> !known.contains(f.key()) && !partly.contains(f.kind()))
        .toList();
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
