package fairedge.core.flow;

import fairedge.core.mesh.Mesh;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.Optional;
import java.util.function.IntPredicate;

/**
 * The edge ring through an edge: edges side by side, each opposite the last across a quad. Winding
 * does not matter.
 *
 * @param edges in order; {@code quads.get(i)} lies between edges i and i + 1 (the last quad of a
 *     closed ring between the last edge and the first)
 * @param firsts for each edge the vertex on the side of the named edge's first vertex, so that
 *     sides stay sides all along
 * @param closed whether it comes back to where it began; then there are no stops
 * @param oneSided a closed ring that comes back with its sides exchanged
 * @param stops the two ends of an open ring: before the first edge, after the last
 */
public record Ring(
    List<Integer> edges,
    List<Integer> firsts,
    List<Integer> quads,
    boolean closed,
    boolean oneSided,
    List<Stop> stops) {

  /**
   * Walks the ring through e.
   *
   * @return empty where no quad lies at e across which a ring could run
   */
  public static Optional<Ring> through(Mesh mesh, int e) {
    return through(mesh, e, face -> true);
  }

  /**
   * Walks the ring through e as far as faces may be crossed.
   *
   * @param faces whether a face may be
   */
  public static Optional<Ring> through(Mesh mesh, int e, IntPredicate faces) {
    return new Walk(mesh, e, faces).ring();
  }

  private static final class Walk {
    private final Mesh mesh;
    private final int named;
    private final IntPredicate faces;
    private final Deque<Integer> edges = new ArrayDeque<>();
    private final Deque<Integer> firsts = new ArrayDeque<>();
    private final Deque<Integer> quads = new ArrayDeque<>();

    Walk(Mesh mesh, int named, IntPredicate faces) {
      this.mesh = mesh;
      this.faces = faces;
      this.named = named;
    }

    Optional<Ring> ring() {
      edges.add(named);
      firsts.add(mesh.first(named));
      int uses = mesh.uses(named);
      if (uses == 0 || uses > 2) {
        return Optional.empty();
      }
      int c = mesh.firstSideOn(named);
      Step end = run(c, true);
      if (end instanceof Step.Closed closed) {
        return Optional.of(result(true, closed.exchanged(), List.of()));
      }
      Stop last = ((Step.Stopped) end).stop();
      int d = mesh.nextOnEdge(c);
      Stop first = d == c ? Stop.border(named) : ((Step.Stopped) run(d, false)).stop();
      return quads.isEmpty()
          ? Optional.empty()
          : Optional.of(result(false, false, List.of(first, last)));
    }

    private Ring result(boolean closed, boolean exchanged, List<Stop> stops) {
      return new Ring(
          new ArrayList<>(edges),
          new ArrayList<>(firsts),
          new ArrayList<>(quads),
          closed,
          exchanged,
          stops);
    }

    /** How a walk in one direction ends. */
    private sealed interface Step {
      record Closed(boolean exchanged) implements Step {}

      record Stopped(Stop stop) implements Step {}
    }

    /** Walks from side c across its face and on, adding to the back or the front. */
    private Step run(int c, boolean forward) {
      int side = c;
      int first = mesh.first(named);
      while (true) {
        int f = mesh.faceOf(side);
        int e = mesh.edgeOf(side);
        if (!faces.test(f)) {
          return new Step.Stopped(Stop.notChosen(e, f, mesh.size(f)));
        }
        if (mesh.size(f) != 4) {
          return new Step.Stopped(Stop.face(e, f, mesh.size(f)));
        }
        int opposite = mesh.next(mesh.next(side));
        // The side leaving `opposite` runs against the one leaving `side`.
        int carried =
            first == mesh.vertexOf(side)
                ? mesh.vertexOf(mesh.next(opposite))
                : mesh.vertexOf(opposite);
        int next = mesh.edgeOf(opposite);
        add(quads, f, forward);
        if (next == named) {
          return new Step.Closed(carried != mesh.first(named));
        }
        add(edges, next, forward);
        add(firsts, carried, forward);
        int uses = mesh.uses(next);
        if (uses != 2) {
          return new Step.Stopped(uses == 1 ? Stop.border(next) : Stop.crowded(next));
        }
        side = mesh.nextOnEdge(opposite);
        first = carried;
      }
    }

    private static void add(Deque<Integer> list, int value, boolean forward) {
      if (forward) {
        list.addLast(value);
      } else {
        list.addFirst(value);
      }
    }
  }
}
