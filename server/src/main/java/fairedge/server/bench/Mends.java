package fairedge.server.bench;

import fairedge.core.effort.Effort;
import fairedge.core.inspect.Report.Assessed;
import fairedge.core.inspect.Severity;
import fairedge.core.mend.Mender;
import fairedge.core.mend.Offer;
import fairedge.core.mend.State;
import fairedge.core.mend.Sweep;
import fairedge.server.bench.store.WorkpieceStore.Head;
import fairedge.server.inspection.Inspections;
import fairedge.server.platform.Problem;
import fairedge.server.platform.SignedIn;
import fairedge.server.platform.Turns;
import java.time.Duration;
import java.util.List;
import java.util.UUID;
import java.util.function.BiFunction;
import java.util.function.Predicate;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Service;

/** What would mend the findings of a workpiece: tried on it, and made only by whoever asks then. */
@Service
public class Mends {
  private final Workpieces workpieces;
  private final Workshop workshop;
  private final Settling settling;
  private final Inspections inspections;
  private final Turns turns;
  private final Duration longest;

  Mends(
      Workpieces workpieces,
      Workshop workshop,
      Settling settling,
      Inspections inspections,
      Turns turns,
      @Value("${fair-edge.limits.preview}") Duration longest) {
    this.workpieces = workpieces;
    this.workshop = workshop;
    this.settling = settling;
    this.inspections = inspections;
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
          Assessed target =
              state.report().findings().stream()
                  .filter(a -> a.finding().key().equals(finding))
                  .findFirst()
                  .orElseThrow(() -> Problem.notFound("finding"));
          Offer offer = new Mender(held.workpiece, state, hidden).of(target.finding());
          return new MendsView(
              revision,
              finding,
              offer.mends().stream().map(MendsView.MendView::of).toList(),
              offer.reason());
        });
  }

  /**
   * All findings of a kind, or all that must and should be mended, as one step.
   *
   * @param kind null for all
   */
  public MendsView.AllView all(
      UUID id, SignedIn owner, long revision, @Nullable String kind, List<Integer> hidden) {
    Predicate<Assessed> which =
        kind == null
            ? a -> a.severity() != Severity.REMARK
            : a -> a.finding().kind().key().equals(kind);
    return with(
        id,
        owner,
        revision,
        (held, state) -> {
          Sweep sweep = Sweep.of(held.workpiece, state, hidden, which, done -> {});
          return new MendsView.AllView(
              revision,
              sweep.changes().isEmpty() ? null : sweep.change(),
              sweep.mended().size(),
              sweep.left().size());
        });
  }

  private <T> T with(UUID id, SignedIn owner, long revision, BiFunction<Held, State, T> work) {
    Head head = workpieces.require(id, owner);
    Workpieces.requireFresh(head, revision);
    Task task = workshop.task(head);
    if (!task.view().mends()) {
      throw Problem.of(
          Problem.Kind.NOT_ALLOWED,
          "This exercise shows no mends now: in practice they are always shown.");
    }
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
