package fairedge.core.inspect;

import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import java.util.ArrayList;
import java.util.List;

/**
 * {@code loose-vertex}: a vertex at no edge. {@code loose-edge}: an edge in no face. Cost: every
 * vertex and edge once.
 */
final class LooseFinder implements Finder {
  @Override
  public List<Finding> find(Subject subject) {
    Mesh mesh = subject.mesh();
    List<Finding> found = new ArrayList<>();
    for (int v = 0; v < mesh.vertexEnd(); v++) {
      if (mesh.hasVertex(v) && mesh.edgeAt(v) == Mesh.NONE) {
        found.add(
            new Finding.Told(
                Rule.LOOSE_VERTEX,
                List.of(Element.vertex(v)),
                Places.ofVertex(mesh, v),
                0,
                new Measure(1, Measure.Unit.VERTICES),
                "Loose vertex",
                "1 vertex here belongs to no edge and no face: delete it."));
      }
    }
    for (int e = 0; e < mesh.edgeEnd(); e++) {
      if (mesh.hasEdge(e) && mesh.cornerOn(e) == Mesh.NONE) {
        found.add(
            new Finding.Told(
                Rule.LOOSE_EDGE,
                List.of(Element.edge(e)),
                Places.onEdge(mesh, e),
                0,
                new Measure(1, Measure.Unit.EDGES),
                "Loose edge",
                "1 edge here belongs to no face: delete it, or close it to a face."));
      }
    }
    return found;
  }
}
