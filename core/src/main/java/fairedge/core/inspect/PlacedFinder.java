package fairedge.core.inspect;

import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;
import java.util.List;

/**
 * {@code placed}: the mesh does not lie where the starter lies, and a plain scale, axes taken for
 * one another, or a shift bring it there ({@link Placement}). One finding about the whole mesh; all
 * other comparing is done as if it lay right. Measure: the scale if there is one, else how far the
 * middle of its box moves. Cost: the vertices asked, times the candidates.
 */
final class PlacedFinder implements Finder {
  @Override
  public List<Finding> find(Subject subject) {
    Placement placement = subject.placement();
    if (placement == null) {
      return List.of();
    }
    Mesh mesh = subject.mesh();
    Vec3 middle = mesh.bounds().centre();
    Measure measure =
        placement.scale() != 1
            ? new Measure(placement.scale(), Measure.Unit.RATIO)
            : new Measure(placement.moved(middle).distance(middle), Measure.Unit.LENGTH);
    return List.of(
        Tell.ofWhole(
            subject,
            Rule.PLACED,
            measure,
            "Does not lie where the starter lies",
            "To bring this mesh to where the starter lies, "
                + placement.words()
                + ". Set unit and axes when you save it. Everything else here was compared as if it"
                + " lay right."));
  }
}
