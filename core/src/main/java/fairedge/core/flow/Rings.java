package fairedge.core.flow;

import fairedge.core.mesh.Mesh;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * All edge rings of a mesh: longest chains of quads, each joined to the next by opposite sides
 * across two-sided edges. Winding does not matter. The lengths of all rings add up to twice the
 * quads. Cost: the quads.
 */
public final class Rings {
  /**
   * A ring by its numbers.
   *
   * @param length quads passed; one passed both ways counts twice
   * @param ends the stops of an open ring, two; none if closed
   */
  public record Summary(int length, boolean closed, List<Stop> ends) {
    /** Closed, or both ends at borders. */
    public boolean isComplete() {
      return ends.stream().allMatch(s -> s.cause() == Stop.Cause.BORDER);
    }
  }

  private final Mesh mesh;
  private final Topology topology;
  private final List<Summary> rings = new ArrayList<>();

  /** Of each quad, both ways, the ring that passes it. */
  private final int[] ringOf;

  private final BitSet inComplete = new BitSet();
  private int[] crossed = new int[64];
  private int crossings;

  public Rings(Topology topology) {
    this.topology = topology;
    this.mesh = topology.mesh();
    this.ringOf = new int[2 * mesh.faceEnd()];
    Arrays.fill(ringOf, Mesh.NONE);
    for (int f = 0; f < mesh.faceEnd(); f++) {
      if (mesh.hasFace(f) && mesh.size(f) == 4) {
        for (int way = 0; way < 2; way++) {
          if (ringOf[2 * f + way] == Mesh.NONE) {
            ringThrough(f, way);
          }
        }
      }
    }
  }

  /** The rings, by the lowest quad and its first way. */
  public List<Summary> all() {
    return rings;
  }

  /** Edges that complete rings cross. */
  public BitSet edgesInComplete() {
    return inComplete;
  }

  /**
   * The ring that passes a quad, as {@link #all} counts them.
   *
   * @param way 0: across its first and third side; 1: across the others
   */
  public int ringOf(int f, int way) {
    return ringOf[2 * f + way];
  }

  private void ringThrough(int f, int way) {
    crossings = 0;
    int out = way == 0 ? mesh.firstCorner(f) : mesh.next(mesh.firstCorner(f));
    ringOf[2 * f + way] = rings.size();
    int length = 1;
    Walked forward = walk(opposite(out));
    length += forward.passed;
    List<Stop> ends = List.of();
    if (forward.stop != null) {
      Walked back = walk(out);
      length += back.passed;
      ends = back.stop == null ? List.of() : List.of(back.stop, forward.stop);
    }
    Summary ring = new Summary(length, forward.stop == null, ends);
    rings.add(ring);
    if (ring.isComplete()) {
      for (int i = 0; i < crossings; i++) {
        inComplete.set(crossed[i]);
      }
    }
  }

  /** How far one walk went, and what stopped it; nothing, if it came back to its beginning. */
  private record Walked(int passed, @Nullable Stop stop) {}

  /** Leaves a quad across the side at a corner and goes on until something stops it. */
  private Walked walk(int side) {
    int count = 0;
    int at = side;
    while (true) {
      int e = mesh.edgeOf(at);
      note(e);
      if (topology.uses(e) != 2) {
        return new Walked(count, topology.uses(e) == 1 ? Stop.border(e) : Stop.crowded(e));
      }
      int in = mesh.nextOnEdge(at);
      int f = mesh.faceOf(in);
      if (mesh.size(f) != 4) {
        return new Walked(count, Stop.face(e, f, mesh.size(f)));
      }
      int way = wayOf(f, in);
      if (ringOf[2 * f + way] != Mesh.NONE) {
        // Only the beginning can be met again: every side leads to one other.
        return new Walked(count, null);
      }
      ringOf[2 * f + way] = rings.size();
      count++;
      at = opposite(in);
    }
  }

  private void note(int e) {
    if (crossings == crossed.length) {
      crossed = Arrays.copyOf(crossed, 2 * crossings);
    }
    crossed[crossings++] = e;
  }

  private int opposite(int c) {
    return mesh.next(mesh.next(c));
  }

  /** 0 across the first and third side of a quad, 1 across the others. */
  private int wayOf(int f, int c) {
    int first = mesh.firstCorner(f);
    return c == first || c == opposite(first) ? 0 : 1;
  }
}
