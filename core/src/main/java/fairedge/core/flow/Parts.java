package fairedge.core.flow;

import fairedge.core.mesh.Mesh;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * The parts of a mesh: faces joined through shared edges, with any number of uses. Cost to make:
 * the mesh, nearly linear.
 */
public final class Parts {
  /**
   * One part.
   *
   * @param number by which {@link #partOf} calls it
   * @param first its lowest face
   * @param faces how many it has
   * @param euler vertices, each counted once for each fan, less edges, plus faces
   * @param borderLoops as {@link Borders} counts them
   * @param closed no border and no crowded edge
   * @param orientable all pieces of it are
   * @param crowded whether it has a crowded edge; then it has no genus
   */
  public record Part(
      int number,
      int first,
      int faces,
      int euler,
      int borderLoops,
      boolean closed,
      boolean orientable,
      boolean crowded) {
    /**
     * (2 - euler - loops) / 2, or without the half if not orientable. Precondition: not crowded.
     */
    public int genus() {
      int handles = 2 - euler - borderLoops;
      return orientable ? handles / 2 : handles;
    }
  }

  private static final class Tally {
    private int first;
    private int faces;
    private int euler;
    private int borderEdges;
    private int crowdedEdges;
  }

  /** Of an edge with more uses not all are followed: parts may have to be made anew for it. */
  private static final int MOST_USES = 64;

  private Mesh mesh;
  private final Topology topology;
  private final List<Tally> tallies = new ArrayList<>();
  private int[] partOf;
  private Totals totals;

  /** What the whole mesh has: where one part alone is touched, it changes by what these do. */
  private record Totals(int fans, int edges, int borderEdges, int crowdedEdges) {
    static Totals of(Topology topology) {
      return new Totals(
          topology.fanCount(),
          topology.edgesWith(1) + topology.edgesWith(2) + topology.edgesWith(3),
          topology.edgesWith(1),
          topology.edgesWith(3));
    }
  }

  public Parts(Topology topology) {
    this.topology = topology;
    this.mesh = topology.mesh();
    this.partOf = new int[mesh.faceEnd()];
    this.totals = Totals.of(topology);
    Unions joined = new Unions(mesh.faceEnd());
    for (int e = 0; e < mesh.edgeEnd(); e++) {
      if (topology.uses(e) > 1) {
        int start = mesh.cornerOn(e);
        for (int c = mesh.nextOnEdge(start); c != start; c = mesh.nextOnEdge(c)) {
          joined.join(mesh.faceOf(start), mesh.faceOf(c));
        }
      }
    }
    for (int f = 0; f < partOf.length; f++) {
      partOf[f] = mesh.hasFace(f) ? numberOf(f, joined.rootOf(f)) : Mesh.NONE;
    }
    for (int e = 0; e < mesh.edgeEnd(); e++) {
      if (topology.uses(e) > 0) {
        addEdge(e);
      }
    }
    for (int v = 0; v < mesh.vertexEnd(); v++) {
      addFans(v);
    }
  }

  /** Of a face that comes after the lowest of its part, or is it. */
  private int numberOf(int f, int lowest) {
    if (f == lowest) {
      Tally tally = new Tally();
      tally.first = f;
      tallies.add(tally);
    }
    int part = f == lowest ? tallies.size() - 1 : partOf[lowest];
    tallies.get(part).faces++;
    tallies.get(part).euler++;
    return part;
  }

  private void addEdge(int e) {
    Tally tally = tallies.get(partOf[mesh.faceOf(mesh.cornerOn(e))]);
    tally.euler--;
    tally.borderEdges += topology.uses(e) == 1 ? 1 : 0;
    tally.crowdedEdges += topology.uses(e) == 3 ? 1 : 0;
  }

  private void addFans(int v) {
    if (topology.fans(v) == 1) {
      tallies.get(partOf[aFaceAt(v)]).euler++;
    } else if (topology.fans(v) > 1) {
      for (int fan : Fans.at(mesh, v).each()) {
        tallies.get(partOf[mesh.faceOf(fan)]).euler++;
      }
    }
  }

  private int aFaceAt(int v) {
    int e = mesh.edgeAt(v);
    while (mesh.cornerOn(e) == Mesh.NONE) {
      e = mesh.nextEdgeAt(v, e);
    }
    return mesh.faceOf(mesh.cornerOn(e));
  }

