package fairedge.server.bench;

import fairedge.core.cut.View;
import fairedge.core.format.wire.WireMessage;
import fairedge.core.mesh.ElementSet;
import fairedge.core.mesh.Mesh;
import fairedge.core.step.Change;
import fairedge.core.step.Effect;
import fairedge.core.step.Outcome;
import fairedge.core.step.Receipt;
import fairedge.json.CheckView;
import fairedge.json.FindingView.ElementView;
import fairedge.server.bench.store.WorkpieceStore;
import fairedge.server.bench.store.WorkpieceStore.Head;
import fairedge.server.bench.store.WorkpieceStore.NewStep;
import fairedge.server.exercise.Exercises;
import fairedge.server.inspection.Inspections.Checked;
import fairedge.server.platform.JobQueue;
import fairedge.server.platform.Problem;
import fairedge.server.platform.SignedIn;
import fairedge.server.practice.Practice;
import fairedge.server.practice.Practices;
import java.time.Clock;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.UUID;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * Workpieces: opening, previews, steps. A step is in the store before it is confirmed; a request
 * names the revision it was aimed at, and its own key, so that it can be repeated safely.
 */
@Service
public class Bench {
  private static final int STEPS_BETWEEN_SNAPSHOTS = 25;
  private static final int LONGEST_NAME = 60;

  private final WorkpieceStore store;
  private final Workpieces workpieces;
  private final Exercises exercises;
  private final Practices practices;
  private final Tasks tasks;
  private final Workshop workshop;
  private final JobQueue jobs;
  private final Clock clock;

  Bench(
      WorkpieceStore store,
      Workpieces workpieces,
      Exercises exercises,
      Practices practices,
      Tasks tasks,
      Workshop workshop,
      JobQueue jobs,
      Clock clock) {
    this.store = store;
    this.workpieces = workpieces;
    this.exercises = exercises;
    this.practices = practices;
    this.tasks = tasks;
    this.workshop = workshop;
    this.jobs = jobs;
    this.clock = clock;
  }

  /** What a step, an undo or a redo is asked with. */
  public record Asked(long revision, UUID clientKey) {}

  /** A new state, and what of the mesh changed to get there (or all of it). */
  public record Stepped(StandsView state, byte[] mesh) {}

  /** The working copy of a student in an exercise; made at the first call. */
  @Transactional
  public WorkpieceView open(UUID exerciseId, SignedIn student) {
    exercises.requireForStudent(exerciseId, student);
    UUID id = store.openFor(exerciseId, student.id(), clock.instant());
    return state(id, student);
  }

  /** The workpiece of a practice piece; made at the first call. */
  @Transactional
  public WorkpieceView openPractice(UUID practiceId, SignedIn account) {
    Practice practice = practices.requireOf(account, practiceId);
    return state(store.openFor(practice, clock.instant()), account);
  }

  /** As it stands, with the check of the mesh as it is. */
  public WorkpieceView state(UUID id, SignedIn student) {
    Head head = workpieces.require(id, student);
    workshop.settle(head);
    return workshop.read(head, this::view);
  }

  /** How it stands now, if it went on from a revision: in another window, or on another machine. */
  @Transactional(readOnly = true)
  public Optional<Stepped> since(UUID id, SignedIn student, long revision) {
    Head head = workpieces.require(id, student);
    if (head.revision() == revision) {
      return Optional.empty();
    }
    return Optional.of(
        workshop.read(head, (now, held) -> new Stepped(view(now, held), whole(held))));
  }

  @Transactional(readOnly = true)
  public byte[] mesh(UUID id, SignedIn student) {
    Head head = workpieces.require(id, student);
    return workshop.read(head, (now, held) -> whole(held));
  }

  /** A copy of the mesh as it is now, and the step that made it so. */
  @Transactional(readOnly = true)
  public <T> T look(UUID id, SignedIn student, long revision, Function<Mesh, T> look) {
    Head head = workpieces.require(id, student);
    return workshop.read(
        head,
        (now, held) -> {
          Workpieces.requireFresh(now, revision);
          return look.apply(held.workpiece.mesh());
        });
  }

  /** The last step in force, if there is one. */
  @Transactional(readOnly = true)
  public @Nullable Long headStep(UUID id, SignedIn student) {
    return workpieces.require(id, student).headStep();
  }

