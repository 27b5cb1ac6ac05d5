package fairedge.server.review;

import fairedge.core.compare.Comparison;
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
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

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
  private final Clock clock;

  Reviews(
      Submissions submissions,
      Exercises exercises,
      Courses courses,
      Bench bench,
      AnswerStore answers,
      DeskStore desk,
      Clock clock) {
    this.submissions = submissions;
    this.exercises = exercises;
    this.courses = courses;
    this.bench = bench;
    this.answers = answers;
    this.desk = desk;
    this.clock = clock;
  }

  /** A whole draft, as the instructor has it on screen. */
  public record Draft(
      long revision, String word, @Nullable Verdict verdict, List<NoteView> notes) {}

  /** For an instructor of the submission's class. */
  @Transactional(readOnly = true)
  public ReviewView review(UUID id, SignedIn instructor) {
    Submission submission = requireAsInstructor(id, instructor);
    AnswerView answer = answers.find(id).orElse(NO_ANSWER);
    return view(submission, answer, queueOf(id, instructor));
  }

  /** For the student who handed it in, once it is returned. */
  @Transactional(readOnly = true)
  public ReviewView answer(UUID id, SignedIn student) {
    Submission submission = requireAsOwner(id, student);
    AnswerView answer =
        answers
            .find(id)
            .filter(a -> a.returnedAt() != null)
            .orElseThrow(() -> Problem.notFound("answer"));
    return view(submission, answer, null);
  }

  private ReviewView view(Submission s, AnswerView answer, @Nullable QueueView queue) {
    Exercise exercise = exercises.require(s.exerciseId());
    CheckView check = submissions.check(s.id());
    return new ReviewView(
        s.id(),
        ExerciseView.of(exercise),
        desk.nameOf(s.studentId()),
        s.attempt(),
        s.fileName(),
        s.handedInAt(),
        check,
        submissions.reading(s.id()),
        since(s, exercise, check),
        s.stepId() == null ? List.of() : bench.stepsTo(s.stepId()),
        answer,
        queue);
  }

  /** What changed since the attempt before; null for the first. */
  private @Nullable SinceView since(Submission s, Exercise exercise, CheckView now) {
    return submissions
        .findBefore(s)
        .map(before -> since(before, submissions.check(before.id()), exercise, now))
        .orElse(null);
  }

  static SinceView since(Submission before, CheckView then, Exercise exercise, CheckView now) {
    Comparison comparison =
        Comparison.of(
            then.findings().stream().map(FindingView::spot).toList(),
            now.findings().stream().map(FindingView::spot).toList(),
            exercise.tolerance());
    return new SinceView(
        before.attempt(),
        comparison.gone().size() + unlistedOnlyIn(then, now),
        comparison.stillThere(),
        comparison.fresh() + unlistedOnlyIn(now, then),
        comparison.match().stream().map(m -> m >= 0).toList());
  }

  /** Of kinds that the other check does not have at all; of the rest it can't be told. */
  private static int unlistedOnlyIn(CheckView one, CheckView other) {
    return one.unlisted().stream()
        .filter(u -> other.findings().stream().noneMatch(f -> f.kind().equals(u.kind())))
        .mapToInt(CheckView.Unlisted::count)
        .sum();
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
   * The handed-in mesh with its marks, for the instructors of its class, and for its student once
   * the answer is returned: before, the marks would tell what the instructor found.
   */
  @Transactional
  public byte[] picture(UUID id, SignedIn account, PictureSize size) {
    Submission submission = submissions.find(id).orElseThrow(() -> Problem.notFound("submission"));
    Role role = courses.requireMember(account, courseOf(submission));
    if (role == Role.STUDENT) {
      answer(id, account);
    }
    return submissions.picture(submission, size);
  }

  /** Keeps a draft; a stale one is told so and lost nothing. */
  @Transactional
  public AnswerView keep(UUID id, SignedIn instructor, Draft draft) {
    Submission submission = requireAsInstructor(id, instructor);
    requireOpen(id, draft.revision());
    int findings = submissions.check(submission.id()).findings().size();
    for (NoteView note : draft.notes()) {
      Integer finding = note.finding();
      if (finding != null && (finding < 0 || finding >= findings)) {
        throw Problem.of(Problem.Kind.BAD_INPUT, "A note is about a finding that is not there.");
      }
      if (!note.place().isFinite()) {
        throw Problem.of(Problem.Kind.BAD_INPUT, "A note is pinned to no place.");
      }
    }
    answers.write(id, draft.word(), draft.verdict(), draft.notes());
    return answers.find(id).orElseThrow();
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
