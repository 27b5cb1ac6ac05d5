package fairedge.core.inspect.shape;

import fairedge.core.geometry.Vec3;
import fairedge.core.inspect.finding.Finder;
import fairedge.core.inspect.finding.Finding;
import fairedge.core.inspect.finding.ShapeFinding;
import fairedge.core.inspect.finding.Where;
import fairedge.core.mesh.Mesh;
import fairedge.core.near.SegmentGrid;
import fairedge.core.survey.EdgeGroups;
import fairedge.core.survey.Subject;
import fairedge.core.survey.Wanted;
import java.util.BitSet;
import java.util.List;
import java.util.stream.IntStream;

/**
 * {@code lopsided}: edges of faces that, mirrored in the plane of the exercise, do not lie within
 * its distance of edges of faces along their whole length. One finding for all that hang together
 * by shared vertices. Cost: the edges.
 */
public final class LopsidedFinder implements Finder {
  @Override
  public List<Finding> find(Subject subject) {
    Wanted.Mirror mirror = subject.wanted().mirror();
    if (mirror == null) {
      return List.of();
    }
    Mesh mesh = subject.mesh();
    SegmentGrid grid = new SegmentGrid(mesh, e -> subject.topology().uses(e) > 0, mirror.within());
    BitSet alone = new BitSet();
    IntStream.range(0, mesh.edgeEnd())
        .parallel()
        .filter(e -> subject.isPlacedSide(e) && !isMet(mesh, grid, mirror, e))
        .sorted()
        .forEachOrdered(alone::set);
    return EdgeGroups.of(mesh, alone).stream()
        .map(edges -> new ShapeFinding.Lopsided(Where.atEdges(mesh, edges), mirror.within()))
        .map(Finding.class::cast)
        .toList();
  }

  private static boolean isMet(Mesh mesh, SegmentGrid grid, Wanted.Mirror mirror, int e) {
    Vec3 a = mirror.image(mesh.position(mesh.first(e)));
    Vec3 b = mirror.image(mesh.position(mesh.second(e)));
    return grid.covers(a, b);
  }
}
