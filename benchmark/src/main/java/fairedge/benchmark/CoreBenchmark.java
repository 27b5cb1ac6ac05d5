package fairedge.benchmark;

import fairedge.core.cut.Anchor;
import fairedge.core.cut.PlaneBy;
import fairedge.core.cut.Straight;
import fairedge.core.cut.TracePoint;
import fairedge.core.geometry.Axis;
import fairedge.core.geometry.Tolerance;
import fairedge.core.geometry.Vec3;
import fairedge.core.inspect.Inspector;
import fairedge.core.inspect.Profile;
import fairedge.core.inspect.Report;
import fairedge.core.mesh.Mesh;
import fairedge.core.step.Change;
import fairedge.core.step.Tidying;
import fairedge.core.step.Workpiece;
import fairedge.core.work.View;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.stream.IntStream;
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

/** The report of a mesh; cuts that touch a hundred faces and more. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Fork(value = 1, jvmArgs = "-Xmx1200m")
@Warmup(iterations = 4, time = 3)
@Measurement(iterations = 5, time = 3)
public class CoreBenchmark {
  @Param({"10000", "100000", "1000000"})
  int quads;

  private Mesh mesh = Sheets.sheet(1);
  private Workpiece workpiece = new Workpiece(mesh, new Tolerance(1));
  private Change trace = Change.LoopsChange.of(0, 0.5);
  private Change loop = Change.LoopsChange.of(0, 0.5);
  private Change lift = Change.LoopsChange.of(0, 0.5);
  private Change straight = Change.LoopsChange.of(0, 0.5);

  @Setup
  public void setUp() {
    mesh = Sheets.sheet(quads);
    workpiece = new Workpiece(Sheets.sheet(quads), Tolerance.of(mesh.bounds()));
    trace = traceOver100Faces();
    lift = new Tidying.LiftChange(hundredEdges(), List.of(), true);
    double middle = mesh.bounds().min().x() * 0.4 + mesh.bounds().max().x() * 0.6;
    straight =
        Change.StraightChange.of(
            new PlaneBy.Along(Axis.X, middle + 1e-3), Straight.After.JOINED, Straight.Ends.OPEN);
    // The tree of faces is built at the first trace, and kept up to date from then on.
    workpiece.apply(trace);
    workpiece.undo();
  }

  private Change traceOver100Faces() {
    int row = (int) Math.sqrt(quads) + 1;
    View above = new View.Parallel(new Vec3(0, 0, -1));
    return Change.TraceChange.of(
        List.of(
            new TracePoint(new Anchor.OnEdge(mesh.findEdge(0, row), 0.5), above),
            new TracePoint(new Anchor.OnEdge(mesh.findEdge(100, row + 100), 0.5), above)));
  }

  /** Over 100 faces of the sheet, and taken back. */
  @Benchmark
  public Object traceAndUndo() {
    workpiece.apply(trace);
    return workpiece.undo();
  }

  /** The edges between the first hundred faces of the first two rows. */
  private List<Integer> hundredEdges() {
    int row = (int) Math.sqrt(quads) + 1;
    return IntStream.range(0, Math.min(100, row - 1))
        .mapToObj(i -> mesh.findEdge(row + i, row + i + 1))
        .filter(e -> e != Mesh.NONE)
        .toList();
  }

  /** A hundred edges out, and taken back. */
  @Benchmark
  public Object liftAndUndo() {
    workpiece.apply(lift);
    return workpiece.undo();
  }

  /** By a plane right through, and taken back. */
  @Benchmark
  public Object straightAndUndo() {
    workpiece.apply(straight);
    return workpiece.undo();
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
