package fairedge.core.flow;

import fairedge.core.flow.EdgeLoops.Cause;
import fairedge.core.flow.EdgeLoops.End;
import fairedge.core.mesh.Mesh;
import java.util.BitSet;

/**
 * How two-sided edges run on: at an inner vertex of valence 4 to the edge that shares no face
 * corner with them. An edge's port is 2e at its first vertex, 2e + 1 at the other. As the topology
 * is.
 */
final class Lines implements Chains.Links {
  private final Topology topology;

  Lines(Topology topology) {
    this.topology = topology;
  }

  @Override
  public int next(int port) {
    int v = vertexAt(port);
    int next = onward(port >> 1, v);
    return next == Mesh.NONE ? Mesh.NONE : portAt(next, v);
  }

  @Override
  public boolean isNode(int e) {
    return topology.mesh().hasEdge(e) && topology.uses(e) == 2;
  }

  int portAt(int e, int v) {
    return 2 * e + (topology.mesh().first(e) == v ? 0 : 1);
  }

  int vertexAt(int port) {
    Mesh mesh = topology.mesh();
    return (port & 1) == 0 ? mesh.first(port >> 1) : mesh.second(port >> 1);
  }

  /** Joins the edges that run on at a vertex, and notes the ports that lead on. */
  void joinAt(int v, Unions lines, BitSet goesOn) {
    Mesh mesh = topology.mesh();
    int start = mesh.edgeAt(v);
    int e = start;
    do {
      boolean isAsked = topology.uses(e) > 0 && !goesOn.get(portAt(e, v));
      int next = isAsked ? onward(e, v) : Mesh.NONE;
      if (next != Mesh.NONE) {
        // That leads back here.
        goesOn.set(portAt(e, v));
        goesOn.set(portAt(next, v));
        lines.join(e, next);
      }
      e = mesh.nextEdgeAt(v, e);
    } while (e != start);
  }

  boolean canGoOnAt(int v) {
    return topology.classOf(v) == Topology.VertexClass.INNER && topology.valence(v) == 4;
  }

  /**
   * The edge at v that shares no face corner with e; {@link Mesh#NONE} if there is none. Round the
   * vertex come e, the edge beside it, then that edge; where a face comes to the vertex twice the
   * four may hang together in another way, and none lies opposite.
   */
  private int onward(int e, int v) {
    if (!canGoOnAt(v)) {
      return Mesh.NONE;
    }
    Mesh mesh = topology.mesh();
    int c = mesh.cornerOn(e);
    int sideBeside = besideAt(c, v);
    int one = mesh.edgeOf(sideBeside);
    int other = mesh.edgeOf(besideAt(mesh.nextOnEdge(c), v));
    int found = mesh.edgeOf(besideAt(mesh.nextOnEdge(sideBeside), v));
    return one == other || found == e || found == one || found == other ? Mesh.NONE : found;
  }

  /** The other side at v of the face of a side. */
  private int besideAt(int side, int v) {
    Mesh mesh = topology.mesh();
    return mesh.vertexOf(side) == v ? mesh.previous(side) : mesh.next(side);
  }

  /** Why none runs on at a vertex. */
  End endAt(int v) {
    Cause cause =
        switch (topology.classOf(v)) {
          case BORDER -> Cause.BORDER;
          case INNER -> topology.valence(v) == 4 ? Cause.CROWDED : Cause.POLE;
          case CROWDED, APART -> Cause.CROWDED;
        };
    return new End(cause, v, topology.valence(v));
  }
}
