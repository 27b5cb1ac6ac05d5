package fairedge.server.bench;

import fairedge.core.flow.Choosing;
import fairedge.core.format.wire.WireMessage;
import fairedge.core.mesh.ElementSet;
import fairedge.core.mesh.Mesh;
import fairedge.core.step.Change;
import fairedge.core.step.Effect;
import fairedge.core.step.Outcome;
import fairedge.core.step.Receipt;
import fairedge.core.survey.Marking;
import fairedge.core.work.View;
import fairedge.json.CheckView;
import fairedge.json.FindingView.ElementView;
import fairedge.server.bench.store.WorkpieceStore;
import fairedge.server.bench.store.WorkpieceStore.Head;
import fairedge.server.bench.store.WorkpieceStore.NewStep;
import fairedge.server.inspection.Inspections.Checked;
import fairedge.server.platform.JobQueue;
import fairedge.server.platform.Problem;
import fairedge.server.platform.SignedIn;
import fairedge.server.platform.Turns;
import java.time.Clock;
import java.time.Duration;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.UUID;
import java.util.function.BiFunction;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;

/**
 * Workpieces: opening, previews, steps. A step is in the store before it is confirmed; a request
 * names the revision it was aimed at, and its own key, so that it can be repeated safely. In no
 * transaction: while meshes are made, changed and checked no connection is held; that a workpiece
 * goes from one revision to the next only once is the store's.
 */
@Service
public class Bench {
  private static final int STEPS_BETWEEN_SNAPSHOTS = 25;
  private static final int LONGEST_NAME = 60;
  private static final int MOST_TRIES = 20;

  private final WorkpieceStore store;
  private final Workpieces workpieces;
  private final Tasks tasks;
  private final Workshop workshop;
  private final Guards guards;
  private final Settling settling;
  private final Checks checks;
  private final JobQueue jobs;
  private final Turns turns;
  private final ApplicationEventPublisher events;
  private final Duration longest;
  private final Clock clock;

  Bench(
      WorkpieceStore store,
      Workpieces workpieces,
      Tasks tasks,
      Workshop workshop,
      Guards guards,
      Settling settling,
      Checks checks,
      JobQueue jobs,
      Turns turns,
      ApplicationEventPublisher events,
      @Value("${fair-edge.limits.step}") Duration longest,
      Clock clock) {
    this.turns = turns;
    this.events = events;
    this.longest = longest;
    this.store = store;
    this.workpieces = workpieces;
    this.tasks = tasks;
    this.workshop = workshop;
    this.guards = guards;
    this.settling = settling;
    this.checks = checks;
    this.jobs = jobs;
    this.clock = clock;
  }

  /** What a step, an undo or a redo is asked with. */
  public record Asked(long revision, UUID clientKey) {}

  /** A new state, and what of the mesh changed to get there (or all of it). */
  public record Stepped(StandsView state, byte[] mesh) {}

  /** Somebody's workpiece for this; made at the first call. */
  public WorkpieceView open(Owner owner, SignedIn account) {
    tasks.requireToOpen(owner, account);
    return state(store.openFor(owner, account.id(), clock.instant()), account);
  }

  /** As it stands, with the check of the mesh as it is. */
  public WorkpieceView state(UUID id, SignedIn student) {
    Head head = workpieces.require(id, student);
    return turns.here(
        student.id(),
        () -> {
          settling.settle(head);
          return workshop.read(head, this::view);
        });
  }

  /** How it stands now, if it went on from a revision: in another window, or on another machine. */
  public Optional<Stepped> since(UUID id, SignedIn student, long revision) {
    Head head = workpieces.require(id, student);
    if (head.revision() == revision) {
      return Optional.empty();
    }
    return Optional.of(
        read(student, head, (now, held) -> new Stepped(view(now, held), whole(held))));
  }

  private <T> T read(SignedIn student, Head head, BiFunction<Head, Held, T> reading) {
    return turns.here(student.id(), () -> workshop.read(head, reading));
  }

  public byte[] mesh(UUID id, SignedIn student) {
    Head head = workpieces.require(id, student);
    return read(student, head, (now, held) -> whole(held));
  }

  /**
   * How a workpiece stands, all of it at one moment.
   *
   * @param mesh a copy
   * @param owner what it is cut for
   * @param step the last in force
   */
  public record Standing(Mesh mesh, Owner owner, @Nullable Long step) {}

  /**
   * @throws fairedge.server.platform.Problem if it is not the account's
   */
  public void requireMine(UUID id, SignedIn account) {
    workpieces.require(id, account);
  }

  /** How it stands at a revision. */
  public Standing standing(UUID id, SignedIn student, long revision) {
    Head head = workpieces.require(id, student);
    return read(
        student,
        head,
        (now, held) -> {
          Workpieces.requireFresh(now, revision);
          return new Standing(held.workpiece.mesh().copy(), now.owner(), now.headStep());
        });
  }

