package fairedge.core.survey;

import org.jspecify.annotations.Nullable;

/**
 * What is known of places, to be kept for the next look at the same mesh: filled by those who look.
 * Null is what was not looked for, or is too much to be kept.
 */
public final class Gathered {
  /** Faces that cross. */
  public @Nullable Pairs crossing;

  /** Vertices, and the edges that they touch. */
  public @Nullable Pairs touching;

  /** Vertices within the weld distance. */
  public @Nullable Pairs doubles;
}
