package fairedge.core.survey;

import fairedge.core.flow.Rings;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.IdSet;
import fairedge.core.mesh.Mesh;
import java.util.Arrays;
import java.util.List;
import java.util.function.IntConsumer;
import java.util.stream.IntStream;

/**
 * What is to be looked at anew after a change: the elements touched, also those that are gone; the
 * faces that lie within {@value #REACH} of them, counted over vertices, with their vertices and
 * edges; and what far rings say of, since they run through what was touched.
 */
public final class Anew {
  /**
   * What is said of a face depends on whether the edges of the next face are hard, which depends on
   * how the surface turns at the edge beyond that.
   */
  private static final int REACH = 3;

  /** How a surface bends at a vertex depends on its neighbours and theirs. */
  private static final int BENDING = 2;

  private final Mesh mesh;
  private final Nearby nearby;
  private final Closure touched;
  private final IdSet loops;
  private final boolean borders;
  private final IdSet vertices = new IdSet();
  private final IdSet edges = new IdSet();
  private final IdSet faces = new IdSet();
  private final int[] bending;
  private int[] vertexIds = {};
  private int[] edgeIds = {};
  private int[] faceIds = {};

  /**
   * @param nearby for findings that are told by places alone
   * @param touched with what hangs at it
   * @param rings what became of rings
   * @param loops the numbers of those that are others now
   * @param borders whether a border was touched
   */
  Anew(Mesh mesh, Nearby nearby, Closure touched, Rings.Met rings, IdSet loops, boolean borders) {
    this.mesh = mesh;
    this.nearby = nearby;
    this.touched = touched;
    this.loops = loops;
    this.borders = borders;
    int[] edge = touched.vertices();
    IdSet near = IdSet.of(edge);
    for (int step = 0; step < REACH; step++) {
      edge = spread(edge);
      if (step < BENDING) {
        near.addAll(edge);
      }
    }
    bending = near.sorted();
    vertices.addAll(touched.vertices());
    edges.addAll(touched.edges());
    faces.addAll(touched.faces());
    for (int f : rings.stopping()) {
      if (mesh.hasFace(f)) {
        add(f);
      } else {
        faces.add(f);
      }
    }
  }

  /** All faces within reach. */
  int[] nearFaces() {
    return faces.sorted();
  }

  /** All edges within reach. */
  int[] nearEdges() {
    return edges.sorted();
  }

  /** Adds a face of which something else may be said now. */
  void add(int f) {
    addFace(f, v -> {});
  }

  /** To be called when all is added. */
  void close() {
    vertexIds = Arrays.stream(vertices.sorted()).filter(mesh::hasVertex).toArray();
    edgeIds = Arrays.stream(edges.sorted()).filter(mesh::hasEdge).toArray();
    faceIds = Arrays.stream(faces.sorted()).filter(mesh::hasFace).toArray();
  }

  /** Adds the faces at vertices; the vertices that come by it. */
  private int[] spread(int[] from) {
    IntStream.Builder reached = IntStream.builder();
    for (int v : from) {
      int start = mesh.hasVertex(v) ? mesh.edgeAt(v) : Mesh.NONE;
      for (int e = start; e != Mesh.NONE; ) {
        addFacesOn(e, reached::add);
        e = mesh.nextEdgeAt(v, e) == start ? Mesh.NONE : mesh.nextEdgeAt(v, e);
      }
    }
    return reached.build().toArray();
  }

  private void addFacesOn(int e, IntConsumer reached) {
    int start = mesh.cornerOn(e);
    for (int c = start; c != Mesh.NONE; ) {
      if (!faces.has(mesh.faceOf(c))) {
        addFace(mesh.faceOf(c), reached);
      }
      c = mesh.nextOnEdge(c) == start ? Mesh.NONE : mesh.nextOnEdge(c);
    }
  }

  private void addFace(int f, IntConsumer reached) {
    faces.add(f);
    int c = mesh.firstCorner(f);
    for (int i = mesh.size(f); i > 0; i--) {
      if (vertices.add(mesh.vertexOf(c))) {
        reached.accept(mesh.vertexOf(c));
      }
      edges.add(mesh.edgeOf(c));
      c = mesh.next(c);
    }
  }

  /** The elements of one kind that are there, by id. */
  public int[] of(Element.Kind kind) {
    return switch (kind) {
      case VERTEX -> vertexIds;
      case EDGE -> edgeIds;
      case FACE -> faceIds;
    };
  }

  public int[] vertices() {
    return vertexIds;
  }

  public int[] edges() {
    return edgeIds;
  }

  public int[] faces() {
    return faceIds;
  }

  /** Whether an element is to be looked at, or is gone. */
  public boolean has(Element.Kind kind, int id) {
    return switch (kind) {
      case VERTEX -> vertices.has(id);
      case EDGE -> edges.has(id);
      case FACE -> faces.has(id);
    };
  }

  public boolean has(Element element) {
    return has(element.kind(), element.id());
  }

  /** Whether one of some elements is looked at anew. */
  public boolean meets(List<Element> elements) {
    for (Element element : elements) {
      if (has(element)) {
        return true;
      }
    }
    return false;
  }

  /** The vertices at which the surface may bend in another way. */
  int[] bending() {
    return bending;
  }

  /** What alone was touched, with what hangs at it. */
  public Closure touched() {
    return touched;
  }

  /** For findings that are told by places alone. */
  public Nearby nearby() {
    return nearby;
  }

  /** The numbers of loops that are others now. */
  public IdSet loops() {
    return loops;
  }

  /** Whether borders are or were at what was touched. */
  public boolean borders() {
    return borders;
  }
}
