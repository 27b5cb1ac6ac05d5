package fairedge.core.flow;

import fairedge.core.mesh.Mesh;
import java.util.ArrayList;
import java.util.List;
import java.util.function.IntConsumer;

/**
 * The parts of a mesh: faces joined through shared edges, with any number of uses.
 *
 * @param parts by their lowest face
 * @param byVertices how many there are where a shared vertex joins too
 */
public record Parts(List<Part> parts, int byVertices) {
  /**
   * One part.
   *
   * @param faces its faces, by id
   * @param euler vertices, each counted once for each fan, less edges, plus faces
   * @param borderLoops as {@link Borders} counts them
   * @param closed no border and no crowded edge
   * @param orientable all pieces of it are
   * @param crowded whether it has a crowded edge; then it has no genus
   */
  public record Part(
      int[] faces,
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

  /** Cost: the mesh, nearly linear. */
  public static Parts of(Topology topology, Borders borders, Orientation orientation) {
    return new Count(topology).parts(borders, orientation);
  }

  private static final class Count {
    private final Topology topology;
    private final Mesh mesh;
    private final Unions byEdge;
    private final Unions byVertex;

    Count(Topology topology) {
      this.topology = topology;
      this.mesh = topology.mesh();
      this.byEdge = new Unions(mesh.faceEnd());
      this.byVertex = new Unions(mesh.faceEnd());
      int[] faceAt = new int[mesh.vertexEnd()];
      forEachFace(f -> {
        int c = mesh.firstCorner(f);
        for (int i = mesh.size(f); i > 0; i--) {
          byEdge.join(f, mesh.faceOf(mesh.cornerOn(mesh.edgeOf(c))));
          int v = mesh.vertexOf(c);
          if (faceAt[v] != 0) {
            byVertex.join(f, faceAt[v] - 1);
          }
          faceAt[v] = f + 1;
          c = mesh.next(c);
        }
      });
    }

    private void forEachFace(IntConsumer visit) {
      for (int f = 0; f < mesh.faceEnd(); f++) {
        if (mesh.hasFace(f)) {
          visit.accept(f);
        }
      }
    }

    Parts parts(Borders borders, Orientation orientation) {
      int[] number = new int[mesh.faceEnd()];
      int[] sizes = new int[mesh.faceEnd()];
      int[] counts = new int[2];
      forEachFace(f -> {
        int root = byEdge.rootOf(f);
        if (root == f) {
          number[f] = counts[0]++;
        }
        sizes[number[root]]++;
        counts[1] += byVertex.rootOf(f) == f ? 1 : 0;
      });
      Tally[] tallies = new Tally[counts[0]];
      for (int i = 0; i < tallies.length; i++) {
        tallies[i] = new Tally(sizes[i]);
      }
      forEachFace(f -> tallies[number[byEdge.rootOf(f)]].add(f));
      for (int[] loop : borders.loops()) {
        int f = mesh.faceOf(mesh.cornerOn(loop[0]));
        tallies[number[byEdge.rootOf(f)]].loops++;
      }
      for (int[] twisted : orientation.twisted()) {
        tallies[number[byEdge.rootOf(twisted[0])]].orientable = false;
      }
      List<Part> parts = new ArrayList<>();
      for (Tally tally : tallies) {
        parts.add(tally.part());
      }
      return new Parts(parts, counts[1]);
    }

    private final class Tally {
      private final int[] faces;
      private int filled;
      private int euler;
      private int loops;
      private boolean border;
      private boolean crowded;
      private boolean orientable = true;

      Tally(int size) {
        faces = new int[size];
      }

      void add(int f) {
        faces[filled++] = f;
        euler++;
        int c = mesh.firstCorner(f);
        for (int i = mesh.size(f); i > 0; i--) {
          int e = mesh.edgeOf(c);
          // Each edge counts at its first side, each fan at its own corner.
          euler -= mesh.cornerOn(e) == c ? 1 : 0;
          euler += topology.fanOf(c) == c ? 1 : 0;
          border |= topology.uses(e) == 1;
          crowded |= topology.uses(e) == 3;
          c = mesh.next(c);
        }
      }

      Part part() {
        return new Part(faces, euler, loops, !border && !crowded, orientable, crowded);
      }
    }
  }
}
