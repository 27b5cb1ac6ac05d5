package fairedge.server.review;

import fairedge.server.account.Accounts;
import fairedge.server.course.Courses;
import fairedge.server.course.Membership;
import fairedge.server.course.Right;
import fairedge.server.exercise.Assignment;
import fairedge.server.exercise.Assignments;
import fairedge.server.exercise.Timetable;
import fairedge.server.platform.SignedIn;
import fairedge.server.review.AnswerView.Verdict;
import fairedge.server.review.MyWorkView.Item;
import fairedge.server.review.MyWorkView.Returned;
import fairedge.server.review.MyWorkView.State;
import fairedge.server.submission.Submission;
import fairedge.server.submission.Submissions;
import fairedge.server.submission.Summary;
import java.time.Clock;
import java.time.Instant;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;

/** The two homes: the instructor's desk and the student's work. */
@Service
public class Homes {
  private final Submissions submissions;
  private final Assignments assignments;
  private final Timetable timetable;
  private final Courses courses;
  private final Accounts accounts;
  private final Answers answers;
  private final Clock clock;

  Homes(
      Submissions submissions,
      Assignments assignments,
      Timetable timetable,
      Courses courses,
      Accounts accounts,
      Answers answers,
      Clock clock) {
    this.submissions = submissions;
    this.assignments = assignments;
    this.timetable = timetable;
    this.courses = courses;
    this.accounts = accounts;
    this.answers = answers;
    this.clock = clock;
  }

  /** What is read off the store at once, whatever the length of the queue. */
  private record Read(
      Map<UUID, Assignment> assignments,
      Map<UUID, Summary> reports,
      Map<UUID, SignedIn> students) {}

  /** Last attempts that no answer is out to, in the classes that somebody reviews in. */
  List<Submission> waiting(SignedIn instructor) {
    return waiting(setBy(instructor, null));
  }

  private Map<UUID, Assignment> setBy(SignedIn instructor, @Nullable UUID course) {
    return assignments.of(instructor, Right.REVIEW).stream()
        .filter(a -> course == null || a.courseId().equals(course))
        .collect(Collectors.toMap(Assignment::id, Function.identity()));
  }

  /** Of students who are in the class still, and not put away. */
  private List<Submission> waiting(Map<UUID, Assignment> set) {
    Map<UUID, Set<UUID>> here =
        courses.studentsByClass(
            set.values().stream().map(Assignment::courseId).distinct().toList());
    return submissions.waiting(set.keySet()).stream()
        .filter(s -> {
          UUID course = Objects.requireNonNull(set.get(s.assignmentId())).courseId();
          return here.getOrDefault(course, Set.of()).contains(s.studentId());
        })
        .toList();
  }

  /**
   * @param course the class; null: all that somebody reviews in
   */
  public DeskView desk(SignedIn instructor, @Nullable UUID course) {
    Map<UUID, Assignment> set = setBy(instructor, course);
    List<Submission> waiting = waiting(set);
    Read read =
        new Read(
            set,
            submissions.summaries(waiting.stream().map(Submission::id).toList()),
            accounts.people(waiting.stream().map(Submission::studentId).distinct().toList()));
    return new DeskView(
        waiting.stream().map(s -> row(s, read)).toList(),
        trips(set.keySet()),
        courses.studentCount(
            courses.where(instructor, Right.REVIEW).stream()
                .filter(c -> course == null || c.equals(course))
                .toList()),
        due(set.values(), submissions.handedIn(set.keySet())));
  }

  private static DeskView.Row row(Submission s, Read read) {
    Assignment assignment = Objects.requireNonNull(read.assignments().get(s.assignmentId()));
    Summary report = Objects.requireNonNull(read.reports().get(s.id()));
    return new DeskView.Row(
        s.id(),
        Objects.requireNonNull(read.students().get(s.studentId())).name(),
        assignment.exercise().title(),
        s.attempt(),
        s.fileName() != null,
        s.handedInAt(),
        report.worst(),
        report.findings(),
        report.revision(),
        report.since());
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

  public MyWorkView myWork(SignedIn student) {
    Map<UUID, String> courseNames =
        courses.of(student).stream()
            .collect(Collectors.toMap(Membership::courseId, Membership::courseName));
    return new MyWorkView(
        assignments.of(student, Right.WORK).stream()
            .sorted(
                Comparator.comparing(
                    Assignment::dueAt, Comparator.nullsLast(Comparator.naturalOrder())))
            .map(a -> item(a, courseNames.getOrDefault(a.courseId(), ""), student))
            .toList());
  }

  private Item item(Assignment assignment, String course, SignedIn student) {
    List<Submission> attempts = submissions.attempts(assignment.id(), student.id());
    Optional<Returned> returned =
        attempts.stream().map(this::returned).flatMap(Optional::stream).findFirst();
    return new Item(
        timetable.view(assignment),
        course,
        stateOf(attempts, returned.orElse(null)),
        attempts.size(),
        attempts.isEmpty() ? null : attempts.getFirst().handedInAt(),
        attempts.stream()
            .limit(1)
            .filter(s -> !s.isOpened())
            .map(Submission::id)
            .findFirst()
            .orElse(null),
        returned.orElse(null));
  }

  private static State stateOf(List<Submission> attempts, @Nullable Returned returned) {
    if (attempts.isEmpty()) {
      return State.open;
    }
    if (returned == null || returned.attempt() < attempts.getFirst().attempt()) {
      return State.waiting;
    }
    return returned.verdict() == Verdict.accepted ? State.accepted : State.returned;
  }

  private Optional<Returned> returned(Submission s) {
    return s.quoted() == null
        ? Optional.empty()
        : answers
            .find(s.id())
            .map(a ->
                new Returned(
                    s.id(),
                    s.attempt(),
                    Objects.requireNonNull(a.verdict()),
                    Objects.requireNonNull(a.returnedAt()),
                    a.notes().size(),
                    s.shown(),
                    !answers.isRead(s.id())));
  }
}
