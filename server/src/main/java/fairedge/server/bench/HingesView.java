package fairedge.server.bench;

import fairedge.core.form.Fold;
import fairedge.core.mesh.Mesh;
import fairedge.core.step.Forming;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * The hinges about which a workpiece was folded last, as far as they are there still.
 *
 * @param held a face of the panel that stays; null where none was named
 */
public record HingesView(List<HingeView> hinges, @Nullable Integer held) {
  static final HingesView NONE = new HingesView(List.of(), null);

  /** A hinge with the angle that it was given. */
  public record HingeView(List<Integer> edges, double angle, boolean follows) {}

  static HingesView of(Forming.FoldChange fold, Mesh mesh) {
    Integer held = fold.held();
    return new HingesView(
        fold.hinges().stream()
            .filter(hinge -> hinge.edges().stream().allMatch(mesh::hasEdge))
            .map(HingesView::of)
            .toList(),
        held != null && mesh.hasFace(held) ? held : null);
  }

  private static HingeView of(Fold.Hinge hinge) {
    return new HingeView(hinge.edges(), hinge.angle(), hinge.follows());
  }
}
