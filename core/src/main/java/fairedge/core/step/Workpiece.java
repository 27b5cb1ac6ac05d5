package fairedge.core.step;

import fairedge.core.cut.CutResult;
import fairedge.core.cut.Refusal;
import fairedge.core.cut.View;
import fairedge.core.geometry.Tolerance;
import fairedge.core.local.Journal;
import fairedge.core.local.MeshEdit;
import fairedge.core.mesh.ElementSet;
import fairedge.core.mesh.Mesh;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.Optional;
import java.util.function.Function;

/**
 * A working copy in memory: a mesh, and the journals of the steps made on it, to take back.
 * Replaying the same changes on the same starter gives the same bytes. For one thread at a time.
 */
public final class Workpiece {
  private final Mesh mesh;
  private final Tolerance tolerance;
  private final Deque<Journal> steps = new ArrayDeque<>();

  /**
   * @param mesh the starter or a later state; taken over
   * @param tolerance by the scale of the starter, fixed for the workpiece's life
   */
  public Workpiece(Mesh mesh, Tolerance tolerance) {
    this.mesh = mesh;
    this.tolerance = tolerance;
  }

  public Mesh mesh() {
    return mesh;
  }

  public Tolerance tolerance() {
    return tolerance;
  }

  /** How many steps can be taken back. */
  public int stepCount() {
    return steps.size();
  }

  /**
   * Makes a change, or leaves the mesh as it was and says why. One that changes nothing is no step.
   * Cost: what the change touches.
   */
  public Outcome apply(Change change) {
    MeshEdit edit = new MeshEdit(mesh);
    Outcome outcome = tryOut(change, edit);
    if (outcome instanceof Outcome.Made made && !made.receipt().changesNothing()) {
      steps.push(edit.journal());
    }
    return outcome;
  }

  /** What the last step touched; empty before the first step. */
  public Optional<ElementSet> lastTouched() {
    return Optional.ofNullable(steps.peek()).map(Journal::touched);
  }

  private Outcome tryOut(Change change, MeshEdit edit) {
    try {
      CutResult result = change.applyTo(edit, tolerance);
      Receipt receipt = Receipt.of(edit.journal(), result);
      return new Outcome.Made(receipt);
    } catch (Refusal.Raised refused) {
      edit.undoAll();
      return new Outcome.Refused(refused.refusal());
    } catch (RuntimeException broken) {
      // Our bug: but the workpiece stays whole, so that nothing is lost by it.
      edit.undoAll();
      throw broken;
    }
  }

  /**
   * Tries a change out by the very code that will make it, and takes it back.
   *
   * @param view how the user sees the model
   * @param look run on the mesh while the change is in force (as it is, if refused)
   */
  public <T> Preview<T> preview(Change change, View view, Function<Mesh, T> look) {
    MeshEdit edit = new MeshEdit(mesh);
    Outcome outcome = tryOut(change, edit);
    T seen = look.apply(mesh);
    if (outcome instanceof Outcome.Made made) {
      Effect effect = Effect.of(mesh, made.receipt(), view);
      edit.undoAll();
      return new Preview<>(outcome, effect, seen);
    }
    return new Preview<>(outcome, new Effect(0, 0, 0, 0, 0, 0), seen);
  }

  /**
   * Takes the last step back; the mesh has the bytes it had before it.
   *
   * @return what changed by it
   * @throws IllegalStateException if there is no step left
   */
  public ElementSet undo() {
    Journal last = steps.poll();
    if (last == null) {
      throw new IllegalStateException("no step to take back");
    }
    MeshEdit.resume(mesh, last).undoAll();
    return last.touched();
  }
}
