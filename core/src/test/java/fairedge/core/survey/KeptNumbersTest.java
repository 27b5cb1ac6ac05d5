package fairedge.core.survey;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fairedge.core.geometry.Polygon;
import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.ElementSet;
import fairedge.core.mesh.IdSet;
import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.MeshBuilder;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Objects;
import java.util.Random;
import org.junit.jupiter.api.Test;

/** What is kept beside an inspection, so that the next one costs little. */
class KeptNumbersTest {
  @Test
  void rankedNumber_isThatOfAllInOrder_whileSomeComeAndGo() {
    Random random = new Random(7);
    List<Double> all = new ArrayList<>();
    for (int i = 0; i < 500; i++) {
      all.add((double) random.nextInt(100));
    }
    Ranked ranked = new Ranked(all.stream().mapToDouble(Double::doubleValue).toArray());
    for (int round = 0; round < 30_000; round++) {
      if (random.nextInt(3) == 0 && !all.isEmpty()) {
        ranked.remove(all.remove(random.nextInt(all.size())));
      } else {
        double number = random.nextInt(100);
        all.add(number);
        ranked.add(number);
      }
      if (round % 500 == 0) {
        double[] sorted = all.stream().mapToDouble(Double::doubleValue).sorted().toArray();
        assertThat(ranked.at(0.9)).isEqualTo(sorted[(int) (0.9 * sorted.length)]);
      }
    }
    assertThat(new Ranked(new double[] {Double.NaN}).at(0.9)).isInfinite();
  }

  @Test
  void sums_afterUpdates_areThoseOfAll_toTheLastBit() {
    double[] values = new Random(3).doubles(5000).toArray();
    double[] more = Arrays.copyOf(values, 9000);
    Sums<double[]> kept = sumsOf(5000, more);
    Random random = new Random(4);
    for (int round = 0; round < 200; round++) {
      int[] ids = random.ints(3, 0, 45 * round + 10).map(i -> Math.min(i, 8999)).sorted().toArray();
      for (int id : ids) {
        more[id] = random.nextDouble();
      }
      kept.update(ids);
      assertThat(kept.total()[0]).isEqualTo(sumsOf(9000, more).total()[0]);
    }
  }

  private static Sums<double[]> sumsOf(int end, double[] values) {
    return new Sums<>(
        end,
        () -> new double[1],
        (from, to, sum) -> {
          for (int id = from; id < Math.min(to, values.length); id++) {
            sum[0] += values[id];
          }
        },
        (sum, other) -> sum[0] += other[0]);
  }

  @Test
  void betweenTwoStates_liesWhatWasTouchedOnTheWay_andNoMore() {
    Moves moves = new Moves();
    int step = moves.move(0, touching(1));
    int tried = moves.move(step, touching(2));
    assertThat(facesSince(moves, tried, 9)).containsExactly(9);
    // Tried, taken back, and made otherwise.
    assertThat(facesSince(moves, step, 3)).containsExactly(2, 3);
    int made = moves.move(step, touching(3));
    assertThat(facesSince(moves, tried, 4)).containsExactly(2, 3, 4);
    assertThat(facesSince(moves, 0, 5)).containsExactly(1, 3, 5);
    for (int i = 0; i < 2000; i++) {
      moves.move(made, touching(100 + i));
    }
    assertThat(facesSince(moves, made, 6)).containsExactly(6, 2099);
    assertThat(moves.since(tried, touching(7))).as("long ago").isNull();
  }

  private static int[] facesSince(Moves moves, int state, int face) {
    return Objects.requireNonNull(moves.since(state, touching(face))).faces();
  }

  private static Moves.Touched touching(int face) {
    ElementSet touched = new ElementSet();
    touched.faces().set(face);
    return Moves.Touched.of(touched);
  }

  @Test
  void idSet_holdsWhatWasAdded_inOrder() {
    IdSet set = new IdSet();
    assertThat(set.add(70_000_000)).isTrue();
    for (int i = 0; i < 1000; i++) {
      set.add(i * 64);
    }
    assertThat(set.add(70_000_000)).isFalse();
    assertThat(set.count()).isEqualTo(1001);
    assertThat(set.has(640)).isTrue();
    assertThat(set.has(641)).isFalse();
    assertThat(set.sorted()).isSorted().startsWith(0, 64).endsWith(70_000_000);
  }

  @Test
  void quad_hasTheMeasuresOfItsPolygon() {
    Random random = new Random(11);
    Quad quad = new Quad();
    for (int round = 0; round < 2000; round++) {
      MeshBuilder builder = new MeshBuilder();
      for (int i = 0; i < 4; i++) {
        builder.vertex(
            (i == 1 || i == 2 ? 1 : 0) + 0.7 * random.nextDouble(),
            (i > 1 ? 1 : 0) + 0.7 * random.nextDouble(),
            0.5 * random.nextDouble());
      }
      builder.face(0, 1, 2, 3);
      Mesh mesh = builder.build();
      Polygon shape = mesh.polygon(0);
      quad.read(mesh, 0);
      assertThat(new Vec3(quad.frontX(), quad.frontY(), quad.frontZ()).distance(shape.newell()))
          .isLessThan(1e-15);
      assertThat(quad.area()).isCloseTo(shape.area(), within(1e-14));
      assertThat(quad.aspect()).isEqualTo(shape.aspect());
      assertThat(quad.slenderness()).isCloseTo(shape.slenderness(), within(1e-14));
      assertThat(quad.meanSide()).isCloseTo(shape.meanSide(), within(1e-14));
      double[] turns = shape.inPlaneTurns();
      assertThat(quad.turns()).containsExactly(turns, within(1e-11));
      assertThat(quad.warp()).isCloseTo(shape.warp(turns), within(1e-10));
    }
  }
}
