package fairedge.core.compare;

import static org.assertj.core.api.Assertions.assertThat;

import fairedge.core.compare.Comparison.Spot;
import fairedge.core.geometry.Tolerance;
import fairedge.core.geometry.Vec3;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;

class ComparisonTest {
  private static final Tolerance TOLERANCE = new Tolerance(100);

  private static Spot at(String kind, double x) {
    return new Spot(kind, new Vec3(x, 0, 0), 2);
  }

  private static Comparison compare(List<Spot> before, List<Spot> now) {
    return Comparison.of(before, now, TOLERANCE);
  }

  @Test
  void findings_matchByKindAndPlace_neverByNumber() {
    Comparison c =
        compare(
            List.of(at("ngon", 0), at("triangle", 50), at("ngon", 80)),
            List.of(at("ngon", 79), at("ngon", 50), at("ngon", 0.5)));
    assertThat(c.match()).containsExactly(2, -1, 0);
    assertThat(c.gone()).containsExactly(1);
    assertThat(c.stillThere()).isEqualTo(2);
    assertThat(c.fresh()).isEqualTo(1);
  }

  @Test
  void nearestPairsGoFirst_andEachFindingOnce() {
    Comparison c = compare(List.of(at("ngon", 0), at("ngon", 3)), List.of(at("ngon", 2.5)));
    assertThat(c.match()).containsExactly(1);
    assertThat(c.gone()).containsExactly(0);
  }

  @Test
  void reach_isTwiceTheMeanEdge_orOnePercentOfTheScale_whicheverIsMore() {
    assertThat(compare(List.of(at("ngon", 0)), List.of(at("ngon", 4))).stillThere()).isEqualTo(1);
    assertThat(compare(List.of(at("ngon", 0)), List.of(at("ngon", 4.01))).stillThere()).isZero();
    List<Spot> small = List.of(new Spot("double", Vec3.ZERO, 0.01));
    List<Spot> near = List.of(new Spot("double", new Vec3(1, 0, 0), 0.01));
    List<Spot> far = List.of(new Spot("double", new Vec3(1.01, 0, 0), 0.01));
    assertThat(compare(small, near).stillThere()).isEqualTo(1);
    assertThat(compare(small, far).stillThere()).isZero();
  }

  @Test
  void nothing_againstNothing() {
    assertThat(compare(List.of(), List.of()).match()).isEmpty();
    assertThat(compare(List.of(at("ngon", 0)), List.of()).gone()).containsExactly(0);
  }

  /** As the words say it: all pairs that are near, the nearest first, ties by order. */
  private static int[] byAllPairs(List<Spot> before, List<Spot> now) {
    record Pair(int before, int now, double distance) {}
    List<Pair> pairs = new ArrayList<>();
    for (int i = 0; i < before.size(); i++) {
      for (int j = 0; j < now.size(); j++) {
        Spot a = before.get(i);
        Spot b = now.get(j);
        double distance = a.place().distance(b.place());
        double near = Math.max(2 * Math.max(a.reach(), b.reach()), TOLERANCE.samePlace());
        if (a.kind().equals(b.kind()) && distance <= near) {
          pairs.add(new Pair(i, j, distance));
        }
      }
    }
    pairs.sort(
        Comparator.comparingDouble(Pair::distance)
            .thenComparingInt(Pair::before)
            .thenComparingInt(Pair::now));
    int[] match = new int[now.size()];
    Arrays.fill(match, -1);
    BitSet taken = new BitSet();
    for (Pair pair : pairs) {
      if (match[pair.now()] == -1 && !taken.get(pair.before())) {
        taken.set(pair.before());
        match[pair.now()] = pair.before();
      }
    }
    return match;
  }

  private static List<Spot> scattered(Random random, int count) {
    List<Spot> spots = new ArrayList<>();
    for (int i = 0; i < count; i++) {
      // Round coordinates, so that many lie in one place and equally near to others.
      Vec3 place =
          new Vec3(random.nextInt(12), random.nextInt(12), random.nextInt(2))
              .times(random.nextInt(10) == 0 ? Math.E : 1);
      spots.add(
          new Spot(
              random.nextBoolean() ? "ngon" : "pole",
              i % 50 == 7 ? new Vec3(Double.NaN, 0, 0) : place,
              random.nextInt(8) == 0 ? 5 : 0.3));
    }
    return spots;
  }

  @Test
  void crowds_matchAsAllPairsWould() {
    for (int seed = 0; seed < 60; seed++) {
      Random random = new Random(seed);
      List<Spot> before = scattered(random, random.nextInt(160));
      List<Spot> now = scattered(random, random.nextInt(160));
      assertThat(compare(before, now).match().stream().mapToInt(m -> m).toArray())
          .as("seed %d", seed)
          .containsExactly(byAllPairs(before, now));
    }
  }

  @Test
  @Timeout(60)
  void hundredThousandFindings_eachNearToThousands_matchInLittleMemory() {
    Random random = new Random(3);
    List<Spot> before = new ArrayList<>();
    for (int i = 0; i < 100_000; i++) {
      // Each is near to all that lie within a tenth of the whole.
      before.add(new Spot("triangle", new Vec3(random.nextDouble(), random.nextDouble(), 0), 0.05));
    }
    List<Spot> now = new ArrayList<>(before);
    Collections.shuffle(now, random);
    Comparison c = compare(before, now.subList(0, 90_000));
    assertThat(c.stillThere()).isEqualTo(90_000);
    assertThat(c.gone()).hasSize(10_000);
    assertThat(before.get(c.match().get(77)).place()).isEqualTo(now.get(77).place());
    List<Spot> inOnePlace = Collections.nCopies(100_000, new Spot("pole", Vec3.ZERO, 1));
    assertThat(compare(inOnePlace, inOnePlace).match().get(99_999)).isEqualTo(99_999);
  }
}
