package fairedge.benchmark;

import fairedge.core.format.BadFile;
import fairedge.core.format.obj.ObjReader;
import fairedge.core.format.obj.ObjWriter;
import fairedge.core.geometry.Tolerance;
import fairedge.core.inspect.Inspector;
import fairedge.core.inspect.Profile;
import fairedge.core.inspect.Report;
import fairedge.core.mesh.Mesh;
import fairedge.core.step.Change;
import fairedge.core.step.Workpiece;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
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

/** From a file's bytes to the mesh and its report; and a loop that touches a hundred faces. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Fork(value = 1, jvmArgs = "-Xmx1200m")
@Warmup(iterations = 4, time = 3)
@Measurement(iterations = 5, time = 3)
public class CoreBenchmark {
  @Param({"10000", "100000", "1000000"})
  int quads;

  private byte[] file = new byte[0];
  private Mesh mesh = Sheets.sheet(1);
  private Workpiece workpiece = new Workpiece(mesh, new Tolerance(1));
  private Change loop = new Change.LoopsChange(0, 0.5);

  @Setup
  public void setUp() throws IOException {
    StringBuilder text = new StringBuilder();
    ObjWriter.write(Sheets.sheet(quads), text);
    file = text.toString().getBytes(StandardCharsets.UTF_8);
    mesh = Sheets.sheet(quads);
    workpiece = new Workpiece(Sheets.sheet(quads), Tolerance.of(mesh.bounds()));
  }

  @Benchmark
  public Mesh readObj() throws IOException, BadFile {
    return ObjReader.read(new ByteArrayInputStream(file)).mesh();
  }

  @Benchmark
  public Report inspect() {
    return new Inspector(Profile.OPEN_SHEET, Tolerance.of(mesh.bounds())).inspect(mesh);
  }

  /** Across the whole sheet, and taken back. */
  @Benchmark
  public Object loopAndUndo() {
    workpiece.apply(loop);
    return workpiece.undo();
  }
}
