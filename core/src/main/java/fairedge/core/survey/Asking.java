package fairedge.core.survey;

import fairedge.core.geometry.Tolerance;
import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.MeshBuilder;
import fairedge.core.near.SegmentGrid;
import java.util.List;
import java.util.stream.IntStream;

/**
 * What an exercise asks of the shape.
 *
 * @param references solutions, of which the one whose lines a mesh meets best counts alone: new
 *     edges are to lie on edges of it
 */
public record Asking(Wanted wanted, List<Mesh> references) {
  public static final Asking NOTHING = new Asking(Wanted.NOTHING, List.of());

  public Asking {
    references = List.copyOf(references);
  }

  /** Whether both ask for the same, by the same solutions. */
  public boolean isLike(Asking other) {
    return wanted.equals(other.wanted)
        && references.size() == other.references.size()
        && IntStream.range(0, references.size())
            .allMatch(i -> references.get(i) == other.references.get(i));
  }

  /** The same as it would be for a mesh that is not placed right. */
  Asking placedFor(Placement placement) {
    return new Asking(
        wanted.placedFor(placement), references.stream().map(placement::back).toList());
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
