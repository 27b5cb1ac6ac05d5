package fairedge.core.step;

import fairedge.core.form.Fold;
import fairedge.core.form.FoldMotions;
import fairedge.core.geometry.Tolerance;
import fairedge.core.local.Journal;
import fairedge.core.local.MeshEdit;
import fairedge.core.local.Refusal;
import fairedge.core.mesh.ElementSet;
import fairedge.core.mesh.Mesh;
import fairedge.core.near.FaceTree;
import fairedge.core.work.Done;
import fairedge.core.work.Site;
import fairedge.core.work.View;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.Collection;
import java.util.Deque;
import java.util.List;
import java.util.Optional;
import java.util.function.BiFunction;

/**
 * A working copy in memory: a mesh, and the journals of the steps made on it, to take back.
 * Replaying the same changes on the same starter gives the same bytes. For one thread at a time.
 */
public final class Workpiece {
  /** Of the engine: raised whenever a change may come out otherwise than it did. */
  public static final int ENGINE = 5;

  private final Mesh mesh;
  private final Tolerance tolerance;
  private final FaceTree near;
  private final Deque<Step> steps = new ArrayDeque<>();
  private final Deque<Change> undone = new ArrayDeque<>();
  private long weight;
  private Guard guard = Guard.NONE;

  /**
   * @param weight of the journal
   */
  private record Step(Change change, Journal journal, long weight) {
    Step(Change change, Journal journal) {
      this(change, journal, journal.weight());
    }
  }

  /**
   * @param mesh the starter or a later state; taken over
   * @param tolerance by the scale of the starter, fixed for the workpiece's life
   */
  public Workpiece(Mesh mesh, Tolerance tolerance) {
    this.mesh = mesh;
    this.tolerance = tolerance;
    this.near = new FaceTree(mesh);
  }

  public Mesh mesh() {
    return mesh;
  }

  public Tolerance tolerance() {
    return tolerance;
  }

  /** From now on refuses what alters what is guarded; steps that were made stay as they are. */
  public void guard(Guard guard) {
    this.guard = guard;
  }

  /** How many steps can be taken back. */
  public int stepCount() {
    return steps.size();
  }

  /** About how many bytes its steps take in memory, beside the mesh. */
  public long weight() {
    return weight;
  }

  /**
   * Makes a change, or leaves the mesh as it was and says why. One that changes nothing is no step.
   * After a step those taken back before can't be made again. Cost: what the change touches.
   */
  public Outcome apply(Change change) {
    return apply(change, List.of());
  }

  /**
   * The same, or refused where it would alter a face that whoever asks does not see. Only who asks
   * for it first is spared so: made again, it comes out alike.
   *
   * @param hidden ids of faces
   */
  public Outcome apply(Change change, Collection<Integer> hidden) {
    int before = steps.size();
    Outcome outcome = step(change, hidden, guard);
    if (steps.size() > before) {
      undone.clear();
    }
    return outcome;
  }

  private Outcome step(Change change, Collection<Integer> hidden, Guard guard) {
    MeshEdit edit = new MeshEdit(mesh);
    Outcome outcome = tryOut(change, hidden, edit, guard);
    near.update(edit.journal().touched().faces());
    if (outcome instanceof Outcome.Made made && !made.receipt().changesNothing()) {
      steps.push(new Step(change, edit.journal()));
      weight += steps.element().weight();
    }
    return outcome;
  }

  /** Another of the same mesh, without its steps, guarded alike. */
  public Workpiece copyOn(Mesh copy) {
    Workpiece other = new Workpiece(copy, tolerance);
    other.guard(guard);
    return other;
  }

  /** What the last step touched; empty before the first step. */
  public Optional<ElementSet> lastTouched() {
    return Optional.ofNullable(steps.peek()).map(step -> step.journal().touched());
  }

  private Outcome tryOut(Change change, Collection<Integer> hidden, MeshEdit edit, Guard guard) {
    // A change that limits itself knows what is hidden, and tells of it.
    boolean limits = hidden.isEmpty() || !change.scope().hidden().isEmpty();
    Spared spared = new Spared(mesh, limits ? List.of() : hidden, tolerance.flat());
    try {
      Done result = change.applyTo(new Site(edit, tolerance, near, change.scope()));
      guard.requireKept(mesh, edit.journal().touched());
      Done told = result.telling(spared.requireKept(edit.journal()));
      Receipt receipt = Receipt.of(edit.journal(), told);
      if (receipt.changesNothing()) {
        // What was made on the way and went again leaves no gap in the ids.
        takeBack(edit);
      }
      return new Outcome.Made(receipt);
    } catch (Refusal.Raised refused) {
      takeBack(edit);
      return new Outcome.Refused(refused.refusal());
    } catch (RuntimeException | Error broken) {
      // Our bug, or too much: but the workpiece stays whole, so that nothing is lost by it.
      takeBack(edit);
      throw broken;
    }
  }

