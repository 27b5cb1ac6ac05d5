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
}
