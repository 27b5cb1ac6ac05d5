package fairedge.core.cut;

import fairedge.core.geometry.Vec3;
import fairedge.core.local.MeshEdit;
import java.util.function.IntUnaryOperator;

/**
 * Divides one face along lines of which it is known how they hang together: none crosses another or
 * runs through one's end. So nothing is decided by how near places lie. Cost: as for any cut of a
 * face.
 */
public final class PlanarCut {
  private final MeshEdit edit;
  private final int face;
  private final Arrangement plan;

  /**
   * @param shape the face's normal before any of its sides was split
   */
  public PlanarCut(MeshEdit edit, int face, Vec3 shape) {
    this.edit = edit;
    this.face = face;
    this.plan = new Arrangement(edit.mesh(), face, shape, 0, true);
  }

  /** The node of a vertex of the face. */
  public int corner(int vertex) {
    return plan.nodeOf(vertex);
  }

  /** A node for a place inside, that will be a vertex. */
  public int inside(Vec3 at) {
    return plan.addNode(at);
  }

  /** A line of which it is not known what lies beside it. */
  public void line(int from, int to) {
    plan.add(from, to);
  }

  /**
   * A line to the left of which all is of one kind, the same for all such lines of the face, and to
   * the right of another: where rounded places don't tell between which lines it runs, that does.
   */
  public void directed(int from, int to) {
    plan.add(from, to);
    plan.direct(from, to);
  }

  /**
   * @throws fairedge.core.local.Refusal.Raised where it can't be divided so
   */
  public void divide() {
    new FaceDivider(edit, face, plan).divide();
  }

  /**
   * By which lines run is told where neither places nor {@link #directed} tell it.
   *
   * @param kindOf of a corner of the face: 1 where it is of the kind to the left of directed lines,
   *     -1 where of that to the right, 0 where neither
   */
  public void told(IntUnaryOperator kindOf) {
    plan.tell(kindOf);
  }

  /** What became of a node. */
  public int vertexOf(int node) {
    return plan.vertexOf(node);
  }
}
