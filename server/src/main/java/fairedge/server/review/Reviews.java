package fairedge.server.review;

import fairedge.json.CheckView;
import fairedge.json.FindingView;
import fairedge.server.bench.Bench;
import fairedge.server.course.Courses;
import fairedge.server.course.Role;
import fairedge.server.exercise.Exercise;
import fairedge.server.exercise.ExerciseView;
import fairedge.server.exercise.Exercises;
import fairedge.server.platform.Problem;
import fairedge.server.platform.SignedIn;
import fairedge.server.review.AnswerView.NoteView;
import fairedge.server.review.AnswerView.Verdict;
import fairedge.server.review.ReviewView.QueueView;
import fairedge.server.review.ReviewView.SinceView;
import fairedge.server.review.store.AnswerStore;
import fairedge.server.review.store.DeskStore;
import fairedge.server.submission.PictureSize;
import fairedge.server.submission.Submission;
import fairedge.server.submission.Submissions;
import java.time.Clock;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.TransactionDefinition;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;

/** The review of a submission and its answer: the instructor's until it is returned. */
@Service
public class Reviews {
  private static final AnswerView NO_ANSWER = new AnswerView(0, "", null, List.of(), null, null);

  private final Submissions submissions;
  private final Exercises exercises;
  private final Courses courses;
  private final Bench bench;
  private final AnswerStore answers;
  private final DeskStore desk;
  private final TransactionTemplate oneMoment;
  private final Clock clock;

  Reviews(
      Submissions submissions,
      Exercises exercises,
      Courses courses,
      Bench bench,
      AnswerStore answers,
      DeskStore desk,
      PlatformTransactionManager transactions,
      Clock clock) {
    this.oneMoment = new TransactionTemplate(transactions);
    this.oneMoment.setReadOnly(true);
    this.oneMoment.setIsolationLevel(TransactionDefinition.ISOLATION_REPEATABLE_READ);
    this.submissions = submissions;
    this.exercises = exercises;
    this.courses = courses;
    this.bench = bench;
    this.answers = answers;
    this.desk = desk;
    this.clock = clock;
  }

  /**
   * A whole draft, as the instructor has it on screen.
   *
   * @param clientKey by which a draft that is sent again is known
   * @param report revision of the report that its notes name findings of; null for the one that is
   */
  public record Draft(
      long revision,
      @Nullable UUID clientKey,
      @Nullable Integer report,
      String word,
      @Nullable Verdict verdict,
      List<Drafted> notes) {}

  /**
   * A note of a draft.
   *
   * @param key of the finding that it is about
   */
  public record Drafted(NoteView note, @Nullable String key) {}

  /** For an instructor of the submission's class. */
  public ReviewView review(UUID id, SignedIn instructor) {
    Submission submission = requireAsInstructor(id, instructor);
    return view(submission, read(id), queueOf(id, instructor));
  }

  /** Report and answer of one moment: the answer's notes name findings of this very report. */
  private record Read(Submissions.Report report, AnswerView answer) {}

  private Read read(UUID id) {
    return Objects.requireNonNull(
        oneMoment.execute(
            status -> new Read(submissions.report(id), answers.find(id).orElse(NO_ANSWER))));
  }

  /** For the student who handed it in, once it is returned. */
  public ReviewView answer(UUID id, SignedIn student) {
    Submission submission = requireAsOwner(id, student);
    requireReturned(id);
    return view(submission, read(id), null);
  }

  private ReviewView view(Submission s, Read read, @Nullable QueueView queue) {
    Exercise exercise = exercises.require(s.exerciseId());
    CheckView check = read.report().check();
    return new ReviewView(
        s.id(),
        ExerciseView.of(exercise),
        desk.nameOf(s.studentId()),
        s.attempt(),
        s.fileName(),
        s.handedInAt(),
        check,
        read.report().revision(),
        submissions.reading(s.id()),
        since(s, check),
        s.stepId() == null ? List.of() : bench.stepsTo(s.stepId()),
        read.answer(),
        queue);
  }

  /** What changed since the attempt before; null for the first. */
  private @Nullable SinceView since(Submission s, CheckView now) {
    return submissions
        .against(s, now)
        .map(a -> new SinceView(a.attempt(), a.gone(), a.still(), a.fresh(), a.stillThere()))
        .orElse(null);
  }

  private QueueView queueOf(UUID id, SignedIn instructor) {
    List<UUID> waiting =
        desk.waiting(instructor.id()).stream().map(DeskStore.Entry::submission).toList();
    int at = waiting.indexOf(id);
    return new QueueView(
        at + 1,
        waiting.size(),
        at > 0 ? waiting.get(at - 1) : null,
        at + 1 < waiting.size() ? waiting.get(at + 1) : null);
  }

