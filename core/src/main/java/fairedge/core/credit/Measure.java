package fairedge.core.credit;

/** A number of a whole mesh by which credits go. */
public enum Measure {
  /** Percent of the faces that are quads; none of no face. */
  QUADS,
  /** Percent of the edges of faces that lie in complete loops. */
  COMPLETE_LOOPS,
  /** Faces beyond the budget; 0 within it, or where there is none. */
  OVER_BUDGET,
  /** Percent of the length of the required lines along which edges run; all where none is. */
  LINES_MET,
  /** The largest distance of the surface from the starter's, in its unit; 0 where not asked. */
  MOVED
}
