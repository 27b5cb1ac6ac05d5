package fairedge.core.cut;

import fairedge.core.flow.Onward;
import fairedge.core.flow.Ring;
import fairedge.core.flow.Stop;
import fairedge.core.geometry.Polygon;
import fairedge.core.geometry.Vec3;
import fairedge.core.local.Refusal;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import fairedge.core.work.CutPiece;
import fairedge.core.work.CutPoint;
import fairedge.core.work.Done;
import fairedge.core.work.Remark;
import fairedge.core.work.Site;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * Inserts edge loops across the ring of an edge.
 *
 * <p>Input: an edge, places on it, whether loops lie on the straight edges or follow the surface,
 * and whether they run on past a stop. Precondition: the edge has one or two faces, a quad among
 * them that may be cut; on every edge of the ring the places lie in order, farther than the merge
 * distance from the ends and from each other; on a ring that comes back with its sides exchanged
 * they lie even to the middle. Result: on each edge of the ring a new vertex for each loop, each
 * quad passed is split by each (where the ring crosses it twice, crossings are vertices), and a
 * face that stops the ring gains sides, or is split from there to the corner opposite. Cost: the
 * ring times the loops.
 *
 * <p>Stages: find the ring; place the loops on its edges; cut its faces; tell.
 */
public final class Loops {
  private static final int MOST_VERTICES = 200_000;

  private final Site site;
  private final Mesh mesh;
  private final double merge;
  private final Ring ring;
  private final LoopPlaces places;
  private final Shape shape;
  private final double named;

  /** By edge of the ring, then by loop from the first side. */
  private final List<List<Node>> nodes = new ArrayList<>();

  /** Where a loop lies between the two ends of an edge. */
  public enum Shape {
    /** On the edge. */
    STRAIGHT,
    /** On a curve through the edge's ends and the vertices before and past them. */
    CURVED
  }

  private Loops(Site site, Ring ring, int edge, LoopPlaces places, Shape shape) {
    this.site = site;
    this.mesh = site.mesh();
    this.merge = site.merge();
    this.ring = ring;
    this.places = places;
    this.shape = shape;
    this.named = mesh.length(edge);
  }

