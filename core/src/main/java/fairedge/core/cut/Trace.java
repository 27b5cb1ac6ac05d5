package fairedge.core.cut;

import fairedge.core.geometry.Polygon;
import fairedge.core.geometry.Vec3;
import fairedge.core.local.MeshEdit;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import fairedge.core.near.FaceTree;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * The point-to-point cut.
 *
 * <p>Input: a run of anchors, each with the view in which the segment to it was drawn; the surface
 * that the eye sees along a segment is cut (front only). Precondition: at least two anchors on
 * elements that are there; the run begins and ends on a vertex or an edge. Result: anchors on edges
 * are new vertices; between two anchors in one face the cut is the straight chord, else it is where
 * the plane through both and the eye meets the surface in view, run on to the border of the face in
 * which the view of it ends; every edge crossed gets a vertex; bends inside a face are vertices of
 * valence 2. Old vertices stay where they are. Nothing dies. Cost: for each segment the faces along
 * its plane between the sight-lines, those behind others too, and what is cut.
 *
 * <p>Stages: check the run; put vertices where its anchors lie on edges; then for each stretch from
 * border to border: find its chords, join them to chains at bends, cut the faces; tell.
 */
public final class Trace {
  private final MeshEdit edit;
  private final Mesh mesh;
  private final double merge;
  private final FaceTree near;
  private final List<TracePoint> points;
  private final List<CutRemark> remarks = new ArrayList<>();
  private final FaceCutter cutter;
  private final TraceLine line;
  private final Node[] nodes;

  private Trace(MeshEdit edit, double merge, FaceTree near, List<TracePoint> points) {
    this.edit = edit;
    this.near = near;
    this.mesh = edit.mesh();
    this.merge = merge;
    this.points = points;
    this.cutter = new FaceCutter(edit, merge);
    this.line = new TraceLine(mesh, edit.mesh().vertexEnd());
    this.nodes = new Node[points.size()];
  }

  /**
   * @param merge distance within which a point on an edge is its end
   * @param near the faces as they were before the edit began
   * @throws Refusal.Raised with nothing lost if the caller takes the edit back
   */
  public static CutResult cut(MeshEdit edit, double merge, FaceTree near, List<TracePoint> points) {
    Trace trace = new Trace(edit, merge, near, points);
    trace.checkRun();
    trace.placeAnchors();
    trace.cutStretches();
    return trace.line.result(trace.remarks);
  }

  private void checkRun() {
    if (points.size() < 2) {
      throw Refusal.because("A trace needs two points at least.");
    }
    for (TracePoint point : points) {
      checkAnchor(point.anchor());
      if (!point.view().isFinite()) {
        throw Refusal.because("The view of a point is not a place to look from.");
      }
    }
    for (TracePoint end : List.of(points.getFirst(), points.getLast())) {
      if (end.anchor() instanceof Anchor.InFace in) {
        throw Refusal.because(
            "A trace can't end inside a face: end it on a vertex or on an edge.",
            Element.face(in.face()));
      }
    }
  }

  private void checkAnchor(Anchor anchor) {
    boolean there =
        switch (anchor) {
          case Anchor.OnVertex a -> mesh.hasVertex(a.vertex()) && mesh.hasPlace(a.vertex());
          case Anchor.OnEdge a ->
              mesh.hasEdge(a.edge())
                  && a.t() >= 0
                  && a.t() <= 1
                  && mesh.hasPlace(mesh.first(a.edge()))
                  && mesh.hasPlace(mesh.second(a.edge()));
          case Anchor.InFace a -> mesh.hasFace(a.face()) && a.at().isFinite();
        };
    if (!there) {
      throw Refusal.because("A point of the trace lies on something that is not there any more.");
    }
    if (anchor instanceof Anchor.OnVertex a && !mesh.isInFace(a.vertex())) {
      throw Refusal.because("This vertex is in no face.", Element.vertex(a.vertex()));
    }
  }

  /** Puts a vertex at every anchor on an edge; several on one edge are kept in their order. */
  private void placeAnchors() {
    EdgeSplitter splitter = new EdgeSplitter(edit, merge);
    for (int i = 0; i < nodes.length; i++) {
      nodes[i] =
          switch (points.get(i).anchor()) {
            case Anchor.OnVertex a -> vertexNode(a.vertex());
            case Anchor.InFace a -> new Node.Inside(a.at());
            case Anchor.OnEdge a -> edgeNode(a, splitter);
          };
    }
    splitter.splitAll();
    for (int i = 0; i < nodes.length; i++) {
      if (nodes[i] instanceof Node.OnEdge on) {
        nodes[i] = vertexNode(splitter.vertexAt(on));
      }
    }
  }

  private Node edgeNode(Anchor.OnEdge a, EdgeSplitter splitter) {
    double length = mesh.length(a.edge());
    if (a.t() * length <= merge) {
      return vertexNode(mesh.first(a.edge()));
    }
    if ((1 - a.t()) * length <= merge) {
      return vertexNode(mesh.second(a.edge()));
    }
    return splitter.request(a.edge(), a.t());
  }

