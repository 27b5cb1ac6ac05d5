package fairedge.core.inspect;

import java.util.BitSet;
import org.jspecify.annotations.Nullable;

/**
 * What an inspection found out at great cost, to be kept for the next inspection of the same mesh
 * after a step: it looks again only at what lies near to what the step touched. Fixed once made.
 */
public final class Recall {
  /** Who found it: by another profile or starter it would not hold. */
  private final Inspector by;

  private final Gathered gathered;

  Recall(Inspector by, Gathered gathered) {
    this.by = by;
    this.gathered = gathered;
  }

  boolean isBy(Inspector inspector) {
    return by.asksLike(inspector);
  }

  Gathered gathered() {
    return gathered;
  }

  /** Filled by the finders; null is what was not looked for, or is too much to be kept. */
  static final class Gathered {
    /** Faces that cross. */
    @Nullable Pairs crossing;

    /** Vertices, and the edges that they touch. */
    @Nullable Pairs touching;

    /** Vertices within the weld distance. */
    @Nullable Pairs doubles;

    /** Edges that the starter does not have. */
    @Nullable BitSet fresh;
  }
}
