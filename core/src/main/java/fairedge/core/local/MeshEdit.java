package fairedge.core.local;

import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Label;
import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.MeshLinks;
import java.util.List;

/**
 * The local operators: the only way in which a change alters a mesh. They come in inverse pairs,
 * and each is journalled.
 *
 * <p>Laws (proven in tests on every fixture mesh): of each pair, the second after the first leaves
 * elements, positions, labels and values at corners as they were; {@link #undoAll} gives the first
 * bytes; every operator keeps the invariants of {@code MeshCheck}. What a pair does to V - E + F:
 *
 * <table>
 * <caption>The pairs</caption>
 * <tr><td>{@link #splitEdge} / {@link #joinEdge}<td>0
 * <tr><td>{@link #splitFace} / {@link #joinFaces}<td>0
 * <tr><td>{@link #makeVertex} / {@link #removeVertex}<td>+1 / -1
 * <tr><td>{@link #makeEdge} / {@link #removeEdge}<td>-1 / +1
 * <tr><td>{@link #makeFace} / {@link #removeFace}<td>+1 / -1
 * <tr><td>{@link #reshapeFace}, its own inverse<td>0
 * <tr><td>{@link #moveVertex}, its own inverse<td>0
 * </table>
 */
public final class MeshEdit {
  private final Mesh mesh;
  private final MeshLinks links;
  private final FaceSurgery faces;
  private final EdgeSurgery edges;
  private final CornerValues values;
  private final Journal journal;

  public MeshEdit(Mesh mesh) {
    this(mesh, new Journal());
  }

  private MeshEdit(Mesh mesh, Journal journal) {
    this.mesh = mesh;
    this.links = new MeshLinks(mesh);
    this.faces = new FaceSurgery(mesh, links);
    this.edges = new EdgeSurgery(mesh, links);
    this.values = new CornerValues(mesh, links);
    this.journal = journal;
  }

  /** Takes up a journal of this mesh whose changes are all in force, to undo it. */
  public static MeshEdit resume(Mesh mesh, Journal journal) {
    return new MeshEdit(mesh, journal);
  }

  public Mesh mesh() {
    return mesh;
  }

  public Journal journal() {
    return journal;
  }

  /**
   * Puts a vertex into an edge.
   *
   * <p>Result: the new vertex. The edge keeps its id and its first end; a new edge joins the new
   * vertex with the old second end. Every face with a side there gains a corner. Nothing dies.
   * Cost: the uses of the edge. Inverse: {@link #joinEdge}.
   */
  public int splitEdge(int e, Vec3 at) {
    require(mesh.hasEdge(e), "no edge ", e);
    int[] touched = mesh.facesOn(e);
    noteSides(touched);
    CornerValues.Memory memory = values.remember();
    LocalChange.EdgeSplit split = edges.split(e, at);
    values.afterEdgeSplit(split.vertex(), touched);
    journal.add(split, memory, touched);
    return split.vertex();
  }

  /**
   * Takes out a vertex that two edges only meet.
   *
   * <p>Precondition: its two edges lead to different vertices that no edge joins, and no face there
   * is a triangle or turns back at it. Result: the edge with the lower id, from one to the other;
   * the vertex and the other edge die. Cost: the corners of the faces. Inverse: {@link #splitEdge}.
   */
  public int joinEdge(int v) {
    require(mesh.hasVertex(v) && mesh.edgesAt(v).length == 2, "not two edges at vertex ", v);
    int[] pair = mesh.edgesAt(v);
    int a = mesh.otherEnd(pair[0], v);
    int b = mesh.otherEnd(pair[1], v);
    require(a != b && mesh.findEdge(a, b) == Mesh.NONE, "an edge is there already past vertex ", v);
    int[] touched = mesh.facesAt(v);
    for (int f : touched) {
      require(mesh.size(f) > 3, "would leave two corners in face ", f);
      require(!turnsBackAt(f, v), "a face turns back at vertex ", v);
    }
    noteSides(touched);
    CornerValues.Memory memory = values.remember(touched);
    LocalChange.EdgeJoined joined = edges.join(v, pair[0], pair[1]);
    journal.add(joined, memory, touched);
    return pair[0];
  }

  private boolean turnsBackAt(int f, int v) {
    int c = mesh.firstCorner(f);
    for (int i = mesh.size(f); i > 0; i--) {
      if (mesh.vertexOf(c) == v && mesh.edgeOf(c) == mesh.edgeOf(mesh.previous(c))) {
        return true;
      }
      c = mesh.next(c);
    }
    return false;
  }

