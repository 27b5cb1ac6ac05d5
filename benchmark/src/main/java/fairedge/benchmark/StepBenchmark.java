package fairedge.benchmark;

import fairedge.core.geometry.Tolerance;
import fairedge.core.inspect.Inspector;
import fairedge.core.inspect.Inspector.Inspected;
import fairedge.core.inspect.Profile;
import fairedge.core.inspect.Since;
import fairedge.core.mesh.ElementSet;
import fairedge.core.step.Change;
import fairedge.core.step.Tidying;
import fairedge.core.step.Workpiece;
import fairedge.core.survey.Starter;
import fairedge.core.work.Scope;
import java.util.BitSet;
import java.util.List;
import java.util.SplittableRandom;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Level;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

/**
 * The inspection after a step, and after it is taken back: with all figures and findings of the
 * usual profile, crossing and what is new among them, knowing the inspection before. The step
 * itself is not timed; it is made somewhere else each time, so that little of the mesh is in the
 * caches.
 */
@State(org.openjdk.jmh.annotations.Scope.Benchmark)
@BenchmarkMode(Mode.SampleTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Fork(value = 1, jvmArgs = "-Xmx3g")
@Warmup(iterations = 4, time = 5)
@Measurement(iterations = 4, time = 5)
public class StepBenchmark {
  @Param({"10000", "100000", "1000000"})
  int quads;

  /** What is done: a quad connected from corner to corner, an edge split, a loop right across. */
  @Param({"connect", "split", "loop"})
  String step = "connect";

  private final SplittableRandom random = new SplittableRandom(1);
  private Workpiece workpiece = new Workpiece(Sheets.sheet(1), new Tolerance(1));
  private Inspector inspector = new Inspector(Profile.ALL_QUADS, new Tolerance(1));
  private Inspected last = inspector.inspect(workpiece.mesh(), List.of(), null);
  private Since since = new Since(last.recall(), new ElementSet(), new BitSet());

  @Setup
  public void setUp() {
    workpiece = new Workpiece(Sheets.sheet(quads), Tolerance.of(Sheets.sheet(quads).bounds()));
    Tolerance tolerance = workpiece.tolerance();
    Starter starter = new Starter(Sheets.sheet(quads), tolerance.flat());
    inspector = new Inspector(Profile.ALL_QUADS, tolerance, starter);
    last = inspector.inspect(workpiece.mesh(), List.of(), null);
  }

  /** A step, or the last one back, by turns. */
  @Setup(Level.Invocation)
  public void move() {
    ElementSet touched;
    if (workpiece.stepCount() > 0) {
      touched = workpiece.undo();
    } else {
      do {
        workpiece.apply(change());
      } while (workpiece.stepCount() == 0);
      touched = workpiece.lastTouched().orElseThrow();
    }
    since = new Since(last.recall(), touched, workpiece.near(touched, inspector.room()));
  }

  private Change change() {
    int face = random.nextInt(workpiece.mesh().faceEnd());
    int[] corners = workpiece.mesh().vertices(face);
    int edge = workpiece.mesh().edges(face)[0];
    return switch (step) {
      case "connect" -> new Tidying.ConnectChange(List.of(corners[0], corners[2]), Scope.WHOLE);
      case "split" -> new Tidying.SplitChange(List.of(edge), 0.5);
      default -> Change.LoopsChange.of(edge, 0.5);
    };
  }

  @Benchmark
  public Inspected after() {
    last = inspector.inspect(workpiece.mesh(), List.of(), since);
    return last;
  }
}
