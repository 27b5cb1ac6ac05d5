package fairedge.benchmark;

import fairedge.core.format.BadFile;
import fairedge.core.format.Limits;
import fairedge.core.format.MeshFormat;
import fairedge.core.geometry.Tolerance;
import fairedge.core.inspect.Inspector;
import fairedge.core.inspect.Profile;
import fairedge.core.inspect.Report;
import fairedge.core.inspect.Severity;
import fairedge.core.inspect.finding.Rule;
import fairedge.core.mesh.Mesh;
import fairedge.core.survey.Thresholds;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.util.EnumMap;
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

/** From a file's bytes, which lie in the same heap of 1.2 GB, to all figures and findings. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.SampleTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Fork(value = 1, jvmArgs = "-Xmx1200m")
@Warmup(iterations = 4, time = 4)
@Measurement(iterations = 5, time = 5)
public class FindingsBenchmark {
  @Param({"10000", "100000", "1000000", "2000000"})
  int quads;

  private final Profile profile = withoutCrossing();
  private byte[] file = new byte[0];

  /** What the limit of two seconds is about: without crossing, curvature, Support and Shape. */
  static Profile withoutCrossing() {
    Map<Rule, Severity> severities = new EnumMap<>(Rule.class);
    for (Rule rule : Rule.values()) {
      if (rule != Rule.CROSSING && rule != Rule.ASKEW) {
        Profile.OPEN_SHEET.severityOf(rule).ifPresent(s -> severities.put(rule, s));
      }
    }
    return new Profile("without crossing", severities, Thresholds.USUAL);
  }

  @Setup
  public void setUp() throws IOException {
    file = Sheets.file(quads);
  }

  @Benchmark
  public Report fromBytes() throws IOException, BadFile {
    Mesh mesh = MeshFormat.read(new ByteArrayInputStream(file), Limits.NONE).mesh();
    return new Inspector(profile, Tolerance.of(mesh.bounds())).inspect(mesh);
  }
}
