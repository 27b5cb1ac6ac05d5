package fairedge.core.inspect;

import fairedge.core.mesh.Mesh;
import java.util.BitSet;
import java.util.stream.IntStream;

/**
 * The edges that the starter does not have: those of faces that do not lie within 1e-4 S of its
 * edges along their whole length. Without a starter none is new. Cost: the edges, once.
 */
final class Novelty {
  private static final int BLOCK = 1 << 13;

  private final BitSet edges = new BitSet();

  static Novelty of(Subject subject) {
    Novelty novelty = new Novelty();
    Starter starter = subject.starter();
    Mesh mesh = subject.mesh();
    if (starter == null) {
      return novelty;
    }
    Since since = subject.since();
    BitSet before = since == null ? null : since.recall().gathered().fresh;
    if (since != null && before != null) {
      before.stream().filter(e -> isOfFaces(subject, e)).forEach(novelty.edges::set);
      since.edges(mesh).stream().forEach(e -> novelty.edges.set(e, isNew(subject, starter, e)));
    } else {
      novelty.askAll(subject, starter);
    }
    subject.gathered().fresh = novelty.edges;
    return novelty;
  }

  private static boolean isNew(Subject subject, Starter starter, int e) {
    return isOfFaces(subject, e) && !starter.hasEdge(subject.mesh(), e);
  }

  private static boolean isOfFaces(Subject subject, int e) {
    return subject.mesh().hasEdge(e) && subject.topology().uses(e) > 0;
  }

  private void askAll(Subject subject, Starter starter) {
    Mesh mesh = subject.mesh();
    // Blocks begin at whole words of the set, so that no two threads write one.
    long[] words = new long[(mesh.edgeEnd() >>> 6) + 1];
    IntStream.rangeClosed(0, mesh.edgeEnd() / BLOCK)
        .parallel()
        .forEach(block -> {
          for (int e = block * BLOCK; e < Math.min(mesh.edgeEnd(), (block + 1) * BLOCK); e++) {
            if (isNew(subject, starter, e)) {
              words[e >>> 6] |= 1L << e;
            }
          }
        });
    edges.or(BitSet.valueOf(words));
  }

  boolean isNew(int e) {
    return edges.get(e);
  }

  BitSet edges() {
    return edges;
  }
}
