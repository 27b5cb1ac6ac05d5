package fairedge.core.mesh;

import fairedge.core.geometry.Vec3;

/**
 * Builds a mesh from vertices and faces in the order in which a file or a generator names them: ids
 * are that order. Cost: what is added.
 */
public final class MeshBuilder {
  private final Mesh mesh = new Mesh();
  private final MeshLinks links = new MeshLinks(mesh);
  private final EdgeTable edges = new EdgeTable(64);

  /** Adds a vertex; a number that is not finite keeps its index and takes part in no measure. */
  public int vertex(double x, double y, double z) {
    return links.makeVertex(new Vec3(x, y, z));
  }

  public int vertex(Vec3 at) {
    return links.makeVertex(at);
  }

  /** Where a vertex that was added lies. */
  public Vec3 position(int v) {
    return mesh.position(v);
  }

  public int vertexCount() {
    return mesh.vertexEnd();
  }

  /**
   * Adds a face.
   *
   * @param vertices at least 3 ids of vertices added before, no two neighbours in the cycle alike
   * @throws IllegalArgumentException if not so
   */
  public int face(int... vertices) {
    requireRing(vertices);
    int f = links.makeFace();
    int first = Mesh.NONE;
    int last = Mesh.NONE;
    for (int v : vertices) {
      int c = links.makeCorner(f, v);
      if (first == Mesh.NONE) {
        first = c;
      } else {
        links.chain(last, c);
      }
      last = c;
    }
    links.chain(last, first);
    for (int i = 0, c = first; i < vertices.length; i++, c = mesh.next(c)) {
      links.lay(c, edge(vertices[i], vertices[(i + 1) % vertices.length]));
    }
    links.begin(f, first, vertices.length);
    return f;
  }

  private void requireRing(int[] vertices) {
    if (vertices.length < 3) {
      throw new IllegalArgumentException("a face has at least 3 corners, not " + vertices.length);
    }
    for (int i = 0; i < vertices.length; i++) {
      int v = vertices[i];
      if (!mesh.hasVertex(v)) {
        throw new IllegalArgumentException("no vertex " + v);
      }
      if (v == vertices[(i + 1) % vertices.length]) {
        throw new IllegalArgumentException("a face can't follow vertex " + v + " by itself");
      }
    }
  }

  /** Finds or adds the edge between two different vertices; loose until a face uses it. */
  public int edge(int a, int b) {
    int e = edges.find(a, b);
    if (e == Mesh.NONE) {
      e = links.makeEdge(a, b);
      edges.put(a, b, e);
    }
    return e;
  }

  /** The mesh; this builder must not be used after it. */
  public Mesh build() {
    return mesh;
  }
}
