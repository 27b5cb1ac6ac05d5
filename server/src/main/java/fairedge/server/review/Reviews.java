package fairedge.server.review;

import fairedge.json.CheckView;
import fairedge.server.account.Accounts;
import fairedge.server.bench.Bench;
import fairedge.server.course.Right;
import fairedge.server.exercise.Assignments;
import fairedge.server.exercise.Timetable;
import fairedge.server.platform.Problem;
import fairedge.server.platform.SignedIn;
import fairedge.server.review.AnswerView.NoteView;
import fairedge.server.review.AnswerView.Verdict;
import fairedge.server.review.ReviewView.QueueView;
import fairedge.server.review.ReviewView.SinceView;
import fairedge.server.submission.PictureSize;
import fairedge.server.submission.Submission;
import fairedge.server.submission.Submissions;
import java.util.List;
import java.util.Objects;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.TransactionDefinition;
import org.springframework.transaction.support.TransactionTemplate;

/** The review of a submission and its answer: the instructor's until it is returned. */
@Service
public class Reviews {
  private final Submissions submissions;
  private final Assignments assignments;
  private final Timetable timetable;
  private final Accounts accounts;
  private final Bench bench;
  private final Answers answers;
  private final Solutions solutions;
  private final Homes homes;
  private final TransactionTemplate oneMoment;

  Reviews(
      Submissions submissions,
      Assignments assignments,
      Timetable timetable,
      Accounts accounts,
      Bench bench,
      Answers answers,
      Solutions solutions,
      Homes homes,
      PlatformTransactionManager transactions) {
    this.oneMoment = new TransactionTemplate(transactions);
    this.oneMoment.setReadOnly(true);
    this.oneMoment.setIsolationLevel(TransactionDefinition.ISOLATION_REPEATABLE_READ);
    this.submissions = submissions;
    this.assignments = assignments;
    this.timetable = timetable;
    this.accounts = accounts;
    this.bench = bench;
    this.answers = answers;
    this.solutions = solutions;
    this.homes = homes;
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

  /** For those who see what everybody handed in to its class. */
  public ReviewView review(UUID id, SignedIn instructor) {
    submissions.opened(submissions.requireTo(Right.READ_ALL, id, instructor));
    Seen seen = seen(id);
    return view(seen, true, queueOf(id, instructor));
  }

  /** A submission with its report and answer, all of one moment. */
  private record Seen(Submission submission, Answers.Read read) {}

  private Seen seen(UUID id) {
    return Objects.requireNonNull(
        oneMoment.execute(status -> {
          Submission submission = submissions.require(id);
          return new Seen(submission, answers.read(submission));
        }));
  }

  /** For the student who handed it in, once it is returned. */
  public ReviewView answer(UUID id, SignedIn student) {
    requireOut(submissions.requireOf(student, id));
    answers.markRead(id);
    return view(seen(id), false, null);
  }

  private ReviewView view(Seen seen, boolean reviews, @Nullable QueueView queue) {
    Submission s = seen.submission();
    CheckView check = seen.read().check();
    return new ReviewView(
        s.id(),
        timetable.view(s.assignmentId()),
        nameOf(s.studentId()),
        s.attempt(),
        s.fileName(),
        s.handedInAt(),
        check,
        s.shown(),
        submissions.reading(s.id()),
        since(s, check),
        s.stepId() == null ? List.of() : bench.stepsTo(s.stepId()),
        answers.told(seen.read().answer()),
        answers.credits(s).orElse(null),
        solutions.of(s, assignments.require(s.assignmentId()), reviews),
        queue);
  }

  private String nameOf(UUID student) {
    return Objects.requireNonNull(accounts.people(List.of(student)).get(student)).name();
  }

  /** What changed since the attempt before; null for the first. */
  private @Nullable SinceView since(Submission s, CheckView now) {
    return submissions
        .against(s, now)
        .map(a -> new SinceView(a.attempt(), a.gone(), a.still(), a.fresh(), a.stillThere()))
        .orElse(null);
  }

  private QueueView queueOf(UUID id, SignedIn instructor) {
    List<UUID> waiting = homes.waiting(instructor).stream().map(Submission::id).toList();
    int at = waiting.indexOf(id);
    return new QueueView(
        at + 1,
        waiting.size(),
        at > 0 ? waiting.get(at - 1) : null,
        at + 1 < waiting.size() ? waiting.get(at + 1) : null);
  }

  /**
   * The handed-in mesh with its marks, for those who review in its class, and for its student once
   * the answer is returned: before, the marks would tell what was found. In no transaction: while
   * it is drawn no connection is held.
   */
  public Submissions.Picture picture(UUID id, SignedIn account, PictureSize size) {
    Submissions.Seen seen = submissions.requireToSee(id, account);
    if (!seen.reviews()) {
      requireOut(seen.submission());
    }
    return submissions.picture(seen.submission(), size, account);
  }

  private static void requireOut(Submission submission) {
    if (submission.quoted() == null) {
      throw Problem.notFound("answer");
    }
  }

  /** Keeps a draft; see {@link Answers#keep}. */
  public AnswerView keep(UUID id, SignedIn instructor, Draft draft) {
    submissions.requireTo(Right.REVIEW, id, instructor);
    return answers.keep(id, draft);
  }

  /** Returns the answer to its student; see {@link Answers#giveBack}. */
  public AnswerView giveBack(UUID id, SignedIn instructor, long revision) {
    submissions.requireTo(Right.REVIEW, id, instructor);
    return answers.giveBack(id, instructor, revision);
  }
}
