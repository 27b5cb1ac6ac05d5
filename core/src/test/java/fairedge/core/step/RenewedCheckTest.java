package fairedge.core.step;

import static org.assertj.core.api.Assertions.assertThat;

import fairedge.core.Changes;
import fairedge.core.Meshes;
import fairedge.core.Seeds;
import fairedge.core.geometry.Tolerance;
import fairedge.core.geometry.Vec3;
import fairedge.core.inspect.Inspector;
import fairedge.core.inspect.Inspector.Inspected;
import fairedge.core.inspect.Profile;
import fairedge.core.inspect.Report;
import fairedge.core.inspect.Severity;
import fairedge.core.inspect.Since;
import fairedge.core.inspect.finding.Kind;
import fairedge.core.inspect.finding.Rule;
import fairedge.core.mesh.ElementSet;
import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.MeshBuilder;
import fairedge.core.mesh.MeshBytes;
import fairedge.core.survey.Places;
import fairedge.core.survey.Starter;
import fairedge.core.survey.Thresholds;
import fairedge.core.survey.Wanted;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.function.UnaryOperator;
import java.util.stream.IntStream;
import org.junit.jupiter.params.ParameterizedTest;

/** After every step, looking again only near to what it touched finds what looking at all finds. */
class RenewedCheckTest {
  private static final int ROUNDS = 25;
  private static final Set<Kind> DEAR = EnumSet.of(Kind.CROSSING, Kind.DOUBLE, Kind.TOUCHING);

  @ParameterizedTest
  @Seeds
  void renewedReport_isTheWholeReport_afterEveryStepAndUndo(long seed) {
    Set<Kind> seen = EnumSet.noneOf(Kind.class);
    for (var fixture : fixtures().entrySet()) {
      Mesh first = MeshBytes.read(MeshBytes.write(fixture.getValue()));
      Tolerance tolerance = Tolerance.of(first.bounds());
      Starter starter = new Starter(first, tolerance.flat());
      work(
          new Inspector(Profile.ALL_QUADS, tolerance, starter),
          fixture.getKey(),
          fixture.getValue(),
          seed,
          seen);
    }
    assertThat(seen).containsAll(DEAR);
  }

  /** With every kind there is, what an exercise asks for, and without a starter. */
  @ParameterizedTest
  @Seeds
  void renewedReport_isTheWholeReport_whateverIsAsked(long seed) {
    Set<Kind> seen = EnumSet.noneOf(Kind.class);
    for (var fixture : fixtures().entrySet()) {
      Mesh first = MeshBytes.read(MeshBytes.write(fixture.getValue()));
      Tolerance tolerance = Tolerance.of(first.bounds());
      Starter starter = seed % 2 == 0 ? new Starter(first, tolerance.flat()) : null;
      work(
          new Inspector(everything(), tolerance, starter).asking(wanted(first), List.of()),
          fixture.getKey(),
          fixture.getValue(),
          seed,
          seen);
    }
    assertThat(seen).contains(Kind.SOFT_EDGE, Kind.PINCH, Kind.TRIANGLE, Kind.JUMP, Kind.PARTS);
  }

  /** Where rings and loops are long, and are cut, joined and cut again. */
  @ParameterizedTest
  @Seeds
  void renewedReport_isTheWholeReport_whereRingsAreLong(long seed) {
    for (var form :
        Map.of("sheet", Meshes.grid(24, 18), "torus", Meshes.torus(20, 16)).entrySet()) {
      Mesh first = MeshBytes.read(MeshBytes.write(form.getValue()));
      Tolerance tolerance = Tolerance.of(first.bounds());
      work(
          new Inspector(
              seed % 2 == 0 ? Profile.SMOOTH_FORM : Profile.ALL_QUADS,
              tolerance,
              new Starter(first, tolerance.flat())),
          form.getKey(),
          form.getValue(),
          seed,
          EnumSet.noneOf(Kind.class));
    }
  }

  private static Map<String, Mesh> fixtures() {
    Map<String, Mesh> fixtures = Meshes.all();
    fixtures.put("heap", heap());
    return fixtures;
  }

  private static Profile everything() {
    Map<Rule, Severity> severities = new EnumMap<>(Rule.class);
    for (Rule rule : Rule.values()) {
      severities.put(rule, Severity.SHOULD);
    }
    return new Profile("everything", severities, Thresholds.USUAL);
  }

