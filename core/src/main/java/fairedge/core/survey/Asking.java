package fairedge.core.survey;

import fairedge.core.geometry.Tolerance;
import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.MeshBuilder;
import fairedge.core.near.SegmentGrid;
import org.jspecify.annotations.Nullable;

/**
 * What an exercise asks of the shape.
 *
 * @param reference a solution, of which new edges may lie on any edge; null where there is none
 */
public record Asking(Wanted wanted, @Nullable Mesh reference) {
  public static final Asking NOTHING = new Asking(Wanted.NOTHING, null);

  /** The same as it would be for a mesh that is not placed right. */
  Asking placedFor(Placement placement) {
    return new Asking(
        wanted.placedFor(placement), reference == null ? null : placement.back(reference));
  }

  /** The lines that are hard, to be asked what lies on them within 1e-4 S. */
  SegmentGrid hardLines(Tolerance tolerance) {
    MeshBuilder lines = new MeshBuilder();
    int count = 0;
    for (Wanted.Line line : wanted.hardLines()) {
      for (int i = 0; i < line.points().size(); i++) {
        Vec3 p = line.points().get(i);
        lines.vertex(p.x(), p.y(), p.z());
        if (i > 0 && p.distance(line.points().get(i - 1)) > 0) {
          lines.edge(count - 1, count);
        }
        count++;
      }
    }
    return new SegmentGrid(lines.build(), e -> true, tolerance.flat());
  }
}
