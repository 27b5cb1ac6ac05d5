package fairedge.core.compare;

import static org.assertj.core.api.Assertions.assertThat;

import fairedge.core.compare.Comparison.Spot;
import fairedge.core.geometry.Tolerance;
import fairedge.core.geometry.Vec3;
import java.util.List;
import org.junit.jupiter.api.Test;

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
}
