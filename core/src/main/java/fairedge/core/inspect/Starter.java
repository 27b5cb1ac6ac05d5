package fairedge.core.inspect;

import fairedge.core.flow.Topology;
import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;
import fairedge.core.near.PointGrid;
import fairedge.core.near.SegmentGrid;

/**
 * What is asked of the mesh that the work began from: whether it has a border, a pole, a triangle.
 * By place, never by number. Cost to make: the starter; to ask: what lies near.
 */
public final class Starter {
  private final boolean hasTriangles;
  private final SegmentGrid borders;
  private final PointGrid poles;

  /**
   * @param near places this near to each other are one: 1e-4 S
   */
  public Starter(Mesh starter, double near) {
    Topology topology = new Topology(starter);
    borders = new SegmentGrid(near);
    poles = new PointGrid(near);
    boolean triangles = false;
    for (int f = 0; f < starter.faceEnd() && !triangles; f++) {
      triangles = starter.hasFace(f) && starter.size(f) == 3;
    }
    hasTriangles = triangles;
    for (int e = 0; e < starter.edgeEnd(); e++) {
      if (topology.uses(e) == 1 && isPlaced(starter, e)) {
        borders.add(starter.position(starter.first(e)), starter.position(starter.second(e)));
      }
    }
    for (int v = 0; v < starter.vertexEnd(); v++) {
      if (topology.isPole(v) && starter.hasPlace(v)) {
        poles.add(starter.position(v));
      }
    }
  }

  private static boolean isPlaced(Mesh mesh, int e) {
    return mesh.hasPlace(mesh.first(e)) && mesh.hasPlace(mesh.second(e));
  }

  boolean hasTriangles() {
    return hasTriangles;
  }

  /** Whether an edge lies on the starter's borders along its whole length. */
  boolean hasBorder(Mesh mesh, int e) {
    return isPlaced(mesh, e)
        && borders.covers(mesh.position(mesh.first(e)), mesh.position(mesh.second(e)));
  }

  boolean hasPole(Vec3 at) {
    return poles.hasNear(at);
  }
}
