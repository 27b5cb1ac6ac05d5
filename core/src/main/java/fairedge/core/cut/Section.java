package fairedge.core.cut;

import fairedge.core.effort.Effort;
import fairedge.core.geometry.Polygon;
import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * Where a plane meets the faces of a mesh: one chord for each piece of the plane's line that runs
 * inside a face. Vertices within the merge distance lie on the plane; chords along edges are left
 * out, so are faces that lie in the plane.
 *
 * <p>Crossings on a face's border are taken in their order along the line, and a piece between two
 * of them is a chord where its middle lies inside the face, so that concave faces give several.
 * Cost: the corners of the faces that it is asked about.
 */
final class Section {
  private final Mesh mesh;
  private final CutPlane plane;
  private final double merge;
  private final int[] fixedOnPlane;
  private final Map<Integer, Node> onEdge = new HashMap<>();
  private final List<Chord> chords = new ArrayList<>();

  /**
   * @param fixedOnPlane vertices that lie on the plane because it was laid through them
   */
  Section(Mesh mesh, CutPlane plane, double merge, int... fixedOnPlane) {
    this.mesh = mesh;
    this.plane = plane;
    this.merge = merge;
    this.fixedOnPlane = fixedOnPlane;
  }

  /** The chords in these faces. */
  List<Chord> chords(int[] faces) {
    Effort.check();
    for (int f : faces) {
      if (isMet(f)) {
        addChords(f);
      }
    }
    return chords;
  }

  /** Signed, and exactly 0 within the merge distance. */
  private double distance(int v) {
    for (int on : fixedOnPlane) {
      if (on == v) {
        return 0;
      }
    }
    double d = plane.distance(mesh.position(v));
    return Math.abs(d) <= merge ? 0 : d;
  }

  /** Whether f has corners on both sides, or on the plane at two or more; and can be measured. */
  private boolean isMet(int f) {
    int c = mesh.firstCorner(f);
    int below = 0;
    int above = 0;
    int on = 0;
    for (int i = mesh.size(f); i > 0; i--) {
      double d = distance(mesh.vertexOf(c));
      if (Double.isNaN(d)) {
        return false;
      }
      below += d < 0 ? 1 : 0;
      above += d > 0 ? 1 : 0;
      on += d == 0 ? 1 : 0;
      c = mesh.next(c);
    }
    return below + above > 0 && (below > 0 && above > 0 || on > 1) && mesh.isMeasurable(f);
  }

  private void addChords(int f) {
    Polygon polygon = mesh.polygon(f);
    Vec3 line = plane.normal().cross(polygon.newell());
    List<Node> nodes = nodesOn(f);
    if (nodes.size() < 2 || line.length() == 0) {
      return;
    }
    nodes.sort(Comparator.comparingDouble(n -> n.at().minus(nodes.getFirst().at()).dot(line)));
    Polygon.Flat flat = polygon.flat();
    for (int i = 0; i + 1 < nodes.size(); i++) {
      Node from = nodes.get(i);
      Node to = nodes.get(i + 1);
      if (!areOnOneEdge(f, from, to) && flat.contains(from.at().towards(to.at(), 0.5))) {
        chords.add(new Chord(f, from, to));
      }
    }
  }

  private List<Node> nodesOn(int f) {
    List<Node> nodes = new ArrayList<>();
    int c = mesh.firstCorner(f);
    for (int i = mesh.size(f); i > 0; i--) {
      int v = mesh.vertexOf(c);
      double here = distance(v);
      double there = distance(mesh.vertexOf(mesh.next(c)));
      if (here == 0) {
        nodes.add(new Node.AtVertex(v, mesh.position(v)));
      } else if (here < 0 && there > 0 || here > 0 && there < 0) {
        nodes.add(onEdge.computeIfAbsent(mesh.edgeOf(c), this::crossing));
      }
      c = mesh.next(c);
    }
    return nodes;
  }

  private Node crossing(int e) {
    double a = distance(mesh.first(e));
    double b = distance(mesh.second(e));
    double t = a / (a - b);
    return new Node.OnEdge(e, t, mesh.along(e, t));
  }

  private boolean areOnOneEdge(int f, Node from, Node to) {
    if (from instanceof Node.AtVertex a && to instanceof Node.AtVertex b) {
      int e = mesh.findEdge(a.vertex(), b.vertex());
      return e != Mesh.NONE && Arrays.stream(mesh.facesOn(e)).anyMatch(g -> g == f);
    }
    return false;
  }
}
