package fairedge.server.review;

import fairedge.core.inspect.finding.Kind;
import fairedge.server.account.Accounts;
import fairedge.server.course.Courses;
import fairedge.server.course.Right;
import fairedge.server.exercise.Assignment;
import fairedge.server.exercise.Assignments;
import fairedge.server.platform.SignedIn;
import fairedge.server.review.store.AnswerStore;
import fairedge.server.review.store.AnswerStore.Stand;
import fairedge.server.submission.Crediting;
import fairedge.server.submission.Submission;
import fairedge.server.submission.Submissions;
import fairedge.server.submission.Summary;
import java.time.Clock;
import java.time.Instant;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;

/** The instructor's home: what waits, and what is known of it. */
@Service
public class Desk {
  private final Submissions submissions;
  private final Assignments assignments;
  private final Courses courses;
  private final Accounts accounts;
  private final AnswerStore store;
  private final Threads threads;
  private final Leases leases;
  private final Crediting crediting;
  private final Clock clock;

  Desk(
      Submissions submissions,
      Assignments assignments,
      Courses courses,
      Accounts accounts,
      AnswerStore store,
      Threads threads,
      Leases leases,
      Crediting crediting,
      Clock clock) {
    this.submissions = submissions;
    this.assignments = assignments;
    this.courses = courses;
    this.accounts = accounts;
    this.store = store;
    this.threads = threads;
    this.leases = leases;
    this.crediting = crediting;
    this.clock = clock;
  }

  /**
   * Last attempts that no answer is out to or on its way, in the classes that somebody reviews in.
   */
  List<Submission> waiting(SignedIn instructor) {
    Map<UUID, Assignment> set = setBy(instructor, null);
    List<Submission> all = here(set, submissions.waiting(set.keySet()));
    Map<UUID, Instant> going = store.goingAt(all.stream().map(Submission::id).toList());
    return all.stream().filter(s -> !going.containsKey(s.id())).toList();
  }

  private Map<UUID, Assignment> setBy(SignedIn instructor, @Nullable UUID course) {
    return assignments.of(instructor, Right.REVIEW).stream()
        .filter(a -> course == null || a.courseId().equals(course))
        .collect(Collectors.toMap(Assignment::id, Function.identity()));
  }

  /** Of students who are in the class still, and not put away. */
  private List<Submission> here(Map<UUID, Assignment> set, List<Submission> some) {
    Map<UUID, Set<UUID>> here =
        courses.studentsByClass(
            set.values().stream().map(Assignment::courseId).distinct().toList());
    return some.stream()
        .filter(s -> {
          UUID course = Objects.requireNonNull(set.get(s.assignmentId())).courseId();
          return here.getOrDefault(course, Set.of()).contains(s.studentId());
        })
        .toList();
  }

  /**
   * What of the queue is looked at; null: whatever it is.
   *
   * @param course the class
   * @param kind that counts in it
   * @param mine only what nobody else writes
   */
  public record Filter(
      @Nullable UUID course,
      @Nullable UUID group,
      @Nullable UUID assignment,
      @Nullable String kind,
      boolean mine) {}

  public DeskView view(SignedIn instructor, Filter filter) {
    Map<UUID, Assignment> set = setBy(instructor, filter.course());
    Queue queue = queue(set, instructor);
    List<DeskView.Row> rows =
        queue.waiting().stream()
            .filter(s -> queue.isLetThrough(s, filter, instructor))
            .map(s -> row(s, queue))
            .toList();
    return new DeskView(
        rows,
        queue.waiting().size(),
        going(queue),
        amending(queue),
        replied(queue),
        choices(queue),
        trips(set.keySet()),
        courses.studentCount(
            courses.where(instructor, Right.REVIEW).stream()
                .filter(c -> filter.course() == null || c.equals(filter.course()))
                .toList()),
        due(set.values(), submissions.handedIn(set.keySet())));
  }

