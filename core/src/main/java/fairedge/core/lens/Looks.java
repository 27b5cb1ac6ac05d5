package fairedge.core.lens;

import fairedge.core.geometry.Tolerance;
import fairedge.core.mesh.Mesh;
import fairedge.core.survey.Asking;
import fairedge.core.survey.Starter;
import fairedge.core.survey.Subject;
import fairedge.core.survey.Thresholds;
import fairedge.core.survey.Wanted;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * Looks at meshes through lenses, by the numbers by which they are inspected. Never fails on a mesh
 * that could be read.
 */
public final class Looks {
  private final Thresholds thresholds;
  private final Tolerance tolerance;
  private final @Nullable Starter starter;
  private final Asking asking;

  /**
   * @param tolerance by the scale of the mesh; in a workpiece by that of its starter
   * @param starter what the work began from; null where nothing counts as new
   */
  public Looks(
      Thresholds thresholds, Tolerance tolerance, @Nullable Starter starter, Wanted wanted) {
    this.thresholds = thresholds;
    this.tolerance = tolerance;
    this.starter = starter;
    this.asking = new Asking(wanted, List.of());
  }

  /** What a lens shows of a mesh. Cost: n log n at the most. */
  public LensPicture look(Mesh mesh, Lens lens) {
    Subject subject = subject(mesh);
    return switch (lens) {
      case FLOW -> FlowLens.of(subject);
      case POLES -> PolesLens.of(subject);
      case SPACING -> SpacingLens.of(subject);
      case SHAPE_CHANGE -> ShapeLens.of(subject);
      case SUBDIVIDED -> SmoothLens.of(subject);
    };
  }

  /** How a mesh fares when it is bent. Cost: n log n. */
  public Bent bend(Mesh mesh, BendTrial trial) {
    return BendLook.of(subject(mesh), trial);
  }

  /**
   * The ring and the loop of an edge. Cost: one look at every element, and what is found.
   *
   * @throws IllegalArgumentException if there is no such edge
   */
  public static Along along(Mesh mesh, int edge) {
    if (!mesh.hasEdge(edge)) {
      throw new IllegalArgumentException("no edge " + edge);
    }
    return Along.of(mesh, edge);
  }

  private Subject subject(Mesh mesh) {
    return new Subject(mesh, tolerance, thresholds, List.of(), starter, asking);
  }
}
