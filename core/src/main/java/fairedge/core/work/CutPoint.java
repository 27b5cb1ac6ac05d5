package fairedge.core.work;

import fairedge.core.geometry.Vec3;
import org.jspecify.annotations.Nullable;

/**
 * A place that a cut makes or uses, as it is drawn while the cut is pending.
 *
 * @param edge the direction of the edge on which it lies; null where it lies on none, or on a
 *     vertex
 */
public record CutPoint(Vec3 at, Use use, @Nullable Vec3 edge) {
  /** What becomes of the place. */
  public enum Use {
    /** A new vertex at an end or bend of the cut. */
    NEW,
    /** A vertex that was there. */
    USED,
    /** A new vertex where the cut crosses an edge between two of its ends. */
    CROSSING,
    /** A sight-line ends inside a face here; the line goes on past it to the next place. */
    SIGHT,
    /** The cut runs on to the border of a face here, past the end of a sight-line. */
    RUN_ON
  }
}
