package fairedge.server.bench;

import fairedge.core.geometry.Vec3;
import fairedge.core.inspect.Since;
import fairedge.core.mend.State;
import fairedge.core.mesh.ElementSet;
import fairedge.core.mesh.Mesh;
import fairedge.core.step.Change;
import fairedge.core.step.Guard;
import fairedge.core.step.Receipt;
import fairedge.core.step.Workpiece;
import fairedge.core.survey.Wanted;
import fairedge.json.CheckView;
import fairedge.server.bench.store.WorkpieceStore.Head;
import fairedge.server.inspection.Inspections;
import fairedge.server.inspection.Inspections.Checked;
import fairedge.server.inspection.Terms;
import java.util.BitSet;
import java.util.List;
import java.util.Objects;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.atomic.AtomicInteger;
import org.jspecify.annotations.Nullable;

/** A workpiece in memory as it stands after a step; whoever uses it holds its monitor. */
final class Held {
  Workpiece workpiece;
  List<Integer> chosen = List.of();

  /** What came of the last step; null where the mesh came to be as it is by another move. */
  @Nullable Receipt made;

  /** What of the steps that led here could not be made again; null where all could. */
  @Nullable String remark;

  private @Nullable Long step;
  private long revision;
  private Checked checked;

  /** By which the check was made. */
  private Terms terms;

  /** What was touched since the check; null where the mesh was made anew since. */
  private @Nullable ElementSet touched = new ElementSet();

  /** What the last move touched; null where it made the mesh anew. */
  private @Nullable ElementSet lastTouched = new ElementSet();

  private Guard guard = Guard.NONE;

  /** By what is marked the workpiece is guarded; null where it was made anew since. */
  private @Nullable Wanted guardedBy;

  private @Nullable Foreseen foreseen;
  private @Nullable Unchecked unchecked;

  /**
   * The check of the mesh before the one that is: what that is compared with. It ends when the
   * checks of earlier steps have come, in the order of the steps; null where that one failed.
   */
  CompletableFuture<@Nullable Checked> inOrder;

  /** How many checks of earlier steps are still to come. */
  final AtomicInteger owed = new AtomicInteger();

  /** What the check would say after a change, as a preview found it. */
  private record Foreseen(long revision, Change change, Checked checked) {}

  /**
   * The check is that of an earlier mesh.
   *
   * @param step that waits for its check; null where the mesh was gone back or forth to
   */
  record Unchecked(@Nullable Long step) {}

  Held(Workpiece workpiece, Head head, Checked checked, Terms terms, @Nullable String remark) {
    this.remark = remark;
    this.terms = terms;
    this.workpiece = workpiece;
    this.checked = checked;
    this.inOrder = CompletableFuture.completedFuture(checked);
    standsAt(head);
  }

  boolean isGuardedBy(Wanted wanted) {
    return wanted.equals(guardedBy);
  }

  void guard(Wanted by, Guard other) {
    workpiece.guard(other);
    guard = other;
    guardedBy = by;
  }

  /** Faces that can't be cut. */
  BitSet locked() {
    return guard.locked();
  }

  /** Goes on with a workpiece that was made anew. */
  void goOnWith(Workpiece anew, @Nullable String told) {
    workpiece = anew;
    remark = told;
    guardedBy = null;
  }

  /** Of the mesh as it is, or, if it waits for its check, as it was. */
  CheckView check() {
    return checked.check();
  }

  /** Whether the check is of the mesh as it is. */
  boolean isChecked() {
    return unchecked == null;
  }

  @Nullable Unchecked unchecked() {
    return unchecked;
  }

  /** After a move: the check is that of an earlier mesh now. */
  void moved(@Nullable ElementSet byIt) {
    lastTouched = byIt;
    touched = touched == null || byIt == null ? null : union(touched, byIt);
    unchecked = new Unchecked(null);
  }

  void checked(Checked check) {
    checked = check;
    inOrder = CompletableFuture.completedFuture(check);
    touched = new ElementSet();
    unchecked = null;
  }

  /** Where other terms hold by now, the check is one of before. */
  void countsBy(Terms now) {
    if (!now.countsLike(terms)) {
      terms = now;
      touched = null;
      unchecked = unchecked == null ? new Unchecked(null) : unchecked;
    }
  }

  /** The step that brought the mesh as it is waits for its check. */
  void waitsFor(long waiting) {
    unchecked = new Unchecked(waiting);
  }

  /**
   * What is found on the mesh as it is, for what would mend it; null where all is to be looked at.
   */
  @Nullable State state(Inspections inspections, Terms by) {
    return touched == null ? null : inspections.state(workpiece, by, checked.recall(), touched);
  }

  /** What a check of the mesh as it is has to look at, knowing the last check. */
  Look look(double room) {
    return lookAt(touched, room);
  }

  /** The same, knowing the check of the mesh before the last move. */
  Look lookAtLast(double room) {
    return lookAt(lastTouched, room);
  }

  /** What the last move touched; null where it made the mesh anew. */
  @Nullable ElementSet lastTouched() {
    return lastTouched;
  }

  /** The same while a change is in force that touches more; known is the last check. */
  Look lookWith(ElementSet more, double room) {
    return lookAt(touched == null ? null : union(touched, more), room);
  }

  private Look lookAt(@Nullable ElementSet since, double room) {
    Mesh mesh = workpiece.mesh();
    return since == null
        ? new Look(mesh, null)
        : new Look(mesh, new Since(checked.recall(), since, workpiece.near(since, room)));
  }

  private static ElementSet union(ElementSet a, ElementSet b) {
    ElementSet both = new ElementSet();
    both.add(a);
    both.add(b);
    return both;
  }

  void foresee(Change change, Checked check) {
    foreseen = new Foreseen(revision, change, check);
  }

  /** The check after a change that a preview foresaw on this very mesh; else null. */
  @Nullable Checked foreseen(Change change) {
    Foreseen f = foreseen;
    return f != null && f.revision == revision && f.change.equals(change) ? f.checked : null;
  }

  void standsAt(Head head) {
    step = head.headStep();
    revision = head.revision();
  }

  long revision() {
    return revision;
  }

  /**
   * A place on the model, to which positions are sent relative: single precision is enough then.
   */
  Vec3 origin() {
    Mesh mesh = workpiece.mesh();
    for (int v = 0; v < mesh.vertexEnd(); v++) {
      if (mesh.hasVertex(v) && mesh.hasPlace(v)) {
        return mesh.position(v);
      }
    }
    return Vec3.ZERO;
  }

  /**
   * Whether this is what the store has. The revision alone won't do: where a transaction failed at
   * its end, another node may have given the same revision to another step.
   */
  boolean isAt(Head head) {
    return revision == head.revision() && Objects.equals(step, head.headStep());
  }
}
