package fairedge.core.survey;

import java.util.Map;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;

/** What faces add up to. */
public final class FaceFigures {
  /** A corner that turns by less comes back on itself: it is no notch. */
  static final double STRAIGHT_BACK = -179.9;

  /** A corner that turns back by less is straight, but for rounding. */
  private static final double BACK = -0.1;

  private static final int FEW = 7;
  private static final double[] ASPECTS = {1, 1.25, 1.5, 2, 3, 4, 6, 8, 16};
  private static final double[] WARPS = Distribution.Gathering.steps(5, 18);
  private static final double[] ANGLES = Distribution.Gathering.steps(10, 36);

  private final Distribution.Gathering angles = new Distribution.Gathering(ANGLES);
  private final Distribution.Gathering aspect = new Distribution.Gathering(ASPECTS);
  private final Distribution.Gathering warp = new Distribution.Gathering(WARPS);

  /** By sides; those with more are counted in a map. */
  private final int[] fewSides = new int[FEW];

  private @Nullable Map<Integer, Integer> manySides;
  private int corners;
  private int slivers;
  private int concaveCorners;
  private double area;

  void addFace(int sides) {
    count(sides, 1);
    corners += sides;
  }

  private void count(int sides, int faces) {
    if (sides < FEW) {
      fewSides[sides] += faces;
      return;
    }
    manySides = manySides == null ? new TreeMap<>() : manySides;
    manySides.merge(sides, faces, Integer::sum);
  }

  /** Of a face that can be measured; what is not a number does not count. */
  void addMeasures(double ofArea, double ofAspect, double ofWarp, boolean isSliver) {
    area += ofArea;
    aspect.add(ofAspect);
    warp.add(ofWarp);
    slivers += isSliver ? 1 : 0;
  }

  /**
   * @param turn of a corner, in its face, degrees
   */
  void addTurn(double turn) {
    angles.add(180 - turn);
    concaveCorners += turn >= STRAIGHT_BACK && turn <= BACK ? 1 : 0;
  }

  void add(FaceFigures other) {
    angles.add(other.angles);
    aspect.add(other.aspect);
    warp.add(other.warp);
    for (int sides = 0; sides < FEW; sides++) {
      fewSides[sides] += other.fewSides[sides];
    }
    if (other.manySides != null) {
      other.manySides.forEach(this::count);
    }
    corners += other.corners;
    slivers += other.slivers;
    concaveCorners += other.concaveCorners;
    area += other.area;
  }

  public Distribution angles() {
    return angles.distribution();
  }

  public Distribution aspect() {
    return aspect.distribution();
  }

  public Distribution warp() {
    return warp.distribution();
  }

  public Map<Integer, Integer> bySides() {
    Map<Integer, Integer> bySides = manySides == null ? new TreeMap<>() : new TreeMap<>(manySides);
    for (int sides = 0; sides < FEW; sides++) {
      if (fewSides[sides] > 0) {
        bySides.put(sides, fewSides[sides]);
      }
    }
    return bySides;
  }

  public int corners() {
    return corners;
  }

  public int slivers() {
    return slivers;
  }

  public int concaveCorners() {
    return concaveCorners;
  }

  public double area() {
    return area;
  }
}
