package fairedge.server.submission;

import fairedge.core.credit.CreditRule;
import fairedge.core.credit.Judged;
import fairedge.core.credit.Lateness;
import fairedge.core.credit.Tally;
import fairedge.core.inspect.Severity;
import fairedge.core.inspect.finding.Kind;
import fairedge.json.CheckView;
import fairedge.json.CreditRuleView;
import fairedge.json.CreditsView;
import fairedge.json.FindingView.SeverityView;
import fairedge.server.account.Accounts;
import fairedge.server.course.Courses;
import fairedge.server.course.Right;
import fairedge.server.exercise.Allowances;
import fairedge.server.exercise.Assignment;
import fairedge.server.exercise.Assignments;
import fairedge.server.exercise.Editor;
import fairedge.server.exercise.EditorView;
import fairedge.server.exercise.Exercise;
import fairedge.server.exercise.ReferenceOutlet;
import fairedge.server.exercise.StarterOutlet;
import fairedge.server.inspection.Terms;
import fairedge.server.platform.Problem;
import fairedge.server.platform.SignedIn;
import fairedge.server.submission.store.SubmissionStore;
import fairedge.server.submission.store.SubmissionStore.Counted;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Collection;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;

/**
 * What hand-ins get by the rule of their exercise: proposed from what is kept of their reports, so
 * that another rule is tried on all of them at once without inspecting any anew.
 */
@Service
public class Crediting {
  /** So many hand-ins are told of where a rule is tried. */
  private static final int MOST_TOLD = 400;

  private final SubmissionStore store;
  private final Assignments assignments;
  private final Allowances allowances;
  private final Editor editor;
  private final StarterOutlet starters;
  private final ReferenceOutlet solutions;
  private final Courses courses;
  private final Accounts accounts;

  Crediting(
      SubmissionStore store,
      Assignments assignments,
      Allowances allowances,
      Editor editor,
      StarterOutlet starters,
      ReferenceOutlet solutions,
      Courses courses,
      Accounts accounts) {
    this.store = store;
    this.assignments = assignments;
    this.allowances = allowances;
    this.editor = editor;
    this.starters = starters;
    this.solutions = solutions;
    this.courses = courses;
    this.accounts = accounts;
  }

  /**
   * What a hand-in gets by the rule that holds and the newest report; nothing where there are no
   * credits.
   *
   * @param judged what whoever reviews said of it
   */
  public Optional<CreditsView> propose(Submission s, Judged judged) {
    Assignment assignment = assignments.require(s.assignmentId());
    Exercise exercise = assignment.exercise();
    CreditRule rule = exercise.rule();
    if (rule.criteria().isEmpty()) {
      return Optional.empty();
    }
    Counted counted = store.counted(Map.of(s.id(), s.newest())).get(s.id());
    return Optional.ofNullable(counted)
        .map(c ->
            credits(
                rule, tally(c, exercise.wanted().faces()), judged, clock(assignment).daysLate(s)));
  }

  /**
   * What of several hand-ins to one assignment gets all that the engine gives, and came in time.
   *
   * @param all of one assignment
   */
  public Set<UUID> fullAndInTime(Assignment assignment, Collection<Submission> all) {
    CreditRule rule = assignment.exercise().rule();
    DueClock due = clock(assignment);
    Map<UUID, Integer> versions = new HashMap<>();
    all.forEach(s -> versions.put(s.id(), s.newest()));
    Map<UUID, Counted> counted = store.counted(versions);
    Set<UUID> full = new HashSet<>();
    for (Submission s : all) {
      Counted c = counted.get(s.id());
      if (c != null && due.daysLate(s) == 0) {
        Tally tally = tally(c, assignment.exercise().wanted().faces());
        if (rule.of(tally, Judged.NOT_YET, 0).isAllThatIsCounted()) {
          full.add(s.id());
        }
      }
    }
    return full;
  }

  /**
   * What the engine proposes for several attempts by the rule that holds, before anybody has looked
   * at them, by their ids; nothing where an exercise has no credits.
   *
   * @param assignments those of the attempts, by their ids
   */
  public Map<UUID, Double> proposals(Map<UUID, Assignment> assignments, Collection<Tried> all) {
    List<Tried> credited =
        all.stream().filter(t -> !ruleOf(assignments, t).criteria().isEmpty()).toList();
    Map<UUID, Counted> counted =
        store.counted(credited.stream().collect(Collectors.toMap(Tried::id, Tried::report)));
    Map<UUID, DueClock> clocks = new HashMap<>();
    Map<UUID, Double> proposed = new HashMap<>();
    for (Tried t : credited) {
      Assignment assignment = Objects.requireNonNull(assignments.get(t.assignment()));
      Counted c = counted.get(t.id());
      if (c != null) {
        int late =
            clocks
                .computeIfAbsent(t.assignment(), id -> clock(assignment))
                .daysLate(t.student(), t.handedInAt());
        proposed.put(
            t.id(), credits(assignment.exercise().rule(), c, assignment.exercise(), late).total());
      }
    }
    return proposed;
  }

  private static CreditRule ruleOf(Map<UUID, Assignment> assignments, Tried t) {
    return Objects.requireNonNull(assignments.get(t.assignment())).exercise().rule();
  }

  private static CreditsView credits(CreditRule rule, Counted c, Exercise e, int daysLate) {
    return credits(rule, tally(c, e.wanted().faces()), Judged.NOT_YET, daysLate);
  }

