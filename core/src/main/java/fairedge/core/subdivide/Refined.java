package fairedge.core.subdivide;

import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.MeshBuilder;
import java.util.Arrays;
import java.util.BitSet;

/**
 * A mesh, its cage, refined a number of times: quads that know which face of the cage they are a
 * part of. Vertices of the cage keep their ids; ids that no quad uses have no meaning. Fixed once
 * made.
 */
public final class Refined {
  private final Mesh cage;
  private final int level;

  /** Of each level how many vertices its net has. */
  private final int[] vertices;

  /** Of each face of the cage the corners before it: as many quads of the first level. */
  private final int[] firstCorner;

  /** The level before the last. */
  private final Net before;

  private final int[] quads;
  private final double[] at;

  Refined(
      Mesh cage,
      int level,
      int[] vertices,
      int[] firstCorner,
      Net before,
      int[] quads,
      double[] at) {
    this.cage = cage;
    this.level = level;
    this.vertices = vertices;
    this.firstCorner = firstCorner;
    this.before = before;
    this.quads = quads;
    this.at = at;
  }

  public int level() {
    return level;
  }

  /** One more than the highest vertex id. */
  public int vertexEnd() {
    return at.length / 3;
  }

  public int quadCount() {
    return quads.length / 4;
  }

  /** The vertex at one of a quad's four corners, from 0. */
  public int vertex(int quad, int corner) {
    return quads[4 * quad + corner];
  }

  public Vec3 position(int v) {
    return new Vec3(at[3 * v], at[3 * v + 1], at[3 * v + 2]);
  }

  /** The quads of a face of the cage: from the first up to, and without, the first of the next. */
  public int firstQuad(int face) {
    return firstCorner[face] << 2 * (level - 1);
  }

  /** The vertices that lie along an edge of the cage, from its first end to its second. */
  public int[] along(int edge) {
    int[] now = {cage.first(edge), cage.second(edge)};
    int[] edges = {edge};
    for (int l = 0; l < level; l++) {
      int[] finer = new int[2 * now.length - 1];
      int[] halves = new int[2 * edges.length];
      for (int i = 0; i < edges.length; i++) {
        finer[2 * i] = now[i];
        finer[2 * i + 1] = vertices[l] + edges[i];
        halves[2 * i] = 2 * edges[i];
        halves[2 * i + 1] = 2 * edges[i] + 1;
      }
      finer[finer.length - 1] = now[now.length - 1];
      now = finer;
      edges = halves;
    }
    return now;
  }

  /** The newest quads as a mesh of their own, its vertices in the order of the ids in use. */
  public Mesh mesh() {
    BitSet used = new BitSet(vertexEnd());
    Arrays.stream(quads).forEach(used::set);
    MeshBuilder builder = new MeshBuilder(used.cardinality(), quads.length / 4, quads.length);
    int[] own = new int[vertexEnd()];
    used.stream().forEach(v -> own[v] = builder.vertex(position(v)));
    int[] corners = Arrays.stream(quads).map(v -> own[v]).toArray();
    for (int q = 0; q < corners.length; q += 4) {
      builder.face(corners, q, 4);
    }
    return builder.build();
  }

  /** Where its vertices come to lie in the end, and how the surface stands there. */
  public Limit limit() {
    return Limit.of(before, quads, at);
  }

  public Mesh cage() {
    return cage;
  }
}
