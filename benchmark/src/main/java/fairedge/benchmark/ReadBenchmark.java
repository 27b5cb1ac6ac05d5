package fairedge.benchmark;

import fairedge.core.format.BadFile;
import fairedge.core.format.obj.ObjReader;
import fairedge.core.mesh.Mesh;
import java.io.ByteArrayInputStream;
import java.io.IOException;
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

/** From a file's bytes, which lie in the same heap of 500 MB, to the indexed mesh. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Fork(value = 1, jvmArgs = "-Xmx500m")
@Warmup(iterations = 4, time = 3)
@Measurement(iterations = 5, time = 3)
public class ReadBenchmark {
  @Param({"10000", "100000", "1000000"})
  int quads;

  private byte[] file = new byte[0];

  @Setup
  public void setUp() throws IOException {
    file = Sheets.file(quads);
  }

  @Benchmark
  public Mesh readObj() throws IOException, BadFile {
    return ObjReader.read(new ByteArrayInputStream(file)).mesh();
  }
}
