package fairedge.server.review;

import fairedge.core.inspect.Figures;
import fairedge.core.inspect.Praise;
import fairedge.json.CheckView;
import fairedge.json.CreditsView;
import fairedge.server.account.Accounts;
import fairedge.server.bench.Bench;
import fairedge.server.course.Audit;
import fairedge.server.course.Deed;
import fairedge.server.course.Right;
import fairedge.server.exercise.Assignments;
import fairedge.server.exercise.Timetable;
import fairedge.server.platform.Problem;
import fairedge.server.platform.SignedIn;
import fairedge.server.review.AnswerView.GivenView;
import fairedge.server.review.AnswerView.Verdict;
import fairedge.server.review.ReviewView.AttemptView;
import fairedge.server.review.ReviewView.QueueView;
import fairedge.server.review.ReviewView.ReplyView;
import fairedge.server.review.ReviewView.SayingView;
import fairedge.server.review.ReviewView.SinceView;
import fairedge.server.review.ReviewView.WavedView;
import fairedge.server.review.store.AnswerStore;
import fairedge.server.submission.Against;
import fairedge.server.submission.PictureSize;
import fairedge.server.submission.Submission;
import fairedge.server.submission.Submissions;
import fairedge.server.submission.Waving;
import fairedge.server.submission.Wavings;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
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
  private final AnswerStore said;
  private final Outgoing outgoing;
  private final Threads threads;
  private final Leases leases;
  private final Wavings wavings;
  private final Audit audit;
  private final TransactionTemplate oneMoment;
  private final TransactionTemplate changing;

  Reviews(
      Submissions submissions,
      Assignments assignments,
      Timetable timetable,
      Accounts accounts,
      Bench bench,
      Answers answers,
      Solutions solutions,
      Homes homes,
      AnswerStore said,
      Outgoing outgoing,
      Threads threads,
      Leases leases,
      Wavings wavings,
      Audit audit,
      PlatformTransactionManager transactions) {
    this.said = said;
    this.outgoing = outgoing;
    this.threads = threads;
    this.leases = leases;
    this.wavings = wavings;
    this.audit = audit;
    this.changing = new TransactionTemplate(transactions);
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

  /**
   * For those who see what everybody handed in to its class.
   *
   * @param ahead only to have it at hand: nobody opens it yet
   */
  public ReviewView review(UUID id, SignedIn instructor, boolean ahead) {
    Submission s = submissions.requireTo(Right.READ_ALL, id, instructor);
    if (!ahead) {
      submissions.opened(s);
    }
    return Objects.requireNonNull(
        oneMoment.execute(status -> {
          Submission submission = submissions.require(id);
          Answers.Read read = answers.read(submission);
          return read.answer().isOut()
              ? out(submission, read, instructor)
              : written(submission, read, instructor);
        }));
  }

  /** While it is written: what counts now. */
  private ReviewView written(Submission s, Answers.Read read, SignedIn instructor) {
    Map<Integer, Waving> waved = wavings.of(s, read.check());
    List<WavedView> told =
        waved.entrySet().stream()
            .map(e ->
                new WavedView(
                    e.getKey(),
                    e.getValue().id(),
                    e.getValue().reason(),
                    e.getValue().firstAttempt()))
            .toList();
    return view(
        new Told(
            s,
            s.newest(),
            read.check(),
            told,
            answers.told(read.answer()),
            answers.proposed(s, read.answer()).orElse(null),
            said.sayings(s.id())),
        instructor);
  }

  /** Once it is out: what was said. */
  private ReviewView out(Submission s, Answers.Read read, SignedIn instructor) {
    List<Saying> all = said.sayings(s.id());
    return view(outTold(s, read.check(), all, answers.told(read.answer())), instructor);
  }

  private Told outTold(Submission s, CheckView check, List<Saying> all, AnswerView answer) {
    Saying last = all.getLast();
    List<WavedView> waved =
        last.waved().stream().map(w -> new WavedView(w.finding(), null, w.reason(), null)).toList();
    return new Told(
        s, last.report(), check, waved, answer, last.credits(), all.subList(0, all.size() - 1));
  }

  /** What is told of a hand-in and its answer. */
  private record Told(
      Submission submission,
      int report,
      CheckView check,
      List<WavedView> waved,
      AnswerView answer,
      @Nullable CreditsView credits,
      List<Saying> sayings) {
    CheckView counted() {
      return check.notCounting(waved.stream().map(WavedView::finding).collect(Collectors.toSet()));
    }
  }

  private ReviewView view(Told told, SignedIn instructor) {
    Submission s = told.submission();
    List<Submission> attempts = attempts(s);
    List<ReplyView> replies =
        threads.replies(attempts.stream().filter(a -> a.attempt() <= s.attempt()).toList());
    return view(
        told,
        attempts,
        replies,
        praise(s, told.check()),
        leases.holder(s.id(), instructor).orElse(null),
        queueOf(s.id(), instructor),
        true);
  }

  private List<Submission> attempts(Submission s) {
    return submissions.attempts(s.assignmentId(), s.studentId()).reversed();
  }

  private List<String> praise(Submission s, CheckView check) {
    Optional<Figures> before =
        submissions
            .findBefore(s)
            .map(b -> submissions.newest(b).figures())
            .filter(Reviews::isKnown);
    int gone = submissions.against(s, check).map(Against::gone).orElse(0);
    return isKnown(check.figures())
        ? Praise.of(check.figures(), before.orElse(null), gone)
        : List.of();
  }

  /** Reports of before may not tell of loops. */
  private static boolean isKnown(Figures figures) {
    return figures.loops() != null;
  }

  /** For the student who handed it in, once it is out: what was said last. */
  public ReviewView answer(UUID id, SignedIn student) {
    requireOut(submissions.requireOf(student, id));
    answers.markRead(id);
    return Objects.requireNonNull(
        oneMoment.execute(status -> {
          Submission s = submissions.require(id);
          List<Saying> all = said.sayings(id);
          Saying last = all.getLast();
          CheckView check = submissions.findReport(id, last.report()).orElseThrow();
          Told told = outTold(s, check, all, toldTo(id, last));
          return view(told, attempts(s), List.of(), List.of(), null, null, false);
        }));
  }

  /** An answer as its student is told it. */
  private AnswerView toldTo(UUID id, Saying last) {
    return new AnswerView(
        0,
        last.words().word(),
        last.words().verdict(),
        threads.threaded(id, last.words().notes()),
        Map.of(),
        Map.of(),
        AnswerView.Phase.out,
        last.number(),
        last.outAt(),
        Answers.name(accounts.people(List.of(last.by())), last.by()),
        null);
  }

  private ReviewView view(
      Told told,
      List<Submission> attempts,
      List<ReplyView> replies,
      List<String> praise,
      @Nullable String holder,
      @Nullable QueueView queue,
      boolean reviews) {
    Submission s = told.submission();
    Map<UUID, Saying> says = said.lastSayings(attempts.stream().map(Submission::id).toList());
    return new ReviewView(
        s.id(),
        timetable.view(s.assignmentId()),
        nameOf(s.studentId()),
        s.attempt(),
        s.fileName(),
        s.handedInAt(),
        told.counted(),
        told.report(),
        told.waved(),
        submissions.reading(s.id()),
        since(s, told.check()),
        bench.stepsTo(s.stepId()),
        bench.viewsTo(s.stepId()),
        reviews ? withThreads(s.id(), told.answer()) : told.answer(),
        told.credits(),
        solutions.of(s, assignments.require(s.assignmentId()), reviews),
        attempts.stream().map(a -> attempt(a, says.get(a.id()))).toList(),
        replies,
        praise,
        sayings(told.sayings()),
        holder,
        queue);
  }

  private AnswerView withThreads(UUID id, AnswerView a) {
    return new AnswerView(
        a.revision(),
        a.word(),
        a.verdict(),
        threads.threaded(id, a.notes()),
        a.seen(),
        a.byHand(),
        a.state(),
        a.said(),
        a.returnedAt(),
        a.returnedBy(),
        a.writtenBy());
  }

  private static AttemptView attempt(Submission s, @Nullable Saying said) {
    return new AttemptView(
        s.id(),
        s.attempt(),
        s.handedInAt(),
        said == null ? null : said.words().verdict(),
        said == null ? null : said.outAt());
  }

  private List<SayingView> sayings(List<Saying> all) {
    Map<UUID, SignedIn> people = accounts.people(all.stream().map(Saying::by).distinct().toList());
    return all.stream()
        .map(s ->
            new SayingView(
                s.number(),
                s.outAt(),
                Objects.requireNonNullElse(Answers.name(people, s.by()), "Somebody"),
                s.words().word(),
                Objects.requireNonNull(s.words().verdict()),
                s.words().notes().stream().map(NoteView::text).toList(),
                s.credits() == null ? null : s.credits().total()))
        .toList();
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

  private Submission requireToReview(UUID id, SignedIn instructor) {
    return submissions.requireTo(Right.REVIEW, id, instructor);
  }

  /** Keeps a draft; see {@link Answers#keep}. */
  public AnswerView keep(UUID id, SignedIn instructor, Draft draft) {
    requireToReview(id, instructor);
    return answers.keep(id, instructor, draft);
  }

  /** What the draft would give as it is kept; null where there are no credits. */
  public @Nullable CreditsView credits(UUID id, SignedIn instructor) {
    return review(id, instructor, true).credits();
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
    threads.markRead(attempts(s).stream().map(Submission::id).toList());
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
    return outgoing.amend(id, instructor);
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
    if (answers.read(s).answer().returnedAt() != null) {
      throw Problem.of(
          Problem.Kind.STALE, "This answer was returned: amend it, and then wave things through.");
    }
    return s;
  }
}
