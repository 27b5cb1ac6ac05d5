package fairedge.server.bench;

import fairedge.core.cut.View;
import fairedge.core.mesh.Mesh;
import fairedge.core.step.Change;
import fairedge.core.step.Outcome;
import fairedge.core.step.Preview;
import fairedge.core.step.Receipt;
import fairedge.json.CheckView;
import fairedge.json.FindingView.ElementView;
import fairedge.server.bench.PreviewView.GhostView;
import fairedge.server.bench.PreviewView.PieceView;
import fairedge.server.bench.PreviewView.RefusalView;
import fairedge.server.bench.PreviewView.RemarkView;
import fairedge.server.bench.PreviewView.StopView;
import fairedge.server.bench.Workshop.Held;
import fairedge.server.bench.store.WorkpieceStore.Head;
import fairedge.server.platform.SignedIn;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * Tries pending changes out, by the code that will make them, and tells what would come of them.
 */
@Service
public class Trials {
  private final Workpieces workpieces;
  private final Workshop workshop;

  Trials(Workpieces workpieces, Workshop workshop) {
    this.workpieces = workpieces;
    this.workshop = workshop;
  }

  /** What is asked of a preview. */
  public record Trial(long revision, Change change, View view, boolean findings) {}

  @Transactional(readOnly = true)
  public PreviewView preview(UUID id, SignedIn student, Trial trial) {
    Head head = workpieces.require(id, student);
    Workpieces.requireFresh(head, trial.revision());
    return workshop.with(head, held -> preview(head, held, trial));
  }

  /** The mesh as it would be, and what the check would say of it, if it was asked. */
  private record Seen(GhostView ghost, @Nullable CheckView check) {}

  private PreviewView preview(Head head, Held held, Trial trial) {
    Preview<Seen> preview =
        held.workpiece.preview(
            trial.change(),
            trial.view(),
            (mesh, outcome) -> {
              if (!(outcome instanceof Outcome.Made made)) {
                return new Seen(GhostView.NONE, null);
              }
              CheckView check = trial.findings() ? workshop.check(head, held.workpiece) : null;
              return new Seen(Ghost.of(mesh, made.receipt()), check);
            });
    if (preview.seen().check() != null) {
      held.foresee(trial.change(), preview.seen().check());
    }
    return previewView(held, preview);
  }

  private static PreviewView previewView(Held held, Preview<Seen> preview) {
    Mesh mesh = held.workpiece.mesh();
    return switch (preview.outcome()) {
      case Outcome.Refused refused ->
          new PreviewView(
              held.revision(),
              new RefusalView(
                  refused.refusal().reason(),
                  ElementView.ofNullable(refused.refusal().element(), mesh)),
              "",
              List.of(),
              List.of(),
              List.of(),
              List.of(),
              true,
              GhostView.NONE,
              true,
              List.of(),
              List.of(),
              0);
      case Outcome.Made made -> {
        Receipt receipt = made.receipt();
        CheckView after = preview.seen().check();
        yield new PreviewView(
            held.revision(),
            null,
            preview.effect().sentence(),
            receipt.pieces().stream().map(PieceView::of).toList(),
            receipt.remarks().stream()
                .map(r ->
                    new RemarkView(
                        r.text(),
                        ElementView.ofNullable(r.element(), mesh),
                        r.at(),
                        StopView.of(r.stop())))
                .toList(),
            receipt.splitFaces().stream().map(Receipt.FaceSplit::from).toList(),
            receipt.splitEdges().stream().map(Receipt.Split::from).toList(),
            receipt.changesNothing(),
            preview.seen().ghost(),
            after != null,
            after == null ? List.of() : after.newSince(held.check),
            after == null ? List.of() : after.alteredSince(held.check),
            after == null ? 0 : held.check.newSince(after).size());
      }
    };
  }
}
