package fairedge.server.review;

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
import fairedge.server.review.store.AnswerStore;
import fairedge.server.submission.Submission;
import fairedge.server.submission.Submissions;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;

/** The student's home: what is set, and how far it is. */
@Service
public class MyWork {
  private final Submissions submissions;
  private final Assignments assignments;
  private final Timetable timetable;
  private final Courses courses;
  private final Answers answers;
  private final AnswerStore store;

  MyWork(
      Submissions submissions,
      Assignments assignments,
      Timetable timetable,
      Courses courses,
      Answers answers,
      AnswerStore store) {
    this.submissions = submissions;
    this.assignments = assignments;
    this.timetable = timetable;
    this.courses = courses;
    this.answers = answers;
    this.store = store;
  }

  public MyWorkView view(SignedIn student) {
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
    return Optional.ofNullable(store.lastSayings(List.of(s.id())).get(s.id()))
        .map(said ->
            new Returned(
                s.id(),
                s.attempt(),
                Objects.requireNonNull(said.words().verdict()),
                said.outAt(),
                said.words().notes().size(),
                said.report(),
                !answers.isRead(s.id())));
  }
}
