package fairedge.core.inspect.flow;

import fairedge.core.flow.EdgeLoops;
import fairedge.core.flow.EdgeLoops.Cause;
import fairedge.core.inspect.finding.Finder;
import fairedge.core.inspect.finding.Finding;
import fairedge.core.inspect.finding.FlowFinding;
import fairedge.core.inspect.finding.Where;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import fairedge.core.survey.Anew;
import fairedge.core.survey.Places;
import fairedge.core.survey.Subject;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.Comparator;
import java.util.List;
import java.util.function.IntPredicate;

/**
 * {@code loop-end}: an open loop with a new edge that ends at a pole inside the surface.
 *
 * <p>{@code dead-end}: an open loop all of whose edges are new that ends, inside the surface, in a
 * fault: at a vertex at which a triangle or n-gon lies, or at an idle or bent one (valence 2).
 *
 * <p>One finding a loop; its elements are the vertices at which it ends so, then its edges. A loop
 * may be both: the first says where the flow ends, the second that a cut was left unfinished. Cost:
 * the loops, and the edges of those with new ones.
 */
public final class LoopEndFinder implements Finder {
  @Override
  public List<Finding> find(Subject subject) {
    return found(subject, fresh(subject, loop -> true));
  }

  /** Loops with new edges among some. */
  private static BitSet fresh(Subject subject, IntPredicate some) {
    BitSet loops = new BitSet();
    subject.novelty().edges().stream()
        .map(subject.loops()::loopOf)
        .filter(loop -> loop != Mesh.NONE && some.test(loop))
        .forEach(loops::set);
    return loops;
  }

  /** Loops that are as they were have the same faces at their ends too. */
  @Override
  public List<Finding> renew(Subject subject, Anew anew, List<Finding> before) {
    EdgeLoops all = subject.loops();
    List<Finding> found = new ArrayList<>();
    for (Finding finding : before) {
      int loop = all.loopOf(edgeOf(finding));
      if (loop != Mesh.NONE && !anew.loops().has(loop)) {
        found.add(finding);
      }
    }
    List<Finding> more = found(subject, fresh(subject, anew.loops()::has));
    if (!more.isEmpty()) {
      found.addAll(more);
      found.sort(Comparator.comparing(Finding::rule).thenComparingInt(LoopEndFinder::lowestEdgeOf));
    }
    return found;
  }

  private static int lowestEdgeOf(Finding finding) {
    return finding.elements().stream()
        .filter(element -> element.kind() == Element.Kind.EDGE)
        .mapToInt(Element::id)
        .min()
        .orElse(0);
  }

  /** One of a finding's edges: they come last. */
  private static int edgeOf(Finding finding) {
    return finding.elements().getLast().id();
  }

  private static List<Finding> found(Subject subject, BitSet fresh) {
    List<Finding> found = new ArrayList<>();
    List<Finding> dead = new ArrayList<>();
    for (int i = fresh.nextSetBit(0); i >= 0; i = fresh.nextSetBit(i + 1)) {
      EdgeLoops.Summary loop = subject.loops().loop(i);
      List<EdgeLoops.End> poles =
          loop.ends().stream().filter(end -> end.cause() == Cause.POLE).toList();
      if (poles.isEmpty()) {
        continue;
      }
      int[] edges = subject.loops().edgesOf(i);
      found.add(end(subject, edges, poles));
      List<EdgeLoops.End> faults =
          poles.stream().filter(end -> isFault(subject, end.vertex())).toList();
      if (!faults.isEmpty() && Arrays.stream(edges).allMatch(subject.novelty()::isNew)) {
        dead.add(dead(subject, edges, faults));
      }
    }
    found.sort(Comparator.comparingInt(LoopEndFinder::lowestEdgeOf));
    dead.sort(Comparator.comparingInt(LoopEndFinder::lowestEdgeOf));
    found.addAll(dead);
    return found;
  }

  private static boolean isFault(Subject subject, int v) {
    if (subject.topology().valence(v) == 2) {
      return true;
    }
    return subject.hubs().notQuadAt(v) != Mesh.NONE;
  }

  private static Finding end(Subject subject, int[] edges, List<EdgeLoops.End> ends) {
    return new FlowFinding.LoopEnd(
        where(subject, edges, ends), edges.length, ends.getFirst().valence());
  }

  private static Finding dead(Subject subject, int[] edges, List<EdgeLoops.End> ends) {
    int sides = faultAt(subject, ends.getFirst().vertex());
    return new FlowFinding.DeadEnd(where(subject, edges, ends), edges.length, sides);
  }

  /** The sides of the face that is no quad there; 2 where only 2 edges meet. */
  private static int faultAt(Subject subject, int v) {
    return subject.topology().valence(v) == 2
        ? 2
        : subject.mesh().size(subject.hubs().notQuadAt(v));
  }

  private static Where where(Subject subject, int[] edges, List<EdgeLoops.End> ends) {
    List<Element> elements = new ArrayList<>();
    ends.forEach(end -> elements.add(Element.vertex(end.vertex())));
    Arrays.stream(edges).forEach(e -> elements.add(Element.edge(e)));
    int at = ends.getFirst().vertex();
    return new Where(
        List.copyOf(elements), Places.ofVertex(subject.mesh(), at), subject.hubs().reachAt(at));
  }
}