  private static CreditsView credits(CreditRule rule, Tally tally, Judged judged, int daysLate) {
    return CreditsView.of(rule.of(tally, judged, daysLate), rule.criteria());
  }

  /** As the draft has it count, by the findings that are known. */
  private static Tally tally(Counted c, Exercise e, @Nullable Terms draft) {
    return draft == null
        ? tally(c, e.wanted().faces())
        : tally(c, draft.wanted().faces()).reassessed(e.profile(), draft.profile());
  }

  private static Tally tally(Counted counted, @Nullable Integer budget) {
    return new Tally(
        counted.kinds(),
        counted.faces(),
        counted.quads(),
        counted.completeLoops(),
        budget,
        counted.met());
  }

  /** By what it is told how late hand-ins to an assignment are. */
  private record DueClock(ZoneId zone, Allowances.All allowed) {
    int daysLate(Submission s) {
      return daysLate(s.studentId(), s.handedInAt());
    }

    int daysLate(UUID student, Instant handedInAt) {
      Instant due = allowed.of(student).due();
      return due == null ? 0 : Lateness.days(due, handedInAt, zone);
    }
  }

  private DueClock clock(Assignment assignment) {
    return new DueClock(
        ZoneId.of(courses.info(assignment.courseId()).zone()), allowances.of(assignment));
  }

  /**
   * What somebody would get by another rule.
   *
   * @param name the student's; of the starter and the references their own
   * @param attempt 0: the starter, or a reference
   * @param soFar by the rule that holds; null where it has no criteria
   * @param isAnswered whether an answer is out, which stays as it is
   */
  public record WouldGet(
      String name, int attempt, CreditsView credits, @Nullable Double soFar, boolean isAnswered) {}

  /**
   * What the starter, the references and the last attempts of all students would get by another
   * rule, and by what counts in the draft, as far as findings are known; the newest first.
   */
  public List<WouldGet> tryOut(UUID exercise, CreditRuleView asked, SignedIn account) {
    editor.requireMayRead(exercise, account);
    CreditRule rule = Problem.unlessUnsound(asked::rule);
    List<WouldGet> rows = new ArrayList<>();
    rows.addAll(own(exercise, rule, account));
    Map<UUID, Assignment> set = new HashMap<>();
    assignments.of(account, Right.READ_ALL).stream()
        .filter(a -> a.exercise().id().equals(exercise))
        .forEach(a -> set.put(a.id(), a));
    Terms draft = editor.terms(exercise, account).orElse(null);
    Map<UUID, DueClock> clocks = new HashMap<>();
    set.values().forEach(a -> clocks.put(a.id(), clock(a)));
    List<Submission> last = store.last(set.keySet(), MOST_TOLD);
    Map<UUID, Integer> versions = new HashMap<>();
    last.forEach(s -> versions.put(s.id(), s.newest()));
    Map<UUID, Counted> counted = store.counted(versions);
    Map<UUID, SignedIn> names =
        accounts.people(last.stream().map(Submission::studentId).distinct().toList());
    for (Submission s : last) {
      Assignment a = set.get(s.assignmentId());
      Counted c = counted.get(s.id());
      SignedIn student = names.get(s.studentId());
      DueClock due = clocks.get(s.assignmentId());
      if (a != null && due != null && c != null && student != null) {
        int late = due.daysLate(s);
        CreditRule now = a.exercise().rule();
        rows.add(
            new WouldGet(
                student.name(),
                s.attempt(),
                credits(rule, tally(c, a.exercise(), draft), Judged.NOT_YET, late),
                now.criteria().isEmpty() ? null : credits(now, c, a.exercise(), late).total(),
                s.quoted() != null));
      }
    }
    return rows;
  }

  /** What the exercise has itself: the starter and the references. */
  private List<WouldGet> own(UUID exercise, CreditRule rule, SignedIn account) {
    Optional<Terms> terms = editor.terms(exercise, account);
    if (terms.isEmpty()) {
      return List.of();
    }
    Integer budget = terms.get().wanted().faces();
    List<WouldGet> rows = new ArrayList<>();
    rows.add(own("Starter", starters.counted(exercise, account), rule, budget));
    List<EditorView.ReferenceView> references = editor.view(exercise, account).references();
    for (int i = 0; i < references.size(); i++) {
      CheckView check = solutions.check(exercise, account, references.get(i).hash());
      String name = references.size() == 1 ? "Reference" : "Reference " + (i + 1);
      rows.add(own(name, check, rule, budget));
    }
    return rows;
  }

  private static WouldGet own(
      String name, CheckView check, CreditRule rule, @Nullable Integer budget) {
    Tally tally = Tally.of(kinds(check), check.figures(), budget, check.met());
    return new WouldGet(name, 0, credits(rule, tally, Judged.NOT_YET, 0), null, false);
  }

  private static Map<Kind, Map<Severity, Integer>> kinds(CheckView check) {
    Map<Kind, Map<Severity, Integer>> counts = new EnumMap<>(Kind.class);
    check.findings().forEach(f -> add(counts, f.kind(), f.severity(), 1));
    check.unlisted().forEach(u -> add(counts, u.kind(), u.severity(), u.count()));
    return counts;
  }

  private static void add(
      Map<Kind, Map<Severity, Integer>> counts, String kind, SeverityView severity, int more) {
    counts
        .computeIfAbsent(Kind.named(kind), k -> new EnumMap<>(Severity.class))
        .merge(severity.severity(), more, Integer::sum);
  }
}
