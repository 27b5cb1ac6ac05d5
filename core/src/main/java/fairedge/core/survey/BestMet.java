package fairedge.core.survey;

import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;
import fairedge.core.near.SegmentGrid;
import java.util.BitSet;
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
    double whole = 0;
    double met = 0;
    for (int e : linesOf(subject.starter(), reference).stream().toArray()) {
      Vec3 a = reference.position(reference.first(e));
      Vec3 b = reference.position(reference.second(e));
      whole += a.distance(b);
      met += lines.covers(a, b) ? a.distance(b) : 0;
    }
    return whole > 0 ? met / whole : 0;
  }

  /** Without a starter all of its edges. */
  private static BitSet linesOf(@Nullable Starter starter, Mesh reference) {
    if (starter != null) {
      return starter.linesOf(reference);
    }
    BitSet all = new BitSet();
    IntStream.range(0, reference.edgeEnd())
        .filter(e ->
            reference.hasEdge(e)
                && reference.hasPlace(reference.first(e))
                && reference.hasPlace(reference.second(e)))
        .forEach(all::set);
    return all;
  }
}
