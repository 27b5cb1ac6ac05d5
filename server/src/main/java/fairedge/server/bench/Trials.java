package fairedge.server.bench;

import fairedge.core.cut.PlaneFrame;
import fairedge.core.cut.Straight;
import fairedge.core.effort.Effort;
import fairedge.core.form.FoldMotions;
import fairedge.core.geometry.Tolerance;
import fairedge.core.local.Refusal;
import fairedge.core.mesh.Mesh;
import fairedge.core.step.Change;
import fairedge.core.step.Effect;
import fairedge.core.step.Forming;
import fairedge.core.step.Outcome;
import fairedge.core.step.Preview;
import fairedge.core.step.Workpiece;
import fairedge.core.work.View;
import fairedge.json.CheckView;
import fairedge.server.bench.PreviewView.GhostView;
import fairedge.server.bench.store.WorkpieceStore.Head;
import fairedge.server.inspection.Inspections.Checked;
import fairedge.server.platform.Problem;
import fairedge.server.platform.SignedIn;
import fairedge.server.platform.Turns;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Service;

/**
 * Tries pending changes out, by the code that will make them, and tells what would come of them.
 */
@Service
public class Trials {
  private final Workpieces workpieces;
  private final Workshop workshop;
  private final Settling settling;
  private final Checks checks;

  private final Turns turns;
  private final Duration longest;

  /** Of each workpiece for which a checked preview is under way, which is the last one. */
  private final Map<UUID, Long> last = new ConcurrentHashMap<>();

  Trials(
      Workpieces workpieces,
      Workshop workshop,
      Settling settling,
      Checks checks,
      Turns turns,
      @Value("${fair-edge.limits.preview}") Duration longest) {
    this.turns = turns;
    this.longest = longest;
    this.workpieces = workpieces;
    this.workshop = workshop;
    this.settling = settling;
    this.checks = checks;
  }

  /**
   * What is asked of a preview.
   *
   * @param hidden faces that whoever asks does not see
   */
  public record Trial(
      long revision, Change change, View view, List<Integer> hidden, boolean findings) {}

  /**
   * What was found while the change was in force.
   *
   * @param before what the check says now
   * @param after what the check has to look at: a copy of the mesh as it would be; null where
   *     nobody asked, the change is refused, or the check was made
   * @param check made while the change was in force
   */
  private record Trying(
      PreviewView quick, CheckView before, @Nullable Look after, @Nullable Checked check) {}

  /**
   * In no transaction: while it waits and checks it shall hold no connection.
   *
   * @throws Problem if the change takes too long to be tried out while somebody waits
   */
  public PreviewView preview(UUID id, SignedIn owner, Trial trial) {
    Head head = workpieces.require(id, owner);
    Workpieces.requireFresh(head, trial.revision());
    // Who is not told what the check says is not told what it would say either.
    boolean asks = trial.findings() && workshop.task(head).told().isAll();
    return turns.here(
        owner.id(),
        () ->
            asks
                ? checked(head, trial)
                : workshop.read(head, (now, held) -> quick(now, held, trial, null)).quick());
  }

  /**
   * The check runs on a copy, so that neither a step nor a quicker preview waits for it; one person
   * has few of them at a time.
   */
  private PreviewView checked(Head head, Trial trial) {
    Task task = workshop.task(head);
    long own = last.merge(head.id(), 1L, Long::sum);
    try {
      settling.settle(head);
      Trying tried = workshop.read(head, (now, held) -> quick(now, held, trial, task));
      Look after = tried.after();
      Checked check = tried.check();
      if (check == null && after != null) {
        // Who asks for the next one waits no more for this.
        check = checks.checkIf(head, task, after, () -> last.getOrDefault(head.id(), own) == own);
      }
      if (check == null) {
        return tried.quick();
      }
      workshop.foresee(head, trial.change(), check);
      return tried.quick().checked(tried.before(), check.check());
    } finally {
      last.remove(head.id(), own);
    }
  }

