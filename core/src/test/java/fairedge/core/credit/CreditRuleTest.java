package fairedge.core.credit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import fairedge.core.credit.Attempts.Answered;
import fairedge.core.credit.CreditRule.Counts;
import fairedge.core.credit.Credits.Why;
import fairedge.core.credit.Criterion.ByEye;
import fairedge.core.credit.Criterion.ByFindings;
import fairedge.core.credit.Criterion.ByMeasure;
import fairedge.core.credit.Criterion.Word;
import fairedge.core.geometry.Tolerance;
import fairedge.core.inspect.Inspector;
import fairedge.core.inspect.Met;
import fairedge.core.inspect.Profile;
import fairedge.core.inspect.Report;
import fairedge.core.inspect.Severity;
import fairedge.core.inspect.finding.Kind;
import fairedge.core.mesh.Mesh;
import fairedge.core.props.HarbourProps;
import java.math.BigDecimal;
import java.time.Instant;
import java.time.ZoneId;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class CreditRuleTest {
  private static final ByFindings SIDES =
      new ByFindings(
          "Quads everywhere",
          credits("4"),
          credits("1"),
          credits("0.5"),
          Set.of(Kind.NGON, Kind.TRIANGLE));
  private static final ByEye FORM =
      new ByEye(
          "Holds its form",
          credits("3"),
          List.of(
              new Word("slack", credits("0")),
              new Word("in places", credits("1")),
              new Word("crisp", credits("3"))));

  private static BigDecimal credits(String number) {
    return new BigDecimal(number);
  }

  private static Tally tally(int must, int should, int remarks) {
    return new Tally(
        Map.of(
            Kind.NGON, Map.of(Severity.MUST, must, Severity.REMARK, remarks),
            Kind.TRIANGLE, Map.of(Severity.SHOULD, should),
            Kind.SEAM, Map.of(Severity.MUST, 7)),
        200,
        180,
        0.78,
        150,
        new Met(0.75, 0.4));
  }

  private static CreditRule rule(String step, Criterion... criteria) {
    return new CreditRule(List.of(criteria), credits(step), credits("1"), Counts.BEST);
  }

  private static String total(CreditRule rule, Tally tally, int daysLate) {
    return rule.of(tally, Judged.NOT_YET, daysLate).total().toPlainString();
  }

  @ParameterizedTest
  @CsvSource({
    "0, 0, 0, 4",
    "1, 0, 0, 3",
    "1, 1, 0, 2.5",
    "0, 3, 9, 2.5",
    "4, 0, 0, 0",
    "100, 100, 0, 0"
  })
  void findings_takeOff_neverBelowNothing_andOthersTakeNothing(
      int must, int should, int remarks, String gets) {
    Credits found = rule("0.5", SIDES).of(tally(must, should, remarks), Judged.NOT_YET, 0);
    assertThat(found.total()).isEqualByComparingTo(gets);
    assertThat(found.of()).isEqualByComparingTo("4");
    assertThat(found.lines().getFirst().why()).isEqualTo(new Why.Counted(must, should));
  }

  @ParameterizedTest
  @CsvSource({
    // 90 % of the faces are quads, 78 % of the edges lie in complete loops, 50 faces are too many.
    "QUADS, 60, 100, 7.5",
    "QUADS, 90, 100, 0",
    "QUADS, 0, 90, 10",
    "QUADS, 95, 99, 0",
    "COMPLETE_LOOPS, 60, 96, 5",
    "OVER_BUDGET, 100, 0, 5",
    "OVER_BUDGET, 50, 0, 0",
    "OVER_BUDGET, 40, 0, 0"
  })
  void measure_isStraightBetweenItsMarks(
      Measure measure, double nothingAt, double fullAt, String gets) {
    CreditRule rule = rule("0.001", new ByMeasure("m", credits("10"), measure, nothingAt, fullAt));
    assertThat(rule.of(tally(0, 0, 0), Judged.NOT_YET, 0).total()).isEqualByComparingTo(gets);
  }

  /** What is known to be there, by what would count then. */
  @Test
  void tally_isReassessed_byAnotherProfile() {
    Tally tally = tally(2, 3, 1);
    Tally study = tally.reassessed(Profile.ALL_QUADS, Profile.STUDY_PIECE);
    // N-gons that must be mended are remarks in a study piece; triangles are no longer a should.
    assertThat(study.findings().get(Kind.NGON)).isEqualTo(Map.of(Severity.REMARK, 2));
    assertThat(study.findings()).doesNotContainKey(Kind.TRIANGLE);
    assertThat(study.findings().get(Kind.SEAM)).isEqualTo(Map.of(Severity.SHOULD, 7));
    assertThat(study.faces()).isEqualTo(tally.faces());
    Tally same = tally.reassessed(Profile.ALL_QUADS, Profile.ALL_QUADS);
    assertThat(same.findings().get(Kind.NGON)).isEqualTo(Map.of(Severity.MUST, 2));
  }

  @Test
  void linesMet_andDistance_goStraightBetweenTheirMarks() {
    ByMeasure lines = new ByMeasure("l", credits("4"), Measure.LINES_MET, 50, 100);
    ByMeasure moved = new ByMeasure("m", credits("2"), Measure.MOVED, 0.8, 0);
    assertThat(total(rule("0.1", lines, moved), tally(0, 0, 0), 0)).isEqualTo("3");
    // Where nothing is asked all of it is met.
    Tally nothing = new Tally(Map.of(), 1, 1, 1, null, Met.NOTHING_ASKED);
    assertThat(total(rule("0.1", lines, moved), nothing, 0)).isEqualTo("6");
  }

  @Test
  void budgetThatIsNotAskedFor_isKept_andNoFaceIsNoQuad() {
    ByMeasure budget = new ByMeasure("b", credits("2"), Measure.OVER_BUDGET, 10, 0);
    ByMeasure quads = new ByMeasure("q", credits("2"), Measure.QUADS, 0, 100);
    assertThat(
            total(
                rule("1", budget, quads), new Tally(Map.of(), 0, 0, 0, null, Met.NOTHING_ASKED), 0))
        .isEqualTo("2");
  }

  @Test
  void byEye_isOpenUntilSomebodySees_andCountsNothingTillThen() {
    CreditRule rule = rule("0.5", SIDES, FORM);
    Credits open = rule.of(tally(0, 0, 0), Judged.NOT_YET, 0);
    assertThat(open.isOpen()).isTrue();
    assertThat(open.total()).isEqualByComparingTo("4");
    assertThat(open.of()).isEqualByComparingTo("7");
    Credits seen = rule.of(tally(0, 0, 0), saw("crisp"), 0);
    assertThat(seen.isOpen()).isFalse();
    assertThat(seen.total()).isEqualByComparingTo("7");
    assertThat(seen.lines().get(1).why()).isEqualTo(new Why.Seen("crisp"));
    assertThat(rule.of(tally(0, 0, 0), saw("sharp"), 0).isOpen())
        .as("a word that is no more")
        .isTrue();
  }

  private static Judged saw(String word) {
    return new Judged(Map.of("Holds its form", word), Map.of());
  }

  private static Judged byHand(String gets) {
    Judged.ByHand hand = new Judged.ByHand(credits(gets), "the top is won");
    return new Judged(Map.of(), Map.of("Quads everywhere", hand));
  }

  @Test
  void byHand_holdsWhateverIsCounted_andSaysWhatWasProposed() {
    CreditRule rule = rule("0.5", SIDES, FORM);
    Credits before = rule.of(tally(2, 0, 0), byHand("3.5"), 0);
    assertThat(before.lines().getFirst().gets()).isEqualByComparingTo("3.5");
    assertThat(before.lines().getFirst().why())
        .isEqualTo(
            new Why.ByHand(
                rule.of(tally(2, 0, 0), Judged.NOT_YET, 0).lines().getFirst().gets(),
                new Why.Counted(2, 0),
                "the top is won"));
    assertThat(rule.of(tally(0, 0, 0), byHand("3.5"), 0).total())
        .as("it outlives another proposal")
        .isEqualByComparingTo(before.total());
    assertThat(rule.of(tally(0, 0, 0), byHand("90"), 0).total())
        .as("never more than the criterion has")
        .isEqualByComparingTo("4");
    assertThatThrownBy(() -> new Judged.ByHand(credits("1"), " ")).hasMessageContaining("reason");
    assertThatThrownBy(() -> new Judged.ByHand(credits("-1"), "no"))
        .hasMessageContaining("credits");
  }

  @Test
  void byHand_closesWhatIsByEye() {
    Judged.ByHand hand = new Judged.ByHand(credits("2"), "between two words");
    Credits given =
        rule("0.5", FORM).of(tally(0, 0, 0), new Judged(Map.of(), Map.of(FORM.name(), hand)), 0);
    assertThat(given.isOpen()).isFalse();
    assertThat(given.total()).isEqualByComparingTo("2");
  }

  /** Each line is 1.25 of what is rounded to wholes: rounded one by one they would be 2. */
  @Test
  void total_isRoundedOnce_halvesUpwards() {
    ByFindings quarter =
        new ByFindings("q", credits("1.25"), credits("0"), credits("0"), Set.of(Kind.SEAM));
    assertThat(total(rule("1", quarter, quarter), tally(0, 0, 0), 0)).isEqualTo("3");
    assertThat(total(rule("0.5", quarter), tally(0, 0, 0), 0)).isEqualTo("1.5");
    assertThat(total(rule("0.1", quarter), tally(0, 0, 0), 0)).isEqualTo("1.3");
    assertThat(total(rule("0.25", quarter), tally(0, 0, 0), 0)).isEqualTo("1.25");
  }

  /** In binary fractions 4 - 3 x 0.1 - 9 x 0.05 is a little less than 3.25. */
  @Test
  void tenths_areTenths() {
    ByFindings tenths =
        new ByFindings(
            "t", credits("4"), credits("0.1"), credits("0.05"), Set.of(Kind.NGON, Kind.TRIANGLE));
    assertThat(total(rule("0.5", tenths), tally(3, 9, 0), 0)).isEqualTo("3.5");
  }

  @Test
  void lateDays_takeOffOfTheTotal_neverBelowNothing() {
    CreditRule rule = rule("0.5", SIDES);
    assertThat(total(rule, tally(1, 0, 0), 2)).isEqualTo("1");
    Credits late = rule.of(tally(0, 0, 0), Judged.NOT_YET, 9);
    assertThat(late.total()).isEqualByComparingTo("0");
    assertThat(late.offForLate()).isEqualByComparingTo("9");
  }

  @ParameterizedTest
  @CsvSource({
    "2026-12-04T17:00:00Z, 2026-12-04T17:00:00Z, 0",
    "2026-12-04T17:00:00Z, 2026-12-04T16:59:59Z, 0",
    "2026-12-04T17:00:00Z, 2026-12-04T17:00:01Z, 1",
    "2026-12-04T17:00:00Z, 2026-12-05T17:00:00Z, 1",
    "2026-12-04T17:00:00Z, 2026-12-05T17:00:01Z, 2",
    // Due at 18:00 on the eve of the night in which clocks go forward: 18:00 comes an hour sooner.
    "2026-03-28T17:00:00Z, 2026-03-29T16:00:00Z, 1",
    "2026-03-28T17:00:00Z, 2026-03-29T16:30:00Z, 2",
    // And in which they go back: it comes an hour later.
    "2026-10-24T16:00:00Z, 2026-10-25T17:00:00Z, 1",
    "2026-10-24T16:00:00Z, 2026-10-25T17:00:01Z, 2",
    // Due at 2:30 that is there twice, the second; handed in when the wall shows 2:31 again.
    "2026-10-25T01:30:00Z, 2026-10-25T01:31:00Z, 1"
  })
  void dayLate_isABegunDayByTheClockOnTheWall(Instant due, Instant arrived, int days) {
    assertThat(Lateness.days(due, arrived, ZoneId.of("Europe/Oslo"))).isEqualTo(days);
  }

  @Test
  void bestCounts_ofEqualsTheLater_orTheLast() {
    List<Answered> answered =
        List.of(
            new Answered(1, credits("7")),
            new Answered(2, credits("9")),
            new Answered(3, credits("9.0")),
            new Answered(4, credits("5")));
    assertThat(Attempts.counting(answered, Counts.BEST).orElseThrow().number()).isEqualTo(3);
    assertThat(Attempts.counting(answered, Counts.LAST).orElseThrow().number()).isEqualTo(4);
    assertThat(Attempts.counting(List.of(), Counts.BEST)).isEmpty();
  }

  /** A lid as it comes: a top of 16 sides that must, and its rings that stop. */
  @Test
  void meshThatIsInspected_getsWhatItsFindingsLeave() {
    Mesh lid = HarbourProps.hatchLid();
    Report report =
        new Inspector(Profile.ALL_QUADS, Tolerance.of(lid.bounds())).inspect(lid, List.of());
    Map<Kind, Map<Severity, Integer>> counts = new EnumMap<>(Kind.class);
    report
        .findings()
        .forEach(f ->
            counts
                .computeIfAbsent(f.finding().kind(), k -> new HashMap<>())
                .merge(f.severity(), 1, Integer::sum));
    Tally tally = Tally.of(counts, report.figures(), 20, report.met());
    Credits found =
        rule("0.5", SIDES, new ByMeasure("q", credits("2"), Measure.QUADS, 0, 100))
            .of(tally, Judged.NOT_YET, 0);
    assertThat(found.lines().get(0).gets()).isEqualByComparingTo("2");
    assertThat(((Why.Measured) found.lines().get(1).why()).value())
        .isCloseTo(100.0 * 16 / 18, within(1e-9));
  }

  @Test
  void whatCantBe_isRefusedInWords() {
    assertThatThrownBy(() -> new ByMeasure("m", credits("1"), Measure.QUADS, 5, 5))
        .hasMessageContaining("two marks");
    assertThatThrownBy(() -> new ByEye("e", credits("1"), List.of(new Word("much", credits("2")))))
        .hasMessageContaining("more than");
    assertThatThrownBy(
            () -> new ByFindings("f", credits("1"), credits("1"), credits("1"), Set.of()))
        .hasMessageContaining("no kind");
    assertThatThrownBy(() -> rule("0", SIDES)).hasMessageContaining("step");
    assertThatThrownBy(() -> new CreditRule(List.of(), credits("1"), credits("-1"), Counts.BEST))
        .hasMessageContaining("late day");
    assertThatThrownBy(
            () -> new ByFindings("f", credits("-1"), credits("1"), credits("1"), Set.of(Kind.NGON)))
        .hasMessageContaining("nothing or more");
  }
}