  /**
   * All that waits and what is told of it, read at once, whatever the length of the queue.
   *
   * @param all last attempts without an answer that is out, also those whose answer is on its way
   * @param answered those with replies that nobody has read, or an answer that is amended
   */
  private record Queue(
      Map<UUID, Assignment> assignments,
      List<Submission> all,
      List<Submission> answered,
      Map<UUID, Stand> stands,
      Map<UUID, Summary> reports,
      Map<UUID, Set<String>> kinds,
      Map<UUID, SignedIn> people,
      Map<UUID, String> holders,
      Map<UUID, UUID> groups,
      Map<UUID, Instant> goingAt,
      Map<UUID, Integer> unread,
      Set<UUID> amending,
      Map<Pair, Integer> unreadOf,
      Set<UUID> clean) {

    /** But what went while this was read: taken back, or erased. */
    List<Submission> waiting() {
      return all.stream()
          .filter(s -> !isGoing(s.id()))
          .filter(s -> reports.containsKey(s.id()) && people.containsKey(s.studentId()))
          .toList();
    }

    boolean isGoing(UUID id) {
      return goingAt.containsKey(id);
    }

    boolean isLetThrough(Submission s, Filter f, SignedIn who) {
      Stand stand = stands.get(s.id());
      UUID writer = stand == null ? null : stand.writtenBy();
      return (f.assignment() == null || f.assignment().equals(s.assignmentId()))
          && (f.group() == null || f.group().equals(groups.get(s.studentId())))
          && (f.kind() == null || kinds.getOrDefault(s.id(), Set.of()).contains(f.kind()))
          && (!f.mine()
              || !holders.containsKey(s.id()) && (writer == null || writer.equals(who.id())));
    }

    String student(Submission s) {
      return Objects.requireNonNullElse(Answers.name(people, s.studentId()), "A student");
    }

    String exercise(Submission s) {
      return Objects.requireNonNull(assignments.get(s.assignmentId())).exercise().title();
    }
  }

  /** A student in an assignment. */
  private record Pair(UUID assignment, UUID student) {
    static Pair of(Submission s) {
      return new Pair(s.assignmentId(), s.studentId());
    }
  }

  private Queue queue(Map<UUID, Assignment> set, SignedIn instructor) {
    List<Submission> all = here(set, submissions.waiting(set.keySet()));
    List<UUID> ids = all.stream().map(Submission::id).toList();
    Map<UUID, Integer> unread = threads.unread();
    Set<UUID> amending = Set.copyOf(store.amending());
    List<Submission> answered =
        here(
            set,
            submissions
                .named(Stream.concat(unread.keySet().stream(), amending.stream()).toList())
                .stream()
                .filter(s -> set.containsKey(s.assignmentId()))
                .toList());
    Map<Pair, Integer> unreadOf = unreadOf(answered, unread);
    Map<UUID, Stand> stands = store.stands(ids);
    Map<UUID, SignedIn> people =
        accounts.people(
            Stream.concat(
                    Stream.concat(all.stream(), answered.stream()).map(Submission::studentId),
                    stands.values().stream().map(Stand::writtenBy).filter(Objects::nonNull))
                .distinct()
                .toList());
    Map<UUID, Set<String>> kinds = submissions.kinds(ids);
    Map<UUID, UUID> groups = new HashMap<>();
    set.values().stream()
        .map(Assignment::courseId)
        .distinct()
        .forEach(c -> groups.putAll(courses.groups(c)));
    return new Queue(
        set,
        all,
        answered,
        stands,
        submissions.summaries(ids),
        kinds,
        people,
        leases.holders(ids, instructor),
        groups,
        store.goingAt(ids),
        unread,
        amending,
        unreadOf,
        clean(set, all, kinds, unreadOf));
  }

  /** How many replies nobody has read, by who wrote them and where. */
  private static Map<Pair, Integer> unreadOf(List<Submission> answered, Map<UUID, Integer> unread) {
    Map<Pair, Integer> of = new HashMap<>();
    answered.forEach(s -> of.merge(Pair.of(s), unread.getOrDefault(s.id(), 0), Integer::sum));
    return of;
  }

  /** In time, without must and should, without an open question, with all that the engine gives. */
  private Set<UUID> clean(
      Map<UUID, Assignment> set,
      List<Submission> all,
      Map<UUID, Set<String>> kinds,
      Map<Pair, Integer> unreadOf) {
    Set<UUID> clean = new HashSet<>();
    all.stream()
        .filter(s -> !kinds.containsKey(s.id()) && unreadOf.getOrDefault(Pair.of(s), 0) == 0)
        .collect(Collectors.groupingBy(Submission::assignmentId))
        .forEach((assignment, those) ->
            clean.addAll(
                crediting.fullAndInTime(Objects.requireNonNull(set.get(assignment)), those)));
    return clean;
  }

