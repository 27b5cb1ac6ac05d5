package fairedge.core.survey;

import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;

/**
 * How much of a line has edges that run along it. The distance from a place on a piece of the line
 * to one edge is convex along the piece, so each edge covers one stretch of it, whose ends are
 * found by halving.
 *
 * @param share of the line's length that is covered
 * @param largest the largest distance to the nearest edge, over places in what is not covered,
 *     {@value #PLACES} in each gap
 * @param farthest where on the line that is
 * @param nearest the edge nearest to it
 */
public record LineCover(double length, double share, double largest, Vec3 farthest, int nearest) {
  private static final int PLACES = 5;
  private static final int HALVINGS = 48;

  /** From and to along a piece, 0 to 1. */
  private record Stretch(double from, double to) {}

  public static LineCover of(Subject subject, Wanted.Line line) {
    double covered = 0;
    List<Vec3> bare = new ArrayList<>();
    for (int i = 1; i < line.points().size(); i++) {
      Vec3 a = line.points().get(i - 1);
      Vec3 b = line.points().get(i);
      covered += a.distance(b) * covered(a, b, stretches(subject, a, b), bare);
    }
    double length = line.length();
    return farthest(subject, length, length > 0 ? covered / length : 1, bare);
  }

  /** Whether the middle of an edge lies on a line, and the edge runs along it there. */
  public static boolean runsAlong(Subject subject, int e, Wanted.Line line) {
    Vec3 middle = subject.mesh().along(e, 0.5);
    for (int i = 1; i < line.points().size(); i++) {
      Vec3 a = line.points().get(i - 1);
      Vec3 b = line.points().get(i);
      if (middle.distanceToSegment(a, b) <= subject.lineDistance()
          && runsAlong(subject, e, b.minus(a))) {
        return true;
      }
    }
    return false;
  }

  private static LineCover farthest(
      Subject subject, double length, double share, List<Vec3> places) {
    double largest = 0;
    Vec3 farthest = places.isEmpty() ? Vec3.ZERO : places.getFirst();
    int nearest = 0;
    for (Vec3 place : places) {
      int e = nearestEdge(subject, place);
      double distance = distance(subject.mesh(), e, place);
      if (distance >= largest) {
        largest = distance;
        farthest = place;
        nearest = e;
      }
    }
    return new LineCover(length, share, largest, farthest, nearest);
  }

  private static int nearestEdge(Subject subject, Vec3 place) {
    Mesh mesh = subject.mesh();
    return IntStream.range(0, mesh.edgeEnd())
        .parallel()
        .filter(e -> subject.isPlacedSide(e))
        .boxed()
        .min(
            Comparator.<Integer>comparingDouble(e -> distance(mesh, e, place))
                .thenComparingInt(e -> e))
        .orElse(0);
  }

  private static double distance(Mesh mesh, int e, Vec3 p) {
    return p.distanceToSegment(mesh.position(mesh.first(e)), mesh.position(mesh.second(e)));
  }

  /** What edges cover of a piece, in order of where they begin. */
  private static List<Stretch> stretches(Subject subject, Vec3 a, Vec3 b) {
    Mesh mesh = subject.mesh();
    double near = subject.lineDistance();
    Vec3 along = b.minus(a);
    if (along.length() == 0) {
      return List.of();
    }
    return IntStream.range(0, mesh.edgeEnd())
        .parallel()
        .filter(e ->
            subject.isPlacedSide(e) && runsAlong(subject, e, along) && mayMeet(mesh, e, a, b, near))
        .mapToObj(e -> stretch(mesh, e, a, b, near))
        .filter(s -> s.to() > s.from())
        .sorted(Comparator.comparingDouble(Stretch::from).thenComparingDouble(Stretch::to))
        .toList();
  }

  private static boolean runsAlong(Subject subject, int e, Vec3 along) {
    Mesh mesh = subject.mesh();
    double turn = mesh.position(mesh.second(e)).minus(mesh.position(mesh.first(e))).angleTo(along);
    return Math.min(turn, 180 - turn) <= subject.threshold(Threshold.LINE_ANGLE);
  }

  private static boolean mayMeet(Mesh mesh, int e, Vec3 a, Vec3 b, double near) {
    Vec3 p = mesh.position(mesh.first(e));
    Vec3 q = mesh.position(mesh.second(e));
    for (int axis = 0; axis < 3; axis++) {
      double low = Math.min(a.along(axis), b.along(axis)) - near;
      double high = Math.max(a.along(axis), b.along(axis)) + near;
      if (Math.max(p.along(axis), q.along(axis)) < low
          || Math.min(p.along(axis), q.along(axis)) > high) {
        return false;
      }
    }
    return true;
  }

  private static Stretch stretch(Mesh mesh, int e, Vec3 a, Vec3 b, double near) {
    double low = 0;
    double high = 1;
    // The nearest place on the piece, by thirds: the distance is convex.
    for (int i = 0; i < 2 * HALVINGS; i++) {
      double left = low + (high - low) / 3;
      double right = high - (high - low) / 3;
      if (distance(mesh, e, a.towards(b, left)) <= distance(mesh, e, a.towards(b, right))) {
        high = right;
      } else {
        low = left;
      }
    }
    double best = (low + high) / 2;
    if (distance(mesh, e, a.towards(b, best)) > near) {
      return new Stretch(0, 0);
    }
    return new Stretch(limit(mesh, e, a, b, best, 0, near), limit(mesh, e, a, b, best, 1, near));
  }

  /** How far towards an end it stays near. */
  private static double limit(
      Mesh mesh, int e, Vec3 a, Vec3 b, double best, double end, double near) {
    if (distance(mesh, e, a.towards(b, end)) <= near) {
      return end;
    }
    double inside = best;
    double outside = end;
    for (int i = 0; i < HALVINGS; i++) {
      double middle = (inside + outside) / 2;
      if (distance(mesh, e, a.towards(b, middle)) <= near) {
        inside = middle;
      } else {
        outside = middle;
      }
    }
    return inside;
  }

  /** The share that the stretches cover together; adds places in the gaps between them. */
  private static double covered(Vec3 a, Vec3 b, List<Stretch> stretches, List<Vec3> bare) {
    double covered = 0;
    double reached = 0;
    for (Stretch stretch : stretches) {
      if (stretch.from() > reached) {
        gap(a, b, reached, stretch.from(), bare);
      }
      covered += Math.max(0, stretch.to() - Math.max(reached, stretch.from()));
      reached = Math.max(reached, stretch.to());
    }
    if (reached < 1) {
      gap(a, b, reached, 1, bare);
    }
    return covered;
  }

  private static void gap(Vec3 a, Vec3 b, double from, double to, List<Vec3> bare) {
    for (int i = 0; i < PLACES; i++) {
      bare.add(a.towards(b, from + (to - from) * i / (PLACES - 1)));
    }
  }
}
