package fairedge.core.props;

import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.MeshBuilder;

/** Quay-side objects to cut, in millimetres, with z up, standing on the ground. */
public final class HarbourProps {
  private HarbourProps() {}

  /**
   * A hatch lid: a short cylinder of 16 quads with a flat 16-sided top and bottom, to be cut into
   * quads. 32 vertices, 48 edges, 18 faces, closed.
   */
  public static Mesh hatchLid() {
    MeshBuilder builder = new MeshBuilder();
    int sides = 16;
    Lathe lathe = new Lathe(builder, sides);
    int[] foot = lathe.ring(300, 0);
    int[] rim = lathe.ring(300, 80);
    lathe.wall(foot, rim);
    lathe.lid(rim);
    lathe.ground(foot);
    return builder.build();
  }

  /**
   * A mooring bollard: a lathe form of 12 columns of quads, open at the foot, closed on top by a
   * grid of quads. Every face is a quad; the waist is long and has no loop at its middle.
   */
  public static Mesh mooringBollard() {
    MeshBuilder builder = new MeshBuilder();
    Lathe lathe = new Lathe(builder, 12);
    double[][] profile = {
      {170, 0},
      {170, 40},
      {120, 90},
      {82, 140},
      {78, 290},
      {112, 345},
      {150, 375},
      {150, 420},
      {118, 445}
    };
    int[] below = lathe.ring(profile[0][0], profile[0][1]);
    for (int i = 1; i < profile.length; i++) {
      int[] above = lathe.ring(profile[i][0], profile[i][1]);
      lathe.wall(below, above);
      below = above;
    }
    lathe.gridOfTwelve(below);
    return builder.build();
  }

  /**
   * A fairlead block: a box with a recess in its top, cut round at half height but for the front
   * and the right side, which have 6 sides each: a line from corner to corner round the two makes
   * all quads. 20 vertices, 34 edges, 16 faces, closed.
   */
  public static Mesh fairleadBlock() {
    MeshBuilder builder = new MeshBuilder();
    int[] foot = frame(builder, 60, 40, 0);
    int[] middle = frame(builder, 60, 40, 30);
    int[] rim = frame(builder, 60, 40, 60);
    int[] mouth = frame(builder, 38, 20, 60);
    int[] floor = frame(builder, 38, 20, 34);
    builder.face(foot[0], foot[1], middle[1], rim[1], rim[0], middle[0]);
    builder.face(foot[1], foot[2], middle[2], rim[2], rim[1], middle[1]);
    for (int i = 2; i < 4; i++) {
      int next = (i + 1) % 4;
      builder.face(foot[i], foot[next], middle[next], middle[i]);
      builder.face(middle[i], middle[next], rim[next], rim[i]);
    }
    builder.face(foot[0], foot[3], foot[2], foot[1]);
    for (int i = 0; i < 4; i++) {
      int next = (i + 1) % 4;
      builder.face(rim[i], rim[next], mouth[next], mouth[i]);
      builder.face(mouth[i], mouth[next], floor[next], floor[i]);
    }
    builder.face(floor);
    return builder.build();
  }

  /**
   * The corners of a rectangle round the z axis: front left, front right, back right, back left.
   */
  private static int[] frame(MeshBuilder builder, double x, double y, double z) {
    return new int[] {
      builder.vertex(-x, -y, z),
      builder.vertex(x, -y, z),
      builder.vertex(x, y, z),
      builder.vertex(-x, y, z)
    };
  }
}
