package fairedge.core.lens;

/** Ways of looking at a whole mesh that say something of each of its places. */
public enum Lens {
  FLOW,
  POLES,
  SPACING,
  SHAPE_CHANGE,
  SUBDIVIDED
}
