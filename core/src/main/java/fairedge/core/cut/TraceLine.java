package fairedge.core.cut;

import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/** Writes down the line of a trace while it is cut: piece by piece, with what each place is. */
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

  /** Notes a piece before its faces are cut. */
  void piece(Node from, Node to, List<Chord> chords) {
    List<CutPoint> points = new ArrayList<>();
    List<Integer> stretches = new ArrayList<>();
    int begun = 0;
    add(points, from, true);
    for (Chord chord : chords) {
      if (!chord.from().at().equals(points.getLast().at())) {
        if (points.size() - begun > 1) {
          stretches.add(points.size() - begun);
          begun = points.size();
        }
        add(points, chord.from(), false);
      }
      add(points, chord.to(), chord.to().equals(to));
    }
    if (chords.isEmpty()) {
      add(points, to, true);
    } else if (!points.getLast().at().equals(to.at())) {
      points.set(points.size() - 1, new CutPoint(points.getLast().at(), CutPoint.Use.RUN_ON, null));
    }
    stretches.add(points.size() - begun);
    pieces.add(
        new CutPiece(
            points, stretches, length(points, stretches), turn(points), toEdge(points, to)));
    lastDirection = direction(points, points.size() - 1);
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
          case Node.OnEdge on -> CutPoint.Use.CROSSING;
          case Node.Inside in -> CutPoint.Use.NEW;
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

  CutResult result(List<CutRemark> remarks) {
    return new CutResult(pieces, remarks, used.size());
  }
}
