package fairedge.server.course;

import fairedge.server.course.RosterFile.Row;
import fairedge.server.course.RosterView.ChoiceView;
import fairedge.server.course.RosterView.RowState;
import fairedge.server.course.RosterView.RowView;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/**
 * Says of the rows of a roster what would come of each: a newcomer, somebody who is here, or a
 * question. Rows are held against people of the instructor's own classes only, and against each
 * other. Cost: the rows and the people.
 */
final class RosterJudge {
  /** The answer that a row is left out. */
  static final String OUT = "out";

  private static final String NEW = "new";
  private static final String GROUP = "group:";

  /**
   * Somebody of the instructor's classes.
   *
   * @param isHere whether in the class at hand
   */
  record Known(UUID id, String name, @Nullable String address, boolean isHere) {}

  /**
   * What is to be done about a row.
   *
   * @param account who it is, if it is somebody known
   * @param group by its name; null for none
   */
  record Judged(RowView view, @Nullable UUID account, @Nullable String group) {
    boolean isTakenIn() {
      return view.state() == RowState.fresh;
    }
  }

  private final Map<String, List<Known>> byName = new HashMap<>();
  private final Map<String, Known> byAddress = new HashMap<>();
  private final Map<String, List<Known>> byLastName = new HashMap<>();
  private final Map<String, String> groups = new HashMap<>();
  private final Map<Integer, String> answers;
  private final Map<String, Integer> lineOfAddress = new HashMap<>();
  private final Map<String, Integer> lineOfName = new HashMap<>();

  /**
   * @param groups by their names
   * @param answers to what is unclear, by line
   */
  RosterJudge(List<Known> known, List<String> groups, Map<Integer, String> answers) {
    for (Known k : known) {
      byName.computeIfAbsent(plain(k.name()), n -> new ArrayList<>()).add(k);
      byLastName.computeIfAbsent(lastName(k.name()), n -> new ArrayList<>()).add(k);
      if (k.address() != null) {
        byAddress.putIfAbsent(plain(k.address()), k);
      }
    }
    groups.forEach(g -> this.groups.put(plain(g), g));
    this.answers = answers;
  }

  List<Judged> judge(List<Row> rows) {
    rows.stream()
        .filter(r -> r.fault() == null && !r.group().isEmpty() && !isSeveral(r.group()))
        .forEach(r -> groups.putIfAbsent(plain(r.group()), r.group()));
    return rows.stream().map(this::judge).toList();
  }

  private Judged judge(Row row) {
    String answer = answers.getOrDefault(row.line(), "");
    if (answer.equals(OUT)) {
      return judged(row, RowState.out, "left out", List.of(), null, null);
    }
    if (row.fault() != null) {
      return judged(row, RowState.wrong, row.fault(), List.of(), null, null);
    }
    Judged twice = twice(row, answer);
    if (twice != null) {
      return twice;
    }
    return isSeveral(row.group()) && !answer.startsWith(GROUP)
        ? whichGroup(row)
        : whoIsIt(row, answer, groupOf(row, answer));
  }

  private @Nullable Judged twice(Row row, String answer) {
    Integer before =
        row.address().isEmpty() ? null : lineOfAddress.put(plain(row.address()), row.line());
    if (before != null) {
      return judged(
          row, RowState.wrong, "the same address as in line " + before, List.of(), null, null);
    }
    Integer named = lineOfName.put(plain(row.name()), row.line());
    if (named != null && row.address().isEmpty() && !answer.equals(NEW)) {
      return judged(
          row,
          RowState.unclear,
          "The same as in line %d, or another?".formatted(named),
          List.of(new ChoiceView(OUT, "the same"), new ChoiceView(NEW, "another")),
          null,
          null);
    }
    return null;
  }

  private static boolean isSeveral(String group) {
    return group.contains("/") || group.contains(",");
  }

