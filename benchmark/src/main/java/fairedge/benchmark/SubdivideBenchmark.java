package fairedge.benchmark;

import fairedge.core.mesh.Mesh;
import fairedge.core.subdivide.CatmullClark;
import fairedge.core.subdivide.Limit;
import fairedge.core.subdivide.Refined;
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

/** The smooth surface of a mesh: two levels, and where their vertices end. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Fork(value = 1, jvmArgs = "-Xmx3g")
@Warmup(iterations = 4, time = 3)
@Measurement(iterations = 5, time = 3)
public class SubdivideBenchmark {
  @Param({"10000", "100000", "1000000"})
  int quads;

  private Mesh mesh = Sheets.sheet(1);
  private Refined refined = CatmullClark.refined(mesh, 1);

  @Setup
  public void setUp() {
    mesh = Sheets.sheet(quads);
    refined = CatmullClark.refined(mesh, 2);
  }

  @Benchmark
  public Refined toLevelTwo() {
    return CatmullClark.refined(mesh, 2);
  }

  @Benchmark
  public Limit limitOfLevelTwo() {
    return refined.limit();
  }
}
