package fairedge.server.review;

import fairedge.server.course.Audit;
import fairedge.server.course.Deed;
import fairedge.server.course.Right;
import fairedge.server.exercise.Assignments;
import fairedge.server.platform.Problem;
import fairedge.server.platform.SignedIn;
import fairedge.server.review.AnswerView.GivenView;
import fairedge.server.review.AnswerView.Verdict;
import fairedge.server.submission.Submission;
import fairedge.server.submission.Submissions;
import fairedge.server.submission.Wavings;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;

/** What whoever reviews does to a hand-in and its answer; whether they may is asked here. */
@Service
public class Reviewing {
  private final Submissions submissions;
  private final Assignments assignments;
  private final Answers answers;
  private final Outgoing outgoing;
  private final Threads threads;
  private final Leases leases;
  private final Wavings wavings;
  private final Audit audit;
  private final TransactionTemplate changing;

  Reviewing(
      Submissions submissions,
      Assignments assignments,
      Answers answers,
      Outgoing outgoing,
      Threads threads,
      Leases leases,
      Wavings wavings,
      Audit audit,
      TransactionTemplate changing) {
    this.submissions = submissions;
    this.assignments = assignments;
    this.answers = answers;
    this.outgoing = outgoing;
    this.threads = threads;
    this.leases = leases;
    this.wavings = wavings;
    this.audit = audit;
    this.changing = changing;
  }

  /**
   * A whole draft, as the instructor has it on screen.
   *
   * @param clientKey by which a draft that is sent again is known
   * @param report revision of the report that its notes name findings of; null for the one that is
   * @param seen of criteria by eye the word that was chosen, by name
   * @param byHand what criteria get by hand, by name
   */
  public record Draft(
      long revision,
      @Nullable UUID clientKey,
      @Nullable Integer report,
      String word,
      @Nullable Verdict verdict,
      List<Drafted> notes,
      Map<String, String> seen,
      Map<String, GivenView> byHand) {}

  /**
   * A note of a draft.
   *
   * @param key of the finding that it is about
   */
  public record Drafted(NoteView note, @Nullable String key) {}

  /** Credits as they are typed: to thousandths, and not without end. */
  static BigDecimal amount(double credits) {
    if (!(credits >= 0 && credits <= 10_000)) {
      throw new IllegalArgumentException("credits are nothing or more, 10,000 at the most");
    }
    return BigDecimal.valueOf(credits).setScale(3, RoundingMode.HALF_UP).stripTrailingZeros();
  }

  private Submission requireToReview(UUID id, SignedIn instructor) {
    return submissions.requireTo(Right.REVIEW, id, instructor);
  }

  /** Keeps a draft; see {@link Answers#keep}. */
  public AnswerView keep(UUID id, SignedIn instructor, Draft draft) {
    requireToReview(id, instructor);
    return answers.keep(id, instructor, draft);
  }

  /**
   * Who has an answer open.
   *
   * @param holder who else does; null where it is whoever asks
   */
  public record Held(boolean mine, @Nullable String holder) {}

  /**
   * Holds an answer for a minute, to write in it; from the first time on the hand-in can't be taken
   * back, and what its student replied so far is read.
   *
   * @param takeOver also where somebody else holds it
   */
  public Held hold(UUID id, SignedIn instructor, boolean takeOver) {
    Submission s = requireToReview(id, instructor);
    submissions.opened(s);
    if (!leases.isMine(id, instructor)) {
      // It is opened just now: what comes while it is open is not read by renewing.
      threads.markRead(
          submissions.attempts(s.assignmentId(), s.studentId()).stream()
              .map(Submission::id)
              .toList());
    }
    boolean mine = leases.hold(id, instructor, takeOver).equals(instructor.id());
    return new Held(mine, leases.holder(id, instructor).orElse(null));
  }

  public void letGo(UUID id, SignedIn instructor) {
    requireToReview(id, instructor);
    leases.letGo(id, instructor);
  }

  /**
   * Lets the answer go out to its student; see {@link Outgoing}.
   *
   * @param at null: as soon as it can't be called back any more
   */
  public AnswerView giveBack(UUID id, SignedIn instructor, long revision, @Nullable Instant at) {
    requireToReview(id, instructor);
    return outgoing.giveBack(id, instructor, revision, at);
  }

  /** The same, and nobody can call it back: for classes that are prepared. */
  public AnswerView giveBackAtOnce(UUID id, SignedIn instructor, long revision) {
    requireToReview(id, instructor);
    return outgoing.giveBackAtOnce(id, instructor, revision);
  }

  public AnswerView keepReady(UUID id, SignedIn instructor, long revision, boolean ready) {
    requireToReview(id, instructor);
    return outgoing.keepReady(id, instructor, revision, ready);
  }

  public AnswerView callBack(UUID id, SignedIn instructor) {
    requireToReview(id, instructor);
    return outgoing.callBack(id);
  }

  public AnswerView amend(UUID id, SignedIn instructor) {
    requireToReview(id, instructor);
    return outgoing.amend(id);
  }

  public AnswerView leaveAsItWas(UUID id, SignedIn instructor) {
    requireToReview(id, instructor);
    return outgoing.leaveAsItWas(id, instructor);
  }

  /** Waves findings through, by their keys in the newest report. */
  public void wave(UUID id, SignedIn instructor, List<String> keys, String reason) {
    requireToReview(id, instructor);
    if (reason.isBlank()) {
      throw Problem.of(Problem.Kind.BAD_INPUT, "Say why it does not count: a few words will do.");
    }
    changing.executeWithoutResult(status -> {
      Submission s = requireNotOut(id);
      leases.requireNobodyElses(id, instructor);
      wavings.wave(s, instructor.id(), keys, reason.strip());
      audit.write(courseOf(s), instructor, Deed.WAVED_THROUGH, s.studentId());
    });
  }

  /** Lets what was waved through count again. */
  public void countAgain(UUID id, SignedIn instructor, UUID waving) {
    requireToReview(id, instructor);
    changing.executeWithoutResult(status -> {
      Submission s = requireNotOut(id);
      leases.requireNobodyElses(id, instructor);
      wavings.countAgain(s, List.of(waving));
      audit.write(courseOf(s), instructor, Deed.COUNTED_AGAIN, s.studentId());
    });
  }

  private UUID courseOf(Submission s) {
    return assignments.require(s.assignmentId()).courseId();
  }

  private Submission requireNotOut(UUID id) {
    Submission s = submissions.lock(id);
    if (answers.isGiven(id)) {
      throw Problem.of(
          Problem.Kind.STALE, "This answer was returned: amend it, and then wave things through.");
    }
    return s;
  }
}
