package fairedge.core.survey;

import fairedge.core.mesh.ElementSet;
import fairedge.core.mesh.IdSet;
import java.util.HashMap;
import java.util.Iterator;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * The states of a mesh that were inspected, each told as another state and what was touched since:
 * a tree, since changes are tried, taken back and made otherwise. What may differ between two
 * states is what was touched on the way from one to the other. The last {@value #KEPT} are known,
 * and those from which they came.
 */
public final class Moves {
  private static final int KEPT = 256;

  /** What was touched, by id. */
  public record Touched(int[] vertices, int[] edges, int[] faces) {
    static final Touched NOTHING = new Touched(new int[0], new int[0], new int[0]);

    public static Touched of(ElementSet set) {
      return new Touched(
          IdSet.idsOf(set.vertices()), IdSet.idsOf(set.edges()), IdSet.idsOf(set.faces()));
    }
  }

  /** A state: which it came from, and by what; the first came from none. */
  private record State(int from, Touched by) {}

  private final Map<Integer, State> states = new HashMap<>();
  private int next = 1;
  private int current;

  public Moves() {
    states.put(0, new State(-1, Touched.NOTHING));
  }

  /** What may differ from the state that is current, after a change of one that is known. */
  public @Nullable Touched since(int state, Touched touched) {
    if (!states.containsKey(state)) {
      return null;
    }
    if (state == current) {
      return touched;
    }
    Union union = new Union();
    union.add(touched);
    int here = current;
    int there = state;
    // Who came later is not among the ancestors of the other.
    while (here != there) {
      State later = states.get(Math.max(here, there));
      if (later == null) {
        return null;
      }
      union.add(later.by);
      if (here > there) {
        here = later.from;
      } else {
        there = later.from;
      }
    }
    return union.touched();
  }

  /** Makes a state current that came from one that is known; its number. */
  public int move(int from, Touched by) {
    states.put(next, new State(from, by));
    current = next++;
    if (states.size() > 2 * KEPT) {
      forget();
    }
    return current;
  }

  private void forget() {
    IdSet kept = new IdSet();
    for (int state = Math.max(0, next - KEPT); state < next; state++) {
      int at = state;
      while (at >= 0 && states.containsKey(at) && kept.add(at)) {
        State known = states.get(at);
        at = known == null ? -1 : known.from;
      }
    }
    Iterator<Integer> all = states.keySet().iterator();
    while (all.hasNext()) {
      if (!kept.has(all.next())) {
        all.remove();
      }
    }
  }

  /** What was touched by several changes. */
  private static final class Union {
    private final IdSet vertices = new IdSet();
    private final IdSet edges = new IdSet();
    private final IdSet faces = new IdSet();

    void add(Touched touched) {
      vertices.addAll(touched.vertices);
      edges.addAll(touched.edges);
      faces.addAll(touched.faces);
    }

    Touched touched() {
      return new Touched(vertices.sorted(), edges.sorted(), faces.sorted());
    }
  }
}
