package fairedge.core.inspect;

import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import fairedge.core.near.SegmentGrid;
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
 * </ol>
 *
 * Cost: the edges, times the pieces of the lines.
 */
final class OffLineFinder implements Finder {
  @Override
  public List<Finding> find(Subject subject) {
    List<Finding> found = new ArrayList<>();
    for (Wanted.Line line : subject.wanted().lines()) {
      LineCover cover = LineCover.of(subject, line);
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
    return found;
  }

  private static Finding uncovered(Subject subject, LineCover cover) {
    Mesh mesh = subject.mesh();
    Vec3 place = cover.farthest();
    return new Finding.Told(
        Rule.OFF_LINE,
        List.of(Element.edge(cover.nearest())),
        Places.onEdge(mesh, cover.nearest()),
        Places.meanEdge(mesh, mesh.facesOn(cover.nearest())),
        new Measure(cover.share(), Measure.Unit.SHARE),
        Tell.words("Line covered by %.0f %%", 100 * Math.floor(100 * cover.share()) / 100),
        Tell.words(
            "The exercise asks for edges along a line of length %.4g. %.1f %% of it has edges"
                + " within %.3g that turn by no more than %.0f\u00b0 from it; at (%.4g, %.4g, %.4g)"
                + " the nearest edge is %.3g away.",
            cover.length(),
            100 * cover.share(),
            subject.lineDistance(),
            subject.threshold(Threshold.LINE_ANGLE),
            place.x(),
            place.y(),
            place.z(),
            cover.largest()));
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
    return Tell.ofEdges(
        subject,
        Rule.OFF_LINE,
        edges,
        new Measure(edges.length, Measure.Unit.EDGES),
        Tell.count(edges.length, "edge that is", "edges that are") + " not needed here",
        Tell.words(
            "%s, and the reference has no edge within %.3g of %s: the cut went another way, or is"
                + " one too many.",
            edges.length == 1 ? "This edge is new" : "These " + edges.length + " edges are new",
            subject.lineDistance(),
            edges.length == 1 ? "it" : "them"));
  }
}
