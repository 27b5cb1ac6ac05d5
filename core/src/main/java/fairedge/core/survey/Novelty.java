package fairedge.core.survey;

import fairedge.core.mesh.Mesh;
import java.util.BitSet;
import java.util.stream.IntStream;

/**
 * The edges that the starter does not have: those of faces that do not lie within 1e-4 S of its
 * edges along their whole length. Without a starter none is new. Cost: the edges, once.
 */
public final class Novelty {
  private static final int BLOCK = 1 << 13;

  private final BitSet edges = new BitSet();

  Novelty(Subject subject) {
    Starter starter = subject.starter();
    if (starter != null) {
      askAll(subject, starter);
    }
  }

  /**
   * After a change of the mesh.
   *
   * @param touched edges that were made, freed, got faces or lie elsewhere
   */
  void update(Subject subject, int[] touched) {
    Starter starter = subject.starter();
    if (starter != null) {
      for (int e : touched) {
        edges.set(e, isNew(subject, starter, e));
      }
    }
  }

  private static boolean isNew(Subject subject, Starter starter, int e) {
    return subject.mesh().hasEdge(e)
        && subject.topology().uses(e) > 0
        && !starter.hasEdge(subject.mesh(), e);
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

  public boolean isNew(int e) {
    return edges.get(e);
  }

  public BitSet edges() {
    return edges;
  }
}
