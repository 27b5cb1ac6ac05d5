package fairedge.core.cut;

import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;
import fairedge.core.work.CutPiece;
import fairedge.core.work.CutPoint;
import fairedge.core.work.Done;
import fairedge.core.work.Remark;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/** Writes down the line of a cut before it is made: piece by piece, with what each place is. */
final class TraceLine {
  private final Mesh mesh;
  private final int firstNewVertex;
  private final List<CutPiece> pieces = new ArrayList<>();
  private final Set<Integer> used = new HashSet<>();
  private @Nullable Vec3 lastDirection;

  /**
   * @param firstNewVertex vertices with lower ids were there before the cut
   */
  TraceLine(Mesh mesh, int firstNewVertex) {
    this.mesh = mesh;
    this.firstNewVertex = firstNewVertex;
  }

  /** The next piece has none before it. */
  void beginRun() {
    lastDirection = null;
  }

  /**
   * Notes a piece.
   *
   * @param plane in which its chords lie, run from its first sight-line to its second
   * @param seen what of it is in view
   * @param unseen what lies behind
   */
  void piece(Node from, Node to, @Nullable SightPlane plane, List<Chord> seen, List<Chord> unseen) {
    List<CutPoint> points = new ArrayList<>();
    List<Integer> stretches = new ArrayList<>();
    for (List<Chord> chain : ChordChains.of(seen)) {
      addChain(chain, from, to, plane, points, stretches);
    }
    double length = length(points, stretches);
    for (List<Chord> chain : ChordChains.of(unseen)) {
      addChain(chain, from, to, plane, points, stretches);
    }
    if (points.isEmpty() && !(from instanceof Node.Beside || to instanceof Node.Beside)) {
      add(points, from, true);
      add(points, to, true);
      stretches.add(2);
      length = length(points, stretches);
    }
    add(points, stretches, length, to);
  }

  /** Notes all chords of a plane as one piece. */
  void section(List<Chord> chords) {
    List<CutPoint> points = new ArrayList<>();
    List<Integer> stretches = new ArrayList<>();
    for (List<Chord> chain : ChordChains.of(chords)) {
      int begun = points.size();
      boolean closed = chain.getFirst().from().equals(chain.getLast().to());
      add(points, chain.getFirst().from(), !closed);
      for (Chord chord : chain) {
        add(points, chord.to(), !closed && chord == chain.getLast());
      }
      stretches.add(points.size() - begun);
    }
    pieces.add(new CutPiece(points, stretches, length(points, stretches), null, null));
  }

  private void add(List<CutPoint> points, List<Integer> stretches, double length, Node to) {
    Double turn = points.size() < 2 || lastDirection == null ? null : turn(points);
    Double toEdge = points.size() < 2 ? null : toEdge(points, to);
    pieces.add(new CutPiece(points, stretches, length, turn, toEdge));
    lastDirection =
        stretches.isEmpty() || stretches.getFirst() < 2
            ? null
            : direction(points, stretches.getFirst() - 1);
  }

  private void addChain(
      List<Chord> chain,
      Node from,
      Node to,
      @Nullable SightPlane plane,
      List<CutPoint> points,
      List<Integer> stretches) {
    int begun = points.size();
    addEnd(chain.getFirst().from(), chain.getFirst(), false, from, to, plane, points);
    for (int i = 0; i + 1 < chain.size(); i++) {
      add(points, chain.get(i).to(), isAt(chain.get(i).to(), from, to));
    }
    addEnd(chain.getLast().to(), chain.getLast(), true, from, to, plane, points);
    stretches.add(points.size() - begun);
  }

  /** An end of a chain: one of the piece's, where the model ends, or where the cut runs on to. */
  private void addEnd(
      Node node,
      Chord chord,
      boolean last,
      Node from,
      Node to,
      @Nullable SightPlane plane,
      List<CutPoint> points) {
    double across = plane == null ? 0.5 : plane.across(node.at());
    if (plane == null || !Sight.isPastEnds(across) || isAt(node, from, to)) {
      add(points, node, true);
      return;
    }
    Vec3 sightEnd = plane.onSightLine(across > 0.5, chord.from().at(), chord.to().at());
    CutPoint end = new CutPoint(sightEnd, CutPoint.Use.SIGHT, null);
    CutPoint border = new CutPoint(node.at(), CutPoint.Use.RUN_ON, edgeAt(node));
    points.add(last ? end : border);
    points.add(last ? border : end);
  }

  private static boolean isAt(Node node, Node from, Node to) {
    return node.at().equals(from.at()) || node.at().equals(to.at());
  }

  private void add(List<CutPoint> points, Node node, boolean end) {
    CutPoint.Use use =
        switch (node) {
          case Node.AtVertex v -> {
            if (v.vertex() < firstNewVertex) {
              used.add(v.vertex());
              yield CutPoint.Use.USED;
            }
            yield end ? CutPoint.Use.NEW : CutPoint.Use.CROSSING;
          }
          case Node.OnEdge on -> end ? CutPoint.Use.NEW : CutPoint.Use.CROSSING;
          case Node.Inside in -> CutPoint.Use.NEW;
          case Node.Beside beside -> CutPoint.Use.SIGHT;
        };
    points.add(new CutPoint(node.at(), use, edgeAt(node)));
  }

  private @Nullable Vec3 edgeAt(Node node) {
    return switch (node) {
      case Node.OnEdge on -> direction(on.edge());
      // A new vertex in an edge: its first edge runs along what was one edge before.
      case Node.AtVertex v when v.vertex() >= firstNewVertex ->
          direction(mesh.edgesAt(v.vertex())[0]);
      default -> null;
    };
  }

  private Vec3 direction(int edge) {
    return mesh.position(mesh.second(edge)).minus(mesh.position(mesh.first(edge)));
  }

  private static double length(List<CutPoint> points, List<Integer> stretches) {
    double length = 0;
    int at = 0;
    for (int count : stretches) {
      for (int i = at + 1; i < at + count; i++) {
        length += points.get(i - 1).at().distance(points.get(i).at());
      }
      at += count;
    }
    return length;
  }

  private @Nullable Double turn(List<CutPoint> points) {
    return lastDirection == null ? null : lastDirection.angleTo(direction(points, 1));
  }

  private static Vec3 direction(List<CutPoint> points, int to) {
    return points.get(to).at().minus(points.get(to - 1).at());
  }

  private @Nullable Double toEdge(List<CutPoint> points, Node to) {
    Vec3 along = edgeAt(to);
    if (along == null) {
      return null;
    }
    double angle = along.angleTo(direction(points, points.size() - 1));
    return Math.min(angle, 180 - angle);
  }

  Done result(List<Remark> remarks) {
    return new Done(pieces, remarks, used.size());
  }
}
