package fairedge.benchmark;

import fairedge.core.geometry.Tolerance;
import fairedge.core.geometry.Vec3;
import fairedge.core.meet.Meet;
import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.MeshBuilder;
import fairedge.core.step.Change;
import fairedge.core.step.Forming;
import fairedge.core.step.Outcome;
import fairedge.core.step.Preview;
import fairedge.core.step.Workpiece;
import fairedge.core.work.View;
import java.util.List;
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

/** Two spheres of so many quads each that pass through one another, tried out and taken back. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Fork(value = 1, jvmArgs = "-Xmx3g")
@Warmup(iterations = 3, time = 3)
@Measurement(iterations = 5, time = 3)
public class MeetBenchmark {
  private static final View ABOVE = new View.Parallel(new Vec3(0, 0, -1));

  @Param({"10000", "100000", "1000000"})
  int quads;

  @Param({"JOIN", "SUBTRACT"})
  Meet.MeetWay way = Meet.MeetWay.JOIN;

  private Workpiece workpiece = new Workpiece(Sheets.sheet(1), new Tolerance(1));
  private Change change = change(Meet.MeetWay.JOIN, 0);

  @Setup
  public void setUp() {
    MeshBuilder b = new MeshBuilder();
    sphere(b, Vec3.ZERO);
    int second = sphere(b, new Vec3(0.61, 0.37, 0.23));
    Mesh mesh = b.build();
    workpiece = new Workpiece(mesh, Tolerance.of(mesh.bounds()));
    change = change(way, second);
    if (!(preview().outcome() instanceof Outcome.Made)) {
      throw new IllegalStateException("not made: " + preview().outcome());
    }
  }

  private static Change change(Meet.MeetWay way, int second) {
    return Forming.MeetChange.of(List.of(0), List.of(second), way);
  }

  /** Twice as many round as up; the first of its faces. */
  private int sphere(MeshBuilder b, Vec3 middle) {
    int up = (int) Math.round(Math.sqrt(quads / 2.0));
    int around = 2 * up;
    int[][] rows = new int[up + 1][around];
    for (int k = 0; k <= up; k++) {
      double polar = Math.PI * (k + 0.5) / (up + 1);
      for (int i = 0; i < around; i++) {
        double at = 2 * Math.PI * i / around;
        double r = Math.sin(polar);
        rows[k][i] =
            b.vertex(middle.plus(new Vec3(r * Math.cos(at), r * Math.sin(at), -Math.cos(polar))));
      }
    }
    int first = b.face(reversed(rows[0]));
    b.face(rows[up]);
    for (int k = 0; k < up; k++) {
      for (int i = 0; i < around; i++) {
        int next = (i + 1) % around;
        b.face(rows[k][i], rows[k][next], rows[k + 1][next], rows[k + 1][i]);
      }
    }
    return first;
  }

  private static int[] reversed(int[] ring) {
    int[] turned = new int[ring.length];
    for (int i = 0; i < ring.length; i++) {
      turned[i] = ring[ring.length - 1 - i];
    }
    return turned;
  }

  @Benchmark
  public Preview<Integer> preview() {
    return workpiece.preview(change, ABOVE, (mesh, outcome) -> mesh.faceCount());
  }
}
