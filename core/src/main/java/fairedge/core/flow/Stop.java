package fairedge.core.flow;

import fairedge.core.mesh.Mesh;

/**
 * Why a ring does not run on past an edge.
 *
 * @param cause what is there
 * @param edge the last edge of the ring on this side
 * @param face the face that stops it, or {@link Mesh#NONE} at a border or crowded edge
 * @param sides how many sides that face has; 0 without one
 */
public record Stop(Cause cause, int edge, int face, int sides) {
  /** What stops a ring. */
  public enum Cause {
    BORDER,
    TRIANGLE,
    NGON,
    CROWDED,
    /** A face that may not be cut. */
    NOT_CHOSEN
  }

  public static Stop border(int edge) {
    return new Stop(Cause.BORDER, edge, Mesh.NONE, 0);
  }

  public static Stop crowded(int edge) {
    return new Stop(Cause.CROWDED, edge, Mesh.NONE, 0);
  }

  public static Stop notChosen(int edge, int face, int sides) {
    return new Stop(Cause.NOT_CHOSEN, edge, face, sides);
  }

  public static Stop face(int edge, int face, int sides) {
    return new Stop(sides == 3 ? Cause.TRIANGLE : Cause.NGON, edge, face, sides);
  }
}
