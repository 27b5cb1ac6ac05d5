package fairedge.core.cut;

import fairedge.core.geometry.Polygon;
import fairedge.core.geometry.Vec3;
import fairedge.core.local.Refusal;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import fairedge.core.work.Done;
import fairedge.core.work.Remark;
import fairedge.core.work.Site;
import fairedge.core.work.View;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * The point-to-point cut.
 *
 * <p>Input: runs of anchors, each anchor with the view in which the segment to it was drawn, and
 * how deep to cut. Precondition: at least two anchors a run, on elements that are there; a run
 * begins and ends on a vertex, on an edge or off the model, or closes. Result: anchors on edges are
 * new vertices; between two anchors in one face the cut is the straight chord, else it is where the
 * plane through both and the eye meets the surface (in view, or right through), run on to the
 * border of the face in which the view of it or a sight-line ends; every edge crossed gets a
 * vertex; bends inside a face are vertices of valence 2; where runs cross, the crossing is a
 * vertex. Old vertices stay where they are. Nothing dies. Cost: for each segment the faces along
 * its plane between the sight-lines, those behind others too, and what is cut.
 *
 * <p>Stages: check the runs; put vertices where anchors lie on edges; find the chords of every
 * segment in the mesh as it is; let segments meet at bends; cut all at once; tell.
 */
public final class Trace {
  /** Freehand strokes and drawn outlines have many points, but a cut must answer while one aims. */
  private static final int MOST_POINTS = 4000;

  private final Site site;
  private final Mesh mesh;
  private final double merge;
  private final Reach reach;
  private final List<Remark> remarks = new ArrayList<>();
  private final TraceLine line;
  private final List<Chord> chords = new ArrayList<>();

  /** Of each edge on which an anchor lies its ends, before it is divided. */
  private final Map<Integer, Set<Integer>> ends = new HashMap<>();

  /** The vertices that were made for anchors on edges. */
  private final List<Integer> made = new ArrayList<>();

  /** A run with its anchors placed. */
  private record Placed(List<TracePoint> points, List<Node> nodes, boolean closed) {}

  /** Why a piece can cut nothing. */
  private enum Idle {
    NO,
    /** Both of its points are one. */
    POINT,
    /** It runs along an edge. */
    EDGE
  }

  /** What one segment cuts, each chord running from its first anchor's side to its second's. */
  private static final class Segment {
    final Node from;
    final Node to;
    final View view;
    final @Nullable SightPlane plane;
    final List<Chord> seen;
    final List<Chord> unseen;

    Segment(
        Node from,
        Node to,
        View view,
        @Nullable SightPlane plane,
        List<Chord> seen,
        List<Chord> unseen) {
      this.from = from;
      this.to = to;
      this.view = view;
      this.plane = plane;
      this.seen = new ArrayList<>(seen);
      this.unseen = new ArrayList<>(unseen);
    }

    static Segment empty(Node from, Node to, View view) {
      return new Segment(from, to, view, null, List.of(), List.of());
    }
  }

  private Trace(Site site, Reach reach) {
    this.site = site;
    this.mesh = site.mesh();
    this.merge = site.merge();
    this.reach = reach;
    this.line = new TraceLine(mesh, site.firstNewVertex());
  }

  /**
   * @throws Refusal.Raised with nothing lost if the caller takes the edit back
   */
  public static Done cut(Site site, Reach reach, List<TraceRun> runs) {
    Trace trace = new Trace(site, reach);
    trace.checkRuns(runs);
    for (Placed run : trace.placeAnchors(runs)) {
      trace.findChords(run);
    }
    new FaceCutter(site.edit(), site.merge()).cut(trace.chords);
    trace.joinIdle();
    trace.remarks.addAll(site.neighboursThatGained());
    return trace.line.result(trace.remarks);
  }

  /**
   * Cuts from one vertex to another over the surface between them, along the straight line as it is
   * seen from outside.
   *
   * @throws Refusal.Raised if no unbroken way leads over faces that may be cut
   */
  public static Done overSurface(Site site, int from, int to) {
    Mesh mesh = site.mesh();
    Vec3 outwards = site.normalAt(from).plus(site.normalAt(to));
    Node a = new Node.AtVertex(from, mesh.position(from));
    Node b = new Node.AtVertex(to, mesh.position(to));
    Trace trace = new Trace(site, Reach.THROUGH);
    SightPlane plane = SightPlane.through(new View.Parallel(outwards.times(-1)), a.at(), b.at());
    int[] faces = site.facesMeeting(plane.region(site.merge()));
    List<Chord> all =
        Sight.between(new Section(mesh, plane, site.merge(), from, to).chords(faces), plane);
    for (List<Chord> chain :
        ChordChains.of(all.stream().filter(c -> site.allows(c.face())).toList())) {
      Node first = chain.getFirst().from();
      Node last = chain.getLast().to();
      if (first.equals(a) && last.equals(b) || first.equals(b) && last.equals(a)) {
        trace.line.piece(a, b, plane, chain, List.of());
        new FaceCutter(site.edit(), site.merge()).cut(chain);
        return trace.line.result(site.neighboursThatGained());
      }
    }
    throw Refusal.because(
        "No straight way leads over the surface from this vertex to the other.",
        Element.vertex(from));
  }

