package fairedge.core.inspect;

import fairedge.core.geometry.Polygon;
import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;
import java.util.Arrays;

/**
 * The measures of all faces, taken once for all who ask, on all processors. A face with a corner
 * that has no place has no measures (not a number), one without area no direction. Cost: the
 * corners; 64 bytes a face.
 */
final class FaceShapes {
  private static final double STRAIGHT_BACK = -179.9;

  private final double[] newell;
  private final double[] slenderness;
  private final double[] aspect;
  private final double[] warp;
  private final double[] turnBack;
  private final double[] sharpest;
  private final double[] meanSide;
  private Distribution angles = new Distribution.Gathering(0).distribution();

  private FaceShapes(int faceEnd) {
    newell = new double[3 * faceEnd];
    slenderness = new double[faceEnd];
    aspect = new double[faceEnd];
    warp = new double[faceEnd];
    turnBack = new double[faceEnd];
    sharpest = new double[faceEnd];
    meanSide = new double[faceEnd];
    Arrays.fill(newell, Double.NaN);
    for (double[] measure : new double[][] {slenderness, aspect, warp, turnBack, sharpest}) {
      Arrays.fill(measure, Double.NaN);
    }
  }

  static FaceShapes of(Mesh mesh) {
    FaceShapes shapes = new FaceShapes(mesh.faceEnd());
    Distribution.Gathering angles =
        Blocks.gather(
            mesh.faceEnd(),
            () -> Distribution.Gathering.steps(10, 36),
            (f, gathering) -> {
              if (mesh.hasFace(f)) {
                shapes.meanSide[f] = Places.meanSide(mesh, f);
                if (mesh.isMeasurable(f)) {
                  shapes.measure(f, mesh.polygon(f), gathering);
                }
              }
            },
            Distribution.Gathering::add);
    shapes.angles = angles.distribution();
    return shapes;
  }

  private void measure(int f, Polygon shape, Distribution.Gathering angles) {
    newell[3 * f] = shape.newell().x();
    newell[3 * f + 1] = shape.newell().y();
    newell[3 * f + 2] = shape.newell().z();
    slenderness[f] = shape.slenderness();
    aspect[f] = shape.size() == 4 ? shape.aspect() : Double.NaN;
    double[] turns = shape.inPlaneTurns();
    warp[f] = shape.size() > 3 ? shape.warp(turns) : Double.NaN;
    if (!(shape.area() > 0)) {
      return;
    }
    double lowest = 0;
    double highest = 0;
    for (double turn : turns) {
      angles.add(180 - turn);
      lowest = turn >= STRAIGHT_BACK ? Math.min(lowest, turn) : lowest;
      highest = Math.max(highest, turn);
    }
    turnBack[f] = -lowest;
    sharpest[f] = 180 - highest;
  }

  boolean isMeasured(int f) {
    return !Double.isNaN(newell[3 * f]);
  }

  /** Whether the face has a front: area enough to be told from none. */
  boolean hasFront(int f) {
    return isMeasured(f) && newell(f).length() > 0;
  }

  /** Along the normal, as long as the area. */
  Vec3 newell(int f) {
    return new Vec3(newell[3 * f], newell[3 * f + 1], newell[3 * f + 2]);
  }

  double area(int f) {
    return newell(f).length();
  }

  double slenderness(int f) {
    return slenderness[f];
  }

  /** Longest side over shortest, of quads. */
  double aspect(int f) {
    return aspect[f];
  }

  /** Of faces with 4 and more sides, degrees. */
  double warp(int f) {
    return warp[f];
  }

  /** By how much a corner turns back at most, degrees, 0 to 179.9. */
  double turnBack(int f) {
    return turnBack[f];
  }

  /** The smallest inside angle, degrees. */
  double sharpestCorner(int f) {
    return sharpest[f];
  }

  /** The mean of the sides that can be measured, of the first of them where there are many. */
  double meanSide(int f) {
    return meanSide[f];
  }

  /** How the inside angles of all corners are spread. */
  Distribution angles() {
    return angles;
  }

  /** Whether two fronts surely differ by less than an angle, told by its cosine alone. */
  boolean surelyUnder(int f, int g, double cosine) {
    int a = 3 * f;
    int b = 3 * g;
    double dot =
        newell[a] * newell[b] + newell[a + 1] * newell[b + 1] + newell[a + 2] * newell[b + 2];
    double lengths = squared(a) * squared(b);
    double bound = cosine + 1e-9;
    return dot > 0 && bound > 0 && dot * dot > bound * bound * lengths;
  }

  private double squared(int a) {
    return newell[a] * newell[a] + newell[a + 1] * newell[a + 1] + newell[a + 2] * newell[a + 2];
  }

  /** The angle between the fronts of two faces, degrees; not a number where one has none. */
  double turn(int f, int g) {
    return hasFront(f) && hasFront(g) ? newell(f).angleTo(newell(g)) : Double.NaN;
  }

  /**
   * By how much the surface turns at an edge with two faces, degrees: between their fronts, or
   * between the front of one and the back of the other where they are wound against each other; not
   * a number where a face has no front.
   */
  double turnAt(Mesh mesh, int e) {
    int c = mesh.cornerOn(e);
    int d = mesh.nextOnEdge(c);
    double turn = turn(mesh.faceOf(c), mesh.faceOf(d));
    return mesh.vertexOf(c) == mesh.vertexOf(d) ? 180 - turn : turn;
  }
}
