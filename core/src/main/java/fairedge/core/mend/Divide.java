package fairedge.core.mend;

import fairedge.core.fill.QuadParts;
import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;
import fairedge.core.step.Change;
import fairedge.core.step.Tidying;
import fairedge.core.work.Scope;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;

/**
 * A face with an even number of sides divided into quads: by the valences it leaves, then by its
 * corners.
 */
final class Divide {
  private Divide() {}

  /**
   * One way, by the vertices its chords join.
   *
   * @param cost 4 for each step of a valence away from 4, less as much for one towards it
   * @param poles that come, less those that go; where the form bends most each counts twice
   * @param off by how much the corners are from right angles, all together
   */
  record Parts(List<int[]> chords, int cost, int poles, double off) {
    /** As mends are put in order. */
    static final Comparator<Parts> LEAST_FIRST =
        Comparator.comparingInt(Parts::poles).thenComparingDouble(Parts::off);

    List<Change> changes() {
      return chords.stream()
          .<Change>map(chord -> new Tidying.ConnectChange(List.of(chord[0], chord[1]), Scope.WHOLE))
          .toList();
    }
  }

  /**
   * All ways of a face, the best first.
   *
   * @param price of edges more at its corners
   */
  static List<Parts> all(Mesh mesh, int f, Price price) {
    int[] ring = mesh.vertices(f);
    if (!mesh.isMeasurable(f)) {
      return List.of();
    }
    return QuadParts.all(
            Arrays.stream(ring).mapToObj(mesh::position).toArray(Vec3[]::new),
            mesh.polygon(f).newell(),
            (i, k) -> mesh.findEdge(ring[i], ring[k]))
        .stream()
        .map(way -> parts(ring, way, price))
        .sorted(Comparator.comparingInt(Parts::cost))
        .toList();
  }

  private static Parts parts(int[] ring, QuadParts.Way way, Price price) {
    List<int[]> chords =
        way.chords().stream().map(c -> new int[] {ring[c.from()], ring[c.to()]}).toList();
    int[] more = chords.stream().flatMapToInt(Arrays::stream).toArray();
    return new Parts(
        chords, price.of(IntStream.of(more)), price.poles(IntStream.of(more)), way.off());
  }
}
