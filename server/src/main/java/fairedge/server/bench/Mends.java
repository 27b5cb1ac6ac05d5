package fairedge.server.bench;

import fairedge.core.effort.Effort;
import fairedge.core.inspect.Report.Assessed;
import fairedge.core.inspect.Severity;
import fairedge.core.mend.Mender;
import fairedge.core.mend.Offer;
import fairedge.core.mend.State;
import fairedge.core.mend.Sweep;
import fairedge.core.mesh.Mesh;
import fairedge.core.step.Change;
import fairedge.core.step.Outcome;
import fairedge.core.step.Workpiece;
import fairedge.server.bench.store.WorkpieceStore.Head;
import fairedge.server.inspection.Inspections;
import fairedge.server.inspection.Terms;
import fairedge.server.platform.Problem;
import fairedge.server.platform.SignedIn;
import fairedge.server.platform.Turns;
import java.time.Duration;
import java.util.List;
import java.util.UUID;
import java.util.function.BiFunction;
import java.util.function.Predicate;
import java.util.function.Supplier;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Service;

/** What would mend the findings of a workpiece: tried on it, and made only by whoever asks then. */
@Service
public class Mends {
  /** So long a sweep is waited for before it is said how far it is. */
  private static final Duration PATIENCE = Duration.ofMillis(400);

  private final Workpieces workpieces;
  private final Workshop workshop;
  private final Settling settling;
  private final Inspections inspections;
  private final Guards guards;
  private final Sweeps sweeps;
  private final Turns turns;
  private final Duration longest;

  Mends(
      Workpieces workpieces,
      Workshop workshop,
      Settling settling,
      Inspections inspections,
      Guards guards,
      Sweeps sweeps,
      Turns turns,
      @Value("${fair-edge.limits.preview}") Duration longest) {
    this.workpieces = workpieces;
    this.workshop = workshop;
    this.settling = settling;
    this.inspections = inspections;
    this.guards = guards;
    this.sweeps = sweeps;
    this.turns = turns;
    this.longest = longest;
  }

  /**
   * What cures one finding.
   *
   * @param finding its key
   * @param hidden faces that whoever asks does not see
   * @throws Problem if they are not shown to him, or it takes too long while he waits
   */
  public MendsView of(
      UUID id, SignedIn owner, long revision, String finding, List<Integer> hidden) {
    return with(
        id,
        owner,
        revision,
        (held, state) -> {
          Offer offer = offer(held.workpiece, state, finding, hidden);
          return MendsView.of(revision, finding, offer);
        });
  }

  private static Offer offer(
      Workpiece workpiece, State state, String finding, List<Integer> hidden) {
    Assessed target =
        state.report().findings().stream()
            .filter(a -> a.finding().key().equals(finding))
            .findFirst()
            .orElseThrow(() -> Problem.notFound("finding"));
    return new Mender(workpiece, state, hidden).of(target.finding());
  }

  /**
   * What cures one finding of a mesh that is kept: to whoever may see it, at any time.
   *
   * @param copy to be tried on
   * @throws Problem if nothing is found under the key
   */
  public MendsView of(Mesh copy, Terms terms, String finding) {
    Workpiece workpiece = guards.on(copy, terms);
    return MendsView.of(
        0, finding, offer(workpiece, inspections.state(workpiece, terms), finding, List.of()));
  }

  /**
   * Makes a change of a mesh that is kept.
   *
   * @param copy is changed
   * @throws Problem if it is refused
   */
  public Mesh after(Mesh copy, Terms terms, Change change) {
    if (guards.on(copy, terms).apply(change) instanceof Outcome.Refused refused) {
      throw Problem.of(Problem.Kind.REFUSED, refused.refusal().reason());
    }
    return copy;
  }

  /**
   * All findings of some kinds, or all that must and should be mended, as one step. It is asked for
   * until it is there.
   *
   * @param kinds none for all
   */
  public MendsView.AllView all(
      UUID id, SignedIn owner, long revision, List<String> kinds, List<Integer> hidden) {
    Head head = workpieces.require(id, owner);
    Workpieces.requireFresh(head, revision);
    Terms terms = requireShown(head).terms();
    settling.settle(head);
    Predicate<Assessed> which =
        kinds.isEmpty()
            ? a -> a.severity() != Severity.REMARK
            : a -> kinds.contains(a.finding().kind().key());
    Sweeps.Running running =
        sweeps.of(
            owner,
            new Sweeps.Asked(id, revision, kinds, hidden),
            progress -> {
              Workpiece copy =
                  workshop.read(
                      head,
                      (now, held) -> {
                        Workpieces.requireFresh(now, revision);
                        return held.workpiece.copyOn(held.workpiece.mesh().copy());
                      });
              return Sweep.of(copy, inspections.state(copy, terms), hidden, which, progress);
            });
    return running
        .await(PATIENCE)
        .map(sweep -> MendsView.AllView.of(revision, sweep))
        .orElseGet(() -> MendsView.AllView.underWay(revision, running.dealt(), running.of()));
  }

  /** Ends what is under way for a person. */
  public void stop(UUID id, SignedIn owner) {
    workpieces.require(id, owner);
    sweeps.stop(owner, id);
  }

  private Task requireShown(Head head) {
    Task task = workshop.task(head);
    if (!task.view().mends()) {
      throw Problem.of(
          Problem.Kind.NOT_ALLOWED,
          "This exercise shows no mends now: in practice they are always shown.");
    }
    return task;
  }

  private <T> T with(UUID id, SignedIn owner, long revision, BiFunction<Held, State, T> work) {
    Head head = workpieces.require(id, owner);
    Workpieces.requireFresh(head, revision);
    Task task = requireShown(head);
    settling.settle(head);
    return turns.here(
        owner.id(),
        () ->
            workshop.read(
                head,
                (now, held) -> {
                  Workpieces.requireFresh(now, revision);
                  State state = held.state(inspections, task.terms());
                  if (state == null) {
                    throw Problem.of(
                        Problem.Kind.TOO_DEAR, "The check of this state is not there yet.");
                  }
                  return inTime(() -> work.apply(held, state));
                }));
  }

  private <T> T inTime(Supplier<T> work) {
    try {
      return Effort.of(longest).<T, RuntimeException>here(work::get);
    } catch (Effort.Over over) {
      throw Problem.of(
          Problem.Kind.TOO_DEAR, "What would mend this takes too long to be found here.");
    }
  }
}
