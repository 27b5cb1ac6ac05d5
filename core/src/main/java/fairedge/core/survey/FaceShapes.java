package fairedge.core.survey;

import fairedge.core.flow.Topology;
import fairedge.core.geometry.Polygon;
import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;
import java.util.Arrays;

/**
 * The measures of all faces, taken once for all who ask, on all processors, and what they add up
 * to. A face with a corner that has no place has no measures (not a number), one without area no
 * direction. Cost: the corners; about 90 bytes a face; of an update the faces touched and some
 * beside them.
 */
public final class FaceShapes {
  private static final double STRAIGHT_BACK = FaceFigures.STRAIGHT_BACK;

  /** One for each thread: it is filled anew for every face. */
  private static final ThreadLocal<Quad> QUAD = ThreadLocal.withInitial(Quad::new);

  /** Between these no product of measures is too small or too large for a number. */
  private static final double TINY = 1e-50;

  private static final double HUGE = 1e50;

  private Mesh mesh;
  private final Vec3 origin;
  private final double sliver;
  private double[] newell;
  private double[] slenderness;
  private double[] aspect;
  private double[] warp;
  private double[] turnBack;
  private double[] sharpest;
  private double[] leastTurn;
  private double[] meanSide;
  private double[] volume;
  private final Sums<FaceFigures> figures;

  /**
   * @param sliver the slenderness under which the figure counts a face as a sliver
   */
  public FaceShapes(Mesh mesh, double sliver) {
    this.mesh = mesh;
    this.origin = mesh.bounds().centre();
    this.sliver = sliver;
    int end = mesh.faceEnd();
    newell = new double[3 * end];
    slenderness = new double[end];
    aspect = new double[end];
    warp = new double[end];
    turnBack = new double[end];
    sharpest = new double[end];
    leastTurn = new double[end];
    meanSide = new double[end];
    volume = new double[end];
    figures = new Sums<>(end, FaceFigures::new, this::read, FaceFigures::add);
  }

  /**
   * After a change of the mesh.
   *
   * @param faces those that were made, freed or altered, in order
   * @return three times what that adds to the volume of all faces
   */
  double update(Mesh now, int[] faces) {
    mesh = now;
    if (meanSide.length < mesh.faceEnd()) {
      int room = Topology.roomFor(mesh.faceEnd());
      newell = Arrays.copyOf(newell, 3 * room);
      slenderness = Arrays.copyOf(slenderness, room);
      aspect = Arrays.copyOf(aspect, room);
      warp = Arrays.copyOf(warp, room);
      turnBack = Arrays.copyOf(turnBack, room);
      sharpest = Arrays.copyOf(sharpest, room);
      leastTurn = Arrays.copyOf(leastTurn, room);
      meanSide = Arrays.copyOf(meanSide, room);
      volume = Arrays.copyOf(volume, room);
    }
    double before = volumeOf(faces);
    figures.update(faces);
    return volumeOf(faces) - before;
  }

  private double volumeOf(int[] faces) {
    double sum = 0;
    for (int f : faces) {
      sum += f < volume.length ? volume[f] : 0;
    }
    return sum;
  }

  private void read(int from, int to, FaceFigures sum) {
    Quad quad = QUAD.get();
    for (int f = from; f < Math.min(to, meanSide.length); f++) {
      if (!mesh.hasFace(f)) {
        clear(f);
      } else {
        sum.addFace(mesh.size(f));
        if (mesh.size(f) != 4 || !measureQuad(f, quad, sum)) {
          measureAny(f, sum);
        }
      }
    }
  }

  private void measureAny(int f, FaceFigures sum) {
    clear(f);
    meanSide[f] = Places.meanSide(mesh, f);
    if (mesh.isMeasurable(f)) {
      measure(f, mesh.polygon(f), sum);
    }
  }

  private void clear(int f) {
    Arrays.fill(newell, 3 * f, 3 * f + 3, Double.NaN);
    slenderness[f] = Double.NaN;
    aspect[f] = Double.NaN;
    warp[f] = Double.NaN;
    turnBack[f] = Double.NaN;
    sharpest[f] = Double.NaN;
    leastTurn[f] = 0;
    meanSide[f] = 0;
    volume[f] = 0;
  }

