package fairedge.core.flow;

import fairedge.core.mesh.Mesh;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.Collection;
import java.util.Collections;
import java.util.Comparator;
import java.util.Deque;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;

/**
 * What else to choose, starting from what is chosen. Elements that are not there are left out.
 * Nothing is changed. Cost: what is found and its neighbours.
 */
public final class Choosing {
  private final Mesh mesh;

  public Choosing(Mesh mesh) {
    this.mesh = mesh;
  }

  /**
   * The edge loop through an edge, in order: straight on at vertices of valence 4; along a border
   * edge the border.
   */
  public List<Integer> loop(int e) {
    if (!mesh.hasEdge(e)) {
      return List.of();
    }
    Deque<Integer> loop = new ArrayDeque<>(List.of(e));
    boolean closed = walk(e, mesh.second(e), loop, true);
    if (!closed) {
      walk(e, mesh.first(e), loop, false);
    }
    return new ArrayList<>(new LinkedHashSet<>(loop));
  }

  /** True if it came back to e. */
  private boolean walk(int e, int towards, Deque<Integer> loop, boolean forward) {
    Set<Integer> seen = new TreeSet<>(loop);
    int at = e;
    int v = towards;
    while (true) {
      int next = mesh.uses(e) == 1 ? alongBorder(at, v) : Onward.from(mesh, at, v);
      if (next == Mesh.NONE || !seen.add(next)) {
        return next == e;
      }
      if (forward) {
        loop.addLast(next);
      } else {
        loop.addFirst(next);
      }
      v = mesh.otherEnd(next, v);
      at = next;
    }
  }

  /** The other border edge at v, where there is just one. */
  private int alongBorder(int e, int v) {
    int found = Mesh.NONE;
    for (int at : mesh.edgesAt(v)) {
      if (at != e && mesh.uses(at) == 1) {
        if (found != Mesh.NONE) {
          return Mesh.NONE;
        }
        found = at;
      }
    }
    return found;
  }

  /** The edges of the ring across an edge, in order; only the edge where there is none. */
  public List<Integer> ring(int e) {
    if (!mesh.hasEdge(e)) {
      return List.of();
    }
    Optional<Ring> ring = Ring.through(mesh, e);
    return ring.map(Ring::edges)
        .map(edges -> edges.stream().distinct().toList())
        .orElse(List.of(e));
  }

  /** The faces of the ring across an edge, in order. */
  public List<Integer> faceRing(int e) {
    return mesh.hasEdge(e)
        ? Ring.through(mesh, e).map(r -> r.quads().stream().distinct().toList()).orElse(List.of())
        : List.of();
  }

  /** Faces, and all that share an edge or a vertex with one. */
  public Set<Integer> growFaces(Collection<Integer> faces) {
    Set<Integer> grown = new TreeSet<>();
    for (int f : faces) {
      if (mesh.hasFace(f)) {
        grown.add(f);
        for (int v : mesh.vertices(f)) {
          for (int g : mesh.facesAt(v)) {
            grown.add(g);
          }
        }
      }
    }
    return grown;
  }

  /** Faces without those at whose vertices another lies, or a border. */
  public Set<Integer> shrinkFaces(Collection<Integer> faces) {
    Set<Integer> chosen = new TreeSet<>(faces);
    Set<Integer> left = new TreeSet<>();
    for (int f : chosen) {
      if (mesh.hasFace(f) && isInside(f, chosen)) {
        left.add(f);
      }
    }
    return left;
  }

  private boolean isInside(int f, Set<Integer> chosen) {
    for (int v : mesh.vertices(f)) {
      for (int g : mesh.facesAt(v)) {
        if (!chosen.contains(g)) {
          return false;
        }
      }
    }
    return true;
  }

  /** Vertices, and all that an edge joins to one. */
  public Set<Integer> growVertices(Collection<Integer> vertices) {
    Set<Integer> grown = new TreeSet<>();
    for (int v : vertices) {
      if (mesh.hasVertex(v)) {
        grown.add(v);
        for (int e : mesh.edgesAt(v)) {
          grown.add(mesh.otherEnd(e, v));
        }
      }
    }
    return grown;
  }

  /** Vertices all of whose neighbours are among them. */
  public Set<Integer> shrinkVertices(Collection<Integer> vertices) {
    Set<Integer> chosen = new TreeSet<>(vertices);
    Set<Integer> left = new TreeSet<>();
    for (int v : chosen) {
      if (mesh.hasVertex(v) && chosen.containsAll(growVertices(List.of(v)))) {
        left.add(v);
      }
    }
    return left;
  }

  /** Edges, and all that share a vertex with one. */
  public Set<Integer> growEdges(Collection<Integer> edges) {
    Set<Integer> grown = new TreeSet<>();
    for (int e : edges) {
      if (mesh.hasEdge(e)) {
        for (int v : new int[] {mesh.first(e), mesh.second(e)}) {
          for (int at : mesh.edgesAt(v)) {
            grown.add(at);
          }
        }
      }
    }
    return grown;
  }

  /** Edges all of whose neighbours are among them. */
  public Set<Integer> shrinkEdges(Collection<Integer> edges) {
    Set<Integer> chosen = new TreeSet<>(edges);
    Set<Integer> left = new TreeSet<>();
    for (int e : chosen) {
      if (mesh.hasEdge(e) && chosen.containsAll(growEdges(List.of(e)))) {
        left.add(e);
      }
    }
    return left;
  }

  /** All faces that hang together with these by edges. */
  public Set<Integer> connectedFaces(Collection<Integer> faces) {
    Spread spread = new Spread(mesh);
    faces.stream().filter(mesh::hasFace).forEach(spread::from);
    Set<Integer> connected = new TreeSet<>();
    spread.known().stream().forEach(connected::add);
    return connected;
  }

  /** All vertices that hang together with these by edges. */
  public Set<Integer> connectedVertices(Collection<Integer> vertices) {
    Set<Integer> known = new TreeSet<>();
    Deque<Integer> open = new ArrayDeque<>();
    for (int v : vertices) {
      if (mesh.hasVertex(v) && known.add(v)) {
        open.add(v);
      }
    }
    while (!open.isEmpty()) {
      int v = open.poll();
      for (int e : mesh.edgesAt(v)) {
        int w = mesh.otherEnd(e, v);
        if (known.add(w)) {
          open.add(w);
        }
      }
    }
    return known;
  }

  /**
   * What a line of edges parts off: of all that hangs together beside it, not across it, the part
   * with the fewest faces; nothing where it parts nothing. Cost: what hangs together with it.
   */
  public List<Integer> partedBy(Collection<Integer> line) {
    Set<Integer> beside = new TreeSet<>();
    for (int e : line) {
      for (int f : mesh.hasEdge(e) ? mesh.facesOn(e) : new int[0]) {
        beside.add(f);
      }
    }
    BitSet across = new BitSet();
    line.stream().filter(mesh::hasEdge).forEach(across::set);
    Spread spread = new Spread(mesh, across);
    List<int[]> parts = beside.stream().map(spread::from).filter(part -> part.length > 0).toList();
    return parts.size() < 2
        ? List.of()
        : Arrays.stream(Collections.min(parts, Comparator.comparingInt(p -> p.length)))
            .boxed()
            .toList();
  }

  /** Every second one of a loop or ring in order, the first among them. */
  public static List<Integer> everySecond(List<Integer> inOrder) {
    List<Integer> left = new ArrayList<>();
    for (int i = 0; i < inOrder.size(); i += 2) {
      left.add(inOrder.get(i));
    }
    return left;
  }
}
