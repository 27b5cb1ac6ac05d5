package fairedge.core.survey;

import fairedge.core.mesh.Mesh;
import fairedge.core.near.SegmentGrid;
import java.util.List;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;

/**
 * Of several solutions the one whose lines a mesh meets best: by the share, by length, of its edges
 * that the starter does not have, which lie within the line distance of the mesh's new edges along
 * their whole length. Of equals the first. Cost: the edges of all, where there is more than one.
 */
final class BestMet {
  private BestMet() {}

  static @Nullable Mesh of(Subject subject, List<Mesh> references) {
    if (references.size() < 2) {
      return references.isEmpty() ? null : references.getFirst();
    }
    SegmentGrid lines = linesOf(subject);
    Mesh best = references.getFirst();
    double most = -1;
    for (Mesh reference : references) {
      double met = met(subject, reference, lines);
      if (met > most) {
        most = met;
        best = reference;
      }
    }
    return best;
  }

  private static SegmentGrid linesOf(Subject subject) {
    Mesh mesh = subject.mesh();
    int[] lines =
        subject.starter() == null
            ? IntStream.range(0, mesh.edgeEnd()).filter(subject::isPlacedSide).toArray()
            : subject.novelty().edges().stream().toArray();
    return new SegmentGrid(mesh, lines, subject.lineDistance());
  }

  private static double met(Subject subject, Mesh reference, SegmentGrid lines) {
    Starter starter = subject.starter();
    double whole = 0;
    double met = 0;
    for (int e = 0; e < reference.edgeEnd(); e++) {
      boolean isLine =
          reference.hasEdge(e)
              && reference.cornerOn(e) != Mesh.NONE
              && reference.hasPlace(reference.first(e))
              && reference.hasPlace(reference.second(e))
              && (starter == null || !starter.hasEdge(reference, e));
      if (isLine) {
        var a = reference.position(reference.first(e));
        var b = reference.position(reference.second(e));
        whole += a.distance(b);
        met += lines.covers(a, b) ? a.distance(b) : 0;
      }
    }
    return whole > 0 ? met / whole : 0;
  }
}
