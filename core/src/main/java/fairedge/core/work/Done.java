package fairedge.core.work;

import java.util.List;
import java.util.stream.Stream;

/**
 * What a change did, beside what its journal tells.
 *
 * @param pieces its line, for the preview and the record
 * @param remarks sentences that a student should read before and after
 * @param usedVertices how many vertices that were there are ends of the cut now
 * @param chosen what comes back as chosen
 */
public record Done(List<CutPiece> pieces, List<Remark> remarks, int usedVertices, Chosen chosen) {
  public Done(List<CutPiece> pieces, List<Remark> remarks, int usedVertices) {
    this(pieces, remarks, usedVertices, Chosen.NOTHING);
  }

  /** The same with more to tell. */
  public Done telling(List<Remark> more) {
    return more.isEmpty()
        ? this
        : new Done(
            pieces, Stream.concat(remarks.stream(), more.stream()).toList(), usedVertices, chosen);
  }
}
