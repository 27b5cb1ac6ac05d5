package fairedge.benchmark;

import fairedge.core.form.Extrude;
import fairedge.core.form.ExtrudeEdges;
import fairedge.core.form.Groove;
import fairedge.core.form.Inset;
import fairedge.core.form.Support;
import fairedge.core.geometry.Tolerance;
import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;
import fairedge.core.step.Change;
import fairedge.core.step.Forming;
import fairedge.core.step.Outcome;
import fairedge.core.step.Preview;
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

/**
 * What a hand feels while it draws: a form of a hundred chosen elements tried out and taken back. A
 * square of ten by ten faces as one region, each by itself, a hundred border edges, or a row of a
 * hundred edges held or grooved.
 */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.SampleTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Fork(value = 1, jvmArgs = "-Xmx2g")
@Warmup(iterations = 3, time = 2)
@Measurement(iterations = 3, time = 3)
public class FormBenchmark {
  private static final View ABOVE = new View.Parallel(new Vec3(0, 0, -1));

  @Param({"100000"})
  int quads;

  @Param({
    "inset",
    "insetEach",
    "extrude",
    "extrudeEven",
    "extrudeEdges",
    "supportLines",
    "supportStrip",
    "groove"
  })
  String form = "inset";

  private Workpiece workpiece = new Workpiece(Sheets.sheet(1), new Tolerance(1));
  private Change change = extrude(Extrude.Heading.NORMAL);

  @Setup
  public void setUp() {
    Mesh mesh = Sheets.sheet(quads);
    workpiece = new Workpiece(mesh, Tolerance.of(mesh.bounds()));
    change = change();
    if (!(preview().outcome() instanceof Outcome.Made)) {
      throw new IllegalStateException(form + " is not made: " + preview().outcome());
    }
  }

  private Change change() {
    return switch (form) {
      case "inset" -> new Forming.InsetChange(square(), false, margin());
      case "insetEach" -> new Forming.InsetChange(square(), true, margin());
      case "extrude" -> extrude(Extrude.Heading.NORMAL);
      case "extrudeEven" -> extrude(Extrude.Heading.EVEN);
      case "supportLines" -> support(Support.SupportWay.LOOPS, 2);
      case "supportStrip" -> support(Support.SupportWay.BEVEL, 4);
      case "groove" ->
          new Forming.GrooveChange(
              row(),
              Groove.Channel.asked(
                  0.002, 0.001, 0.0005, 2, Groove.GrooveEnd.NARROW, null, null, null));
      default ->
          new Forming.ExtrudeEdgesChange(
              rim(), new ExtrudeEdges.Brim(ExtrudeEdges.BrimWay.ONWARDS, null, 0.004, 1));
    };
  }

  private static Inset.Margin margin() {
    return new Inset.Margin(0.002, 0, false, false, false);
  }

  private Change extrude(Extrude.Heading heading) {
    return new Forming.ExtrudeChange(
        square(), false, new Extrude.Extrusion(heading, null, 0.004, 1, 1, 0));
  }

  private List<Integer> square() {
    int side = (int) Math.round(Math.sqrt(quads));
    int first = side / 2 * side + side / 2;
    return IntStream.range(0, 100).mapToObj(i -> first + i / 10 * side + i % 10).toList();
  }

  private Change support(Support.SupportWay way, int segments) {
    Support.Holding holding =
        Support.Holding.asked(way, 0.001, null, null, segments, 0.5, null, null);
    return new Forming.SupportChange(row(), null, holding);
  }

  /** A hundred edges one after the other, in the middle. */
  private List<Integer> row() {
    int side = (int) Math.round(Math.sqrt(quads));
    int first = side / 2 * (side + 1) + side / 3;
    return IntStream.range(first, first + 100)
        .mapToObj(i -> workpiece.mesh().findEdge(i, i + 1))
        .toList();
  }

  private List<Integer> rim() {
    return IntStream.range(0, 100).mapToObj(i -> workpiece.mesh().findEdge(i, i + 1)).toList();
  }

  @Benchmark
  public Preview<Integer> preview() {
    return workpiece.preview(change, ABOVE, (mesh, outcome) -> mesh.faceCount());
  }
}
