package fairedge.core.mend;

import fairedge.core.flow.Topology;
import fairedge.core.inspect.Report;
import fairedge.core.inspect.finding.SidesFinding;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import fairedge.core.survey.Curviest;
import fairedge.core.survey.Subject;
import java.util.BitSet;
import java.util.List;
import java.util.Optional;

/**
 * What planners plan on: valid while they do, and not in the steps of their plans.
 *
 * @param report of the mesh
 * @param hidden faces that are to stay as they are
 * @param curviest where it bends most
 */
record Ground(Subject facts, Report report, BitSet hidden, Curviest curviest) {
  Mesh mesh() {
    return facts.mesh();
  }

  /** What is told of a triangle: the pair, the fan, or itself. */
  Optional<SidesFinding.Triangle> triangleAt(int f) {
    return report.findings().stream()
        .map(Report.Assessed::finding)
        .filter(SidesFinding.Triangle.class::isInstance)
        .map(SidesFinding.Triangle.class::cast)
        .filter(triangle -> triangle.faces().contains(f))
        .findFirst();
  }

  boolean isOpen(int f) {
    return !hidden.get(f);
  }

  /** The valence of an inner vertex; 4 of any other, as it is no pole whatever its valence. */
  int valence(int v) {
    return facts.topology().classOf(v) == Topology.VertexClass.INNER
        ? facts.topology().valence(v)
        : 4;
  }

  boolean isInner(int v) {
    return facts.topology().classOf(v) == Topology.VertexClass.INNER;
  }

  /** How dear a step of a valence away from 4 is here. */
  int weight(int v) {
    return curviest.has(v) ? 2 : 1;
  }

  static List<Integer> ids(List<Element> elements, Element.Kind kind) {
    return elements.stream().filter(e -> e.kind() == kind).map(Element::id).toList();
  }
}
