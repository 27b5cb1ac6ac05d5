package fairedge.core.inspect;

import fairedge.core.flow.EdgeLoops;
import fairedge.core.flow.EdgeLoops.Cause;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

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
final class LoopEndFinder implements Finder {
  @Override
  public List<Finding> find(Subject subject) {
    List<Finding> found = new ArrayList<>();
    boolean[] fresh = new boolean[subject.loops().all().size()];
    subject.novelty().edges().stream()
        .map(subject.loops()::loopOf)
        .filter(loop -> loop != Mesh.NONE)
        .forEach(loop -> fresh[loop] = true);
    List<Finding> dead = new ArrayList<>();
    for (int i = 0; i < fresh.length; i++) {
      EdgeLoops.Summary loop = subject.loops().all().get(i);
      List<EdgeLoops.End> poles =
          loop.ends().stream().filter(end -> end.cause() == Cause.POLE).toList();
      if (!fresh[i] || poles.isEmpty()) {
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
    found.addAll(dead);
    return found;
  }

  private static boolean isFault(Subject subject, int v) {
    if (subject.topology().valence(v) == 2) {
      return true;
    }
    return Arrays.stream(subject.mesh().facesAt(v)).anyMatch(f -> subject.mesh().size(f) != 4);
  }

  private static Finding end(Subject subject, int[] edges, List<EdgeLoops.End> ends) {
    EdgeLoops.End first = ends.getFirst();
    return told(
        subject,
        Rule.LOOP_END,
        edges,
        ends,
        "Loop ends where " + Tell.count(first.valence(), "edge meets", "edges meet"),
        "This loop of "
            + Tell.count(edges.length, "edge", "edges")
            + " ends inside the surface, at a vertex where "
            + Tell.count(first.valence(), "edge meets", "edges meet")
            + ": it can't be slid or followed further.");
  }

  private static Finding dead(Subject subject, int[] edges, List<EdgeLoops.End> ends) {
    return told(
        subject,
        Rule.DEAD_END,
        edges,
        ends,
        "Cut that ends nowhere",
        "The "
            + Tell.count(edges.length, "new edge", "new edges")
            + " of this loop end"
            + (edges.length == 1 ? "s" : "")
            + " at "
            + faultAt(subject, ends.getFirst().vertex())
            + ": carry the cut on to a border or back to its beginning, or take it out.");
  }

  private static String faultAt(Subject subject, int v) {
    if (subject.topology().valence(v) == 2) {
      return "a vertex where only 2 edges meet";
    }
    int sides =
        Arrays.stream(subject.mesh().facesAt(v))
            .map(subject.mesh()::size)
            .filter(n -> n != 4)
            .findFirst()
            .orElse(4);
    return sides == 3 ? "a triangle" : "a face of " + sides + " sides";
  }

  private static Finding told(
      Subject subject,
      Rule rule,
      int[] edges,
      List<EdgeLoops.End> ends,
      String title,
      String sentence) {
    Mesh mesh = subject.mesh();
    List<Element> elements = new ArrayList<>();
    ends.forEach(end -> elements.add(Element.vertex(end.vertex())));
    Arrays.stream(edges).forEach(e -> elements.add(Element.edge(e)));
    int at = ends.getFirst().vertex();
    return new Finding.Told(
        rule,
        List.copyOf(elements),
        Places.ofVertex(mesh, at),
        Places.meanEdge(mesh, mesh.facesAt(at)),
        new Measure(edges.length, Measure.Unit.EDGES),
        title,
        sentence);
  }
}
