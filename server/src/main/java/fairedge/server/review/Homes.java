package fairedge.server.review;

import fairedge.server.course.Courses;
import fairedge.server.course.Membership;
import fairedge.server.course.Role;
import fairedge.server.exercise.Exercise;
import fairedge.server.exercise.ExerciseView;
import fairedge.server.exercise.Exercises;
import fairedge.server.platform.SignedIn;
import fairedge.server.review.AnswerView.Verdict;
import fairedge.server.review.MyWorkView.Item;
import fairedge.server.review.MyWorkView.Returned;
import fairedge.server.review.MyWorkView.State;
import fairedge.server.review.store.AnswerStore;
import fairedge.server.review.store.DeskStore;
import fairedge.server.submission.Submission;
import fairedge.server.submission.Submissions;
import fairedge.server.submission.Summary;
import java.time.Clock;
import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;

/** The two homes: the instructor's desk and the student's work. */
@Service
public class Homes {
  private final Submissions submissions;
  private final Exercises exercises;
  private final Courses courses;
  private final AnswerStore answers;
  private final DeskStore desk;
  private final Clock clock;

  Homes(
      Submissions submissions,
      Exercises exercises,
      Courses courses,
      AnswerStore answers,
      DeskStore desk,
      Clock clock) {
    this.submissions = submissions;
    this.exercises = exercises;
    this.courses = courses;
    this.answers = answers;
    this.desk = desk;
    this.clock = clock;
  }

  /** What the desk reads off the store at once, whatever the length of the queue. */
  private record Read(
      Map<UUID, Submission> submissions,
      Map<UUID, Summary> reports,
      Map<UUID, Exercise> exercises) {
    Summary report(UUID submission) {
      return Objects.requireNonNull(reports.get(submission));
    }
  }

  public DeskView desk(SignedIn instructor) {
    List<DeskStore.Entry> waiting = desk.waiting(instructor.id());
    List<DeskStore.Entry> latest = desk.latest(instructor.id());
    Read read = read(instructor, waiting);
    return new DeskView(
        waiting.stream().map(entry -> row(entry, read)).toList(),
        trips(latest),
        desk.students(instructor.id()),
        due(latest, read));
  }

  private Read read(SignedIn instructor, List<DeskStore.Entry> waiting) {
    List<UUID> ids = waiting.stream().map(DeskStore.Entry::submission).toList();
    return new Read(
        submissions.findAll(ids),
        submissions.summaries(ids),
        exercises.of(instructor, Role.INSTRUCTOR).stream()
            .collect(Collectors.toMap(Exercise::id, Function.identity())));
  }

  private static DeskView.Row row(DeskStore.Entry entry, Read read) {
    Submission s = Objects.requireNonNull(read.submissions().get(entry.submission()));
    Exercise exercise = Objects.requireNonNull(read.exercises().get(s.exerciseId()));
    Summary report = read.report(s.id());
    return new DeskView.Row(
        s.id(),
        entry.student(),
        exercise.title(),
        s.attempt(),
        s.fileName() != null,
        s.handedInAt(),
        report.worst(),
        report.findings(),
        report.revision(),
        report.since());
  }

  private List<DeskView.Trip> trips(List<DeskStore.Entry> latest) {
    return submissions
        .studentsByKind(latest.stream().map(DeskStore.Entry::submission).toList())
        .entrySet()
        .stream()
        .map(e -> new DeskView.Trip(e.getKey(), e.getValue()))
        .toList();
  }

  private List<DeskView.Due> due(List<DeskStore.Entry> latest, Read read) {
    Map<UUID, Long> handedIn =
        latest.stream()
            .collect(Collectors.groupingBy(DeskStore.Entry::exerciseId, Collectors.counting()));
    Instant now = clock.instant();
    return read.exercises().values().stream()
        .filter(e -> e.dueAt() != null && e.dueAt().isAfter(now))
        .map(e -> dueOf(e, handedIn.getOrDefault(e.id(), 0L).intValue()))
        .sorted(Comparator.comparing(DeskView.Due::dueAt))
        .toList();
  }

  private static DeskView.Due dueOf(Exercise e, int handedIn) {
    return new DeskView.Due(e.title(), e.dueAt() == null ? Instant.MAX : e.dueAt(), handedIn);
  }

  public MyWorkView myWork(SignedIn student) {
    Map<UUID, String> courseNames =
        courses.of(student).stream()
            .collect(Collectors.toMap(Membership::courseId, Membership::courseName));
    return new MyWorkView(
        exercises.of(student, Role.STUDENT).stream()
            .map(e -> item(e, courseNames.getOrDefault(e.courseId(), ""), student))
            .toList());
  }

  private Item item(Exercise exercise, String course, SignedIn student) {
    List<Submission> attempts = submissions.attempts(exercise.id(), student.id());
    Optional<Returned> returned =
        attempts.stream().map(this::returned).flatMap(Optional::stream).findFirst();
    return new Item(
        ExerciseView.of(exercise),
        course,
        stateOf(attempts, returned.orElse(null)),
        attempts.size(),
        attempts.isEmpty() ? null : attempts.getFirst().handedInAt(),
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
    return answers
        .find(s.id())
        .flatMap(a -> {
          Instant at = a.returnedAt();
          Verdict verdict = a.verdict();
          return at == null || verdict == null
              ? Optional.empty()
              : Optional.of(
                  new Returned(
                      s.id(),
                      s.attempt(),
                      verdict,
                      at,
                      a.notes().size(),
                      submissions.reportRevision(s.id())));
        });
  }
}
