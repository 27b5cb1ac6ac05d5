package fairedge.server.review;

import fairedge.json.CheckView;
import fairedge.server.account.Accounts;
import fairedge.server.bench.Bench;
import fairedge.server.bench.StepView;
import fairedge.server.course.Courses;
import fairedge.server.course.Right;
import fairedge.server.exercise.Assignment;
import fairedge.server.exercise.Assignments;
import fairedge.server.platform.Problem;
import fairedge.server.platform.SignedIn;
import fairedge.server.review.store.AnswerStore;
import fairedge.server.submission.Submission;
import fairedge.server.submission.Submissions;
import java.util.ArrayList;
import java.util.Comparator;
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
 * Answers that are out, as they were said last, to be told elsewhere than on the screen. Of a draft
 * they know nothing.
 */
@Service
public class SaidAnswers {
  private final Submissions submissions;
  private final Assignments assignments;
  private final Courses courses;
  private final Accounts accounts;
  private final Bench bench;
  private final AnswerStore store;
  private final Threads threads;

  SaidAnswers(
      Submissions submissions,
      Assignments assignments,
      Courses courses,
      Accounts accounts,
      Bench bench,
      AnswerStore store,
      Threads threads) {
    this.submissions = submissions;
    this.assignments = assignments;
    this.courses = courses;
    this.accounts = accounts;
    this.bench = bench;
    this.store = store;
    this.threads = threads;
  }

  /**
   * An answer that is out.
   *
   * @param by who gave it
   * @param notes with what its student made of them
   * @param check the report that it quotes
   * @param steps by which the mesh was made; none where it came as a file
   */
  public record Said(
      Submission submission,
      Assignment assignment,
      String course,
      String zone,
      String student,
      @Nullable String by,
      Saying saying,
      List<NoteView> notes,
      CheckView check,
      List<StepView> steps) {

    /** The places in the report of what does not count. */
    public Set<Integer> waved() {
      return saying.waved().stream().map(Saying.WavedNote::finding).collect(Collectors.toSet());
    }
  }

  /** For who handed it in, and for those who see what everybody handed in. */
  public Said require(UUID submission, SignedIn account) {
    submissions.requireToSee(submission, account);
    return find(submission).orElseThrow(() -> Problem.notFound("answer"));
  }

  /** Whoever asks decides who may know; none while nothing is out. */
  public Optional<Said> find(UUID id) {
    List<Saying> sayings = store.sayings(id);
    return sayings.isEmpty()
        ? Optional.empty()
        : submissions.find(id).map(s -> said(s, sayings.getLast()));
  }

  private Said said(Submission s, Saying saying) {
    Assignment assignment = assignments.require(s.assignmentId());
    Map<UUID, SignedIn> people = accounts.people(List.of(s.studentId(), saying.by()));
    var course = courses.info(assignment.courseId());
    return new Said(
        s,
        assignment,
        course.name(),
        course.zone(),
        Objects.requireNonNullElse(Answers.name(people, s.studentId()), "A student"),
        Answers.name(people, saying.by()),
        saying,
        threads.threaded(s.id(), saying.words().notes()),
        submissions.findReport(s.id(), saying.report()).orElseThrow(),
        bench.stepsTo(s.stepId()));
  }

  /**
   * By their ids, of each student in a class the last that is answered in an assignment, by name.
   */
  public List<UUID> lastOf(UUID assignment) {
    Assignment a = assignments.require(assignment);
    List<UUID> last = new ArrayList<>();
    courses
        .students(a.courseId())
        .forEach(student ->
            submissions.attempts(assignment, student.id()).stream()
                .filter(s -> s.quoted() != null)
                .findFirst()
                .ifPresent(s -> last.add(s.id())));
    return last;
  }

  /**
   * By their ids, all of a student's that are answered in some classes, in the order of the time.
   */
  public List<UUID> of(UUID student, List<UUID> inCourses) {
    return submissions.of(student, inCourses).stream()
        .filter(s -> s.quoted() != null)
        .sorted(Comparator.comparing(Submission::handedInAt))
        .map(Submission::id)
        .toList();
  }

  /**
   * @throws Problem unless who asks sees what everybody does in a class, or it is about themselves
   */
  public void requireMayReadOf(UUID course, UUID student, SignedIn account) {
    courses.require(
        account, course, account.id().equals(student) ? Right.READ_OWN : Right.READ_ALL);
    if (!account.id().equals(student) && !courses.memberIds(course).contains(student)) {
      throw Problem.notFound("student");
    }
  }
}