  private Node vertexNode(int v) {
    return new Node.AtVertex(v, mesh.position(v));
  }

  /** A stretch runs from one anchor on a border of faces to the next, bends between. */
  private void cutStretches() {
    int start = 0;
    for (int i = 1; i < nodes.length; i++) {
      if (nodes[i] instanceof Node.AtVertex) {
        cutStretch(start, i);
        start = i;
      }
    }
  }

  private void cutStretch(int start, int end) {
    List<Chord> chords = new ArrayList<>();
    for (int i = start + 1; i <= end; i++) {
      List<Chord> piece = chordsBetween(i - 1, i);
      line.piece(nodes[i - 1], nodes[i], piece);
      chords.addAll(piece);
    }
    if (chords.isEmpty()) {
      remarks.add(CutRemark.of(nothingToCut(start, end), null));
    }
    cutter.cut(chords);
  }

  private String nothingToCut(int start, int end) {
    if (nodes[start] instanceof Node.AtVertex a
        && nodes[end] instanceof Node.AtVertex b
        && mesh.findEdge(a.vertex(), b.vertex()) != Mesh.NONE) {
      return "This piece runs along an edge and changes nothing.";
    }
    return "This piece crosses no face in view and changes nothing.";
  }

  private List<Chord> chordsBetween(int i, int j) {
    Node from = nodes[i];
    Node to = nodes[j];
    View view = points.get(j).view();
    if (from.at().distance(to.at()) <= merge) {
      return List.of();
    }
    if (from instanceof Node.AtVertex a
        && to instanceof Node.AtVertex b
        && mesh.findEdge(a.vertex(), b.vertex()) != Mesh.NONE) {
      return List.of();
    }
    SightPlane plane = SightPlane.through(view, from.at(), to.at());
    int face = straightFace(i, j, view);
    return face == Mesh.NONE ? chordsInView(i, j, plane) : List.of(new Chord(face, from, to));
  }

  private List<Chord> chordsInView(int i, int j, SightPlane plane) {
    Node from = nodes[i];
    Node to = nodes[j];
    int[] fixed =
        List.of(from, to).stream()
            .filter(Node.AtVertex.class::isInstance)
            .mapToInt(n -> ((Node.AtVertex) n).vertex())
            .toArray();
    List<Chord> chords = sectionOf(plane, fixed);
    List<Chord> visible = new ArrayList<>(Sight.visible(chords, plane));
    if (from instanceof Node.Inside) {
      trim(visible, faceOf(i), from, true);
    }
    if (to instanceof Node.Inside) {
      trim(visible, faceOf(j), to, false);
    }
    return visible;
  }

  private List<Chord> sectionOf(SightPlane plane, int[] fixedOnPlane) {
    int[] faces = near.meeting(plane.region(merge), edit.journal().touched().faces());
    return new Section(mesh, plane, merge, fixedOnPlane).chords(faces);
  }

  /** Lets the chord in which a bend lies begin or end at the bend. */
  private void trim(List<Chord> chords, int face, Node bend, boolean begin) {
    for (int k = 0; k < chords.size(); k++) {
      Chord chord = chords.get(k);
      if (chord.face() == face && runsThrough(chord, bend.at())) {
        chords.set(
            k, begin ? new Chord(face, bend, chord.to()) : new Chord(face, chord.from(), bend));
        return;
      }
    }
    throw Refusal.because(
        "The face of this bend is hidden along the piece: turn the model so that you see it.",
        Element.face(face));
  }

  private static boolean runsThrough(Chord chord, Vec3 at) {
    Vec3 whole = chord.to().at().minus(chord.from().at());
    double along = at.minus(chord.from().at()).dot(whole);
    return along > 0 && along < whole.dot(whole);
  }

  /** The face in which bend i lies now: an earlier stretch may have cut the face picked. */
  private int faceOf(int i) {
    Anchor.InFace picked = (Anchor.InFace) points.get(i).anchor();
    return cutter.partAt(picked.face(), picked.at());
  }

  /**
   * A face that holds both points and the straight segment between them; of several the one turned
   * most to the eye, then the first.
   */
  private int straightFace(int i, int j, View view) {
    int best = Mesh.NONE;
    double bestFacing = Double.NEGATIVE_INFINITY;
    Vec3 sight = view.sightTo(nodes[j].at()).unit();
    for (int f : facesAt(i)) {
      if (Arrays.stream(facesAt(j)).noneMatch(g -> g == f) || !mesh.isMeasurable(f)) {
        continue;
      }
      Polygon shape = mesh.polygon(f);
      double facing = -shape.normal().dot(sight);
      if (facing > bestFacing && shape.flat().containsSegment(nodes[i].at(), nodes[j].at())) {
        best = f;
        bestFacing = facing;
      }
    }
    return best;
  }

  private int[] facesAt(int i) {
    return switch (nodes[i]) {
      case Node.AtVertex v -> mesh.facesAt(v.vertex());
      default -> new int[] {faceOf(i)};
    };
  }
}
