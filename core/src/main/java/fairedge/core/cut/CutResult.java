package fairedge.core.cut;

import java.util.List;

/**
 * What a cut did, beside what its journal tells.
 *
 * @param pieces its line, for the preview and the record
 * @param remarks sentences that a student should read before and after
 * @param usedVertices vertices that were there and are now ends of the cut
 */
public record CutResult(List<CutPiece> pieces, List<CutRemark> remarks, int usedVertices) {}
