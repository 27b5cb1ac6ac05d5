package fairedge.core.survey;

import fairedge.core.flow.Topology;
import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;
import fairedge.core.near.PointGrid;
import fairedge.core.near.SamePlace;
import fairedge.core.near.SegmentGrid;
import fairedge.core.near.Surface;
import java.util.Arrays;
import java.util.BitSet;
import java.util.List;

/**
 * What is asked of the mesh that the work began from: whether it has a border, a pole, a triangle.
 * By place, never by number. Cost to make: the starter; to ask: what lies near.
 */
public final class Starter {
  private static final double MOST = 0.5;

  private final boolean hasTriangles;
  private final Mesh mesh;
  private final double near;
  private final Lazy<Surface> surface;
  private final SamePlace vertices;
  private final SegmentGrid edges;
  private final SegmentGrid borders;
  private final PointGrid poles;

  /**
   * @param near places this near to each other are one: 1e-4 S
   */
  public Starter(Mesh starter, double near) {
    Topology topology = new Topology(starter);
    mesh = starter;
    this.near = near;
    surface = new Lazy<>(() -> new Surface(starter));
    vertices = new SamePlace(starter);
    edges = new SegmentGrid(starter, e -> true, near);
    borders = new SegmentGrid(starter, e -> topology.uses(e) == 1, near);
    poles = new PointGrid(near);
    boolean triangles = false;
    for (int f = 0; f < starter.faceEnd() && !triangles; f++) {
      triangles = starter.hasFace(f) && starter.size(f) == 3;
    }
    hasTriangles = triangles;
    for (int v = 0; v < starter.vertexEnd(); v++) {
      if (topology.isPole(v) && starter.hasPlace(v)) {
        poles.add(starter.position(v));
      }
    }
  }

  private static boolean isPlaced(Mesh mesh, int e) {
    return mesh.hasPlace(mesh.first(e)) && mesh.hasPlace(mesh.second(e));
  }

  public Mesh mesh() {
    return mesh;
  }

  /** Made when it is first asked for. */
  public Surface surface() {
    return surface.get();
  }

  /**
   * The faces that lie nearest to places. Cost: log n for each.
   *
   * @param places on faces
   */
  public BitSet facesAt(List<Vec3> places) {
    BitSet faces = new BitSet();
    Surface.Asking asking = surface().asking();
    for (Vec3 place : places) {
      int triangle = asking.nearest(place, -1);
      if (triangle >= 0) {
        faces.set(surface().faceOf(triangle));
      }
    }
    return faces;
  }

  /** All faces but those that lie nearest to places; none where there are no places. */
  public BitSet lockedBut(List<Vec3> cuttable) {
    BitSet locked = new BitSet();
    if (!cuttable.isEmpty()) {
      for (int f = 0; f < mesh.faceEnd(); f++) {
        locked.set(f, mesh.hasFace(f));
      }
      locked.andNot(facesAt(cuttable));
    }
    return locked;
  }

  /** The edges of faces of another mesh that this one does not have. Cost: its edges. */
  public BitSet linesOf(Mesh other) {
    BitSet lines = new BitSet();
    for (int e = 0; e < other.edgeEnd(); e++) {
      lines.set(e, other.hasEdge(e) && other.cornerOn(e) != Mesh.NONE && !hasEdge(other, e));
    }
    return lines;
  }

  /** The vertex at a place, to the last bit; {@link Mesh#NONE} if there is none. */
  public int vertexAt(Vec3 place) {
    return vertices.at(place);
  }

  /** The vertices that lie within 1e-4 S of places. Cost: the vertices. */
  public BitSet verticesAt(List<Vec3> places) {
    BitSet found = new BitSet();
    if (places.isEmpty()) {
      return found;
    }
    PointGrid wanted = new PointGrid(near);
    places.forEach(wanted::add);
    for (int v = 0; v < mesh.vertexEnd(); v++) {
      if (mesh.hasVertex(v) && mesh.hasPlace(v) && wanted.hasNear(mesh.position(v))) {
        found.set(v);
      }
    }
    return found;
  }

  /** The starter as it would lie where a mesh lies that is not placed right. */
  Starter placedFor(Placement placement) {
    return new Starter(placement.back(mesh), near / placement.scale());
  }

  /** Whether at least half of these places are those of its vertices, to the last bit. */
  boolean hasMostOf(Vec3[] places) {
    int wanted = (int) Math.ceil(MOST * places.length);
    return Arrays.stream(places).filter(p -> vertices.at(p) != Mesh.NONE).limit(wanted).count()
        == wanted;
  }

  public boolean hasTriangles() {
    return hasTriangles;
  }

  /** How many faces it has. */
  public int faceCount() {
    return mesh.faceCount();
  }

  /**
   * Whether an edge lies on the starter's edges along its whole length; so does one without place.
   */
  boolean hasEdge(Mesh of, int e) {
    if (!isPlaced(of, e)) {
      return true;
    }
    Vec3 a = of.position(of.first(e));
    Vec3 b = of.position(of.second(e));
    return sameEdge(a, b) != Mesh.NONE || edges.covers(a, b);
  }

  /** Most edges are where they were, to the last bit: that edge, or {@link Mesh#NONE}. */
  private int sameEdge(Vec3 a, Vec3 b) {
    int v = vertices.at(a);
    int w = v == Mesh.NONE ? v : vertices.at(b);
    return w != Mesh.NONE && v != w ? mesh.findEdge(v, w) : Mesh.NONE;
  }

  /** Whether an edge lies on the starter's borders along its whole length. */
  public boolean hasBorder(Mesh mesh, int e) {
    if (!isPlaced(mesh, e)) {
      return false;
    }
    Vec3 a = mesh.position(mesh.first(e));
    Vec3 b = mesh.position(mesh.second(e));
    int same = sameEdge(a, b);
    return same != Mesh.NONE && this.mesh.uses(same) == 1 || borders.covers(a, b);
  }

  public boolean hasPole(Vec3 at) {
    return poles.hasNear(at);
  }
}
