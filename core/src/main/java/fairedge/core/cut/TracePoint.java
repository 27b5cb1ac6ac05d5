package fairedge.core.cut;

import fairedge.core.work.View;
import java.util.Objects;

/**
 * One point of a trace.
 *
 * @param view the view in which the segment that ends here was drawn; that of a run's first point
 *     is not used
 */
public record TracePoint(Anchor anchor, View view) {
  public TracePoint {
    Objects.requireNonNull(anchor, "anchor");
    Objects.requireNonNull(view, "view");
  }
}
