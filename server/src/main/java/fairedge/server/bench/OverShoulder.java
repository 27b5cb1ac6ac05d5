package fairedge.server.bench;

import fairedge.core.format.wire.WireMessage;
import fairedge.core.inspect.Profile;
import fairedge.core.mesh.Mesh;
import fairedge.server.bench.store.WorkpieceStore;
import fairedge.server.bench.store.WorkpieceStore.Head;
import fairedge.server.exercise.Told;
import fairedge.server.platform.Problem;
import fairedge.server.platform.SignedIn;
import fairedge.server.platform.Turns;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;

/**
 * Workpieces of others, to be looked at by whoever may: that is the caller's to see to. Nothing
 * here changes any.
 */
@Service
public class OverShoulder {
  private final WorkpieceStore store;
  private final Workshop workshop;
  private final Settling settling;
  private final Turns turns;

  OverShoulder(WorkpieceStore store, Workshop workshop, Settling settling, Turns turns) {
    this.store = store;
    this.workshop = workshop;
    this.settling = settling;
    this.turns = turns;
  }

  /**
   * How a workpiece stands, without its mesh.
   *
   * @param last the last step in force; null: the starter
   */
  public record Glance(
      UUID workpiece, Owner owner, UUID account, long revision, @Nullable StepView last) {}

  /** When a step was made, and how many must be mended after it; 0 while that is not known. */
  public record Moment(Instant at, int must) {}

  /** Cost: two rows. */
  public Optional<Glance> glance(UUID workpiece) {
    return store
        .find(workpiece)
        .map(head ->
            new Glance(
                workpiece,
                head.owner(),
                head.accountId(),
                head.revision(),
                head.headStep() == null ? null : store.step(head.headStep())));
  }

  /** The steps made since a time, in their order; the last one of all in any case. */
  public List<Moment> lately(UUID workpiece, Instant since) {
    return store.lately(workpiece, since);
  }

  /** What a workpiece is cut for. */
  public TaskView task(UUID workpiece) {
    return workshop.task(head(workpiece)).view();
  }

  /** By which of the built-in profiles it can be checked when it is cut freely. */
  public String profile(UUID workpiece) {
    String name = workshop.task(head(workpiece)).terms().profile().name();
    return Profile.builtIn().stream().anyMatch(p -> p.name().equals(name))
        ? name
        : Profile.ALL_QUADS.name();
  }

  /** All of it, with everything that the check says. */
  public WorkpieceView state(UUID workpiece, SignedIn onlooker) {
    Head head = head(workpiece);
    return turns.here(
        onlooker.id(),
        () -> {
          settling.settle(head);
          return workshop.read(head, this::view);
        });
  }

  private WorkpieceView view(Head head, Held held) {
    Task task = workshop.task(head);
    Task whole = new Task(task.view(), task.terms(), Told.ALL, true);
    return WorkpieceView.of(whole, head, held, store.steps(head.id()));
  }

  /** Its mesh as a message for the browser, at whichever revision it is by then. */
  public byte[] mesh(UUID workpiece, SignedIn onlooker) {
    Head head = head(workpiece);
    return turns.here(
        onlooker.id(),
        () ->
            workshop.read(
                head,
                (now, held) ->
                    WireMessage.whole(held.workpiece.mesh(), held.origin(), held.revision())));
  }

  /** A copy, to be drawn when there is time. */
  public Mesh copy(UUID workpiece) {
    return workshop.read(head(workpiece), (now, held) -> held.workpiece.mesh().copy());
  }

  private Head head(UUID workpiece) {
    return store.find(workpiece).orElseThrow(() -> Problem.notFound("workpiece"));
  }
}
