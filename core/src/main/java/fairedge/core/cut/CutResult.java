package fairedge.core.cut;

import java.util.List;

/**
 * What a change did, beside what its journal tells.
 *
 * @param pieces its line, for the preview and the record
 * @param remarks sentences that a student should read before and after
 * @param usedVertices how many vertices that were there are ends of the cut now
 * @param chosen faces that come back as chosen
 */
public record CutResult(
    List<CutPiece> pieces, List<CutRemark> remarks, int usedVertices, List<Integer> chosen) {
  public CutResult(List<CutPiece> pieces, List<CutRemark> remarks, int usedVertices) {
    this(pieces, remarks, usedVertices, List.of());
  }
}