  /**
   * A picture of a submission.
   *
   * @param report revision of the report whose marks it shows
   */
  public record Picture(byte[] png, int report) {}

  /**
   * The handed-in mesh with its marks, for the instructors of its class, and for its student once
   * the answer is returned: before, the marks would tell what the instructor found. In no
   * transaction: while it is drawn no connection is held.
   */
  public Picture picture(UUID id, SignedIn account, PictureSize size) {
    Submission submission = submissions.find(id).orElseThrow(() -> Problem.notFound("submission"));
    Role role = courses.requireMember(account, courseOf(submission));
    if (role == Role.STUDENT) {
      requireAsOwner(id, account);
      requireReturned(id);
    }
    int report = submissions.reportRevision(id);
    return new Picture(submissions.picture(submission, size, account), report);
  }

  private AnswerView requireReturned(UUID id) {
    return answers
        .find(id)
        .filter(a -> a.returnedAt() != null)
        .orElseThrow(() -> Problem.notFound("answer"));
  }

  /**
   * Keeps a draft; a stale one is told so and lost nothing, one that is sent again gets the first
   * answer. Its notes follow their findings where these were found anew since it was begun.
   */
  @Transactional
  public AnswerView keep(UUID id, SignedIn instructor, Draft draft) {
    Submission submission = requireAsInstructor(id, instructor);
    // The report first, as whoever puts another in its place does: neither waits for the other.
    int report = submissions.lockReport(id);
    if (draft.clientKey() != null && draft.clientKey().equals(answers.keyOf(id))) {
      return answers.find(id).orElseThrow();
    }
    requireOpen(id, draft.revision());
    List<FindingView> findings = submissions.check(submission.id()).findings();
    boolean isOfBefore = draft.report() != null && draft.report() != report;
    List<NoteView> notes =
        draft.notes().stream()
            .map(d -> isOfBefore ? followed(d, findings) : requireSound(d.note(), findings))
            .toList();
    answers.write(id, draft.word(), draft.verdict(), notes, draft.clientKey());
    return answers.find(id).orElseThrow();
  }

  private static NoteView requireSound(NoteView note, List<FindingView> findings) {
    Integer finding = note.finding();
    if (finding != null && (finding < 0 || finding >= findings.size())) {
      throw Problem.of(Problem.Kind.BAD_INPUT, "A note is about a finding that is not there.");
    }
    if (!note.place().isFinite()) {
      throw Problem.of(Problem.Kind.BAD_INPUT, "A note is pinned to no place.");
    }
    return note;
  }

  /** The note in another report: about the same finding, or, if that is gone, about its place. */
  private static NoteView followed(Drafted drafted, List<FindingView> findings) {
    NoteView note = drafted.note();
    Integer finding = null;
    for (int i = 0; note.finding() != null && finding == null && i < findings.size(); i++) {
      finding = findings.get(i).key().equals(drafted.key()) ? i : null;
    }
    return requireSound(note.about(finding), findings);
  }

  /** Returns the answer to its student. Needs a verdict; can't be taken back. */
  @Transactional
  public AnswerView giveBack(UUID id, SignedIn instructor, long revision) {
    requireAsInstructor(id, instructor);
    AnswerView draft = requireOpen(id, revision);
    if (draft.verdict() == null) {
      throw Problem.of(Problem.Kind.BAD_INPUT, "Give a verdict first: accepted, or try again.");
    }
    answers.markReturned(id, instructor.id(), clock.instant());
    return answers.find(id).orElseThrow();
  }

  private AnswerView requireOpen(UUID id, long revision) {
    answers.lock(id);
    AnswerView now = answers.find(id).orElseThrow();
    if (now.returnedAt() != null) {
      throw Problem.of(Problem.Kind.STALE, "This answer was returned already.");
    }
    if (now.revision() != revision) {
      throw Problem.of(
          Problem.Kind.STALE,
          "This answer was changed in another window meanwhile.",
          Map.of("answer", now));
    }
    return now;
  }

  private Submission requireAsInstructor(UUID id, SignedIn instructor) {
    Submission submission = submissions.find(id).orElseThrow(() -> Problem.notFound("submission"));
    courses.require(instructor, courseOf(submission), Role.INSTRUCTOR);
    return submission;
  }

  private Submission requireAsOwner(UUID id, SignedIn student) {
    return submissions
        .find(id)
        .filter(s -> s.studentId().equals(student.id()))
        .orElseThrow(() -> Problem.notFound("answer"));
  }

  private UUID courseOf(Submission submission) {
    return exercises.require(submission.exerciseId()).courseId();
  }
}
