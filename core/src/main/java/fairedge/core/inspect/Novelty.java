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
    // Blocks begin at whole words of the set, so that no two threads write one.
    long[] words = new long[(mesh.edgeEnd() >>> 6) + 1];
    IntStream.rangeClosed(0, mesh.edgeEnd() / BLOCK)
        .parallel()
        .forEach(block -> {
          for (int e = block * BLOCK; e < Math.min(mesh.edgeEnd(), (block + 1) * BLOCK); e++) {
            if (subject.topology().uses(e) > 0 && !starter.hasEdge(mesh, e)) {
              words[e >>> 6] |= 1L << e;
            }
          }
        });
    novelty.edges.or(BitSet.valueOf(words));
    return novelty;
  }

  boolean isNew(int e) {
    return edges.get(e);
  }

  BitSet edges() {
    return edges;
  }
}
