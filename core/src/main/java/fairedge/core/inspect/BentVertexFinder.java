package fairedge.core.inspect;

import fairedge.core.flow.Topology;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import java.util.List;
import java.util.Locale;
import java.util.function.Consumer;

/**
 * {@code bent-vertex}:
 *
 * <ol>
 *   <li>an inner vertex at which exactly two edges of faces meet;
 *   <li>it turns by more than the profile's angle for idle vertices.
 * </ol>
 *
 * Cost: every vertex once.
 */
final class BentVertexFinder extends ElementFinder {
  BentVertexFinder() {
    super(Element.Kind.VERTEX);
  }

  @Override
  void look(Subject subject, int v, Consumer<Finding> found) {
    Topology topology = subject.topology();
    if (topology.valence(v) == 2 && topology.classOf(v) == Topology.VertexClass.INNER) {
      double turn = IdleVertexFinder.turnAt(subject.mesh(), v);
      if (turn > subject.threshold(Threshold.IDLE_ANGLE)) {
        found.accept(finding(subject.mesh(), v, turn));
      }
    }
  }

  private static Finding finding(Mesh mesh, int v, double turn) {
    return new Finding.Told(
        Rule.BENT_VERTEX,
        List.of(Element.vertex(v)),
        mesh.position(v),
        Places.meanEdge(mesh, mesh.facesAt(v)),
        new Measure(turn, Measure.Unit.DEGREES),
        "Bend where 2 edges meet",
        String.format(
            Locale.ROOT,
            "Only 2 edges meet at this vertex, and they bend by %.1f\u00b0: no loop runs through"
                + " it. Carry the cut on to a vertex or an edge, or take the bend out.",
            turn));
  }
}
