package fairedge.json;

import fairedge.core.local.Refusal;
import fairedge.core.mesh.Mesh;
import fairedge.core.step.Outcome;
import fairedge.core.step.Receipt;
import fairedge.core.work.Remark;
import fairedge.json.FindingView.ElementView;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * What came of a change, with edges by their vertices.
 *
 * @param made false if it was refused; then only the refusal is told
 * @param splitEdges edges that were there, each with all that it became
 * @param remarks sentences on what is worth knowing
 */
public record ReceiptView(
    boolean made,
    @Nullable RefusalView refusal,
    boolean changesNothing,
    List<Integer> newVertices,
    List<EdgeSplitView> splitEdges,
    List<List<Integer>> newEdges,
    List<FaceSplitView> splitFaces,
    List<Integer> newFaces,
    List<Integer> movedVertices,
    List<Integer> reshapedFaces,
    List<Integer> namedFaces,
    List<Integer> goneVertices,
    List<Integer> goneEdges,
    List<Integer> goneFaces,
    int usedVertices,
    List<String> remarks) {

  /** Why not, and where to look. */
  public record RefusalView(String reason, @Nullable ElementView element) {}

  /** An edge as it was, and what it became. */
  public record EdgeSplitView(List<Integer> from, List<List<Integer>> into) {}

  /** A face, how many sides it had, and what it became, itself among it. */
  public record FaceSplitView(int from, int sides, List<Integer> into) {}

  /**
   * @param mesh as it is after the change
   */
  public static ReceiptView of(Outcome outcome, Mesh mesh) {
    return switch (outcome) {
      case Outcome.Refused refused -> refused(refused.refusal(), mesh);
      case Outcome.Made made -> made(made.receipt(), mesh);
    };
  }

  private static ReceiptView refused(Refusal refusal, Mesh mesh) {
    ElementView element =
        refusal.element() == null ? null : ElementView.of(refusal.element(), mesh);
    return new ReceiptView(
        false,
        new RefusalView(refusal.reason(), element),
        true,
        List.of(),
        List.of(),
        List.of(),
        List.of(),
        List.of(),
        List.of(),
        List.of(),
        List.of(),
        List.of(),
        List.of(),
        List.of(),
        0,
        List.of());
  }

  private static ReceiptView made(Receipt receipt, Mesh mesh) {
    return new ReceiptView(
        true,
        null,
        receipt.changesNothing(),
        receipt.newVertices(),
        receipt.splitEdges().stream().map(s -> split(s, mesh)).toList(),
        receipt.newEdges().stream().map(e -> ends(e, mesh)).toList(),
        receipt.splitFaces().stream()
            .map(s -> new FaceSplitView(s.from(), s.sides(), s.into()))
            .toList(),
        receipt.newFaces(),
        receipt.movedVertices(),
        receipt.reshapedFaces(),
        receipt.namedFaces(),
        receipt.goneVertices(),
        receipt.goneEdges(),
        receipt.goneFaces(),
        receipt.usedVertices(),
        receipt.remarks().stream().map(Remark::text).toList());
  }

  private static List<Integer> ends(int edge, Mesh mesh) {
    return List.of(mesh.first(edge), mesh.second(edge));
  }

  /** The ends of the whole are those that only one of the pieces has. */
  private static EdgeSplitView split(Receipt.Split split, Mesh mesh) {
    List<List<Integer>> into = split.into().stream().map(e -> ends(e, mesh)).toList();
    List<Integer> single = new ArrayList<>();
    for (List<Integer> piece : into) {
      for (Integer v : piece) {
        if (!single.remove(v)) {
          single.add(v);
        }
      }
    }
    single.sort(null);
    return new EdgeSplitView(single, into);
  }

  /** In one line. */
  public String sentence() {
    if (refusal != null) {
      return "refused: " + refusal.reason();
    }
    String did =
        changesNothing
            ? "changes nothing."
            : "splits %d faces, adds %d vertices, uses %d."
                .formatted(splitFaces.size(), newVertices.size(), usedVertices);
    return remarks.isEmpty() ? did : did + " " + String.join(" ", remarks);
  }
}