  private void checkRuns(List<TraceRun> runs) {
    int points = 0;
    for (TraceRun run : runs) {
      checkRun(run);
      points += run.points().size();
    }
    if (runs.isEmpty()) {
      throw Refusal.because("A trace needs two points at least.");
    }
    if (points > MOST_POINTS) {
      throw Refusal.because(
          "A cut has at most %d points, this one has %d: cut it in parts."
              .formatted(MOST_POINTS, points));
    }
  }

  private void checkRun(TraceRun run) {
    List<TracePoint> points = run.points();
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
      if (end.anchor() instanceof Anchor.InFace in && !run.isClosed()) {
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
          case Anchor.InFace a ->
              mesh.hasFace(a.face()) && a.at().isFinite() && mesh.isMeasurable(a.face());
          case Anchor.OffModel a -> a.at().isFinite();
        };
    if (!there) {
      throw Refusal.because("A point of the trace lies on something that is not there any more.");
    }
    if (anchor instanceof Anchor.OnVertex a && !mesh.isInFace(a.vertex())) {
      throw Refusal.because("This vertex is in no face.", Element.vertex(a.vertex()));
    }
    if (anchor instanceof Anchor.OnEdge a && mesh.uses(a.edge()) == 0) {
      throw Refusal.because("This edge is in no face.", Element.edge(a.edge()));
    }
  }

  /** Puts a vertex at every anchor on an edge; several on one edge are kept in their order. */
  private List<Placed> placeAnchors(List<TraceRun> runs) {
    EdgeSplitter splitter = new EdgeSplitter(site.edit(), merge);
    for (TraceRun run : runs) {
      for (TracePoint point : run.points()) {
        if (point.anchor() instanceof Anchor.OnEdge on) {
          ends.put(on.edge(), Set.of(mesh.first(on.edge()), mesh.second(on.edge())));
        }
      }
    }
    List<Placed> placed = new ArrayList<>();
    for (TraceRun run : runs) {
      List<Integer> kept = run.kept(run.points().stream().map(p -> placeOf(p.anchor())).toList());
      List<TracePoint> points = kept.stream().map(run.points()::get).toList();
      List<Node> nodes = new ArrayList<>();
      for (TracePoint point : points) {
        nodes.add(nodeOf(point.anchor(), splitter));
      }
      placed.add(new Placed(points, nodes, run.isClosed()));
    }
    splitter.splitAll();
    for (Placed run : placed) {
      run.nodes()
          .replaceAll(n -> n instanceof Node.OnEdge on ? madeNode(splitter.vertexAt(on)) : n);
    }
    return placed;
  }

  private Node madeNode(int v) {
    made.add(v);
    return vertexNode(v);
  }

  /** An anchor at which nothing was cut leaves no vertex in its edge. */
  private void joinIdle() {
    for (int v : made) {
      boolean isIdle = v >= site.firstNewVertex() && mesh.hasVertex(v);
      if (isIdle && mesh.edgesAt(v).length == 2) {
        site.edit().joinEdge(v);
      }
    }
  }

  private Vec3 placeOf(Anchor anchor) {
    return switch (anchor) {
      case Anchor.OnVertex a -> mesh.position(a.vertex());
      case Anchor.OnEdge a -> mesh.along(a.edge(), a.t());
      case Anchor.InFace a -> a.at();
      case Anchor.OffModel a -> a.at();
    };
  }

  private Node nodeOf(Anchor anchor, EdgeSplitter splitter) {
    return switch (anchor) {
      case Anchor.OnVertex a -> vertexNode(a.vertex());
      case Anchor.OnEdge a -> edgeNode(a.edge(), a.t(), splitter);
      case Anchor.InFace a -> faceNode(a, splitter);
      case Anchor.OffModel a -> new Node.Beside(a.at());
    };
  }

  private Node edgeNode(int edge, double t, EdgeSplitter splitter) {
    double length = mesh.length(edge);
    if (t * length <= merge) {
      return vertexNode(mesh.first(edge));
    }
    if ((1 - t) * length <= merge) {
      return vertexNode(mesh.second(edge));
    }
    return splitter.request(edge, t);
  }

