package fairedge.core.cut;

import fairedge.core.flow.Ring;
import fairedge.core.flow.Stop;
import fairedge.core.geometry.Vec3;
import fairedge.core.local.MeshEdit;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * Inserts an edge loop across the ring of an edge.
 *
 * <p>Input: an edge and a fraction from its first vertex (lower id), carried across so that sides
 * stay sides. Precondition: the edge has one or two faces, a quad among them; the fraction is
 * strictly inside and farther than the merge distance from every vertex of the ring; a one-sided
 * ring is cut at its middle only. Result: one new vertex on each edge of the ring, each quad passed
 * becomes two (four, where the ring crosses it twice), and a face that stops the ring gains a side.
 * Cost: the ring.
 *
 * <p>Stages: find the ring; check the fraction; split the edges; split the quads; tell.
 */
public final class Loops {
  private final MeshEdit edit;
  private final Mesh mesh;
  private final double merge;
  private final Ring ring;
  private final double fraction;
  private final int[] newVertices;

  private Loops(MeshEdit edit, double merge, Ring ring, double fraction) {
    this.edit = edit;
    this.mesh = edit.mesh();
    this.merge = merge;
    this.ring = ring;
    this.fraction = fraction;
    this.newVertices = new int[ring.edges().size()];
  }

  /**
   * @param merge distance within which a point would be a vertex
   * @throws Refusal.Raised with nothing lost if the caller takes the edit back
   */
  public static CutResult cut(MeshEdit edit, double merge, int edge, double fraction) {
    Mesh mesh = edit.mesh();
    if (!mesh.hasEdge(edge)) {
      throw Refusal.because("The edge that was pointed at is not there any more.");
    }
    if (!(fraction > 0 && fraction < 1)) {
      throw Refusal.because("A loop lies between the two ends of the edge.", Element.edge(edge));
    }
    Ring ring = Ring.through(mesh, edge).orElseThrow(() -> noRing(mesh, edge));
    Loops loops = new Loops(edit, merge, ring, fraction);
    loops.checkFraction();
    double toEdge = loops.angleToNamedEdge();
    loops.splitEdges();
    loops.splitQuads();
    return loops.tell(toEdge);
  }

  private static Refusal.Raised noRing(Mesh mesh, int edge) {
    int uses = mesh.uses(edge);
    String reason =
        uses == 0
            ? "This edge has no face, so no ring runs across it."
            : uses > 2
                ? "More than two faces meet at this edge, so no ring runs across it."
                : "No quad lies at this edge, so no ring runs across it.";
    return Refusal.because(reason, Element.edge(edge));
  }

  private void checkFraction() {
    if (ring.oneSided() && fraction != 0.5) {
      throw Refusal.because(
          "This ring comes back with its sides exchanged: only a loop at its middle closes.",
          Element.edge(ring.edges().getFirst()));
    }
    for (int e : ring.edges()) {
      if (!mesh.hasPlace(mesh.first(e)) || !mesh.hasPlace(mesh.second(e))) {
        throw Refusal.because("A vertex of this ring has no place.", Element.edge(e));
      }
      double length = mesh.length(e);
      if (length * Math.min(fraction, 1 - fraction) <= merge) {
        throw Refusal.because("The loop would lie on a vertex of this edge.", Element.edge(e));
      }
    }
  }

  private void splitEdges() {
    for (int i = 0; i < newVertices.length; i++) {
      int e = ring.edges().get(i);
      int from = ring.firsts().get(i);
      Vec3 at = mesh.position(from).towards(mesh.position(mesh.otherEnd(e, from)), fraction);
      newVertices[i] = edit.splitEdge(e, at);
    }
  }

  private void splitQuads() {
    Map<Integer, Integer> passedAt = new HashMap<>();
    for (int i = 0; i < ring.quads().size(); i++) {
      int quad = ring.quads().get(i);
      Integer before = passedAt.putIfAbsent(quad, i);
      int a = newVertices[i];
      int b = newVertices[(i + 1) % newVertices.length];
      if (before == null) {
        splitBetween(quad, a, b);
      } else {
        crossQuad(before, i);
      }
    }
  }