  /** What else to choose, from what is chosen. */
  public ChosenView choose(
      UUID id, SignedIn student, long revision, ChosenView.Way way, ChosenView from) {
    Head head = workpieces.require(id, student);
    return read(
        student,
        head,
        (now, held) -> {
          Workpieces.requireFresh(now, revision);
          return switch (way) {
            case partedOff -> partedOff(held);
            case markedHard -> from.withMore(markedHard(now, held));
            default -> ChosenView.grown(held.workpiece.mesh(), way, from);
          };
        });
  }

  private static ChosenView partedOff(Held held) {
    Mesh mesh = held.workpiece.mesh();
    Receipt made = held.made;
    List<Integer> faces = made == null ? List.of() : new Choosing(mesh).partedBy(made.line(mesh));
    return new ChosenView(faces, List.of(), List.of());
  }

  private List<Integer> markedHard(Head head, Held held) {
    return Marking.hardEdges(
        workshop.task(head).terms().wanted(), held.workpiece.mesh(), held.workpiece.tolerance());
  }

  /** Makes a change with all faces in sight. */
  public Stepped step(UUID id, SignedIn student, Asked asked, Change change, View view) {
    return step(id, student, asked, change, view, List.of());
  }

  /**
   * Makes a change and keeps it as a step; a refusal is a problem, and nothing changes.
   *
   * @param hidden faces that whoever asks does not see: none of them is altered
   */
  public Stepped step(
      UUID id,
      SignedIn student,
      Asked asked,
      Change change,
      View view,
      Collection<Integer> hidden) {
    return move(
        id,
        student,
        asked,
        (head, task, held) -> {
          Receipt receipt = requireMade(held, change, hidden);
          Effect effect = Effect.of(held.workpiece.mesh(), receipt, view);
          ElementSet touched = held.workpiece.lastTouched().orElseThrow();
          CheckView before = held.check();
          Checked foreseen = held.foreseen(change);
          if (foreseen != null) {
            held.checked(foreseen);
          } else {
            checks.checkOrWait(task, held, touched);
          }
          held.chosen = receipt.chosen().faces();
          held.made = receipt;
          After after =
              held.isChecked()
                  ? After.of(change, effect, before, held.check())
                  : After.unchecked(change, effect);
          NewStep step = new NewStep(change, view, after);
          WorkpieceStore.Added added =
              store.addStep(head, step, asked.clientKey(), clock.instant());
          StepView kept = added.step();
          if (!held.isChecked()) {
            held.waitsFor(kept.id());
          }
          if (kept.number() % STEPS_BETWEEN_SNAPSHOTS == 0) {
            jobs.add(SnapshotJob.NAME, Long.toString(kept.id()), JobQueue.Rank.USUAL);
          }
          return new Moved(touched, added.head(), kept);
        });
  }

  private static Receipt requireMade(Held held, Change change, Collection<Integer> hidden) {
    return switch (held.workpiece.apply(change, hidden)) {
      case Outcome.Made made -> {
        if (made.receipt().changesNothing()) {
          throw Problem.of(Problem.Kind.REFUSED, "This cut changes nothing.");
        }
        yield made.receipt();
      }
      case Outcome.Refused refused -> {
        ElementView element =
            ElementView.ofNullable(refused.refusal().element(), held.workpiece.mesh());
        throw Problem.of(
            Problem.Kind.REFUSED,
            refused.refusal().reason(),
            element == null ? Map.of() : Map.of("element", element));
      }
    };
  }

  /** Takes the last step back; it is kept, so that it can be made again. */
  public Stepped undo(UUID id, SignedIn student, Asked asked) {
    return move(
        id,
        student,
        asked,
        (head, task, held) -> {
          if (head.headStep() == null) {
            throw Problem.of(Problem.Kind.BAD_INPUT, "There is no step to take back.");
          }
          Long parent = store.told(head.headStep()).parent();
          ElementSet touched = null;
          if (held.workpiece.stepCount() > 0) {
            touched = held.workpiece.undo();
          } else {
            workshop.rebuildAt(held, head, parent);
          }
          checks.checkOrWait(task, held, touched);
          return new Moved(touched, store.moveTo(head, parent, asked.clientKey()));
        });
  }

  /** Makes again the step that was taken back last. */
  public Stepped redo(UUID id, SignedIn student, Asked asked) {
    return move(
        id,
        student,
        asked,
        (head, task, held) -> {
          OptionalLong next = store.findNext(head);
          if (next.isEmpty()) {
            throw Problem.of(Problem.Kind.BAD_INPUT, "There is no step to make again.");
          }
          ElementSet touched = null;
          if (store.leadsElsewhere(next.getAsLong())) {
            workshop.rebuildAt(held, head, next.getAsLong());
          } else {
            requireMade(held, store.change(next.getAsLong()), List.of());
            touched = held.workpiece.lastTouched().orElseThrow();
          }
          checks.checkOrWait(task, held, touched);
          return new Moved(touched, store.moveTo(head, next.getAsLong(), asked.clientKey()));
        });
  }

