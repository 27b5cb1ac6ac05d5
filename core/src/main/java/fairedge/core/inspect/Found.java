package fairedge.core.inspect;

import fairedge.core.inspect.finding.Finding;
import fairedge.core.survey.Placement;
import fairedge.core.survey.Subject;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * What looking at a mesh gave, before anybody says how much it counts.
 *
 * @param findings by who found them
 * @param placement what brings the mesh to where the starter lies; null where it lies there
 */
record Found(
    Figures figures,
    Met met,
    List<List<Finding>> findings,
    List<LeftOut> leftOut,
    @Nullable Placement placement) {

  static Found of(Subject subject, Figures figures, List<List<Finding>> findings) {
    return new Found(
        figures, Met.of(subject), List.copyOf(findings), LeftOut.of(subject), subject.placement());
  }
}
