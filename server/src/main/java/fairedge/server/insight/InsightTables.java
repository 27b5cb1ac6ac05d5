package fairedge.server.insight;

import fairedge.core.inspect.finding.Kind;
import fairedge.server.insight.BoardView.BoardCell;
import fairedge.server.insight.BoardView.BoardColumn;
import fairedge.server.insight.BoardView.BoardRow;
import fairedge.server.insight.BoardView.KindTally;
import fairedge.server.insight.InsightView.InsightSkill;
import fairedge.server.insight.InsightView.SkillShare;
import fairedge.server.platform.Csv;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;

/**
 * Board and insight as tables: a row for each thing that is counted, so that they can be summed.
 */
public final class InsightTables {
  private InsightTables() {}

  /** A row for each student in each exercise. */
  public static Csv board(BoardView board) {
    ZoneId zone = ZoneId.of(board.zone());
    Map<UUID, String> groups =
        board.groups().stream()
            .collect(Collectors.toMap(BoardView.BoardGroup::id, BoardView.BoardGroup::name));
    List<List<?>> rows = new ArrayList<>();
    for (BoardRow row : board.rows()) {
      String group = row.group() == null ? "" : groups.getOrDefault(row.group(), "");
      for (int i = 0; i < board.columns().size(); i++) {
        rows.add(boardRow(row.name(), group, board.columns().get(i), row.cells().get(i), zone));
      }
    }
    return new Csv(
        List.of(
            "student",
            "group",
            "exercise",
            "heading",
            "due",
            "state",
            "attempts",
            "late",
            "must-mends",
            "must-mends by kind",
            "credits",
            "of",
            "credits are"),
        rows);
  }

  private static List<?> boardRow(
      String name, String group, BoardColumn column, BoardCell cell, ZoneId zone) {
    return Arrays.asList(
        name,
        group,
        column.title(),
        column.heading() == null ? "" : column.heading(),
        time(column.dueAt(), zone),
        words(cell.state()),
        cell.attempts(),
        cell.isLate() ? "yes" : "no",
        cell.must().stream().mapToInt(KindTally::count).sum(),
        kinds(cell.must()),
        cell.credits(),
        column.most() > 0 ? column.most() : null,
        cell.credits() == null ? "" : cell.isProposed() ? "proposed" : "given");
  }

  /** A row for each kind of finding in each exercise. */
  public static Csv kinds(InsightView insight) {
    List<List<?>> rows = new ArrayList<>();
    insight
        .kinds()
        .forEach(kind ->
            IntStream.range(0, kind.counts().size())
                .filter(i -> kind.counts().get(i) > 0)
                .forEach(i ->
                    rows.add(
                        List.of(
                            kind.kind(),
                            Kind.named(kind.kind()).family().title(),
                            insight.exercises().get(i).title(),
                            kind.counts().get(i),
                            insight.exercises().get(i).handedIn()))));
    return new Csv(
        List.of("kind", "family", "exercise", "students with it", "students handed in"), rows);
  }

  /** A row for each skill in each exercise, and one over all. */
  public static Csv skills(InsightView insight) {
    List<String> titles =
        insight.exercises().stream().map(InsightView.InsightExercise::title).toList();
    List<List<?>> rows = new ArrayList<>();
    insight.skills().forEach(skill -> rows.addAll(skill(skill, titles)));
    return new Csv(SKILL_HEAD, rows);
  }

  private static final List<String> SKILL_HEAD =
      List.of("skill", "exercise", "attempts", "share", "from", "to", "over the term");

  private static List<List<?>> skill(InsightSkill skill, List<String> titles) {
    List<List<?>> rows = new ArrayList<>();
    for (int i = 0; i < titles.size(); i++) {
      SkillShare share = skill.points().get(i);
      if (share != null) {
        rows.add(shareRow(skill, titles.get(i), share, ""));
      }
    }
    SkillShare all = skill.all();
    if (all != null) {
      rows.add(shareRow(skill, "all", all, spelled(skill.way().name())));
    }
    return rows;
  }

  private static List<?> shareRow(
      InsightSkill skill, String exercise, SkillShare share, String way) {
    return List.of(
        spelled(skill.skill().name()),
        exercise,
        share.count(),
        share.mean(),
        share.low(),
        share.high(),
        way);
  }

  /** A row for each phrase that was followed by another attempt often enough. */
  public static Csv phrases(InsightView insight) {
    List<List<?>> rows = new ArrayList<>();
    insight
        .phrases()
        .forEach(p ->
            rows.add(
                List.of(
                    p.text(),
                    p.kind() == null ? "" : p.kind(),
                    p.share().count(),
                    p.cured(),
                    p.share().mean(),
                    p.share().low(),
                    p.share().high())));
    return new Csv(
        List.of("phrase", "kind", "followed by an attempt", "cured", "share", "from", "to"), rows);
  }

  /** A student's term: a row for each exercise. */
  public static Csv student(TermView view) {
    ZoneId zone = ZoneId.of(view.zone());
    List<List<?>> rows = new ArrayList<>();
    view.lines()
        .forEach(line ->
            rows.add(
                Arrays.asList(
                    line.title(),
                    time(line.dueAt(), zone),
                    words(line.state()),
                    line.attempts().size(),
                    line.isLate() ? "yes" : "no",
                    kinds(line.must()),
                    kinds(line.should()),
                    line.credits(),
                    line.most() > 0 ? line.most() : null)));
    return new Csv(
        List.of(
            "exercise",
            "due",
            "state",
            "attempts answered",
            "late",
            "must-mends",
            "should-mends",
            "credits",
            "of"),
        rows);
  }

  /** What a student's attempts show of skills. */
  public static Csv skills(TermView view) {
    List<String> titles = view.lines().stream().map(TermView.TermLine::title).toList();
    List<List<?>> rows = new ArrayList<>();
    view.skills().forEach(skill -> rows.addAll(skill(skill, titles)));
    return new Csv(SKILL_HEAD, rows);
  }

  private static String kinds(List<KindTally> kinds) {
    return kinds.stream()
        .map(k -> "%d %s".formatted(k.count(), k.kind()))
        .collect(Collectors.joining(", "));
  }

  private static String time(@Nullable Instant at, ZoneId zone) {
    return at == null ? "" : at.atZone(zone).toLocalDateTime().toString();
  }

  private static String words(BoardView.BoardState state) {
    return spelled(state.name());
  }

  /** "tryAgain" as words. */
  private static String spelled(String name) {
    return name.replaceAll("([A-Z])", " $1").toLowerCase(Locale.ROOT);
  }
}