  /** Tries the change out, or says soon that it is too dear for that. */
  private Trying quick(Head now, Held held, Trial trial, @Nullable Task task) {
    return inTime(() -> tried(now, held, trial, task));
  }

  private <T> T inTime(Supplier<T> work) {
    try {
      return Effort.of(longest).<T, RuntimeException>here(work::get);
    } catch (Effort.Over over) {
      throw Problem.of(
          Problem.Kind.TOO_DEAR,
          "This takes too long to be shown beforehand: cut with fewer points at once, or fewer"
              + " faces.");
    }
  }

  /**
   * @param task by which findings are told; null where nobody asked for them
   */
  private Trying tried(Head now, Held held, Trial trial, @Nullable Task task) {
    Workpieces.requireFresh(now, trial.revision());
    record Seen(GhostView ghost, @Nullable Look look, @Nullable Checked check) {}
    Preview<Seen> preview =
        held.workpiece.preview(
            trial.change(),
            trial.hidden(),
            trial.view(),
            (mesh, outcome, touched) -> {
              if (!(outcome instanceof Outcome.Made made)) {
                return new Seen(GhostView.NONE, null, null);
              }
              GhostView ghost = Ghost.of(mesh, made.receipt());
              if (task == null) {
                return new Seen(ghost, null, null);
              }
              Look look = held.lookWith(touched, checks.room(task));
              return checks.isQuick(task, look)
                  ? new Seen(ghost, null, checks.checkInPlace(task, look))
                  : new Seen(ghost, look.copy(), null);
            });
    Mesh mesh = held.workpiece.mesh();
    PreviewView quick =
        quick(
            held.revision(),
            preview.outcome(),
            preview.effect(),
            preview.seen().ghost(),
            trial.change(),
            mesh);
    return new Trying(quick, held.check(), preview.seen().look(), preview.seen().check());
  }

  /**
   * What a change would do to a mesh that is kept.
   *
   * @param copy to be tried on
   */
  public PreviewView on(Mesh copy, Tolerance tolerance, Change change, View view) {
    Preview<GhostView> preview =
        inTime(() ->
            new Workpiece(copy, tolerance)
                .preview(
                    change,
                    view,
                    (mesh, outcome) ->
                        outcome instanceof Outcome.Made made
                            ? Ghost.of(mesh, made.receipt())
                            : GhostView.NONE));
    return quick(0, preview.outcome(), preview.effect(), preview.seen(), change, copy);
  }

  private static PreviewView quick(
      long revision, Outcome outcome, Effect effect, GhostView ghost, Change change, Mesh mesh) {
    return switch (outcome) {
      case Outcome.Refused refused -> PreviewView.refused(revision, refused.refusal(), mesh);
      case Outcome.Made made ->
          PreviewView.made(
              revision, effect.sentence(), made.receipt(), planeOf(change, mesh), ghost, mesh);
    };
  }

  /**
   * How panels would move on the way to a fold.
   *
   * @throws Problem if it is refused, or takes too long while somebody waits
   */
  public FoldMotions motions(UUID id, SignedIn owner, long revision, Change change) {
    Head head = workpieces.require(id, owner);
    if (!(change instanceof Forming.FoldChange fold)) {
      throw Problem.of(Problem.Kind.BAD_INPUT, "Only a fold can be played.");
    }
    return turns.here(
        owner.id(),
        () ->
            workshop.read(
                head,
                (now, held) -> {
                  Workpieces.requireFresh(now, revision);
                  return inTime(() -> played(held, fold));
                }));
  }

  private static FoldMotions played(Held held, Forming.FoldChange fold) {
    try {
      return held.workpiece.motions(fold);
    } catch (Refusal.Raised refused) {
      throw Problem.of(Problem.Kind.REFUSED, refused.refusal().reason());
    }
  }

  private static @Nullable PlaneFrame planeOf(Change change, Mesh mesh) {
    return change instanceof Change.StraightChange straight
        ? Straight.frame(mesh, straight.cut())
        : null;
  }
}
