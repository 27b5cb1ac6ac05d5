package fairedge.server.demo;

import static org.assertj.core.api.Assertions.assertThat;

import fairedge.core.credit.CreditRule;
import fairedge.core.credit.Credits;
import fairedge.core.credit.Credits.Line;
import fairedge.core.credit.Judged;
import fairedge.core.credit.Tally;
import fairedge.core.geometry.Tolerance;
import fairedge.core.inspect.Inspector;
import fairedge.core.inspect.Report;
import fairedge.core.inspect.Severity;
import fairedge.core.inspect.finding.Kind;
import fairedge.core.mesh.Mesh;
import fairedge.core.survey.Starter;
import fairedge.server.demo.DemoExercises.Sample;
import java.math.BigDecimal;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

/** Each sample exercise is worth setting: there is something to do, and its reference does it. */
class DemoExercisesTest {
  static Stream<Arguments> samples() {
    return DemoExercises.all().stream().map(s -> Arguments.of(s.asked().title(), s));
  }

  private static Report inspect(Mesh mesh, Sample sample) {
    Tolerance tolerance = Tolerance.of(sample.starter().bounds());
    return new Inspector(
            sample.asked().profile(), tolerance, new Starter(sample.starter(), tolerance.flat()))
        .asking(sample.asked().wanted(), List.of(sample.reference()))
        .inspect(mesh);
  }

  private static Credits credits(Report report, Sample sample) {
    Map<Kind, Map<Severity, Integer>> counts = new EnumMap<>(Kind.class);
    for (Report.Assessed f : report.findings()) {
      counts
          .computeIfAbsent(f.finding().kind(), k -> new HashMap<>())
          .merge(f.severity(), 1, Integer::sum);
    }
    Integer budget = sample.asked().wanted().faces();
    return sample
        .asked()
        .rule()
        .of(Tally.of(counts, report.figures(), budget, report.met()), Judged.NOT_YET, 0);
  }

  /** What the engine gives; what the eye has to see is open. */
  private static BigDecimal byEngine(Credits credits) {
    return credits.lines().stream().map(Line::gets).reduce(BigDecimal.ZERO, BigDecimal::add);
  }

  private static BigDecimal allByEngine(Credits credits) {
    return credits.lines().stream()
        .filter(l -> !(l.why() instanceof Credits.Why.Open))
        .map(Line::of)
        .reduce(BigDecimal.ZERO, BigDecimal::add);
  }

  @ParameterizedTest(name = "{0}")
  @MethodSource("samples")
  void referenceIsClean_andGetsAll_andTheStarterDoesNot(String title, Sample sample) {
    Report done = inspect(sample.reference(), sample);
    assertThat(done.findings())
        .as("must and should of the reference")
        .noneMatch(f -> f.severity() != Severity.REMARK);
    Report begun = inspect(sample.starter(), sample);
    boolean isLook = title.equals("Mooring bollard");
    assertThat(isLook || begun.count(Severity.MUST) + begun.count(Severity.SHOULD) > 0).isTrue();
    if (sample.asked().rule().equals(CreditRule.NONE)) {
      return;
    }
    Credits best = credits(done, sample);
    assertThat(byEngine(best)).isEqualByComparingTo(allByEngine(best));
    if (!isLook) {
      assertThat(byEngine(credits(begun, sample))).isLessThan(byEngine(best));
    }
  }

  @ParameterizedTest(name = "{0}")
  @MethodSource("samples")
  void brief_saysWhereItGoesWrong(String title, Sample sample) {
    assertThat(sample.asked().brief()).contains("**Where it goes wrong:**");
    assertThat(sample.asked().summary()).isNotBlank();
  }
}