  /**
   * After a change of the mesh of which the topology was told: if all that was touched is of one
   * part and hangs together still, so does the part. Cost: what was touched.
   *
   * @param faces those that were made, freed or altered
   * @param around all faces at their vertices, by id
   * @return whether it is up to date; else it is to be made anew
   */
  public boolean update(Mesh now, int[] faces, int[] around) {
    mesh = now;
    int part = Mesh.NONE;
    for (int[] some : new int[][] {faces, around}) {
      for (int f : some) {
        int own = partOf(f);
        if (own != Mesh.NONE && part != Mesh.NONE && own != part) {
          return false;
        }
        part = own == Mesh.NONE ? part : own;
      }
    }
    if (part == Mesh.NONE || !hangTogether(around)) {
      return faces.length == 0 && around.length == 0;
    }
    Tally tally = tallies.get(part);
    int before = tally.faces;
    for (int f : faces) {
      put(f, part, tally);
    }
    if (tally.faces == 0) {
      return false;
    }
    Totals is = Totals.of(topology);
    tally.euler += is.fans - totals.fans - (is.edges - totals.edges) + tally.faces - before;
    tally.borderEdges += is.borderEdges - totals.borderEdges;
    tally.crowdedEdges += is.crowdedEdges - totals.crowdedEdges;
    totals = is;
    while (partOf[tally.first] != part) {
      tally.first++;
    }
    return true;
  }

  private void put(int f, int part, Tally tally) {
    if (f >= partOf.length) {
      int known = partOf.length;
      partOf = Arrays.copyOf(partOf, Topology.roomFor(f + 1));
      Arrays.fill(partOf, known, partOf.length, Mesh.NONE);
    }
    tally.faces -= partOf[f] == Mesh.NONE ? 0 : 1;
    partOf[f] = mesh.hasFace(f) ? part : Mesh.NONE;
    tally.faces += partOf[f] == Mesh.NONE ? 0 : 1;
    tally.first = mesh.hasFace(f) ? Math.min(tally.first, f) : tally.first;
  }

  /** Whether faces are joined through edges that they share. */
  private boolean hangTogether(int[] faces) {
    Unions joined = new Unions(faces.length);
    int groups = faces.length;
    for (int i = 0; i < faces.length; i++) {
      int c = mesh.firstCorner(faces[i]);
      for (int k = mesh.size(faces[i]); k > 0; k--) {
        int left = MOST_USES;
        for (int d = mesh.nextOnEdge(c); d != c && left-- > 0; d = mesh.nextOnEdge(d)) {
          int other = Arrays.binarySearch(faces, mesh.faceOf(d));
          if (other >= 0 && joined.rootOf(i) != joined.rootOf(other)) {
            joined.join(i, other);
            groups--;
          }
        }
        c = mesh.next(c);
      }
    }
    return groups == 1;
  }

  /** The number of the part that a face is in; {@link Mesh#NONE} where there is no face. */
  public int partOf(int f) {
    return f < partOf.length ? partOf[f] : Mesh.NONE;
  }

  public int count() {
    return tallies.size();
  }

  public boolean isCrowded() {
    return topology.edgesWith(3) > 0;
  }

  /** Whether a part has neither border nor crowded edge. */
  public boolean isClosed(int part) {
    return tallies.get(part).borderEdges == 0 && tallies.get(part).crowdedEdges == 0;
  }

  /** The parts, by their lowest face. Cost: the parts and the loops. */
  public List<Part> all(Borders borders, Orientation orientation) {
    int[] loops = new int[count()];
    for (int[] loop : borders.loops()) {
      loops[partOf[mesh.faceOf(mesh.cornerOn(loop[0]))]]++;
    }
    boolean[] twisted = new boolean[count()];
    for (int[] faces : orientation.twisted()) {
      twisted[partOf[faces[0]]] = true;
    }
    List<Part> parts = new ArrayList<>();
    for (int i = 0; i < count(); i++) {
      Tally t = tallies.get(i);
      parts.add(
          new Part(
              i,
              t.first,
              t.faces,
              t.euler,
              loops[i],
              isClosed(i),
              !twisted[i],
              t.crowdedEdges > 0));
    }
    parts.sort((a, b) -> Integer.compare(a.first(), b.first()));
    return parts;
  }

  /** The faces of some parts, by id. Cost: all faces. */
  public List<int[]> facesOf(List<Part> some) {
    int[][] faces = new int[count()][];
    int[] filled = new int[count()];
    some.forEach(part -> faces[part.number()] = new int[part.faces()]);
    for (int f = 0; f < partOf.length && !some.isEmpty(); f++) {
      int part = partOf[f];
      if (part != Mesh.NONE && faces[part] != null) {
        faces[part][filled[part]++] = f;
      }
    }
    return some.stream().map(part -> faces[part.number()]).toList();
  }

  /** How many parts there are where a shared vertex joins too. Cost: the parts and the bow-ties. */
  public int countByVertices() {
    Unions joined = new Unions(count());
    int groups = count();
    for (int v : topology.bowTies().stream().toArray()) {
      int first = partOf[aFaceAt(v)];
      for (int fan : Fans.at(mesh, v).each()) {
        int part = partOf[mesh.faceOf(fan)];
        groups -= joined.rootOf(part) == joined.rootOf(first) ? 0 : 1;
        joined.join(part, first);
      }
    }
    return groups;
  }
}