  /**
   * Splits a face between two of its corners, along new edges through the given bends.
   *
   * <p>Precondition: the corners belong to f and stand at different vertices; without bends no edge
   * joins these yet. Result: the new face. The part that holds the first corner keeps the id and
   * the first corner. Nothing dies. Cost: the corners of f. Inverse: {@link #joinFaces}.
   */
  public int splitFace(int f, int from, int to, List<Vec3> bends) {
    require(mesh.hasFace(f) && mesh.faceOf(from) == f && mesh.faceOf(to) == f, "corner not in ", f);
    int a = mesh.vertexOf(from);
    int b = mesh.vertexOf(to);
    require(a != b, "a face can't be split from a vertex to itself, ", a);
    require(!bends.isEmpty() || mesh.findEdge(a, b) == Mesh.NONE, "an edge joins them already ", a);
    noteSides(f);
    CornerValues.Memory memory = values.remember();
    CornerValues.Bends carried = values.bends(f, bends);
    LocalChange.FaceSplit split = faces.split(f, from, to, bends);
    values.afterFaceSplit(from, to, split.edges().length, carried);
    links.label(split.newFace(), mesh.labelOf(f));
    journal.add(split, memory);
    return split.newFace();
  }

  /**
   * Takes out an edge between two faces.
   *
   * <p>Precondition: exactly two uses, by different faces, wound alike. Result: the face with the
   * lower id holds both; the edge and the other face die. A caller that wants no face touching
   * itself sees to it first. Cost: the corners of both. Inverse: {@link #splitFace}.
   */
  public int joinFaces(int e) {
    require(mesh.hasEdge(e) && mesh.isTwoSided(e), "not two faces at edge ", e);
    int c = mesh.cornerOn(e);
    int d = mesh.nextOnEdge(c);
    require(mesh.faceOf(c) != mesh.faceOf(d), "one face on both sides of edge ", e);
    require(mesh.vertexOf(c) != mesh.vertexOf(d), "two windings at edge ", e);
    noteSides(mesh.faceOf(c), mesh.faceOf(d));
    CornerValues.Memory memory = values.remember(mesh.faceOf(c), mesh.faceOf(d));
    LocalChange.FacesJoined joined = faces.join(e, c, d);
    journal.add(joined, memory);
    return joined.face();
  }

  /** Makes a lone vertex; its id is the result. Cost: constant. Inverse: {@link #removeVertex}. */
  public int makeVertex(Vec3 at) {
    int v = links.makeVertex(at);
    journal.add(new LocalChange.VertexMade(v), values.remember());
    return v;
  }

  /**
   * Takes out a vertex that no edge meets; it dies. Cost: constant. Inverse: {@link #makeVertex}.
   */
  public void removeVertex(int v) {
    require(mesh.hasVertex(v) && mesh.edgeAt(v) == Mesh.NONE, "no lone vertex ", v);
    Vec3 at = mesh.position(v);
    links.freeVertex(v);
    journal.add(new LocalChange.VertexRemoved(v, at), values.remember());
  }

  /**
   * Lets a vertex lie elsewhere. Cost: the faces and edges at it, which count as touched; however
   * often one is moved, it is journalled once. Inverse: itself.
   */
  public void moveVertex(int v, Vec3 to) {
    require(mesh.hasVertex(v), "no vertex ", v);
    Vec3 from = mesh.position(v);
    int[] touched = mesh.facesAt(v);
    noteSides(touched);
    links.move(v, to);
    if (journal.hasMoved(v)) {
      journal.touchFaces(touched);
    } else {
      journal.add(new LocalChange.VertexMoved(v, from), values.remember(), touched);
    }
    journal.touchEdges(mesh.edgesAt(v));
  }

  /**
   * Makes a loose edge between two vertices.
   *
   * <p>Precondition: they are two, and no edge joins them. Result: the edge. Cost: the smaller
   * valence. Inverse: {@link #removeEdge}.
   */
  public int makeEdge(int a, int b) {
    require(mesh.hasVertex(a), "no vertex ", a);
    require(mesh.hasVertex(b) && a != b, "no other vertex ", b);
    require(mesh.findEdge(a, b) == Mesh.NONE, "an edge joins them already ", a);
    int e = links.makeEdge(a, b);
    journal.add(new LocalChange.EdgeMade(e, a, b), values.remember());
    return e;
  }

  /**
   * Takes out an edge that lies in no face; it dies, its vertices stay. Cost: constant. Inverse:
   * {@link #makeEdge}.
   */
  public void removeEdge(int e) {
    require(mesh.hasEdge(e) && mesh.cornerOn(e) == Mesh.NONE, "no loose edge ", e);
    int a = mesh.first(e);
    int b = mesh.second(e);
    links.freeEdge(e);
    journal.add(new LocalChange.EdgeRemoved(e, a, b), values.remember());
  }

  /**
   * Puts a face over edges that are there.
   *
   * <p>Precondition: at least 3 vertices, each joined to the next by an edge. Result: the face; its
   * corners carry nothing. Cost: the valences of its vertices. Inverse: {@link #removeFace}.
   *
   * @param like a face whose label it gets, or {@link Mesh#NONE}
   */
  public int makeFace(int[] vertices, int like) {
    requireRing(vertices);
    require(like == Mesh.NONE || mesh.hasFace(like), "no face ", like);
    int f = links.makeFace();
    faces.lay(f, vertices);
    links.label(f, like == Mesh.NONE ? 0 : mesh.labelOf(like));
    journal.add(new LocalChange.FaceMade(f), values.remember());
    journal.touchEdges(mesh.edges(f));
    return f;
  }

