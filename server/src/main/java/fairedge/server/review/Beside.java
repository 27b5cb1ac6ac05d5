package fairedge.server.review;

import fairedge.core.format.wire.WireMessage;
import fairedge.core.mesh.Mesh;
import fairedge.core.survey.EdgeChange;
import fairedge.server.bench.Bench;
import fairedge.server.bench.MeshOutlet;
import fairedge.server.inspection.Gallery;
import fairedge.server.platform.Problem;
import fairedge.server.platform.SignedIn;
import fairedge.server.platform.Turns;
import fairedge.server.submission.Submission;
import fairedge.server.submission.Submissions;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;

/**
 * What is laid beside a hand-in: another attempt, the exercise's starter, a reference, or itself as
 * it was after one of its steps. In no transaction: while it is computed no connection is held.
 */
@Service
public class Beside {
  private final Submissions submissions;
  private final Solutions solutions;
  private final Gallery gallery;
  private final Bench bench;
  private final MeshOutlet outlet;
  private final Turns turns;

  Beside(
      Submissions submissions,
      Solutions solutions,
      Gallery gallery,
      Bench bench,
      MeshOutlet outlet,
      Turns turns) {
    this.submissions = submissions;
    this.solutions = solutions;
    this.gallery = gallery;
    this.bench = bench;
    this.outlet = outlet;
    this.turns = turns;
  }

  /** The sorts of what is laid beside. */
  public enum Laid {
    starter,
    /** By its number. */
    attempt,
    /** By the hash of its mesh. */
    reference,
    /** By the id of the step that it was made by. */
    step
  }

  /** As a message for the browser. */
  public byte[] mesh(UUID id, SignedIn account, Laid sort, String which) {
    Submissions.Seen seen = submissions.requireToSee(id, account);
    return turns.here(
        account.id(),
        () -> {
          Mesh mesh = find(seen, account, sort, which);
          return turns.bySize(
              account.id(),
              mesh.faceCount(),
              () -> WireMessage.whole(mesh, mesh.bounds().centre(), 0));
        });
  }

  /** Which edges the hand-in has beside it, and which it has not. */
  public EdgeChange edges(UUID id, SignedIn account, Laid sort, String which) {
    Submissions.Seen seen = submissions.requireToSee(id, account);
    return turns.here(
        account.id(),
        () -> {
          Mesh before = find(seen, account, sort, which);
          Mesh now = gallery.atHand(seen.submission().mesh());
          return turns.bySize(
              account.id(),
              Math.max(before.faceCount(), now.faceCount()),
              () -> EdgeChange.of(before, now, seen.assignment().exercise().tolerance()));
        });
  }

  private Mesh find(Submissions.Seen seen, SignedIn account, Laid sort, String which) {
    Submission s = seen.submission();
    return switch (sort) {
      case starter -> gallery.atHand(seen.assignment().exercise().starter());
      case attempt ->
          number(which)
              .flatMap(n ->
                  submissions.attempts(s.assignmentId(), s.studentId()).stream()
                      .filter(a -> a.attempt() == n)
                      .findFirst())
              .map(a -> gallery.atHand(a.mesh()))
              .orElseThrow(() -> Problem.notFound("attempt"));
      case reference ->
          gallery.atHand(solutions.require(s, seen.assignment(), seen.reviews(), which));
      case step -> outlet.after(step(s, which), account);
    };
  }

  /** One of the steps that were handed in, no other. */
  private long step(Submission s, String which) {
    return number(which)
        .filter(n -> bench.stepsTo(s.stepId()).stream().anyMatch(step -> step.id() == n))
        .orElseThrow(() -> Problem.notFound("step"));
  }

  private static Optional<Long> number(String text) {
    return text.matches("[0-9]{1,18}") ? Optional.of(Long.parseLong(text)) : Optional.empty();
  }
}
