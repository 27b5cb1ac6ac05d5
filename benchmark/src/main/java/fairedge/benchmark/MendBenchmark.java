package fairedge.benchmark;

import fairedge.core.geometry.Tolerance;
import fairedge.core.inspect.Inspector;
import fairedge.core.inspect.Profile;
import fairedge.core.inspect.finding.Finding;
import fairedge.core.inspect.finding.Kind;
import fairedge.core.mend.Mender;
import fairedge.core.mend.Offer;
import fairedge.core.mend.State;
import fairedge.core.mend.Sweep;
import fairedge.core.mesh.Mesh;
import fairedge.core.step.Tidying;
import fairedge.core.step.Workpiece;
import fairedge.core.work.Scope;
import java.util.List;
import java.util.Objects;
import java.util.SplittableRandom;
import java.util.concurrent.TimeUnit;
import org.jspecify.annotations.Nullable;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.Warmup;

/**
 * What would mend a pair of triangles in a sheet of quads, once that is inspected; and all pairs of
 * it in one step.
 */
@org.openjdk.jmh.annotations.State(org.openjdk.jmh.annotations.Scope.Benchmark)
@BenchmarkMode(Mode.SampleTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Fork(value = 1, jvmArgs = "-Xmx3g")
@Warmup(iterations = 4, time = 5)
@Measurement(iterations = 4, time = 5)
public class MendBenchmark {
  @Param({"10000", "100000", "1000000"})
  int quads;

  @Param({"1", "1000"})
  int pairs;

  private Workpiece workpiece = new Workpiece(Sheets.sheet(1), new Tolerance(1));
  private State state =
      State.of(new Inspector(Profile.named("Open sheet"), new Tolerance(1)), workpiece);
  private Mender mender = new Mender(workpiece, state, List.of());
  private @Nullable Finding pair;

  @Setup
  public void setUp() {
    Mesh sheet = Sheets.sheet(quads);
    Tolerance tolerance = Tolerance.of(sheet.bounds());
    workpiece = new Workpiece(sheet, tolerance);
    SplittableRandom random = new SplittableRandom(1);
    while (workpiece.stepCount() < pairs) {
      int[] corners = sheet.vertices(random.nextInt(quads / 2));
      workpiece.apply(new Tidying.ConnectChange(List.of(corners[0], corners[2]), Scope.WHOLE));
    }
    state = State.of(new Inspector(Profile.named("Open sheet"), tolerance), workpiece);
    mender = new Mender(workpiece, state, List.of());
    pair =
        state.report().findings().stream()
            .map(a -> a.finding())
            .filter(f -> f.kind() == Kind.TRIANGLE)
            .findFirst()
            .orElseThrow();
  }

  /** What is there first. */
  @Benchmark
  public Offer first() {
    return mender.of(Objects.requireNonNull(pair), 1);
  }

  @Benchmark
  public Offer offer() {
    return mender.of(Objects.requireNonNull(pair));
  }

  @Benchmark
  public Sweep all() {
    return Sweep.of(
        workpiece, state, List.of(), a -> a.finding().kind() == Kind.TRIANGLE, (dealt, of) -> {});
  }
}
