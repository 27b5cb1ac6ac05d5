package fairedge.core.insight;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.Random;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class InsightTest {
  @Test
  void progress_isToldByWhatCame_thenByWhatIsAsked() {
    assertThat(Progress.of(Progress.Last.WAITS, true, true, true)).isEqualTo(Progress.HANDED_IN);
    assertThat(Progress.of(Progress.Last.TRY_AGAIN, false, true, true))
        .isEqualTo(Progress.TRY_AGAIN);
    assertThat(Progress.of(Progress.Last.ACCEPTED, true, false, false))
        .isEqualTo(Progress.ACCEPTED);
    assertThat(Progress.of(null, true, true, true)).isEqualTo(Progress.EXCUSED);
    assertThat(Progress.of(null, false, true, true)).isEqualTo(Progress.LATE);
    assertThat(Progress.of(null, false, true, false)).isEqualTo(Progress.BEGUN);
    assertThat(Progress.of(null, false, false, false)).isEqualTo(Progress.NOT_BEGUN);
  }

  @Test
  void skill_isShownByWhatWasCounted_orNotAtAll() {
    Skill.Shown all = new Skill.Shown(8, 6, 0.5, 0.25, 12, 3);
    assertThat(Skill.QUADS.of(all)).hasValue(0.75);
    assertThat(Skill.COMPLETE_LOOPS.of(all)).hasValue(0.5);
    assertThat(Skill.LINES_MET.of(all)).hasValue(0.25);
    assertThat(Skill.HELD_EDGES.of(all)).hasValue(0.25);
    Skill.Shown nothing = new Skill.Shown(0, 0, 0, null, null, null);
    for (Skill skill : Skill.values()) {
      assertThat(skill.of(nothing)).isEmpty();
    }
    assertThat(Skill.HELD_EDGES.of(new Skill.Shown(8, 6, 0.5, null, 0, 0))).isEmpty();
  }

  /** From the tables that every textbook has. */
  @ParameterizedTest
  @CsvSource({
    "1, 12.706",
    "2, 4.303",
    "3, 3.182",
    "4, 2.776",
    "5, 2.571",
    "9, 2.262",
    "17, 2.110",
    "29, 2.045",
    "120, 1.980"
  })
  void student_isAsInTheTables(int freedom, double expected) {
    assertThat(Estimate.student(freedom)).isCloseTo(expected, within(0.012 * expected));
  }

  @Test
  void meanOfFewShares_saysSo_andOfOneSaysNothing() {
    Estimate one = Estimate.ofMean(new double[] {0.4});
    assertThat(one).isEqualTo(new Estimate(1, 0.4, 0, 1));
    Estimate three = Estimate.ofMean(new double[] {0.5, 0.6, 0.7});
    assertThat(three.mean()).isCloseTo(0.6, within(1e-12));
    // 4.303 times 0.1 by the root of three.
    assertThat(three.high() - three.mean()).isCloseTo(0.2484, within(1e-3));
    assertThat(three.isFew()).isTrue();
    assertThat(Estimate.ofMean(new double[] {1, 1, 1, 1, 1})).isEqualTo(new Estimate(5, 1, 1, 1));
    assertThatIllegalArgumentException().isThrownBy(() -> Estimate.ofMean(new double[0]));
  }

  @Test
  void intervalOfTheMean_holdsTheTruth_in19Of20Cases() {
    Random random = new Random(5);
    int held = 0;
    for (int i = 0; i < 4000; i++) {
      double[] shares =
          IntStream.range(0, 8)
              .mapToDouble(k -> Math.clamp(0.5 + 0.1 * random.nextGaussian(), 0, 1))
              .toArray();
      Estimate e = Estimate.ofMean(shares);
      if (e.low() <= 0.5 && 0.5 <= e.high()) {
        held++;
      }
    }
    assertThat(held / 4000.0).isBetween(0.935, 0.965);
  }

  @Test
  void share_hasWilsonsInterval() {
    // Newcombe, "Two-sided confidence intervals for the single proportion", 1998: 81 of 263.
    Estimate e = Estimate.ofShare(81, 263);
    assertThat(e.low()).isCloseTo(0.2553, within(5e-5));
    assertThat(e.high()).isCloseTo(0.3662, within(5e-5));
    assertThat(Estimate.ofShare(0, 20).high()).isCloseTo(0.1611, within(5e-5));
    assertThat(Estimate.ofShare(5, 5).high()).isEqualTo(1);
    assertThatIllegalArgumentException().isThrownBy(() -> Estimate.ofShare(3, 2));
  }

  private static Trend trend(double... values) {
    return Trend.of(values);
  }

  @Test
  void trendOfFewValues_isTheShareOfOrdersThatShowAsMuch() {
    assertThat(trend(1, 2, 3, 4, 5).chance()).isCloseTo(2.0 / 120, within(1e-12));
    assertThat(trend(1, 2, 3, 4).chance()).isCloseTo(2.0 / 24, within(1e-12));
    assertThat(trend(1, 3, 2, 4).chance()).isCloseTo(8.0 / 24, within(1e-12));
    assertThat(trend(2, 1, 4, 3).way()).isEqualTo(1);
    assertThat(trend().chance()).isEqualTo(1);
  }

  @Test
  void trend_saysHowSureItIs() {
    assertThat(trend(1, 2, 3).word()).isEqualTo(Trend.Word.TOO_FEW);
    assertThat(trend(1, 2, 3, 4).word()).isEqualTo(Trend.Word.LIKELY_RISES);
    assertThat(trend(1, 2, 3, 4, 5).word()).isEqualTo(Trend.Word.RISES);
    assertThat(trend(5, 4, 3, 2, 1).word()).isEqualTo(Trend.Word.FALLS);
    assertThat(trend(1, 5, 2, 4, 3).word()).isEqualTo(Trend.Word.NO_CLEAR_WAY);
    assertThat(trend(1, 1, 1, 1, 1, 1).word()).isEqualTo(Trend.Word.NO_CLEAR_WAY);
    assertThat(trend(9, 8, 7, 5).word()).isEqualTo(Trend.Word.LIKELY_FALLS);
  }

  @Test
  void trendOfManyValues_isAsSureByEitherWay() {
    Random random = new Random(3);
    for (int i = 0; i < 20; i++) {
      double[] values = random.doubles(30).toArray();
      double[] withOneMore = Arrays.copyOf(values, 31);
      // As many are larger as are smaller: it says nothing of which way they go.
      double[] sorted = Arrays.stream(values).sorted().toArray();
      withOneMore[30] = 0.5 * (sorted[14] + sorted[15]);
      assertThat(Trend.of(withOneMore).chance()).isCloseTo(Trend.of(values).chance(), within(0.03));
    }
    double[] tied = {1, 2, 2, 3, 3, 3, 4, 4, 5, 6};
    // By hand: S = 40, its variance is 119.33, z = 39 / 10.92 = 3.570.
    assertThat(Trend.of(tied).chance()).isCloseTo(0.000357, within(2e-5));
  }
}