  /**
   * Goes to the state after any step ever made, or to the starter. Later steps and other branches
   * are kept.
   */
  public Stepped goTo(UUID id, SignedIn student, Asked asked, @Nullable Long step) {
    return move(
        id,
        student,
        asked,
        (head, task, held) -> {
          if (step != null && !store.hasStep(id, step)) {
            throw Problem.notFound("step");
          }
          workshop.rebuildAt(held, head, step);
          checks.checkOrWait(task, held, null);
          return new Moved(null, store.moveTo(head, step, asked.clientKey()));
        });
  }

  /** Gives the state after a step a name, or takes it away. */
  public WorkpieceView name(UUID id, SignedIn student, long step, String name) {
    Head head = workpieces.require(id, student);
    if (!store.hasStep(id, step)) {
      throw Problem.notFound("step");
    }
    String trimmed = name.strip();
    if (trimmed.length() > LONGEST_NAME) {
      throw Problem.of(
          Problem.Kind.BAD_INPUT, "A name has at most %d letters.".formatted(LONGEST_NAME));
    }
    store.nameStep(step, trimmed);
    return read(student, head, this::view);
  }

  /** One move from a revision to the next. */
  private interface Move {
    Moved make(Head head, Task task, Held held);
  }

  /**
   * @param touched what of the mesh changed; null if it was made anew
   * @param head where the workpiece stands then
   * @param made the step that was added; null where it was gone to another
   */
  private record Moved(@Nullable ElementSet touched, Head head, @Nullable StepView made) {
    Moved(@Nullable ElementSet touched, Head head) {
      this(touched, head, null);
    }
  }

  private Stepped move(UUID id, SignedIn student, Asked asked, Move move) {
    return turns.here(
        student.id(),
        longest,
        () -> {
          Optional<Stepped> moved = Optional.empty();
          for (int i = 0; moved.isEmpty() && i < MOST_TRIES; i++) {
            moved = moved(id, student, asked, move);
          }
          return moved.orElseThrow(Workpieces::stale);
        });
  }

  /** Empty where the workpiece was moved between the look and the move: look again. */
  private Optional<Stepped> moved(UUID id, SignedIn student, Asked asked, Move move) {
    WorkpieceStore.Known known = workpieces.require(id, student, asked.clientKey());
    Head head = known.head();
    if (known.isAnswered()) {
      return Optional.of(
          workshop.read(head, (now, held) -> new Stepped(view(now, held), whole(held))));
    }
    Workpieces.requireFresh(head, asked.revision());
    try {
      return workshop.ifAt(head, held -> made(head, held, move));
    } catch (WorkpieceStore.MovedMeanwhile elsewhere) {
      return Optional.empty();
    }
  }

  private Stepped made(Head head, Held held, Move move) {
    Task task = tasks.of(head.owner(), head.accountId());
    guards.keep(held, task.terms());
    settling.settleLater(head, task, held);
    held.chosen = List.of();
    held.made = null;
    Moved moved = move.make(head, task, held);
    held.standsAt(moved.head());
    events.publishEvent(new WorkMoved(head.id()));
    byte[] message = moved.touched() == null ? whole(held) : delta(held, moved.touched(), head);
    return new Stepped(view(task, moved, held), message);
  }

  private static byte[] delta(Held held, ElementSet touched, Head before) {
    return WireMessage.delta(
        held.workpiece.mesh(), held.origin(), touched, before.revision(), held.revision());
  }

  private static byte[] whole(Held held) {
    return WireMessage.whole(held.workpiece.mesh(), held.origin(), held.revision());
  }

  private StandsView view(Task task, Moved moved, Held held) {
    if (moved.touched() == null) {
      return view(task, moved.head(), held);
    }
    CheckView check = held.isChecked() ? task.told().of(held.check()) : null;
    if (moved.made() == null) {
      return new WentView(held.revision(), moved.head().headStep(), check);
    }
    StepView made = moved.made().told(task.told());
    return new MadeView(held.revision(), made, check, held.chosen);
  }

  private WorkpieceView view(Head head, Held held) {
    return view(tasks.of(head.owner(), head.accountId()), head, held);
  }

  private WorkpieceView view(Task task, Head head, Held held) {
    return WorkpieceView.of(task, head, held, store.steps(head.id()));
  }

  /** How whoever cut saw the model at each of them. */
  public List<View> viewsTo(@Nullable Long step) {
    return store.viewsTo(step);
  }

  /** The changes in force at a step, in their order. */
  public List<Change> changesTo(@Nullable Long step) {
    return store.changes(0, step).stream().map(WorkpieceStore.Numbered::change).toList();
  }

  /** The steps in force at a step, for a review of what was handed in after it. */
  public List<StepView> stepsTo(@Nullable Long step) {
    return store.stepsTo(step);
  }
}
