package fairedge.benchmark;

import fairedge.core.geometry.Tolerance;
import fairedge.core.inspect.Inspector;
import fairedge.core.inspect.Profile;
import fairedge.core.inspect.Report;
import fairedge.core.inspect.Severity;
import fairedge.core.inspect.finding.Rule;
import fairedge.core.mesh.Mesh;
import fairedge.core.survey.Starter;
import fairedge.core.survey.Thresholds;
import fairedge.core.survey.Wanted;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

/** Parts of an inspection; two meshes of the size are held. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Fork(value = 1, jvmArgs = "-Xmx3g")
@Warmup(iterations = 3, time = 3)
@Measurement(iterations = 4, time = 3)
public class InspectBenchmark {
  @Param({"10000", "100000", "1000000"})
  int quads;

  private Mesh mesh = Sheets.sheet(1);
  private Inspector plain = of(Profile.OPEN_SHEET);
  private Inspector crossing = of(Profile.OPEN_SHEET);
  private Inspector distances = of(Profile.OPEN_SHEET);

  private Inspector of(Profile profile) {
    return new Inspector(profile, Tolerance.of(mesh.bounds()));
  }

  private static Profile only(Rule... rules) {
    Map<Rule, Severity> severities = new EnumMap<>(Rule.class);
    for (Rule rule : rules) {
      severities.put(rule, Severity.MUST);
    }
    return new Profile("only", severities, Thresholds.USUAL);
  }

  @Setup
  public void setUp() {
    mesh = Sheets.sheet(quads);
    Tolerance tolerance = Tolerance.of(mesh.bounds());
    Starter starter = new Starter(mesh, tolerance.flat());
    plain = of(FindingsBenchmark.withoutCrossing());
    crossing = of(only(Rule.CROSSING));
    Wanted near =
        new Wanted(null, null, 1e-4 * tolerance.scale(), null, false, List.of(), List.of());
    distances = new Inspector(only(Rule.MOVED), tolerance, starter).asking(near, List.of());
  }

  @Benchmark
  public Report withoutCrossingAndShape() {
    return plain.inspect(mesh);
  }

  /** With what every inspection makes. */
  @Benchmark
  public Report crossingAlone() {
    return crossing.inspect(mesh);
  }

  /** Both ways, with what every inspection makes. */
  @Benchmark
  public Report distancesAlone() {
    return distances.inspect(mesh);
  }
}
