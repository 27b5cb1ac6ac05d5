package fairedge.core.meet;

/** How a patch of one skin lies to the other. */
enum Lying {
  OUTSIDE,
  INSIDE,
  /** On it, both looking alike. */
  SAME,
  /** On it, looking at each other. */
  OPPOSITE
}