  private void measure(int f, Polygon shape, FaceFigures sum) {
    Vec3 front = shape.newell();
    newell[3 * f] = front.x();
    newell[3 * f + 1] = front.y();
    newell[3 * f + 2] = front.z();
    // Three times the tetrahedra from the origin to the fan of the first corner, added up.
    volume[f] = shape.corner(0).minus(origin).dot(front);
    slenderness[f] = shape.slenderness();
    aspect[f] = shape.size() == 4 ? shape.aspect() : Double.NaN;
    double[] turns = shape.inPlaneTurns();
    warp[f] = shape.size() > 3 ? shape.warp(turns) : Double.NaN;
    sum.addMeasures(front.length(), aspect[f], warp[f], slenderness[f] < sliver);
    if (!(front.length() > 0)) {
      return;
    }
    noteTurns(f, turns, sum);
  }

  /** Whether it could be measured so: with a corner that has no place its area is no number. */
  private boolean measureQuad(int f, Quad quad, FaceFigures sum) {
    quad.read(mesh, f);
    double area = quad.area();
    if (!(area > TINY && area < HUGE)) {
      return false;
    }
    newell[3 * f] = quad.frontX();
    newell[3 * f + 1] = quad.frontY();
    newell[3 * f + 2] = quad.frontZ();
    volume[f] = quad.height(origin.x(), origin.y(), origin.z());
    slenderness[f] = quad.slenderness();
    aspect[f] = quad.aspect();
    meanSide[f] = quad.meanSide();
    double[] turns = quad.turns();
    warp[f] = quad.warp();
    sum.addMeasures(area, aspect[f], warp[f], slenderness[f] < sliver);
    noteTurns(f, turns, sum);
    return true;
  }

  private void noteTurns(int f, double[] turns, FaceFigures sum) {
    double lowest = 0;
    double highest = 0;
    double least = 180;
    for (double turn : turns) {
      least = Math.min(least, Math.abs(turn));
      sum.addTurn(turn);
      lowest = turn >= STRAIGHT_BACK ? Math.min(lowest, turn) : lowest;
      highest = Math.max(highest, turn);
    }
    turnBack[f] = -lowest;
    sharpest[f] = 180 - highest;
    leastTurn[f] = least;
  }

  /** What all faces add up to. */
  public FaceFigures figures() {
    return figures.total();
  }

  /** Three times what a face adds to the volume, about the middle of the mesh's first box. */
  double thriceVolume(int f) {
    return volume[f];
  }

  public boolean isMeasured(int f) {
    return !Double.isNaN(newell[3 * f]);
  }

  /** Whether the face has a front: area enough to be told from none. */
  public boolean hasFront(int f) {
    return isMeasured(f) && newell(f).length() > 0;
  }

  /** Along the normal, as long as the area. */
  public Vec3 newell(int f) {
    return new Vec3(newell[3 * f], newell[3 * f + 1], newell[3 * f + 2]);
  }

  public double area(int f) {
    return newell(f).length();
  }

  public double slenderness(int f) {
    return slenderness[f];
  }

  /** Longest side over shortest, of quads. */
  public double aspect(int f) {
    return aspect[f];
  }

  /** Of faces with 4 and more sides, degrees. */
  public double warp(int f) {
    return warp[f];
  }

  /** By how much a corner turns back at most, degrees, 0 to 179.9. */
  public double turnBack(int f) {
    return turnBack[f];
  }

  /** The smallest inside angle, degrees. */
  public double sharpestCorner(int f) {
    return sharpest[f];
  }

  /**
   * Whether all corners surely turn by over an angle under 10 degrees: seen along the front they
   * turn by twice as much, and the face is too flat for that to deceive.
   */
  public boolean surelyTurns(int f, double angle) {
    return angle < 10 && leastTurn[f] > 2 * angle && warp[f] < 10;
  }

  /** The mean of the sides that can be measured, of the first of them where there are many. */
  public double meanSide(int f) {
    return meanSide[f];
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
