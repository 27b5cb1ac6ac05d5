package fairedge.server.review;

import fairedge.core.inspect.Figures;
import fairedge.core.inspect.Praise;
import fairedge.json.CheckView;
import fairedge.json.CreditsView;
import fairedge.server.account.Accounts;
import fairedge.server.bench.Bench;
import fairedge.server.course.Right;
import fairedge.server.exercise.Assignments;
import fairedge.server.exercise.Timetable;
import fairedge.server.platform.Problem;
import fairedge.server.platform.SignedIn;
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

/** The review of a submission and its answer, as whoever may see them are told. */
@Service
public class Reviews {
  private final Submissions submissions;
  private final Assignments assignments;
  private final Timetable timetable;
  private final Accounts accounts;
  private final Bench bench;
  private final Answers answers;
  private final Solutions solutions;
  private final Desk desk;
  private final AnswerStore said;
  private final Threads threads;
  private final Leases leases;
  private final Wavings wavings;
  private final TransactionTemplate oneMoment;

  Reviews(
      Submissions submissions,
      Assignments assignments,
      Timetable timetable,
      Accounts accounts,
      Bench bench,
      Answers answers,
      Solutions solutions,
      Desk desk,
      AnswerStore said,
      Threads threads,
      Leases leases,
      Wavings wavings,
      PlatformTransactionManager transactions) {
    this.said = said;
    this.threads = threads;
    this.leases = leases;
    this.wavings = wavings;
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
    this.desk = desk;
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
            answers.told(threaded(s.id(), read.answer())),
            answers.proposed(s, read.answer()).orElse(null),
            said.sayings(s.id())),
        instructor);
  }

  /** Once it is out: what was said. */
  private ReviewView out(Submission s, Answers.Read read, SignedIn instructor) {
    List<Saying> all = said.sayings(s.id());
    return view(
        outTold(s, read.check(), all, answers.told(threaded(s.id(), read.answer()))), instructor);
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

  /** What only whoever reviews is told. */
  private record Desks(
      List<ReplyView> replies,
      List<String> praise,
      @Nullable String holder,
      @Nullable QueueView queue) {
    static final Desks NOT_TOLD = new Desks(List.of(), List.of(), null, null);
  }

  private ReviewView view(Told told, SignedIn instructor) {
    Submission s = told.submission();
    List<Submission> upToIt = attempts(s).stream().filter(a -> a.attempt() <= s.attempt()).toList();
    return view(
        told,
        new Desks(
            threads.replies(upToIt),
            praise(s, told.check()),
            leases.holder(s.id(), instructor).orElse(null),
            queueOf(s.id(), instructor)),
        true);
  }

  private Answer threaded(UUID id, Answer answer) {
    return answer.in(answer.report(), threads.threaded(id, answer.words().notes()));
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
          return view(told, Desks.NOT_TOLD, false);
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

  private ReviewView view(Told told, Desks desks, boolean reviews) {
    Submission s = told.submission();
    List<Submission> attempts = attempts(s);
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
        told.answer(),
        told.credits(),
        solutions.of(s, assignments.require(s.assignmentId()), reviews),
        attempts.stream().map(a -> attempt(a, says.get(a.id()))).toList(),
        desks.replies(),
        desks.praise(),
        sayings(told.sayings()),
        desks.holder(),
        desks.queue());
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
    List<UUID> waiting = desk.waiting(instructor).stream().map(Submission::id).toList();
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

  /** What the draft would give as it is kept, or what was given once it is out. */
  public Optional<CreditsView> credits(UUID id, SignedIn instructor) {
    submissions.requireTo(Right.READ_ALL, id, instructor);
    return Objects.requireNonNull(
        oneMoment.execute(status -> {
          Submission s = submissions.require(id);
          Answer answer = answers.read(s).answer();
          return answer.isOut()
              ? Optional.ofNullable(said.sayings(id).getLast().credits())
              : answers.proposed(s, answer);
        }));
  }
}
