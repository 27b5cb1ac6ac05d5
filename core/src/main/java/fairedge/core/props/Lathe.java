package fairedge.core.props;

import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.MeshBuilder;

/** Turned forms: rings of vertices round the z axis, and the faces between and on them. */
final class Lathe {
  private final MeshBuilder builder;
  private final int sides;

  Lathe(MeshBuilder builder, int sides) {
    this.builder = builder;
    this.sides = sides;
  }

  /** A ring of vertices, half a side turned, so that a side faces the front. */
  int[] ring(double radius, double height) {
    int[] ring = new int[sides];
    for (int i = 0; i < sides; i++) {
      double angle = 2 * Math.PI * (i + 0.5) / sides;
      ring[i] =
          builder.vertex(radius * StrictMath.cos(angle), radius * StrictMath.sin(angle), height);
    }
    return ring;
  }

  void wall(int[] below, int[] above) {
    for (int i = 0; i < sides; i++) {
      int next = (i + 1) % sides;
      builder.face(below[i], below[next], above[next], above[i]);
    }
  }

  /**
   * Walls on from a ring, through every point of a section but the first, which is the ring's.
   *
   * @return the last ring
   */
  int[] walls(int[] foot, double[][] section) {
    int[] below = foot;
    for (int i = 1; i < section.length; i++) {
      int[] above = ring(section[i][0], section[i][1]);
      wall(below, above);
      below = above;
    }
    return below;
  }

  /** Closes a ring below by triangles to one vertex on the axis. */
  void tip(int[] ring, double height) {
    int point = builder.vertex(0, 0, height);
    for (int i = 0; i < sides; i++) {
      builder.face(ring[(i + 1) % sides], ring[i], point);
    }
  }

  void lid(int[] ring) {
    builder.face(ring);
  }

  void ground(int[] ring) {
    builder.face(reversed(ring));
  }

  private static int[] reversed(int[] ring) {
    int[] result = new int[ring.length];
    for (int i = 0; i < ring.length; i++) {
      result[i] = ring[ring.length - 1 - i];
    }
    return result;
  }

  /** Closes a ring of 12 by a grid of 3 x 3 quads: 4 new vertices inside. */
  void gridOfTwelve(int[] ring) {
    // The ring begins half a side past +x; corners of the grid are 1, 4, 7, 10.
    int[] inner = new int[4];
    int[] corner = {1, 4, 7, 10};
    for (int k = 0; k < 4; k++) {
      inner[k] = towardsMiddle(ring[corner[k]], 1 / 3.0);
    }
    for (int k = 0; k < 4; k++) {
      int c = corner[k];
      int previous = inner[(k + 3) % 4];
      builder.face(ring[c - 1], ring[c], ring[c + 1], inner[k]);
      builder.face(ring[(c + 10) % 12], ring[c - 1], inner[k], previous);
    }
    builder.face(inner);
  }

  private int towardsMiddle(int v, double share) {
    Vec3 p = builder.position(v);
    return builder.vertex(p.x() * share, p.y() * share, p.z());
  }
}
