package fairedge.core.cut;

import java.util.ArrayList;
import java.util.List;

/** What is projected onto the surface, in coordinates of its own: right and up from its middle. */
public sealed interface OutlineShape {
  int MOST_POINTS = 2000;

  /** A point of the shape. */
  record Point(double x, double y) {}

  /** One line of it. */
  record Path(List<Point> points, boolean closed) {
    public Path {
      points = List.copyOf(points);
    }
  }

  /** Its lines; more than {@value #MOST_POINTS} points in all are refused by who projects them. */
  List<Path> paths();

  /** How many points it would have; told without making them. */
  int pointCount();

  /** A regular polygon with a corner at the top, of radius 1; with many sides a circle. */
  record Regular(int sides) implements OutlineShape {
    @Override
    public List<Path> paths() {
      return List.of(new Path(spokes(sides, i -> 1), true));
    }

    @Override
    public int pointCount() {
      return sides;
    }
  }

  /** From -1 to 1 both ways. */
  record Rectangle() implements OutlineShape {
    @Override
    public List<Path> paths() {
      List<Point> corners =
          List.of(new Point(-1, -1), new Point(1, -1), new Point(1, 1), new Point(-1, 1));
      return List.of(new Path(corners, true));
    }

    @Override
    public int pointCount() {
      return 4;
    }
  }

  /**
   * @param tips on radius 1, the first at the top
   * @param inner the radius between them, 0 to 1
   */
  record Star(int tips, double inner) implements OutlineShape {
    @Override
    public List<Path> paths() {
      return List.of(new Path(spokes(2 * tips, i -> i % 2 == 0 ? 1 : inner), true));
    }

    @Override
    public int pointCount() {
      return 2 * Math.clamp(tips, 0, MOST_POINTS);
    }
  }

  /** Lines that were drawn or read from a file; areas by the even-odd rule. */
  record Lines(List<Path> paths) implements OutlineShape {
    public Lines {
      paths = List.copyOf(paths);
    }

    @Override
    public int pointCount() {
      return paths.stream().mapToInt(p -> p.points().size()).sum();
    }
  }

  /** How far out the points of a round shape lie. */
  interface Radius {
    double at(int i);
  }

  private static List<Point> spokes(int count, Radius radius) {
    List<Point> points = new ArrayList<>();
    for (int i = 0; i < count; i++) {
      double angle = StrictMath.PI * (0.5 + 2.0 * i / count);
      double r = radius.at(i);
      points.add(new Point(r * StrictMath.cos(angle), r * StrictMath.sin(angle)));
    }
    return points;
  }
}