  /**
   * The faces that lie so near to what was touched, and the touched ones; also from within the look
   * of a preview. Cost: what is touched, and log n for each of it.
   */
  public BitSet near(ElementSet touched, double room) {
    return near.near(touched, room);
  }

  private void takeBack(MeshEdit edit) {
    edit.undoAll();
    near.update(edit.journal().touched().faces());
  }

  /**
   * Tries a change out by the very code that will make it, and takes it back.
   *
   * @param view how the user sees the model
   * @param look run on the mesh while the change is in force (as it is, if refused)
   */
  public <T> Preview<T> preview(Change change, View view, BiFunction<Mesh, Outcome, T> look) {
    return preview(change, view, (tried, outcome, touched) -> look.apply(tried, outcome));
  }

  /** What looks at the mesh while a change is in force. */
  @FunctionalInterface
  public interface Look<T> {
    /**
     * @param touched what the change touched
     */
    T at(Mesh mesh, Outcome outcome, ElementSet touched);
  }

  /** The same, with what the change touched. */
  public <T> Preview<T> preview(Change change, View view, Look<T> look) {
    return preview(change, List.of(), view, look);
  }

  /** The same, sparing faces that are not seen. */
  public <T> Preview<T> preview(
      Change change, Collection<Integer> hidden, View view, Look<T> look) {
    MeshEdit edit = new MeshEdit(mesh);
    Outcome outcome = tryOut(change, hidden, edit, guard);
    try {
      T seen = look.at(mesh, outcome, edit.journal().touched());
      Effect effect =
          outcome instanceof Outcome.Made made
              ? Effect.of(mesh, made.receipt(), view)
              : Effect.NONE;
      return new Preview<>(outcome, effect, seen);
    } finally {
      takeBack(edit);
    }
  }

  /** Says what to do next, one after the other. */
  @FunctionalInterface
  public interface Course {
    /**
     * @param mesh as the last of them left it
     * @param made so far
     * @return nothing when all is done
     */
    Optional<Change> next(Mesh mesh, List<Receipt> made);
  }

  /** What looks at the mesh while several changes are in force. */
  @FunctionalInterface
  public interface Hearing<T> {
    /**
     * @param touched by all of them
     */
    T at(Mesh mesh, List<Change> changes, ElementSet touched);
  }

  /**
   * Tries several changes, each aimed at what the one before left, and takes all back.
   *
   * @param hidden ids of faces that are not seen
   * @return what was seen after the last; nothing where one is refused or none is made
   */
  public <T> Optional<T> rehearse(Course course, Collection<Integer> hidden, Hearing<T> hearing) {
    Deque<MeshEdit> edits = new ArrayDeque<>();
    try {
      List<Change> changes = new ArrayList<>();
      List<Receipt> receipts = new ArrayList<>();
      ElementSet touched = new ElementSet();
      for (Optional<Change> next = course.next(mesh, receipts);
          next.isPresent();
          next = course.next(mesh, receipts)) {
        MeshEdit edit = new MeshEdit(mesh);
        if (!(tryOut(next.get(), hidden, edit, guard) instanceof Outcome.Made made)) {
          return Optional.empty();
        }
        // One that changes nothing was taken back; made again in one step with the others it would
        // leave a gap in the ids, and those after it would name other elements.
        if (!made.receipt().changesNothing()) {
          edits.push(edit);
          ElementSet own = edit.journal().touched();
          near.update(own.faces());
          touched.add(own);
          changes.add(next.get());
          receipts.add(made.receipt());
        }
      }
      return changes.isEmpty() ? Optional.empty() : Optional.of(hearing.at(mesh, changes, touched));
    } finally {
      edits.forEach(this::takeBack);
    }
  }

  /**
   * How panels would move on the way to a fold; nothing is changed.
   *
   * @throws Refusal.Raised as the fold itself
   */
  public FoldMotions motions(Forming.FoldChange fold) {
    Site site = new Site(new MeshEdit(mesh), tolerance, near, fold.scope());
    return Fold.motions(site, fold.hinges(), fold.held());
  }

  /**
   * Takes the last step back; the mesh has the bytes it had before it.
   *
   * @return what changed by it
   * @throws IllegalStateException if there is no step left
   */
  public ElementSet undo() {
    Step last = steps.poll();
    if (last == null) {
      throw new IllegalStateException("no step to take back");
    }
    weight -= last.weight();
    undone.push(last.change());
    takeBack(MeshEdit.resume(mesh, last.journal()));
    return last.journal().touched();
  }

  public boolean canRedo() {
    return !undone.isEmpty();
  }

  /**
   * Makes the step that was taken back last once more; the mesh has the bytes it had after it.
   *
   * @return what changed by it
   * @throws IllegalStateException if there is none
   */
  public ElementSet redo() {
    if (undone.isEmpty()) {
      throw new IllegalStateException("no step to make again");
    }
    int before = steps.size();
    // It was made when it was allowed.
    step(undone.pop(), List.of(), Guard.NONE);
    if (steps.size() == before) {
      throw new IllegalStateException("a step that was made once was refused");
    }
    return steps.element().journal().touched();
  }
}
