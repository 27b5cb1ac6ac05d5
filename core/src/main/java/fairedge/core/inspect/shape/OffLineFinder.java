package fairedge.core.inspect.shape;

import fairedge.core.inspect.finding.Finder;
import fairedge.core.inspect.finding.Finding;
import fairedge.core.inspect.finding.ShapeFinding;
import fairedge.core.inspect.finding.Where;
import fairedge.core.mesh.Mesh;
import fairedge.core.near.SegmentGrid;
import fairedge.core.near.Surface;
import fairedge.core.survey.EdgeGroups;
import fairedge.core.survey.LineCover;
import fairedge.core.survey.Starter;
import fairedge.core.survey.Subject;
import fairedge.core.survey.Threshold;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.List;
import java.util.stream.IntStream;

/**
 * {@code off-line}, both ways.
 *
 * <ol>
 *   <li>A required line of which less than the profile's share (98 %) has an edge of a face within
 *       the line distance (1 % of S) that runs along it (within 15 degrees). One finding a line,
 *       with the share, the largest distance from the line to such an edge's line and its place;
 *       the element is the edge nearest to that place.
 *   <li>New edges that do not lie within the line distance of the reference's edges along their
 *       whole length: one finding for all that hang together.
 *   <li>New edges whose middle lies nearest to a face of the starter that is locked: likewise.
 * </ol>
 *
 * Cost: the edges, times the pieces of the lines.
 */
public final class OffLineFinder implements Finder {
  @Override
  public List<Finding> find(Subject subject) {
    List<Finding> found = new ArrayList<>();
    for (LineCover cover : subject.lineCovers()) {
      if (cover.share() < subject.threshold(Threshold.LINE_SHARE)) {
        found.add(uncovered(subject, cover));
      }
    }
    Mesh reference = subject.reference();
    if (reference != null && subject.starter() != null) {
      EdgeGroups.of(subject.mesh(), needless(subject, reference)).stream()
          .map(edges -> needless(subject, edges))
          .forEach(found::add);
    }
    Starter starter = subject.starter();
    if (starter != null && !subject.wanted().cuttable().isEmpty()) {
      EdgeGroups.of(subject.mesh(), locked(subject, starter)).stream()
          .map(edges -> new ShapeFinding.Locked(Where.atEdges(subject.mesh(), edges)))
          .forEach(found::add);
    }
    return found;
  }

  private static BitSet locked(Subject subject, Starter starter) {
    Mesh mesh = subject.mesh();
    BitSet shut = starter.lockedBut(subject.wanted().cuttable());
    Surface surface = starter.surface();
    BitSet locked = new BitSet();
    subject.novelty().edges().stream()
        .filter(subject::isPlacedSide)
        .filter(e -> {
          int nearest = surface.nearest(mesh.along(e, 0.5), -1);
          return nearest >= 0 && shut.get(surface.faceOf(nearest));
        })
        .forEach(locked::set);
    return locked;
  }

  private static Finding uncovered(Subject subject, LineCover cover) {
    Mesh mesh = subject.mesh();
    int e = cover.nearest();
    return new ShapeFinding.OffLine(
        Where.atEdge(mesh, e),
        cover.length(),
        cover.share(),
        subject.lineDistance(),
        subject.threshold(Threshold.LINE_ANGLE),
        cover.farthest(),
        cover.largest());
  }

  private static BitSet needless(Subject subject, Mesh reference) {
    Mesh mesh = subject.mesh();
    SegmentGrid grid =
        new SegmentGrid(reference, e -> reference.cornerOn(e) != Mesh.NONE, subject.lineDistance());
    BitSet needless = new BitSet();
    int[] fresh = subject.novelty().edges().stream().toArray();
    IntStream.of(fresh)
        .parallel()
        .filter(e -> !grid.covers(mesh.position(mesh.first(e)), mesh.position(mesh.second(e))))
        .sorted()
        .forEachOrdered(needless::set);
    return needless;
  }

  private static Finding needless(Subject subject, int[] edges) {
    return new ShapeFinding.Needless(Where.atEdges(subject.mesh(), edges), subject.lineDistance());
  }
}
