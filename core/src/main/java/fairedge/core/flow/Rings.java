package fairedge.core.flow;

import fairedge.core.mesh.Mesh;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.Collections;
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

  public Rings(Topology topology) {
    this.topology = topology;
    this.mesh = topology.mesh();
    this.ringOf = new int[2 * mesh.faceEnd()];
    // Joined edge by edge: walking ring by ring would jump about in memory.
    Unions ways = new Unions(ringOf.length);
    for (int e = 0; e < mesh.edgeEnd(); e++) {
      if (topology.uses(e) == 2) {
        int c = mesh.cornerOn(e);
        int d = mesh.nextOnEdge(c);
        if (mesh.size(mesh.faceOf(c)) == 4 && mesh.size(mesh.faceOf(d)) == 4) {
          ways.join(passage(c), passage(d));
        }
      }
    }
    int[] lengths = number(ways);
    List<Stop[]> stops = stops(lengths.length);
    for (int i = 0; i < lengths.length; i++) {
      Stop[] ends = stops.get(i);
      rings.add(new Summary(lengths[i], ends.length == 0, List.of(ends)));
    }
    boolean[] isComplete = new boolean[rings.size()];
    for (int i = 0; i < isComplete.length; i++) {
      isComplete[i] = rings.get(i).isComplete();
    }
    for (int e = 0; e < mesh.edgeEnd(); e++) {
      inComplete.set(e, isAmong(isComplete, e));
    }
  }

  /** Gives each ring its number, and tells their lengths. */
  private int[] number(Unions ways) {
    int[] lengths = new int[64];
    int count = 0;
    for (int i = 0; i < ringOf.length; i++) {
      int f = i >> 1;
      if (!mesh.hasFace(f) || mesh.size(f) != 4) {
        ringOf[i] = Mesh.NONE;
        continue;
      }
      int root = ways.rootOf(i);
      if (root == i) {
        lengths = count == lengths.length ? Arrays.copyOf(lengths, 2 * count) : lengths;
        ringOf[i] = count++;
      } else {
        ringOf[i] = ringOf[root];
      }
      lengths[ringOf[i]]++;
    }
    return Arrays.copyOf(lengths, count);
  }

  /** What stops each ring: two for an open one, by the edges. */
  private List<Stop[]> stops(int count) {
    List<Stop[]> stops = new ArrayList<>(Collections.nCopies(count, NONE));
    for (int e = 0; e < mesh.edgeEnd(); e++) {
      int start = topology.uses(e) == 0 ? Mesh.NONE : mesh.cornerOn(e);
      if (start == Mesh.NONE) {
        continue;
      }
      int c = start;
      do {
        Stop stop = mesh.size(mesh.faceOf(c)) == 4 ? stopAt(e, c) : null;
        if (stop != null) {
          int ring = ringOf[passage(c)];
          Stop[] before = stops.get(ring);
          Stop[] after = Arrays.copyOf(before, before.length + 1);
          after[before.length] = stop;
          stops.set(ring, after);
        }
        c = mesh.nextOnEdge(c);
      } while (c != start);
    }
    return stops;
  }

  private static final Stop[] NONE = {};

  /** Why a ring does not go on from the quad of a side across its edge; null if it does. */
  private @Nullable Stop stopAt(int e, int side) {
    if (topology.uses(e) != 2) {
      return topology.uses(e) == 1 ? Stop.border(e) : Stop.crowded(e);
    }
    int f = mesh.faceOf(mesh.nextOnEdge(side));
    return mesh.size(f) == 4 ? null : Stop.face(e, f, mesh.size(f));
  }

  /** Whether some of the rings cross an edge. */
  private boolean isAmong(boolean[] some, int e) {
    int start = topology.uses(e) == 0 ? Mesh.NONE : mesh.cornerOn(e);
    if (start == Mesh.NONE) {
      return false;
    }
    int c = start;
    do {
      if (mesh.size(mesh.faceOf(c)) == 4 && some[ringOf[passage(c)]]) {
        return true;
      }
      c = mesh.nextOnEdge(c);
    } while (c != start);
    return false;
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

  /** The passage of a quad across one of its sides and the one opposite. */
  private int passage(int c) {
    int f = mesh.faceOf(c);
    int first = mesh.firstCorner(f);
    return 2 * f + (c == first || c == mesh.next(mesh.next(first)) ? 0 : 1);
  }
}
