package fairedge.core.props;

import fairedge.core.geometry.Vec3;
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
    int[] foot = lathe.ring(profile[0][0], profile[0][1]);
    lathe.gridOfTwelve(lathe.walls(foot, profile));
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
   * A porthole ring: a turned ring of 20 columns whose bevels have no strip beside them, so that it
   * melts when it is subdivided. All quads: 120 vertices, 240 edges, 120 faces, closed, one hole.
   */
  public static Mesh portholeRing() {
    MeshBuilder builder = new MeshBuilder();
    Lathe lathe = new Lathe(builder, 20);
    double[][] section = {{200, 0}, {200, 26}, {182, 44}, {150, 44}, {138, 30}, {138, 0}};
    int[] first = lathe.ring(section[0][0], section[0][1]);
    int[] last = lathe.walls(first, section);
    lathe.wall(last, first);
    return builder.build();
  }

  /**
   * A channel buoy: a turned float that ends below in a fan of 10 triangles, and above in a face of
   * 10 sides. 51 vertices, 100 edges, 51 faces, closed.
   */
  public static Mesh channelBuoy() {
    MeshBuilder builder = new MeshBuilder();
    Lathe lathe = new Lathe(builder, 10);
    double[][] section = {{260, 160}, {300, 240}, {300, 330}, {90, 560}, {60, 900}};
    int[] below = lathe.ring(section[0][0], section[0][1]);
    lathe.lid(lathe.walls(below, section));
    lathe.tip(below, 0);
    return builder.build();
  }

  /**
   * A capstan: a waisted drum of 16 columns, open at the foot, with one face of 16 sides on top. 96
   * vertices, 176 edges, 81 faces.
   */
  public static Mesh capstan() {
    MeshBuilder builder = new MeshBuilder();
    Lathe lathe = new Lathe(builder, 16);
    double[][] section = {{240, 0}, {240, 50}, {150, 120}, {130, 300}, {190, 400}, {190, 460}};
    lathe.lid(lathe.walls(lathe.ring(section[0][0], section[0][1]), section));
    return builder.build();
  }

  /**
   * A folded-sail card: an open sheet of 6 by 3 quads, folded up and down along its length. 28
   * vertices, 45 edges, 18 faces, one border.
   */
  public static Mesh foldedSailCard() {
    MeshBuilder builder = new MeshBuilder();
    int[][] line = new int[7][4];
    for (int i = 0; i < 7; i++) {
      for (int j = 0; j < 4; j++) {
        line[i][j] = builder.vertex(40 * (i - 3), 50 * (j - 1.5), i % 2 == 0 ? 0 : 18);
      }
    }
    for (int i = 0; i < 6; i++) {
      for (int j = 0; j < 3; j++) {
        builder.face(line[i][j], line[i + 1][j], line[i + 1][j + 1], line[i][j + 1]);
      }
    }
    return builder.build();
  }

  /**
   * A cleat: a bar with two tapered horns on two feet, to be rounded. All quads: 40 vertices, 76
   * edges, 38 faces, closed.
   */
  public static Mesh cleat() {
    MeshBuilder builder = new MeshBuilder();
    double[][] stations = {
      {-140, 9, 66, 80}, {-90, 15, 52, 78}, {-50, 18, 46, 76}, {-22, 18, 46, 76},
      {22, 18, 46, 76}, {50, 18, 46, 76}, {90, 15, 52, 78}, {140, 9, 66, 80}
    };
    int[][] bar = new int[stations.length][];
    for (int i = 0; i < stations.length; i++) {
      double[] at = stations[i];
      bar[i] = station(builder, at[0], at[1], at[2], at[3]);
    }
    for (int i = 0; i + 1 < bar.length; i++) {
      boolean foot = i == 2 || i == 4;
      for (int side = foot ? 1 : 0; side < 4; side++) {
        int next = (side + 1) % 4;
        builder.face(bar[i][side], bar[i][next], bar[i + 1][next], bar[i + 1][side]);
      }
      if (foot) {
        foot(builder, bar[i], bar[i + 1]);
      }
    }
    builder.face(bar[0][3], bar[0][2], bar[0][1], bar[0][0]);
    builder.face(bar[bar.length - 1]);
    return builder.build();
  }

  /** A section across the x axis: below in front, below behind, above behind, above in front. */
  private static int[] station(MeshBuilder builder, double x, double y, double low, double high) {
    return new int[] {
      builder.vertex(x, -y, low),
      builder.vertex(x, y, low),
      builder.vertex(x, y, high),
      builder.vertex(x, -y, high)
    };
  }

  /** A foot down to the ground, below the part of a bar between two stations. */
  private static void foot(MeshBuilder builder, int[] left, int[] right) {
    int[] above = {left[0], right[0], right[1], left[1]};
    int[] below = new int[4];
    for (int i = 0; i < 4; i++) {
      Vec3 p = builder.position(above[i]);
      below[i] = builder.vertex(p.x(), p.y() * 1.5, 0);
    }
    walls(builder, below, above);
    builder.face(below[3], below[2], below[1], below[0]);
  }

  private static void walls(MeshBuilder builder, int[] below, int[] above) {
    for (int i = 0; i < 4; i++) {
      int next = (i + 1) % 4;
      builder.face(below[i], below[next], above[next], above[i]);
    }
  }

  /**
   * A rope locker: a box with a door frame inset in its front, and a lid that leans. All quads: 16
   * vertices, 28 edges, 14 faces, closed.
   */
  public static Mesh ropeLocker() {
    MeshBuilder builder = new MeshBuilder();
    int[] foot = frame(builder, 400, 250, 0);
    int[] rim = {
      builder.vertex(-400, -250, 500),
      builder.vertex(400, -250, 500),
      builder.vertex(400, 250, 620),
      builder.vertex(-400, 250, 620)
    };
    int[] door = opening(builder, -250);
    int[] inside = opening(builder, -200);
    for (int i = 1; i < 4; i++) {
      int next = (i + 1) % 4;
      builder.face(foot[i], foot[next], rim[next], rim[i]);
    }
    int[] front = {foot[0], foot[1], rim[1], rim[0]};
    walls(builder, front, door);
    walls(builder, door, inside);
    builder.face(inside);
    builder.face(rim);
    builder.face(foot[3], foot[2], foot[1], foot[0]);
    return builder.build();
  }

  private static int[] opening(MeshBuilder builder, double y) {
    return new int[] {
      builder.vertex(-280, y, 90),
      builder.vertex(280, y, 90),
      builder.vertex(280, y, 410),
      builder.vertex(-280, y, 410)
    };
  }

  /**
   * A pontoon: a long float of 8 sides in one piece, its ends faces of 8 sides: too few sections to
   * bend. 16 vertices, 24 edges, 10 faces, closed.
   */
  public static Mesh pontoon() {
    MeshBuilder builder = new MeshBuilder();
    double[][] section = {
      {220, 110}, {220, 290}, {130, 380}, {-130, 380}, {-220, 290}, {-220, 110}, {-130, 0}, {130, 0}
    };
    int[][] end = new int[2][8];
    for (int i = 0; i < 8; i++) {
      end[0][i] = builder.vertex(1500, section[i][0], section[i][1]);
      end[1][7 - i] = builder.vertex(-1500, section[i][0], section[i][1]);
    }
    for (int i = 0; i < 8; i++) {
      int next = (i + 1) % 8;
      builder.face(end[0][next], end[0][i], end[1][7 - i], end[1][7 - next]);
    }
    builder.face(end[0]);
    builder.face(end[1]);
    return builder.build();
  }

  /**
   * A rope tube: a straight tube of 8 sides in one piece, open at both ends, to be cut, bent round
   * and joined. 16 vertices, 24 edges, 8 faces, two borders.
   */
  public static Mesh ropeTube() {
    MeshBuilder builder = new MeshBuilder();
    int[][] end = new int[2][8];
    for (int i = 0; i < 8; i++) {
      double at = Math.PI * (2 * i + 1) / 8;
      double y = 24 * Math.cos(at);
      double z = 24 * Math.sin(at);
      end[0][i] = builder.vertex(-300, y, z);
      end[1][i] = builder.vertex(300, y, z);
    }
    for (int i = 0; i < 8; i++) {
      int next = (i + 1) % 8;
      builder.face(end[0][i], end[0][next], end[1][next], end[1][i]);
    }
    return builder.build();
  }

  /**
   * A chock and its tongue, two boxes that pass through one another: to be fitted, with play. 16
   * vertices, 24 edges, 12 faces, two parts.
   */
  public static Mesh chockAndTongue() {
    MeshBuilder builder = new MeshBuilder();
    box(builder, new Vec3(0, -60, 0), new Vec3(160, 60, 60));
    box(builder, new Vec3(80, -20, -10), new Vec3(240, 20, 70));
    return builder.build();
  }

  /**
   * A bent plate of a ship's side, and where its porthole is to be a bore of 12 sides that passes
   * through it. Lines of the plate run through corners of the bore. 96 vertices, two parts, closed.
   */
  public static Mesh plateAndBore() {
    MeshBuilder builder = new MeshBuilder();
    double radius = 70;
    double[] corner = new double[12];
    for (int i = 0; i < 3; i++) {
      corner[i] = radius * StrictMath.sin(Math.PI * (2 * i + 1) / 12);
    }
    double near = corner[0];
    plate(
        builder,
        new double[] {-200, -120, -near, near, 120, 200},
        new double[] {-160, -110, -near, near, 110, 160});
    // The corners of a quarter, mirrored, so that each has the bits of the plate's lines.
    double[][] quarter = {{corner[2], corner[0]}, {corner[1], corner[1]}, {corner[0], corner[2]}};
    int[][] rings = new int[2][12];
    for (int k = 0; k < 2; k++) {
      for (int i = 0; i < 12; i++) {
        boolean isBack = i / 3 % 2 == 1;
        double[] at = quarter[isBack ? 2 - i % 3 : i % 3];
        double x = i < 3 || i >= 9 ? at[0] : -at[0];
        double y = i < 6 ? at[1] : -at[1];
        rings[k][i] = builder.vertex(x, y, k == 0 ? -90 : 60);
      }
    }
    Lathe lathe = new Lathe(builder, 12);
    lathe.wall(rings[0], rings[1]);
    lathe.lid(rings[1]);
    int[] below = new int[12];
    for (int i = 0; i < 12; i++) {
      below[i] = rings[0][11 - i];
    }
    builder.face(below);
    return builder.build();
  }

  /** A closed plate over lines across and along, bent about the second axis, 24 thick. */
  private static void plate(MeshBuilder builder, double[] xs, double[] ys) {
    int[][][] at = new int[2][xs.length][ys.length];
    for (int k = 0; k < 2; k++) {
      for (int i = 0; i < xs.length; i++) {
        for (int j = 0; j < ys.length; j++) {
          double z = -0.0012 * xs[i] * xs[i] - (k == 0 ? 24 : 0);
          at[k][i][j] = builder.vertex(xs[i], ys[j], z);
        }
      }
    }
    int m = xs.length - 1;
    int n = ys.length - 1;
    for (int i = 0; i < m; i++) {
      for (int j = 0; j < n; j++) {
        builder.face(at[1][i][j], at[1][i + 1][j], at[1][i + 1][j + 1], at[1][i][j + 1]);
        builder.face(at[0][i][j], at[0][i][j + 1], at[0][i + 1][j + 1], at[0][i + 1][j]);
      }
    }
    for (int i = 0; i < m; i++) {
      builder.face(at[0][i][0], at[0][i + 1][0], at[1][i + 1][0], at[1][i][0]);
      builder.face(at[0][i + 1][n], at[0][i][n], at[1][i][n], at[1][i + 1][n]);
    }
    for (int j = 0; j < n; j++) {
      builder.face(at[0][0][j + 1], at[0][0][j], at[1][0][j], at[1][0][j + 1]);
      builder.face(at[0][m][j], at[0][m][j + 1], at[1][m][j + 1], at[1][m][j]);
    }
  }

  private static void box(MeshBuilder builder, Vec3 low, Vec3 high) {
    int[] at = new int[8];
    for (int i = 0; i < 8; i++) {
      at[i] =
          builder.vertex(
              (i & 1) == 0 ? low.x() : high.x(),
              (i & 2) == 0 ? low.y() : high.y(),
              (i & 4) == 0 ? low.z() : high.z());
    }
    builder.face(at[0], at[2], at[3], at[1]);
    builder.face(at[4], at[5], at[7], at[6]);
    builder.face(at[0], at[1], at[5], at[4]);
    builder.face(at[2], at[6], at[7], at[3]);
    builder.face(at[0], at[4], at[6], at[2]);
    builder.face(at[1], at[3], at[7], at[5]);
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