  /** What else to choose, from what is chosen. */
  @Transactional(readOnly = true)
  public ChosenView choose(
      UUID id, SignedIn student, long revision, ChosenView.Way way, ChosenView from) {
    return look(id, student, revision, mesh -> ChosenView.grown(mesh, way, from));
  }

  /** Makes a change and keeps it as a step; a refusal is a problem, and nothing changes. */
  @Transactional
  public Stepped step(UUID id, SignedIn student, Asked asked, Change change, View view) {
    return move(
        id,
        student,
        asked,
        (head, task, held) -> {
          Receipt receipt = requireMade(held, change);
          Effect effect = Effect.of(held.workpiece.mesh(), receipt, view);
          ElementSet touched = held.workpiece.lastTouched().orElseThrow();
          CheckView before = held.check();
          Checked foreseen = held.foreseen(change);
          if (foreseen != null) {
            held.checked(foreseen);
          } else {
            workshop.checkOrWait(task, held, touched);
          }
          held.chosen = receipt.chosen();
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
            jobs.add(SnapshotJob.NAME, Long.toString(kept.id()));
          }
          return new Moved(touched, added.head(), kept);
        });
  }

  private static Receipt requireMade(Held held, Change change) {
    return switch (held.workpiece.apply(change)) {
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
  @Transactional
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
          workshop.checkOrWait(task, held, touched);
          return new Moved(touched, store.moveTo(head, parent, asked.clientKey()));
        });
  }

  /** Makes again the step that was taken back last. */
  @Transactional
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
          requireMade(held, store.change(next.getAsLong()));
          ElementSet touched = held.workpiece.lastTouched().orElseThrow();
          workshop.checkOrWait(task, held, touched);
          return new Moved(touched, store.moveTo(head, next.getAsLong(), asked.clientKey()));
        });
  }

  /**
   * Goes to the state after any step ever made, or to the starter. Later steps and other branches
   * are kept.
   */
  @Transactional
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
          workshop.checkOrWait(task, held, null);
          return new Moved(null, store.moveTo(head, step, asked.clientKey()));
        });
  }

  /** Gives the state after a step a name, or takes it away. */
  @Transactional
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
    return workshop.read(head, this::view);
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
    WorkpieceStore.Locked locked = workpieces.lock(id, student, asked.clientKey());
    Head head = locked.head();
    if (locked.isAnswered()) {
      return workshop.with(head, held -> new Stepped(view(head, held), whole(held)));
    }
    Workpieces.requireFresh(head, asked.revision());
    return workshop.with(
        head,
        held -> {
          Task task = tasks.of(head);
          workshop.settleLater(head, task, held);
          held.chosen = List.of();
          Moved moved = move.make(head, task, held);
          held.standsAt(moved.head());
          byte[] message =
              moved.touched() == null ? whole(held) : delta(held, moved.touched(), head);
          return new Stepped(view(task, moved, held), message);
        });
  }

  private static byte[] delta(Held held, ElementSet touched, Head before) {
    return WireMessage.delta(
        held.workpiece.mesh(), held.origin(), touched, before.revision(), held.revision());
  }

  private static byte[] whole(Held held) {
    return WireMessage.whole(held.workpiece.mesh(), held.origin(), held.revision());
  }

  private StandsView view(Task task, Moved moved, Held held) {
    if (moved.made() == null) {
      return view(task, moved.head(), held);
    }
    CheckView check = held.isChecked() ? held.check() : null;
    return new MadeView(held.revision(), moved.made(), check, held.chosen);
  }

  private WorkpieceView view(Head head, Held held) {
    return view(tasks.of(head), head, held);
  }

  private WorkpieceView view(Task task, Head head, Held held) {
    Steps steps = Steps.seenFrom(head.headStep(), store.steps(head.id()));
    return new WorkpieceView(
        head.id(),
        task.view(),
        head.revision(),
        steps.inForce(),
        steps.beside(),
        !steps.inForce().isEmpty(),
        steps.canBeMadeAgain(),
        steps.keptAt(),
        held.check(),
        held.isChecked(),
        held.chosen);
  }

  /** The steps in force at a step, for a review of what was handed in after it. */
  @Transactional(readOnly = true)
  public List<StepView> stepsTo(@Nullable Long step) {
    return store.stepsTo(step);
  }
}
