package fairedge.core.geometry;

/**
 * Every length below which two places count as one, scaled to a model.
 *
 * <p>The only place for such numbers. {@code scale} is the diagonal of the box round the vertices
 * in faces of the starter, fixed for the life of a workpiece and its attempts, so that a cut does
 * not change what the next cut merges.
 *
 * @param scale S in the unit of the mesh; positive
 */
public record Tolerance(double scale) {
  private static final double MERGE = 1e-7;
  private static final double WELD = 1e-6;
  private static final double UNSEEN = 1e-6;
  private static final double FLAT = 1e-4;
  private static final double BRIEF = 1e-3;
  private static final double SAME_PLACE = 1e-2;

  public Tolerance {
    if (!(scale > 0) || !Double.isFinite(scale)) {
      throw new IllegalArgumentException("the scale of a model is positive, not " + scale);
    }
  }

  /** Tolerances for a box; a mesh without extent is measured as if it were 1 long. */
  public static Tolerance of(Bounds bounds) {
    double diagonal = bounds.diagonal();
    return new Tolerance(diagonal > 0 && Double.isFinite(diagonal) ? diagonal : 1);
  }

  /** Computed points this near to a vertex are that vertex: 1e-7 S. */
  public double merge() {
    return MERGE * scale;
  }

  /** Vertices this near to each other are doubles, unless a distance is given: 1e-6 S. */
  public double weld() {
    return WELD * scale;
  }

  /** Surfaces this near to each other are one to the eye: 1e-6 S. */
  public double unseen() {
    return UNSEEN * scale;
  }

  /** A face whose corners all lie this near to its mean plane is flat: 1e-4 S. */
  public double flat() {
    return FLAT * scale;
  }

  /** An edge no longer than this is a sliver of the model, unless a distance is given: 1e-3 S. */
  public double brief() {
    return BRIEF * scale;
  }

  /** Findings of two attempts this near may be the same one: 1 % of S. */
  public double samePlace() {
    return SAME_PLACE * scale;
  }
}