  /**
   * Takes a face off its edges, which stay, loose where it was their last. The face dies. Cost: its
   * corners. Inverse: {@link #makeFace}.
   */
  public void removeFace(int f) {
    require(mesh.hasFace(f), "no face ", f);
    noteSides(f);
    CornerValues.Memory memory = values.remember(f);
    int[] vertices = mesh.vertices(f);
    journal.touchEdges(mesh.edges(f));
    faces.unlay(f);
    links.freeFace(f);
    journal.add(new LocalChange.FaceRemoved(f, vertices), memory);
  }

  /**
   * Lets a face run over other vertices: turned the other way, begun elsewhere, with fewer or more.
   * It keeps its id and label.
   *
   * <p>Precondition: at least 3 vertices, each joined to the next by an edge. Nothing dies: edges
   * left by the face stay. Cost: the corners and the valences of the vertices. Inverse: itself.
   *
   * @param carriedFrom for each new corner that one of the old, counted from the first, whose
   *     values it gets; {@link Mesh#NONE} for none
   */
  public void reshapeFace(int f, int[] vertices, int[] carriedFrom) {
    require(mesh.hasFace(f), "no face ", f);
    requireRing(vertices);
    require(carriedFrom.length == vertices.length, "not one old corner for each of face ", f);
    noteSides(f);
    CornerValues.Memory memory = values.remember(f);
    int[] before = mesh.vertices(f);
    journal.touchEdges(mesh.edges(f));
    faces.unlay(f);
    faces.lay(f, vertices);
    journal.touchEdges(mesh.edges(f));
    for (CornerValues.OfFace old : memory.faces()) {
      int[] carried = new int[vertices.length];
      for (int i = 0; i < carried.length; i++) {
        carried[i] = carriedFrom[i] == Mesh.NONE ? Mesh.NONE : old.values()[carriedFrom[i]];
      }
      values.give(f, old.attribute(), carried);
    }
    journal.add(new LocalChange.FaceReshaped(f, before), memory);
  }

  /**
   * Gives a face another label. Cost: constant, and once for a label the number of labels. Inverse:
   * itself.
   */
  public void labelFace(int f, Label label) {
    require(mesh.hasFace(f), "no face ", f);
    int before = mesh.labelOf(f);
    int known = mesh.labels().indexOf(label);
    links.label(f, known < 0 ? links.makeLabel(label) : known);
    noteSides(f);
    journal.add(new LocalChange.FaceLabelled(f, before, known < 0), values.remember());
  }

  private void requireRing(int[] vertices) {
    require(vertices.length >= 3, "a face has at least 3 corners, not ", vertices.length);
    for (int i = 0; i < vertices.length; i++) {
      int a = vertices[i];
      int b = vertices[(i + 1) % vertices.length];
      require(mesh.hasVertex(a), "no vertex ", a);
      require(mesh.hasVertex(b) && mesh.findEdge(a, b) != Mesh.NONE, "no edge leads on from ", a);
    }
  }

  private void noteSides(int... faces) {
    for (int f : faces) {
      journal.noteSides(f, mesh.size(f));
    }
  }

  /** Takes everything back, the last first; the mesh has its first bytes again. */
  public void undoAll() {
    while (!journal.isEmpty()) {
      CornerValues.Memory memory = journal.removeLastMemory();
      switch (journal.removeLast()) {
        case LocalChange.EdgeSplit s -> edges.undo(s);
        case LocalChange.EdgeJoined j -> edges.undo(j);
        case LocalChange.FaceSplit s -> faces.undo(s);
        case LocalChange.FacesJoined j -> faces.undo(j);
        case LocalChange.VertexMade m -> {
          links.freeVertex(m.vertex());
          links.forgetVertex(m.vertex());
        }
        case LocalChange.VertexRemoved r -> links.reviveVertex(r.vertex(), r.at());
        case LocalChange.VertexMoved m -> links.move(m.vertex(), m.from());
        case LocalChange.EdgeMade m -> {
          links.freeEdge(m.edge());
          links.forgetEdge(m.edge());
        }
        case LocalChange.EdgeRemoved r -> links.reviveEdge(r.edge(), r.first(), r.second());
        case LocalChange.FaceMade m -> {
          faces.unlay(m.face());
          links.freeFace(m.face());
          links.forgetFace(m.face());
        }
        case LocalChange.FaceRemoved r -> faces.lay(r.face(), r.vertices());
        case LocalChange.FaceLabelled l -> {
          links.label(l.face(), l.before());
          if (l.isNew()) {
            links.forgetLabel();
          }
        }
        case LocalChange.FaceReshaped r -> {
          faces.unlay(r.face());
          faces.lay(r.face(), r.before());
        }
      }
      values.restore(memory);
    }
  }

  private static void require(boolean holds, String what, int id) {
    if (!holds) {
      throw new IllegalArgumentException(what + id);
    }
  }
}
