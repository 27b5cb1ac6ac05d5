package fairedge.core.cut;

/** How deep a cut goes. */
public enum Reach {
  /** Only surface that the eye sees. */
  FRONT,
  /** Everything in its way, back faces too. */
  THROUGH
}