  private void splitBetween(int face, int a, int b) {
    int from = mesh.findCorner(face, a);
    int to = mesh.findCorner(face, b);
    if (from == Mesh.NONE || to == Mesh.NONE || a == b) {
      throw Refusal.because("A face on this ring touches itself.", Element.face(face));
    }
    if (mesh.findEdge(a, b) != Mesh.NONE) {
      throw Refusal.because("Two faces on this ring share all corners.", Element.face(face));
    }
    edit.splitFace(face, from, to, List.of());
  }

  /** The ring passes a quad the second time: the crossing becomes a vertex. */
  private void crossQuad(int before, int now) {
    int a = newVertices[before];
    int b = newVertices[(before + 1) % newVertices.length];
    int c = newVertices[now];
    int d = newVertices[(now + 1) % newVertices.length];
    int line = mesh.findEdge(a, b);
    // Both halves of the quad hang on the first line; c is on one of them, d on the other.
    int[] halves = mesh.facesOn(line);
    boolean firstSideAtA = mesh.findEdge(ring.firsts().get(now), a) != Mesh.NONE;
    double t = firstSideAtA ? fraction : 1 - fraction;
    int middle = edit.splitEdge(line, mesh.position(a).towards(mesh.position(b), t));
    for (int half : halves) {
      int end = mesh.findCorner(half, c) != Mesh.NONE ? c : d;
      splitBetween(half, end, middle);
    }
  }

  private CutResult tell(double toEdge) {
    List<CutPoint> points = new ArrayList<>();
    double length = 0;
    for (int i = 0; i < newVertices.length; i++) {
      boolean end = !ring.closed() && (i == 0 || i == newVertices.length - 1);
      CutPoint.Use use = end ? CutPoint.Use.NEW : CutPoint.Use.CROSSING;
      int first = ring.firsts().get(i);
      Vec3 at = mesh.position(newVertices[i]);
      points.add(new CutPoint(at, use, at.minus(mesh.position(first))));
      if (i > 0) {
        length += points.get(i - 1).at().distance(points.get(i).at());
      }
    }
    if (ring.closed()) {
      length += points.getLast().at().distance(points.getFirst().at());
      points.add(points.getFirst());
    }
    List<CutRemark> remarks = new ArrayList<>();
    for (Stop stop : ring.stops()) {
      remarks.add(remarkOn(stop, ring.stops()));
    }
    CutPiece loop = new CutPiece(points, List.of(points.size()), length, null, toEdge);
    return new CutResult(List.of(loop), remarks, 0);
  }

  private CutRemark remarkOn(Stop stop, List<Stop> all) {
    boolean before = all.getFirst() == stop;
    int last = newVertices[before ? 0 : newVertices.length - 1];
    Vec3 at = mesh.position(last);
    return switch (stop.cause()) {
      case BORDER -> new CutRemark("Runs out at a border.", Element.vertex(last), at, stop.cause());
      case CROWDED ->
          new CutRemark(
              "Stops at an edge where more than two faces meet.",
              Element.vertex(last),
              at,
              stop.cause());
      case TRIANGLE, NGON -> {
        String name = stop.sides() == 3 ? "a triangle" : "a face with " + stop.sides() + " sides";
        int gained = mesh.size(stop.face()) - stop.sides();
        String gains = gained == 1 ? "a side" : gained + " sides, one at each end";
        yield new CutRemark(
            "Stops at %s, which gains %s: %d.".formatted(name, gains, mesh.size(stop.face())),
            Element.face(stop.face()),
            at,
            stop.cause());
      }
    };
  }

  /** Between the named edge and the line over to the next edge of the ring, 90 if square. */
  private double angleToNamedEdge() {
    int e = ring.edges().getFirst();
    int next = ring.edges().get(1 % ring.edges().size());
    Vec3 along = mesh.position(mesh.second(e)).minus(mesh.position(mesh.first(e)));
    Vec3 across = mesh.along(next, 0.5).minus(mesh.along(e, 0.5));
    double angle = along.angleTo(across);
    return Math.min(angle, 180 - angle);
  }
}