  /** A place in a face is laid onto its triangulation; one at the border is on the border. */
  private Node faceNode(Anchor.InFace a, EdgeSplitter splitter) {
    int c = mesh.firstCorner(a.face());
    for (int i = mesh.size(a.face()); i > 0; i--) {
      int e = mesh.edgeOf(c);
      Vec3 p = mesh.position(mesh.first(e));
      Vec3 along = mesh.position(mesh.second(e)).minus(p);
      double square = along.dot(along);
      double t = square > 0 ? Math.clamp(a.at().minus(p).dot(along) / square, 0, 1) : 0;
      if (mesh.along(e, t).distance(a.at()) <= merge) {
        return edgeNode(e, t, splitter);
      }
      c = mesh.next(c);
    }
    Vec3 onFace = mesh.polygon(a.face()).onSurface(a.at());
    if (onFace == null) {
      throw Refusal.because(
          "A point of the trace does not lie in its face.", Element.face(a.face()));
    }
    return new Node.Inside(onFace);
  }

  private Node vertexNode(int v) {
    return new Node.AtVertex(v, mesh.position(v));
  }

  private void findChords(Placed run) {
    line.beginRun();
    List<Segment> segments = new ArrayList<>();
    for (int j = 1; j < run.points().size(); j++) {
      segments.add(segment(run, j - 1, j));
    }
    for (int j = 1; j < segments.size(); j++) {
      meet(segments.get(j - 1), segments.get(j), run.points().get(j).anchor());
    }
    if (run.closed()) {
      meet(segments.getLast(), segments.getFirst(), run.points().getFirst().anchor());
    }
    for (int k = 0; k < segments.size(); k++) {
      Segment s = segments.get(k);
      line.piece(s.from, s.to, s.plane, s.seen, s.unseen);
      chords.addAll(s.seen);
      chords.addAll(s.unseen);
      if (s.seen.isEmpty() && s.unseen.isEmpty()) {
        remarks.add(Remark.of(nothingToCut(idle(run, k, k + 1)), null));
      }
    }
  }

  private static String nothingToCut(Idle why) {
    return switch (why) {
      case POINT -> "Both points of this piece are one: it changes nothing.";
      case EDGE -> "This piece runs along an edge and changes nothing.";
      case NO -> "This piece crosses no face in view and changes nothing.";
    };
  }

  /** Whether a piece can't cut anything, and why. */
  private Idle idle(Placed run, int i, int j) {
    Node from = run.nodes().get(i);
    Node to = run.nodes().get(j);
    if (from.at().distance(to.at()) <= merge) {
      return Idle.POINT;
    }
    if (!(from instanceof Node.AtVertex a && to instanceof Node.AtVertex b)) {
      return Idle.NO;
    }
    Anchor begin = run.points().get(i).anchor();
    Anchor end = run.points().get(j).anchor();
    boolean isAlong =
        mesh.findEdge(a.vertex(), b.vertex()) != Mesh.NONE
            || begin instanceof Anchor.OnEdge e && isOn(end, e.edge())
            || end instanceof Anchor.OnEdge g && isOn(begin, g.edge());
    return isAlong ? Idle.EDGE : Idle.NO;
  }

  /** Whether an anchor lies on an edge, as it was before any was divided. */
  private boolean isOn(Anchor anchor, int edge) {
    return switch (anchor) {
      case Anchor.OnEdge on -> on.edge() == edge;
      case Anchor.OnVertex on -> ends.getOrDefault(edge, Set.of()).contains(on.vertex());
      default -> false;
    };
  }

  private Segment segment(Placed run, int i, int j) {
    Node from = run.nodes().get(i);
    Node to = run.nodes().get(j);
    View view = run.points().get(j).view();
    Idle idle = idle(run, i, j);
    if (idle == Idle.POINT || idle == Idle.EDGE && reach == Reach.FRONT) {
      return Segment.empty(from, to, view);
    }
    SightPlane plane = SightPlane.through(view, from.at(), to.at());
    if (reach == Reach.FRONT) {
      int face = straightFace(run, i, j, view);
      if (face != Mesh.NONE) {
        List<Chord> chord = site.allows(face) ? List.of(new Chord(face, from, to)) : List.of();
        return new Segment(from, to, view, null, chord, List.of());
      }
    }
    return cutBy(plane, from, to, view);
  }

  private Segment cutBy(SightPlane plane, Node from, Node to, View view) {
    int[] faces = site.facesMeeting(plane.region(merge));
    List<Chord> all = new Section(mesh, plane, merge, fixed(from, to)).chords(faces);
    List<Chord> visible = Sight.visible(all, plane);
    List<Chord> unseen = new ArrayList<>();
    if (reach == Reach.THROUGH) {
      Set<Chord> known = new HashSet<>(visible);
      unseen.addAll(Sight.between(all, plane).stream().filter(c -> !known.contains(c)).toList());
      unseen.removeIf(c -> !site.allows(c.face()));
    }
    List<Chord> seen = visible.stream().filter(c -> site.allows(c.face())).toList();
    return new Segment(from, to, view, plane, seen, unseen);
  }

