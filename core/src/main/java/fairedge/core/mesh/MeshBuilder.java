package fairedge.core.mesh;

import fairedge.core.geometry.Vec3;
import java.util.HashMap;
import java.util.Map;

/**
 * Builds a mesh from vertices and faces in the order in which a file or a generator names them: ids
 * are that order. Cost: what is added.
 */
public final class MeshBuilder {
  private final Mesh mesh;
  private final MeshLinks links;
  private final EdgeTable edges;
  private final Map<Label, Integer> labels = new HashMap<>(Map.of(Label.NONE, 0));
  private Label lastLabel = Label.NONE;
  private int lastLabelIndex;

  public MeshBuilder() {
    this(12, 12, 48);
  }

  /**
   * For about so many vertices, faces and corners; others come as well.
   *
   * @throws IllegalArgumentException if one is negative
   */
  public MeshBuilder(int vertices, int faces, int corners) {
    if (vertices < 0 || faces < 0 || corners < 0) {
      throw new IllegalArgumentException("so many elements can't be");
    }
    // Of a closed surface half the corners are edges; borders are few.
    int expectedEdges = corners / 2 + corners / 32 + 16;
    mesh = new Mesh(vertices, expectedEdges, faces, corners);
    links = new MeshLinks(mesh);
    edges = new EdgeTable(expectedEdges);
  }

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
    return face(vertices, 0, vertices.length);
  }

  /** The same with the vertices in a part of an array. */
  public int face(int[] vertices, int from, int size) {
    requireRing(vertices, from, size);
    int f = links.makeFace();
    int first = Mesh.NONE;
    int last = Mesh.NONE;
    for (int i = 0; i < size; i++) {
      int c = links.makeCorner(f, vertices[from + i]);
      if (first == Mesh.NONE) {
        first = c;
      } else {
        links.chain(last, c);
      }
      last = c;
    }
    links.chain(last, first);
    int c = first;
    for (int i = 0; i < size; i++) {
      int next = mesh.next(c);
      links.lay(c, edge(mesh.vertexOf(c), mesh.vertexOf(next)));
      c = next;
    }
    links.begin(f, first, size);
    return f;
  }

  private void requireRing(int[] vertices, int from, int size) {
    if (size < 3) {
      throw new IllegalArgumentException("a face has at least 3 corners, not " + size);
    }
    int before = vertices[from + size - 1];
    for (int i = from; i < from + size; i++) {
      int v = vertices[i];
      if (!mesh.hasVertex(v)) {
        throw new IllegalArgumentException("no vertex " + v);
      }
      if (v == before) {
        throw new IllegalArgumentException("a face can't follow vertex " + v + " by itself");
      }
      before = v;
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

  /** Adds a value that corners may have of an attribute; its index, from 0. */
  public int value(Attribute attribute, Vec3 value) {
    return links.makeValue(attribute, value);
  }

  /**
   * Gives the corners of face f, from its first, values of an attribute.
   *
   * @param values an index for each corner, from this place in the array on; {@link Mesh#NONE}, or
   *     one that is not there, for none
   */
  public void values(int f, Attribute attribute, int[] values, int from) {
    int c = mesh.firstCorner(f);
    for (int i = 0; i < mesh.size(f); i++) {
      int value = values[from + i];
      boolean there = value >= 0 && value < mesh.valueEnd(attribute);
      links.giveValue(attribute, c, there ? value : Mesh.NONE);
      c = mesh.next(c);
    }
  }

  /** Labels a face. Equal labels are kept once. */
  public void label(int f, Label label) {
    if (!label.equals(lastLabel)) {
      lastLabel = label;
      lastLabelIndex = labels.computeIfAbsent(label, links::makeLabel);
    }
    links.label(f, lastLabelIndex);
  }

  /** Names a file that describes the materials. */
  public void materialFile(String name) {
    links.nameMaterialFile(name);
  }

  /** The mesh; this builder must not be used after it. */
  public Mesh build() {
    return mesh;
  }
}
