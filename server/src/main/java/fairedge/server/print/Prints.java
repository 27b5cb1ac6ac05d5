package fairedge.server.print;

import fairedge.server.course.Right;
import fairedge.server.exercise.Assignments;
import fairedge.server.meshfile.SentFiles;
import fairedge.server.platform.JobQueue;
import fairedge.server.platform.Problem;
import fairedge.server.platform.SignedIn;
import fairedge.server.platform.Turns;
import fairedge.server.print.PrintView.PrintForm;
import fairedge.server.print.PrintView.PrintState;
import fairedge.server.print.store.PrintStore;
import fairedge.server.review.SaidAnswers;
import fairedge.server.review.SaidAnswers.Said;
import java.io.InputStream;
import java.time.Clock;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Answers on paper: one at once, many together as a job. */
@Service
public class Prints {
  /** So many somebody waits for at a time. */
  private static final int MOST_WAITING = 3;

  /** So many answers go onto paper together. */
  private static final int MOST_ANSWERS = 400;

  private final SaidAnswers answers;
  private final Assignments assignments;
  private final Press press;
  private final PrintStore store;
  private final SentFiles files;
  private final JobQueue jobs;
  private final Turns turns;
  private final Clock clock;

  Prints(
      SaidAnswers answers,
      Assignments assignments,
      Press press,
      PrintStore store,
      SentFiles files,
      JobQueue jobs,
      Turns turns,
      Clock clock) {
    this.answers = answers;
    this.assignments = assignments;
    this.press = press;
    this.store = store;
    this.files = files;
    this.jobs = jobs;
    this.turns = turns;
    this.clock = clock;
  }

  /** One answer that is out, for its student and for those who review. */
  public byte[] answer(UUID submission, Sheet sheet, SignedIn account) {
    Said said = answers.require(submission, account);
    return turns.here(
        account.id(),
        () ->
            turns.bySize(
                account.id(), said.check().figures().faces(), () -> press.one(said, sheet)));
  }

  /** The last answer of every student in an assignment, for those who see all. */
  @Transactional
  public PrintView all(UUID assignment, Sheet sheet, PrintForm form, SignedIn account) {
    assignments.requireTo(Right.READ_ALL, assignment, account);
    return begin(
        new Asked(assignment, null, null, sheet, form), answers.lastOf(assignment), account);
  }

  /** All answers of a student in a class, for those who see all, and for the student. */
  @Transactional
  public PrintView term(UUID course, UUID student, Sheet sheet, PrintForm form, SignedIn account) {
    answers.requireMayReadOf(course, student, account);
    return begin(
        new Asked(null, course, student, sheet, form),
        answers.of(student, List.of(course)),
        account);
  }

  private record Asked(
      @Nullable UUID assignment,
      @Nullable UUID course,
      @Nullable UUID student,
      Sheet sheet,
      PrintForm form) {}

  private PrintView begin(Asked asked, List<UUID> all, SignedIn account) {
    if (all.isEmpty()) {
      throw Problem.of(Problem.Kind.BAD_INPUT, "No answer is out yet: there is nothing to print.");
    }
    if (all.size() > MOST_ANSWERS) {
      throw Problem.of(
          Problem.Kind.BAD_INPUT,
          "These are %d answers: so many do not go onto paper together.".formatted(all.size()));
    }
    if (store.waiting(account.id()) >= MOST_WAITING) {
      throw Problem.of(
          Problem.Kind.TOO_MANY, "You wait for %d prints already.".formatted(MOST_WAITING));
    }
    Print print =
        new Print(
            UUID.randomUUID(),
            account.id(),
            asked.assignment(),
            asked.course(),
            asked.student(),
            asked.form(),
            asked.sheet(),
            PrintState.waiting,
            0,
            all.size());
    store.insert(print, clock.instant());
    jobs.add(PrintJob.NAME, print.id().toString(), JobQueue.Rank.USUAL);
    return print.view();
  }

  /** How far a print is, for who asked. */
  public PrintView view(UUID id, SignedIn account) {
    return requireMine(id, account).view();
  }

  /** A print that is made, for who asked and still may read what is in it. */
  public record Made(InputStream bytes, PrintForm form) {}

  public Made made(UUID id, SignedIn account) {
    Print print = requireMine(id, account);
    if (print.assignment() != null) {
      assignments.requireTo(Right.READ_ALL, print.assignment(), account);
    } else if (print.course() != null && print.student() != null) {
      answers.requireMayReadOf(print.course(), print.student(), account);
    }
    if (print.state() != PrintState.made) {
      throw Problem.notFound("file");
    }
    return new Made(files.open(id), print.form());
  }

  /** Nobody wants it any more. */
  @Transactional
  public void cancel(UUID id, SignedIn account) {
    requireMine(id, account);
    forget(id);
  }

  /** Lets go of a print and its file; in the transaction at hand. */
  void forget(UUID id) {
    store.forget(id);
    files.forget(id);
  }

  private Print requireMine(UUID id, SignedIn account) {
    return store
        .find(id)
        .filter(p -> p.account().equals(account.id()))
        .orElseThrow(() -> Problem.notFound("print"));
  }
}
