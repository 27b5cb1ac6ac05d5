package fairedge.picture;

import fairedge.core.geometry.Vec3;
import fairedge.core.inspect.Severity;
import fairedge.core.inspect.finding.Finding;
import fairedge.core.inspect.finding.Kind;

/** The mark of a finding: where, of what form, how heavy. */
public record Mark(Kind kind, Severity severity, Vec3 place) {
  public static Mark of(Finding finding, Severity severity) {
    return new Mark(finding.kind(), severity, finding.place());
  }
}
