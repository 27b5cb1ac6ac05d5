package fairedge.core.local;

import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.MeshLinks;
import java.util.List;

/**
 * The local operators: the only way in which a change alters a mesh. They come in inverse pairs,
 * and each is journalled.
 *
 * <p>Laws (proven in tests on every fixture mesh): {@code joinEdge(splitEdge(e))} and {@code
 * joinFaces(splitFace(f))} leave faces, edges and positions as they were; {@link #undoAll} gives
 * the first bytes; every operator keeps V - E + F and the invariants of {@code MeshCheck}.
 */
public final class MeshEdit {
  private final Mesh mesh;
  private final MeshLinks links;
  private final FaceSurgery faces;
  private final EdgeSurgery edges;
  private final Journal journal;

  public MeshEdit(Mesh mesh) {
    this(mesh, new Journal());
  }

  private MeshEdit(Mesh mesh, Journal journal) {
    this.mesh = mesh;
    this.links = new MeshLinks(mesh);
    this.faces = new FaceSurgery(mesh, links);
    this.edges = new EdgeSurgery(mesh, links);
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
    LocalChange.EdgeSplit split = edges.split(e, at);
    journal.add(split, touched);
    return split.vertex();
  }

  /**
   * Takes out a vertex that two edges only meet.
   *
   * <p>Precondition: its two edges lead to different vertices that no edge joins, and no face there
   * is a triangle. Result: the edge with the lower id, from one to the other; the vertex and the
   * other edge die. Cost: the uses of the edges. Inverse: {@link #splitEdge}.
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
    }
    noteSides(touched);
    LocalChange.EdgeJoined joined = edges.join(v, pair[0], pair[1]);
    journal.add(joined, touched);
    return pair[0];
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
    LocalChange.FaceSplit split = faces.split(f, from, to, bends);
    journal.add(split);
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
    LocalChange.FacesJoined joined = faces.join(e, c, d);
    journal.add(joined);
    return joined.face();
  }

  private void noteSides(int... faces) {
    for (int f : faces) {
      journal.noteSides(f, mesh.size(f));
    }
  }

  /** Takes everything back, the last first; the mesh has its first bytes again. */
  public void undoAll() {
    while (!journal.isEmpty()) {
      switch (journal.removeLast()) {
        case LocalChange.EdgeSplit s -> edges.undo(s);
        case LocalChange.EdgeJoined j -> edges.undo(j);
        case LocalChange.FaceSplit s -> faces.undo(s);
        case LocalChange.FacesJoined j -> faces.undo(j);
      }
    }
  }

  private static void require(boolean holds, String what, int id) {
    if (!holds) {
      throw new IllegalArgumentException(what + id);
    }
  }
}