  private static int[] fixed(Node from, Node to) {
    return List.of(from, to).stream()
        .filter(Node.AtVertex.class::isInstance)
        .mapToInt(n -> ((Node.AtVertex) n).vertex())
        .toArray();
  }

  /**
   * Lets the chords of two segments meet on the sight-line between them: in the face of a bend, and
   * right through, where both were drawn in one view, in every face behind it too.
   */
  private void meet(Segment before, Segment after, Anchor anchor) {
    if (anchor instanceof Anchor.InFace in && before.to instanceof Node.Inside bend) {
      boolean ends = trimAt(before, in.face(), bend, false);
      boolean begins = trimAt(after, in.face(), bend, true);
      if (!ends && before.plane != null || !begins && after.plane != null) {
        requireInView(in.face());
      }
    }
    boolean oneView = before.view.equals(after.view);
    if (reach == Reach.THROUGH && oneView && before.plane != null && after.plane != null) {
      meetBehind(before, before.plane, after, after.plane);
    }
  }

  private void requireInView(int face) {
    if (site.allows(face)) {
      throw Refusal.because(
          "The face of this bend is hidden along the piece: turn the model so that you see it.",
          Element.face(face));
    }
  }

  /** Lets the chord in which a bend lies begin or end at the bend. */
  private static boolean trimAt(Segment segment, int face, Node bend, boolean begin) {
    for (List<Chord> chords : List.of(segment.seen, segment.unseen)) {
      for (int k = 0; k < chords.size(); k++) {
        Chord chord = chords.get(k);
        if (chord.face() == face && runsThrough(chord, bend.at())) {
          chords.set(k, trimmed(chord, bend, begin));
          return true;
        }
      }
    }
    return false;
  }

  private static Chord trimmed(Chord chord, Node at, boolean begin) {
    return begin
        ? new Chord(chord.face(), at, chord.to())
        : new Chord(chord.face(), chord.from(), at);
  }

  private static boolean runsThrough(Chord chord, Vec3 at) {
    Vec3 whole = chord.to().at().minus(chord.from().at());
    double along = at.minus(chord.from().at()).dot(whole);
    return along > 0 && along < whole.dot(whole);
  }

  private void meetBehind(Segment before, SightPlane first, Segment after, SightPlane second) {
    double near = site.tolerance().weld();
    for (List<Chord> ending : List.of(before.seen, before.unseen)) {
      for (int k = 0; k < ending.size(); k++) {
        Chord chord = ending.get(k);
        if (!Sight.passes(first, chord, true)) {
          continue;
        }
        Vec3 at = first.onSightLine(true, chord.from().at(), chord.to().at());
        if (begin(after, second, chord.face(), at, near)) {
          ending.set(k, trimmed(chord, new Node.Inside(at), false));
        }
      }
    }
  }

  private static boolean begin(Segment after, SightPlane plane, int face, Vec3 at, double near) {
    for (List<Chord> beginning : List.of(after.seen, after.unseen)) {
      for (int k = 0; k < beginning.size(); k++) {
        Chord chord = beginning.get(k);
        if (chord.face() == face
            && Sight.passes(plane, chord, false)
            && plane.onSightLine(false, chord.from().at(), chord.to().at()).distance(at) <= near) {
          beginning.set(k, trimmed(chord, new Node.Inside(at), true));
          return true;
        }
      }
    }
    return false;
  }

  /**
   * A face that holds both points and the straight segment between them; of several the one turned
   * most to the eye, then the first.
   */
  private int straightFace(Placed run, int i, int j, View view) {
    int best = Mesh.NONE;
    double bestFacing = Double.NEGATIVE_INFINITY;
    Vec3 from = run.nodes().get(i).at();
    Vec3 to = run.nodes().get(j).at();
    Vec3 sight = view.sightTo(to).unit();
    int[] there = facesAt(run, j);
    for (int f : facesAt(run, i)) {
      if (Arrays.stream(there).noneMatch(g -> g == f) || !mesh.isMeasurable(f)) {
        continue;
      }
      Polygon shape = mesh.polygon(f);
      double facing = -shape.normal().dot(sight);
      if (facing > bestFacing && shape.flat().containsSegment(from, to)) {
        best = f;
        bestFacing = facing;
      }
    }
    return best;
  }

  private int[] facesAt(Placed run, int i) {
    return switch (run.nodes().get(i)) {
      case Node.AtVertex v -> mesh.facesAt(v.vertex());
      case Node.Inside in when run.points().get(i).anchor() instanceof Anchor.InFace a ->
          new int[] {a.face()};
      default -> new int[0];
    };
  }
}
