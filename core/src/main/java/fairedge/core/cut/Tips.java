package fairedge.core.cut;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.Iterator;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;

/**
 * Where lines that hang together have to be joined to what lies round them, so that none of it
 * hangs at a single node: at each outermost block. A block is a largest part that no single node
 * holds together; it is outermost where it meets the others in one node at most. Source: Hopcroft
 * and Tarjan, "Algorithm 447: Efficient algorithms for graph manipulation", 1973. Cost: the pieces
 * of the lines.
 */
final class Tips {
  private static final TreeSet<Integer> NONE = new TreeSet<>();

  private final Map<Integer, TreeSet<Integer>> pieces;
  private final Map<Integer, Visit> met = new HashMap<>();
  private final Deque<Integer> unplaced = new ArrayDeque<>();
  private final List<Set<Integer>> blocks = new ArrayList<>();

  private Tips(Map<Integer, TreeSet<Integer>> pieces) {
    this.pieces = pieces;
  }

  /**
   * The nodes of each outermost block but the one in which it meets the others.
   *
   * @param pieces for each node those that a piece joins to it
   * @param start a node of the lines
   * @param hangs whether they hang at {@code start} on what lies round them already
   */
  static List<Set<Integer>> of(Map<Integer, TreeSet<Integer>> pieces, int start, boolean hangs) {
    Tips tips = new Tips(pieces);
    tips.part(start);
    Map<Integer, Integer> meeting = new HashMap<>();
    if (hangs) {
      meeting.put(start, 1);
    }
    tips.blocks.forEach(block -> block.forEach(n -> meeting.merge(n, 1, Integer::sum)));
    List<Set<Integer>> outermost = new ArrayList<>();
    for (Set<Integer> block : tips.blocks) {
      Set<Integer> own = new HashSet<>(block);
      own.removeIf(n -> meeting.getOrDefault(n, 0) > 1);
      if (own.size() >= block.size() - 1) {
        outermost.add(own);
      }
    }
    return outermost;
  }

  private void part(int start) {
    Deque<Visit> way = new ArrayDeque<>();
    way.addLast(enter(start, null));
    while (!way.isEmpty()) {
      Visit visit = way.getLast();
      if (!visit.ways.hasNext()) {
        leave(way.removeLast());
        continue;
      }
      int to = visit.ways.next();
      Visit known = met.get(to);
      if (known == null) {
        way.addLast(enter(to, visit));
      } else if (known != visit.from) {
        visit.lowest = Math.min(visit.lowest, known.order);
      }
    }
  }

  private Visit enter(int node, @Nullable Visit from) {
    Visit visit = new Visit(node, from, met.size(), pieces.getOrDefault(node, NONE).iterator());
    met.put(node, visit);
    unplaced.addLast(node);
    return visit;
  }

  /** What was met since, and leads back no farther than to where it was left, is a block. */
  private void leave(Visit visit) {
    Visit from = visit.from;
    if (from == null) {
      return;
    }
    from.lowest = Math.min(from.lowest, visit.lowest);
    if (visit.lowest >= from.order) {
      Set<Integer> block = new HashSet<>(Set.of(from.node));
      int last;
      do {
        last = unplaced.removeLast();
        block.add(last);
      } while (last != visit.node);
      blocks.add(block);
    }
  }

  private static final class Visit {
    private final int node;
    private final @Nullable Visit from;
    private final int order;
    private final Iterator<Integer> ways;

    /** The first node met that is reached from here without going back. */
    private int lowest;

    Visit(int node, @Nullable Visit from, int order, Iterator<Integer> ways) {
      this.node = node;
      this.from = from;
      this.order = order;
      this.ways = ways;
      this.lowest = order;
    }
  }
}
