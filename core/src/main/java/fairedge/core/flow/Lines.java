package fairedge.core.flow;

import fairedge.core.flow.EdgeLoops.Cause;
import fairedge.core.flow.EdgeLoops.End;
import fairedge.core.mesh.Mesh;
import java.util.BitSet;

/**
 * How two-sided edges run on: at an inner vertex of valence 4 to the edge that shares no face corner
 * with them. An edge's port is 2e at its first vertex, 2e + 1 at the other. As the topology is.
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
      int next = topology.uses(e) > 0 ? onward(e, v) : Mesh.NONE;
      if (next != Mesh.NONE) {
        goesOn.set(portAt(e, v));
        if (e < next) {
          lines.join(e, next);
        }
      }
      e = mesh.nextEdgeAt(v, e);
    } while (e != start);
  }

  boolean canGoOnAt(int v) {
    return topology.classOf(v) == Topology.VertexClass.INNER && topology.valence(v) == 4;
  }

  /**
   * The edge opposite e at v, to which e lies opposite as well (where a face comes to the vertex
   * twice that need not be so); or {@link Mesh#NONE}.
   */
  private int onward(int e, int v) {
    if (!canGoOnAt(v)) {
      return Mesh.NONE;
    }
    int found = opposite(e, v);
    return found != Mesh.NONE && opposite(found, v) == e ? found : Mesh.NONE;
  }

  /** The one edge at v that shares no face corner with e, if there is just one. */
  private int opposite(int e, int v) {
    Mesh mesh = topology.mesh();
    int c = mesh.cornerOn(e);
    int one = besideAt(c, v);
    int other = besideAt(mesh.nextOnEdge(c), v);
    int found = Mesh.NONE;
    int at = mesh.edgeAt(v);
    do {
      if (at != e && at != one && at != other && topology.uses(at) > 0) {
        if (found != Mesh.NONE) {
          return Mesh.NONE;
        }
        found = at;
      }
      at = mesh.nextEdgeAt(v, at);
    } while (at != mesh.edgeAt(v));
    return found;
  }

  /** The other edge at v of the face whose side leaves corner c. */
  private int besideAt(int c, int v) {
    Mesh mesh = topology.mesh();
    return mesh.vertexOf(c) == v ? mesh.edgeOf(mesh.previous(c)) : mesh.edgeOf(mesh.next(c));
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
