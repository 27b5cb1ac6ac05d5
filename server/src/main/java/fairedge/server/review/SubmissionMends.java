package fairedge.server.review;

import fairedge.core.format.wire.WireMessage;
import fairedge.core.inspect.Profile;
import fairedge.core.mesh.Mesh;
import fairedge.core.step.Change;
import fairedge.core.step.Mending;
import fairedge.core.survey.EdgeChange;
import fairedge.server.account.Accounts;
import fairedge.server.bench.Bench;
import fairedge.server.bench.Mends;
import fairedge.server.bench.MendsView;
import fairedge.server.bench.Owner;
import fairedge.server.course.Right;
import fairedge.server.exercise.Exercise;
import fairedge.server.inspection.Gallery;
import fairedge.server.platform.Problem;
import fairedge.server.platform.SignedIn;
import fairedge.server.platform.Turns;
import fairedge.server.practice.PracticeView.PracticePiece;
import fairedge.server.practice.Practices;
import fairedge.server.review.NoteView.NoteMend;
import fairedge.server.submission.Submission;
import fairedge.server.submission.Submissions;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Stream;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * What would mend a hand-in: offered to whoever reviews, tried on a copy, or drawn by hand on one.
 * Outside of {@link #drawn} in no transaction: while it is computed no connection is held.
 */
@Service
public class SubmissionMends {
  private final Submissions submissions;
  private final Answers answers;
  private final Accounts accounts;
  private final Practices practices;
  private final Gallery gallery;
  private final Mends mends;
  private final Bench bench;
  private final Turns turns;
  private final TransactionTemplate changing;

  SubmissionMends(
      Submissions submissions,
      Answers answers,
      Accounts accounts,
      Practices practices,
      Gallery gallery,
      Mends mends,
      Bench bench,
      Turns turns,
      TransactionTemplate changing) {
    this.submissions = submissions;
    this.answers = answers;
    this.accounts = accounts;
    this.practices = practices;
    this.gallery = gallery;
    this.mends = mends;
    this.bench = bench;
    this.turns = turns;
    this.changing = changing;
  }

  /**
   * What would cure a finding.
   *
   * @param finding its key
   */
  public MendsView of(UUID id, SignedIn instructor, String finding) {
    submissions.requireTo(Right.REVIEW, id, instructor);
    Submissions.Seen seen = submissions.requireToSee(id, instructor);
    return on(seen, instructor, copy -> mends.of(copy, terms(seen).terms(), finding));
  }

  /** As it would be after a change, as a message for the browser. */
  public byte[] tried(UUID id, SignedIn account, Change change) {
    Submissions.Seen seen = submissions.requireToSee(id, account);
    return on(
        seen,
        account,
        copy -> {
          Mesh after = mends.after(copy, terms(seen).terms(), change);
          return WireMessage.whole(after, after.bounds().centre(), 0);
        });
  }

  /** Which edges the hand-in has beside itself after a change, and which it has not. */
  public EdgeChange triedEdges(UUID id, SignedIn account, Change change) {
    Submissions.Seen seen = submissions.requireToSee(id, account);
    Exercise exercise = terms(seen);
    return on(
        seen,
        account,
        copy ->
            EdgeChange.of(
                mends.after(copy, exercise.terms(), change),
                gallery.atHand(seen.submission().mesh()),
                exercise.tolerance()));
  }

  private static Exercise terms(Submissions.Seen seen) {
    return seen.assignment().exercise();
  }

  private <T> T on(Submissions.Seen seen, SignedIn account, Function<Mesh, T> work) {
    return turns.here(
        account.id(),
        () -> {
          Mesh copy = gallery.copy(seen.submission().mesh());
          return turns.bySize(account.id(), copy.faceCount(), () -> work.apply(copy));
        });
  }

  /** A copy to draw a mend on: a practice piece of whoever reviews. */
  public PracticePiece copy(UUID id, SignedIn instructor, UUID clientKey) {
    Submission submission = submissions.requireTo(Right.REVIEW, id, instructor);
    Exercise exercise = terms(submissions.requireToSee(id, instructor));
    Map<UUID, SignedIn> people = accounts.people(List.of(submission.studentId()));
    String student = Answers.name(people, submission.studentId());
    return practices.beginWith(
        gallery.copy(submission.mesh()),
        "%s of %s, attempt %d".formatted(exercise.title(), student, submission.attempt()),
        exercise.unit(),
        instructor,
        new Practices.Beginning(profile(exercise), clientKey));
  }

  private static String profile(Exercise exercise) {
    String name = exercise.profile().name();
    return Profile.builtIn().stream().anyMatch(p -> p.name().equals(name))
        ? name
        : Profile.ALL_QUADS.name();
  }

  /**
   * Makes what was done on a copy the mend of a note.
   *
   * @param revision of the copy, as whoever asks sees it
   */
  public void drawn(UUID id, UUID note, SignedIn instructor, UUID workpiece, long revision) {
    Submission submission = submissions.requireTo(Right.REVIEW, id, instructor);
    Bench.Standing copy = bench.standing(workpiece, instructor, revision);
    if (copy.owner().type() != Owner.Type.practice
        || !Arrays.equals(
            practices.requireOf(instructor, copy.owner().id()).starter(), submission.mesh())) {
      throw Problem.of(Problem.Kind.BAD_INPUT, "This was not cut on a copy of the hand-in.");
    }
    List<Change> changes =
        bench.changesTo(copy.step()).stream().flatMap(SubmissionMends::plain).toList();
    if (changes.isEmpty()) {
      throw Problem.of(Problem.Kind.BAD_INPUT, "Nothing is changed on the copy yet.");
    }
    String does =
        changes.size() == 1
            ? "Drawn by hand, in 1 step."
            : "Drawn by hand, in %d steps.".formatted(changes.size());
    NoteMend mend = new NoteMend(does, new Mending.MendChange(changes, does));
    changing.executeWithoutResult(
        status -> answers.writeOn(id, instructor, (words, newest) -> words.with(note, mend)));
  }

  private static Stream<Change> plain(Change change) {
    return change instanceof Mending.MendChange(List<Change> changes, String says)
        ? changes.stream()
        : Stream.of(change);
  }
}