  private Judged whichGroup(Row row) {
    List<ChoiceView> choices = new ArrayList<>();
    for (String part : row.group().split("[/,]")) {
      String begun = plain(part);
      groups.entrySet().stream()
          .filter(e -> !begun.isEmpty() && e.getKey().startsWith(begun))
          .map(e -> new ChoiceView(GROUP + e.getValue(), e.getValue()))
          .filter(c -> !choices.contains(c))
          .forEach(choices::add);
    }
    choices.add(new ChoiceView(GROUP, "none"));
    return judged(row, RowState.unclear, "Which group?", choices, null, null);
  }

  private @Nullable String groupOf(Row row, String answer) {
    if (answer.startsWith(GROUP)) {
      String named = answer.substring(GROUP.length());
      return named.isEmpty() ? null : groups.get(plain(named));
    }
    return row.group().isEmpty() ? null : groups.get(plain(row.group()));
  }

  private Judged whoIsIt(Row row, String answer, @Nullable String group) {
    Known same = row.address().isEmpty() ? null : byAddress.get(plain(row.address()));
    if (same != null) {
      return known(row, same, "same address", group);
    }
    if (answer.equals(NEW)) {
      return fresh(row, group);
    }
    List<Known> alike = alike(row);
    for (Known k : alike) {
      if (answer.equals(k.id().toString())) {
        return known(row, k, "said to be the same", group);
      }
    }
    List<Known> named = byName.getOrDefault(plain(row.name()), List.of());
    if (named.size() == 1 && named.getFirst().isHere()) {
      boolean isOther = !row.address().isEmpty() && named.getFirst().address() != null;
      return known(
          row,
          named.getFirst(),
          isOther ? "another address, the old one is kept" : "same name",
          group);
    }
    if (alike.isEmpty()) {
      return fresh(row, group);
    }
    List<ChoiceView> choices = new ArrayList<>();
    alike.forEach(k -> choices.add(new ChoiceView(k.id().toString(), k.name())));
    choices.add(new ChoiceView(NEW, "new"));
    String who = alike.size() == 1 ? alike.getFirst().name() : "One of these";
    return judged(row, RowState.unclear, who + ", or somebody else?", choices, null, group);
  }

  /** Of the same name, or of the same last name where one of the two has an initial before it. */
  private List<Known> alike(Row row) {
    List<Known> named = byName.getOrDefault(plain(row.name()), List.of());
    if (!named.isEmpty()) {
      return named;
    }
    String first = plain(row.name()).split(" ")[0];
    return byLastName.getOrDefault(lastName(row.name()), List.of()).stream()
        .filter(k -> {
          String theirs = plain(k.name()).split(" ")[0];
          return (isInitial(first) || isInitial(theirs)) && first.charAt(0) == theirs.charAt(0);
        })
        .toList();
  }

  private static boolean isInitial(String first) {
    return first.replace(".", "").length() == 1;
  }

  private static Judged known(Row row, Known known, String why, @Nullable String group) {
    return known.isHere()
        ? judged(row, RowState.here, why, List.of(), known.id(), group)
        : judged(
            row,
            RowState.fresh,
            "in another class of yours: signs in as before",
            List.of(),
            known.id(),
            group);
  }

  private static Judged fresh(Row row, @Nullable String group) {
    return judged(row, RowState.fresh, "a slip on paper", List.of(), null, group);
  }

  private static Judged judged(
      Row row,
      RowState state,
      String words,
      List<ChoiceView> choices,
      @Nullable UUID account,
      @Nullable String group) {
    String shown = group == null ? row.group() : group;
    return new Judged(
        new RowView(
            row.line(),
            row.name(),
            row.address().isEmpty() ? null : row.address(),
            shown.isEmpty() ? null : shown,
            state,
            words,
            choices),
        account,
        group);
  }

  /** A name as it is held against others. */
  static String plain(String text) {
    return text.strip().replaceAll("\\s+", " ").toLowerCase(Locale.ROOT);
  }

  private static String lastName(String name) {
    String plain = plain(name);
    return Objects.requireNonNull(plain.substring(plain.lastIndexOf(' ') + 1));
  }
}
