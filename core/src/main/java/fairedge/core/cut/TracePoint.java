package fairedge.core.cut;

/**
 * One point of a trace.
 *
 * @param view the view in which the segment that ends here was drawn; that of a run's first point
 *     is not used
 */
public record TracePoint(Anchor anchor, View view) {}