  private static Wanted wanted(Mesh mesh) {
    Vec3 low = mesh.bounds().min();
    Vec3 high = mesh.bounds().max();
    Wanted.Line line = new Wanted.Line(List.of(low, high));
    return new Wanted(
        1,
        mesh.faceCount() + 2,
        0.01 * mesh.bounds().diagonal(),
        new Wanted.Mirror(mesh.bounds().centre(), new Vec3(1, 0, 0), 1e-3),
        true,
        List.of(line),
        List.of(line),
        List.of(),
        placesOnHalf(mesh),
        List.of(mesh.position(0), mesh.position(1)),
        List.of(new Wanted.Pardon("ngon", null), new Wanted.Pardon("warped", null)));
  }

  /** On every other face. */
  private static List<Vec3> placesOnHalf(Mesh mesh) {
    return IntStream.range(0, mesh.faceEnd())
        .filter(f -> f % 2 == 0 && mesh.hasFace(f))
        .mapToObj(f -> Places.onFace(mesh, f))
        .filter(Vec3::isFinite)
        .toList();
  }

  private static void work(Inspector inspector, String name, Mesh mesh, long seed, Set<Kind> seen) {
    Workpiece workpiece = new Workpiece(mesh, Tolerance.of(mesh.bounds()));
    SplittableRandom random = new SplittableRandom(seed);
    Inspected last = inspector.inspect(mesh, List.of(), null);
    for (int round = 0; round < ROUNDS; round++) {
      Inspected before = last;
      Change change = RandomChanges.of(round, mesh, random, workpiece.tolerance().scale());
      String told = name + " " + round + " " + change;
      workpiece.preview(
          change,
          Changes.SOMEWHERE,
          (tried, outcome, touched) ->
              renewed(inspector, workpiece, before, touched, "trying " + told));
      int steps = workpiece.stepCount();
      workpiece.apply(change);
      ElementSet touched = new ElementSet();
      if (workpiece.stepCount() > steps) {
        touched = workpiece.lastTouched().orElseThrow();
      } else if (round % 5 == 4 && steps > 0) {
        touched = workpiece.undo();
      }
      last = renewed(inspector, workpiece, last, touched, told);
      last.report().findings().forEach(f -> seen.add(f.finding().kind()));
    }
  }

  /**
   * Four sheets, the others moved on: a second one shares places, a third touches, a last crosses.
   */
  private static Mesh heap() {
    MeshBuilder heap = new MeshBuilder();
    Mesh sheet = Meshes.grid(3, 2);
    List<UnaryOperator<Vec3>> places =
        List.of(
            p -> p,
            p -> p.plus(new Vec3(3, 0, 0)),
            p -> p.plus(new Vec3(0.5, 2, 0)),
            p -> new Vec3(p.x() + 0.25, 1.1, p.y() - 0.9));
    for (int i = 0; i < places.size(); i++) {
      int from = i * sheet.vertexCount();
      for (int v = 0; v < sheet.vertexCount(); v++) {
        Vec3 at = places.get(i).apply(sheet.position(v));
        heap.vertex(at.x(), at.y(), at.z());
      }
      for (int f = 0; f < sheet.faceCount(); f++) {
        heap.face(Arrays.stream(sheet.vertices(f)).map(v -> v + from).toArray());
      }
    }
    return heap.build();
  }

  private static Inspected renewed(
      Inspector inspector, Workpiece workpiece, Inspected before, ElementSet touched, String told) {
    Since since = new Since(before.recall(), touched, workpiece.near(touched, inspector.room()));
    Inspected renewed = inspector.inspect(workpiece.mesh(), List.of(), since);
    Report whole = inspector.inspect(workpiece.mesh());
    List<Report.Assessed> found = renewed.report().findings();
    assertThat(minus(found, whole.findings())).as(told + ", too many").isEmpty();
    assertThat(minus(whole.findings(), found)).as(told + ", missed").isEmpty();
    assertThat(found).as(told).isEqualTo(whole.findings());
    assertThat(renewed.report().figures())
        .as(told)
        .usingRecursiveComparison()
        .withEqualsForType(RenewedCheckTest::areNearlyOne, Double.class)
        .isEqualTo(whole.figures());
    return renewed;
  }

  private static <T> List<T> minus(List<T> some, List<T> others) {
    Set<T> known = new HashSet<>(others);
    return some.stream().filter(one -> !known.contains(one)).toList();
  }

  /** What is added up in another order is the same but for rounding. */
  private static boolean areNearlyOne(double a, double b) {
    return Math.abs(a - b) <= 1e-9 * Math.max(1, Math.abs(a));
  }
}