  /** Of some of one assignment those that are clean now. */
  Set<UUID> clean(UUID assignment, SignedIn instructor) {
    Map<UUID, Assignment> set = setBy(instructor, null);
    set.keySet().retainAll(Set.of(assignment));
    List<Submission> all = here(set, submissions.waiting(set.keySet()));
    Map<UUID, Integer> unread = threads.unread();
    return clean(
        set,
        all,
        submissions.kinds(all.stream().map(Submission::id).toList()),
        unreadOf(submissions.named(unread.keySet()), unread));
  }

  private static DeskView.Row row(Submission s, Queue queue) {
    Summary report = Objects.requireNonNull(queue.reports().get(s.id()));
    Stand stand = queue.stands().get(s.id());
    return new DeskView.Row(
        s.id(),
        s.assignmentId(),
        queue.student(s),
        queue.exercise(s),
        s.attempt(),
        s.fileName() != null,
        s.handedInAt(),
        report.worst(),
        report.findings(),
        report.revision(),
        report.since(),
        stand != null && stand.phase() == AnswerView.Phase.ready,
        stand == null ? null : Answers.name(queue.people(), stand.writtenBy()),
        queue.holders().get(s.id()),
        queue.unreadOf().getOrDefault(Pair.of(s), 0),
        queue.clean().contains(s.id()));
  }

  private static List<DeskView.Going> going(Queue queue) {
    return queue.all().stream()
        .filter(s -> queue.isGoing(s.id()))
        .map(s ->
            new DeskView.Going(
                s.id(),
                queue.student(s),
                queue.exercise(s),
                s.attempt(),
                Objects.requireNonNull(queue.goingAt().get(s.id()))))
        .toList();
  }

  private static List<DeskView.Named> amending(Queue queue) {
    return queue.answered().stream()
        .filter(s -> queue.amending().contains(s.id()))
        .map(s -> new DeskView.Named(s.id(), queue.student(s), queue.exercise(s), s.attempt()))
        .toList();
  }

  private static List<DeskView.Replied> replied(Queue queue) {
    return queue.answered().stream()
        .filter(s -> queue.unread().getOrDefault(s.id(), 0) > 0)
        .map(s ->
            new DeskView.Replied(
                s.id(),
                queue.student(s),
                queue.exercise(s),
                s.attempt(),
                queue.unread().getOrDefault(s.id(), 0)))
        .toList();
  }

  private DeskView.Choices choices(Queue queue) {
    List<DeskView.Choice> groups =
        queue.assignments().values().stream()
            .map(Assignment::courseId)
            .distinct()
            .flatMap(c -> courses.groupNames(c).entrySet().stream())
            .map(e -> new DeskView.Choice(e.getKey(), e.getValue()))
            .sorted(Comparator.comparing(DeskView.Choice::name))
            .toList();
    List<DeskView.Choice> assignments =
        queue.waiting().stream()
            .map(Submission::assignmentId)
            .distinct()
            .map(a ->
                new DeskView.Choice(
                    a, Objects.requireNonNull(queue.assignments().get(a)).exercise().title()))
            .sorted(Comparator.comparing(DeskView.Choice::name))
            .toList();
    List<String> kinds =
        queue.waiting().stream()
            .flatMap(s -> queue.kinds().getOrDefault(s.id(), Set.of()).stream())
            .distinct()
            .sorted(Comparator.comparing(Kind::named))
            .toList();
    return new DeskView.Choices(groups, assignments, kinds);
  }

  private List<DeskView.Trip> trips(Collection<UUID> assignments) {
    return submissions.studentsByKind(assignments).entrySet().stream()
        .map(e -> new DeskView.Trip(e.getKey(), e.getValue()))
        .toList();
  }

  private List<DeskView.Due> due(Collection<Assignment> set, Map<UUID, Integer> handedIn) {
    Instant now = clock.instant();
    return set.stream()
        .filter(a -> a.dueAt() != null && a.dueAt().isAfter(now))
        .map(a ->
            new DeskView.Due(
                a.exercise().title(),
                Objects.requireNonNull(a.dueAt()),
                courses.info(a.courseId()).zone(),
                handedIn.getOrDefault(a.id(), 0)))
        .sorted(Comparator.comparing(DeskView.Due::dueAt))
        .toList();
  }
}
