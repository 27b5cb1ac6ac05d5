package fairedge.server.bench;

import fairedge.core.cut.PlaneFrame;
import fairedge.core.flow.Stop;
import fairedge.core.geometry.Vec3;
import fairedge.core.local.Refusal;
import fairedge.core.mesh.Mesh;
import fairedge.core.step.Receipt;
import fairedge.core.work.CutPiece;
import fairedge.core.work.CutPoint;
import fairedge.core.work.Remark;
import fairedge.json.CheckView;
import fairedge.json.CheckView.Altered;
import fairedge.json.FindingView;
import fairedge.json.FindingView.ElementView;
import fairedge.json.ReceiptView.RefusalView;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * What a pending change would do, from the code that would do it.
 *
 * @param revision the state it was tried on
 * @param refusal why it can't be made; then the rest is empty
 * @param sentence the first line of the slip
 * @param pieces the line of the cut
 * @param splitFaces the faces that it would split, as they are now
 * @param splitEdges the edges that it would split, as they are now
 * @param plane of a straight cut the first plane, by which it can be moved and turned
 * @param ghost the mesh as it would be, where it would be another
 * @param checked whether findings were asked for; else the last three say nothing
 * @param wouldMake findings that are not there now
 * @param wouldAlter findings that are there now and would be in another form
 * @param wouldMend how many that are there now would be gone
 */
public record PreviewView(
    long revision,
    @Nullable RefusalView refusal,
    String sentence,
    List<PieceView> pieces,
    List<RemarkView> remarks,
    List<Integer> splitFaces,
    List<Integer> splitEdges,
    boolean changesNothing,
    @Nullable PlaneFrame plane,
    GhostView ghost,
    boolean checked,
    List<FindingView> wouldMake,
    List<Altered> wouldAlter,
    int wouldMend) {

  /** A change that can't be made, on the mesh as it is. */
  static PreviewView refused(long revision, Refusal refusal, Mesh mesh) {
    return new PreviewView(
        revision,
        new RefusalView(refusal.reason(), ElementView.ofNullable(refusal.element(), mesh)),
        "",
        List.of(),
        List.of(),
        List.of(),
        List.of(),
        true,
        null,
        GhostView.NONE,
        true,
        List.of(),
        List.of(),
        0);
  }

  /** A change that can be made, on the mesh as it is, without what the check would say. */
  static PreviewView made(
      long revision,
      String sentence,
      Receipt receipt,
      @Nullable PlaneFrame plane,
      GhostView ghost,
      Mesh mesh) {
    return new PreviewView(
        revision,
        null,
        sentence,
        receipt.pieces().stream().map(PieceView::of).toList(),
        receipt.remarks().stream().map(r -> RemarkView.of(r, mesh)).toList(),
        receipt.splitFaces().stream().map(Receipt.FaceSplit::from).toList(),
        receipt.splitEdges().stream().map(Receipt.Split::from).toList(),
        receipt.changesNothing(),
        plane,
        ghost,
        false,
        List.of(),
        List.of(),
        0);
  }

  /** The same with what the check would say. */
  PreviewView checked(CheckView before, CheckView after) {
    return new PreviewView(
        revision,
        refusal,
        sentence,
        pieces,
        remarks,
        splitFaces,
        splitEdges,
        changesNothing,
        plane,
        ghost,
        true,
        after.newSince(before),
        after.alteredSince(before),
        before.newSince(after).size());
  }

  /**
   * What would be drawn otherwise.
   *
   * @param lines edges that would come, or lie elsewhere: six numbers each, from and to
   * @param goneEdges edges that would go
   * @param goneFaces faces that would go
   * @param more whether there are more lines than are told
   */
  public record GhostView(
      List<Double> lines, List<Integer> goneEdges, List<Integer> goneFaces, boolean more) {
    static final GhostView NONE = new GhostView(List.of(), List.of(), List.of(), false);
  }

  /** A remark with its place; {@code stop} says what stops a loop there. */
  public record RemarkView(
      String text, @Nullable ElementView element, @Nullable Vec3 at, @Nullable StopView stop) {
    static RemarkView of(Remark r, Mesh mesh) {
      return new RemarkView(
          r.text(), ElementView.ofNullable(r.element(), mesh), r.at(), StopView.of(r.stop()));
    }
  }

  /** What stops a loop. */
  public enum StopView {
    border,
    triangle,
    ngon,
    crowded,
    notChosen;

    static @Nullable StopView of(Stop.@Nullable Cause cause) {
      return cause == null ? null : values()[cause.ordinal()];
    }
  }

  /** One piece of the line; angles in degrees, lengths in the exercise's unit. */
  public record PieceView(
      List<PointView> points,
      List<Integer> stretches,
      double length,
      @Nullable Double toLast,
      @Nullable Double toEdge) {
    static PieceView of(CutPiece p) {
      return new PieceView(
          p.points().stream().map(PointView::of).toList(),
          p.stretches(),
          p.length(),
          p.toLast(),
          p.toEdge());
    }
  }

  /** A place on the line, what becomes of it, and the direction of the edge it lies on. */
  public record PointView(Vec3 at, UseView use, @Nullable Vec3 edge) {
    /** What becomes of a place. */
    public enum UseView {
      fresh,
      used,
      crossing,
      sight,
      runOn
    }

    static PointView of(CutPoint p) {
      UseView use =
          switch (p.use()) {
            case NEW -> UseView.fresh;
            case USED -> UseView.used;
            case CROSSING -> UseView.crossing;
            case SIGHT -> UseView.sight;
            case RUN_ON -> UseView.runOn;
          };
      return new PointView(p.at(), use, p.edge());
    }
  }
}