  /**
   * @throws Refusal.Raised with nothing lost if the caller takes the edit back
   */
  public static Done cut(Site site, int edge, LoopPlaces places, Shape shape, boolean runOn) {
    Mesh mesh = site.mesh();
    if (!mesh.hasEdge(edge)) {
      throw Refusal.because("The edge that was pointed at is not there any more.");
    }
    if (places.count() < 1 || places.count() > LoopPlaces.MOST) {
      throw Refusal.because(
          "From 1 to %d loops can be laid at once.".formatted(LoopPlaces.MOST), Element.edge(edge));
    }
    Ring ring = Ring.through(mesh, edge, site::allows).orElseThrow(() -> noRing(mesh, edge));
    long vertices = (long) ring.edges().size() * places.count();
    if (vertices > MOST_VERTICES) {
      throw Refusal.because(
          "These loops would make %d vertices; at most %d can be made at once."
              .formatted(vertices, MOST_VERTICES),
          Element.edge(edge));
    }
    Loops loops = new Loops(site, ring, edge, places, shape);
    loops.placeNodes();
    List<Chord> chords = loops.chords();
    List<RunOn> past = runOn ? loops.pastStops() : List.of();
    double toEdge = loops.angleToNamedEdge();
    past.forEach(p -> chords.addAll(p.chords()));
    List<CutPiece> pieces = loops.pieces(toEdge, past);
    new FaceCutter(site.edit(), site.merge()).cut(chords);
    return loops.tell(pieces, runOn, past);
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

  private void placeNodes() {
    for (int i = 0; i < ring.edges().size(); i++) {
      int e = ring.edges().get(i);
      if (!mesh.hasPlace(mesh.first(e)) || !mesh.hasPlace(mesh.second(e))) {
        throw Refusal.because("A vertex of this ring has no place.", Element.edge(e));
      }
      double[] shares = places.on(named, mesh.length(e));
      checkShares(shares, e);
      nodes.add(nodesOn(e, ring.firsts().get(i), shares));
    }
  }

  private void checkShares(double[] shares, int e) {
    double length = mesh.length(e);
    double least = merge / length;
    double last = 0;
    for (double share : shares) {
      if (!(share > least && share < 1 - least)) {
        throw Refusal.because(
            share >= 0 && share <= 1
                ? "The loop would lie on a vertex of this edge."
                : "The loop would lie past the end of this edge.",
            Element.edge(e));
      }
      if (!(share - last > least)) {
        throw Refusal.because(
            places instanceof LoopPlaces.Pair
                ? "The two loops would meet or pass each other at the middle of this edge."
                : "Two loops would meet on this edge.",
            Element.edge(e));
      }
      last = share;
    }
    if (ring.oneSided() && !isEven(shares)) {
      throw Refusal.because(
          "This ring comes back with its sides exchanged: only loops even to its middle close.",
          Element.edge(ring.edges().getFirst()));
    }
  }

  private static boolean isEven(double[] shares) {
    for (int k = 0; k < shares.length; k++) {
      if (Math.abs(shares[k] + shares[shares.length - 1 - k] - 1) > 1e-12) {
        return false;
      }
    }
    return true;
  }

  private List<Node> nodesOn(int e, int first, double[] shares) {
    int second = mesh.otherEnd(e, first);
    Vec3 a = mesh.position(first);
    Vec3 b = mesh.position(second);
    Vec3 before = shape == Shape.CURVED ? beyond(e, first) : null;
    Vec3 past = shape == Shape.CURVED ? beyond(e, second) : null;
    List<Node> result = new ArrayList<>();
    for (double share : shares) {
      Vec3 at =
          before == null && past == null ? a.towards(b, share) : onCurve(before, a, b, past, share);
      result.add(new Node.OnEdge(e, mesh.first(e) == first ? share : 1 - share, at));
    }
    return result;
  }

  /** The next vertex straight on past an end of an edge; null where none is. */
  private @Nullable Vec3 beyond(int e, int end) {
    int next = Onward.from(mesh, e, end);
    if (next == Mesh.NONE || !mesh.hasPlace(mesh.otherEnd(next, end))) {
      return null;
    }
    Vec3 place = mesh.position(mesh.otherEnd(next, end));
    return place.equals(mesh.position(end)) ? null : place;
  }

  /**
   * A cubic through a and b that leaves them in the directions which a curve through all four would
   * have, by chord lengths (Catmull and Rom, "A class of local interpolating splines", 1974). Where
   * one neighbour is missing the curve there is left free.
   */
  private static Vec3 onCurve(
      @Nullable Vec3 before, Vec3 a, Vec3 b, @Nullable Vec3 past, double t) {
    Vec3 chord = b.minus(a);
    Vec3 leaving = before == null ? null : tangent(before, a, b, chord.length());
    Vec3 arriving = past == null ? null : tangent(past, b, a, chord.length()).times(-1);
    if (leaving == null && arriving != null) {
      leaving = chord.times(1.5).minus(arriving.times(0.5));
    }
    if (arriving == null && leaving != null) {
      arriving = chord.times(1.5).minus(leaving.times(0.5));
    }
    if (leaving == null || arriving == null) {
      return a.towards(b, t);
    }
    double s = 1 - t;
    Vec3 straight = a.times(s * s * (1 + 2 * t)).plus(b.times(t * t * (3 - 2 * t)));
    return straight.plus(leaving.times(s * s * t)).minus(arriving.times(s * t * t));
  }

  /** At a, on the way from a vertex before it to b, for a piece of this length. */
  private static Vec3 tangent(Vec3 before, Vec3 a, Vec3 b, double length) {
    double earlier = before.distance(a);
    Vec3 in = a.minus(before).times(1 / earlier);
    Vec3 out = b.minus(a).times(1 / length);
    Vec3 over = b.minus(before).times(1 / (earlier + length));
    return in.plus(out).minus(over).times(length);
  }

  private List<Chord> chords() {
    List<Chord> chords = new ArrayList<>();
    int last = nodes.size() - 1;
    for (int i = 0; i < ring.quads().size(); i++) {
      boolean exchanged = ring.oneSided() && i == last;
      List<Node> from = nodes.get(i);
      List<Node> to = nodes.get((i + 1) % nodes.size());
      Polygon.Flat narrow = ChordRoom.unlessConvex(mesh, ring.quads().get(i));
      for (int k = 0; k < from.size(); k++) {
        Node end = to.get(exchanged ? to.size() - 1 - k : k);
        if (from.get(k).equals(end)) {
          throw Refusal.because(
              "A face on this ring touches itself.", Element.face(ring.quads().get(i)));
        }
        chords.add(new Chord(ring.quads().get(i), from.get(k), end));
        if (narrow != null && !ChordRoom.isInside(narrow, from.get(k).at(), end.at())) {
          throw Refusal.because(
              "This quad is not convex: the loop would leave it.",
              Element.face(ring.quads().get(i)));
        }
      }
    }
    return chords;
  }

  /** What the loops cut past a stop. */
  private record RunOn(Stop stop, Node.AtVertex corner, List<Chord> chords) {}

  private List<RunOn> pastStops() {
    List<RunOn> past = new ArrayList<>();
    for (int i = 0; i < ring.stops().size(); i++) {
      Stop stop = ring.stops().get(i);
      boolean face = stop.cause() == Stop.Cause.TRIANGLE || stop.cause() == Stop.Cause.NGON;
      if (face && mesh.isMeasurable(stop.face())) {
        List<Node> ends = i == 0 ? nodes.getFirst() : nodes.getLast();
        int v = oppositeCorner(stop);
        Node.AtVertex corner = new Node.AtVertex(v, mesh.position(v));
        if (isReached(stop, ends, corner)) {
          past.add(
              new RunOn(
                  stop,
                  corner,
                  ends.stream().map(n -> new Chord(stop.face(), n, corner)).toList()));
        }
      }
    }
    return past;
  }

  /** Whether the way to the corner stays in the face, from the middle of the edge and every end. */
  private boolean isReached(Stop stop, List<Node> ends, Node.AtVertex corner) {
    Polygon.Flat flat = mesh.polygon(stop.face()).flat();
    Vec3 middle = mesh.along(stop.edge(), 0.5);
    return ends.stream()
            .allMatch(end -> {
              // From just inside, so that the edge that it starts on is not in the way.
              Vec3 start = end.at().towards(corner.at(), ChordRoom.INSIDE);
              return flat.containsSegment(start, corner.at());
            })
        && flat.containsSegment(middle.towards(corner.at(), ChordRoom.INSIDE), corner.at());
  }

  /** Of an odd face the corner opposite; of the two in an even one the one seen straighter. */
  private int oppositeCorner(Stop stop) {
    int n = stop.sides();
    int c = mesh.firstSideOn(stop.edge());
    while (mesh.faceOf(c) != stop.face()) {
      c = mesh.nextOnEdge(c);
    }
    int opposite = c;
    for (int i = 0; i <= n / 2; i++) {
      opposite = mesh.next(opposite);
    }
    int v = mesh.vertexOf(opposite);
    if (n % 2 == 1) {
      return v;
    }
    int w = mesh.vertexOf(mesh.next(opposite));
    Vec3 middle = mesh.along(stop.edge(), 0.5);
    Vec3 inwards = mesh.polygon(stop.face()).middle().minus(middle);
    double turnV = inwards.angleTo(mesh.position(v).minus(middle));
    double turnW = inwards.angleTo(mesh.position(w).minus(middle));
    return turnW < turnV ? w : v;
  }

  private List<CutPiece> pieces(double toEdge, List<RunOn> past) {
    List<CutPiece> pieces = new ArrayList<>();
    int loops = nodes.getFirst().size();
    for (int k = 0; k < loops; k++) {
      List<CutPoint> points = new ArrayList<>();
      for (int i = 0; i < nodes.size(); i++) {
        boolean end = !ring.closed() && (i == 0 || i == nodes.size() - 1);
        Node.OnEdge node = (Node.OnEdge) nodes.get(i).get(k);
        Vec3 first = mesh.position(ring.firsts().get(i));
        points.add(
            new CutPoint(
                node.at(),
                end ? CutPoint.Use.NEW : CutPoint.Use.CROSSING,
                mesh.position(mesh.otherEnd(node.edge(), ring.firsts().get(i))).minus(first)));
      }
      addPast(points, past);
      if (ring.closed()) {
        points.add(points.getFirst());
      }
      pieces.add(new CutPiece(points, List.of(points.size()), length(points), null, toEdge));
    }
    return pieces;
  }

  private void addPast(List<CutPoint> points, List<RunOn> past) {
    for (RunOn run : past) {
      CutPoint corner = new CutPoint(run.corner().at(), CutPoint.Use.USED, null);
      boolean before = ring.stops().getFirst() == run.stop();
      points.add(before ? 0 : points.size(), corner);
    }
  }

  private static double length(List<CutPoint> points) {
    double length = 0;
    for (int i = 1; i < points.size(); i++) {
      length += points.get(i - 1).at().distance(points.get(i).at());
    }
    return length;
  }

  private Done tell(List<CutPiece> pieces, boolean runOn, List<RunOn> past) {
    List<Remark> remarks = new ArrayList<>();
    Set<Integer> used = new HashSet<>();
    for (Stop stop : ring.stops()) {
      boolean runsOn = past.stream().anyMatch(p -> p.stop() == stop);
      remarks.add(runsOn ? remarkPast(stop) : remarkOn(stop, runOn));
    }
    past.forEach(p -> used.add(p.corner().vertex()));
    return new Done(pieces, remarks, used.size());
  }

  private Vec3 endAt(Stop stop) {
    boolean before = ring.stops().getFirst() == stop;
    return (before ? nodes.getFirst() : nodes.getLast()).getFirst().at();
  }

  private Remark remarkPast(Stop stop) {
    return new Remark(
        "Runs on to the corner opposite in %s and splits it.".formatted(name(stop)),
        Element.face(stop.face()),
        endAt(stop),
        stop.cause());
  }

  private Remark remarkOn(Stop stop, boolean wantedOn) {
    Vec3 at = endAt(stop);
    Element edge = Element.edge(stop.edge());
    return switch (stop.cause()) {
      case BORDER -> new Remark("Runs out at a border.", edge, at, stop.cause());
      case CROWDED ->
          new Remark("Stops at an edge where more than two faces meet.", edge, at, stop.cause());
      case TRIANGLE, NGON, NOT_CHOSEN -> {
        int gained = mesh.size(stop.face()) - stop.sides();
        String gains =
            gained == 1
                ? "a side"
                : gained + " sides" + (places.count() == 1 ? ", one at each end" : "");
        yield new Remark(
            "Stops at %s, which gains %s: %d.%s"
                .formatted(
                    name(stop),
                    gains,
                    mesh.size(stop.face()),
                    wantedOn ? " The corner opposite can't be reached straight." : ""),
            Element.face(stop.face()),
            at,
            stop.cause());
      }
    };
  }

  private static String name(Stop stop) {
    return switch (stop.cause()) {
      case NOT_CHOSEN -> "a face that is not chosen";
      case TRIANGLE -> "a triangle";
      default -> "a face with " + stop.sides() + " sides";
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
