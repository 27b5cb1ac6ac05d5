package fairedge.core.step;

import fairedge.core.cut.CutResult;
import fairedge.core.cut.Loops;
import fairedge.core.cut.Refusal;
import fairedge.core.cut.Trace;
import fairedge.core.cut.TracePoint;
import fairedge.core.geometry.Tolerance;
import fairedge.core.local.MeshEdit;
import fairedge.core.near.FaceTree;
import java.util.List;

/**
 * What was asked: a value that can be written as JSON and replayed. The same change on the same
 * mesh gives the same bytes on every machine.
 */
public sealed interface Change {

  /**
   * @param near the faces of the mesh as they were before the edit began
   * @throws Refusal.Raised with the edit half done; the caller takes it back
   */
  CutResult applyTo(MeshEdit edit, Tolerance tolerance, FaceTree near);

  /** A cut from point to point over the surface in view. */
  record TraceChange(List<TracePoint> points) implements Change {
    public TraceChange {
      points = List.copyOf(points);
    }

    @Override
    public CutResult applyTo(MeshEdit edit, Tolerance tolerance, FaceTree near) {
      return Trace.cut(edit, tolerance.merge(), near, points);
    }
  }

  /**
   * An edge loop across the ring of an edge.
   *
   * @param fraction from the edge's first vertex (lower id) to its second
   */
  record LoopsChange(int edge, double fraction) implements Change {
    @Override
    public CutResult applyTo(MeshEdit edit, Tolerance tolerance, FaceTree near) {
      return Loops.cut(edit, tolerance.merge(), edge, fraction);
    }
  }
}
