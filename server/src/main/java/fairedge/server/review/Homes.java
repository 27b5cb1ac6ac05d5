package fairedge.server.review;

import fairedge.json.CheckView;
import fairedge.json.FindingView;
import fairedge.server.bench.StepView.Brought;
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
import java.time.Clock;
import java.time.Instant;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The two homes: the instructor's desk and the student's work. */
@Service
public class Homes {
  private final Submissions submissions;
  private final Exercises exercises;
  private final Courses courses;
  private final Reviews reviews;
  private final AnswerStore answers;
  private final DeskStore desk;
  private final Clock clock;

  Homes(
      Submissions submissions,
      Exercises exercises,
      Courses courses,
      Reviews reviews,
      AnswerStore answers,
      DeskStore desk,
      Clock clock) {
    this.submissions = submissions;
    this.exercises = exercises;
    this.courses = courses;
    this.reviews = reviews;
    this.answers = answers;
    this.desk = desk;
    this.clock = clock;
  }

  @Transactional(readOnly = true)
  public DeskView desk(SignedIn instructor) {
    List<DeskView.Row> rows = desk.waiting(instructor.id()).stream().map(this::row).toList();
    return new DeskView(rows, trips(instructor), desk.students(instructor.id()), due(instructor));
  }

  private DeskView.Row row(DeskStore.Entry entry) {
    Submission s = submissions.find(entry.submission()).orElseThrow();
    CheckView check = submissions.check(s.id());
    List<Brought> findings =
        check.findings().stream()
            .sorted(Comparator.comparing(FindingView::severity))
            .map(f -> new Brought(f.kind(), f.severity(), f.title()))
            .toList();
    return new DeskView.Row(
        s.id(),
        entry.student(),
        entry.exercise(),
        s.attempt(),
        s.fileName() != null,
        s.handedInAt(),
        findings,
        reviews.since(s, exercises.require(s.exerciseId()), check));
  }

  private List<DeskView.Trip> trips(SignedIn instructor) {
    Map<String, Set<UUID>> students = new TreeMap<>();
    for (DeskStore.Entry entry : desk.latest(instructor.id())) {
      for (FindingView f : submissions.check(entry.submission()).findings()) {
        students.computeIfAbsent(f.kind(), k -> new HashSet<>()).add(entry.studentId());
      }
    }
    return students.entrySet().stream()
        .map(e -> new DeskView.Trip(e.getKey(), e.getValue().size()))
        .sorted(Comparator.comparing(DeskView.Trip::students).reversed())
        .toList();
  }

  private List<DeskView.Due> due(SignedIn instructor) {
    Map<String, Long> handedIn =
        desk.latest(instructor.id()).stream()
            .collect(Collectors.groupingBy(DeskStore.Entry::exercise, Collectors.counting()));
    Instant now = clock.instant();
    return exercises.of(instructor, Role.INSTRUCTOR).stream()
        .filter(e -> e.dueAt() != null && e.dueAt().isAfter(now))
        .map(e -> dueOf(e, handedIn))
        .sorted(Comparator.comparing(DeskView.Due::dueAt))
        .toList();
  }

  private static DeskView.Due dueOf(Exercise e, Map<String, Long> handedIn) {
    Instant due = e.dueAt() == null ? Instant.MAX : e.dueAt();
    return new DeskView.Due(e.title(), due, handedIn.getOrDefault(e.title(), 0L).intValue());
  }

  @Transactional(readOnly = true)
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
              : Optional.of(new Returned(s.id(), s.attempt(), verdict, at, a.notes().size()));
        });
  }
}
