package fairedge.core.inspect;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;
import static org.assertj.core.api.Assertions.within;

import fairedge.core.Meshes;
import fairedge.core.geometry.Tolerance;
import fairedge.core.geometry.Vec3;
import fairedge.core.inspect.finding.Finding;
import fairedge.core.inspect.finding.Kind;
import fairedge.core.inspect.finding.Rule;
import fairedge.core.local.MeshEdit;
import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.MeshBuilder;
import fairedge.core.mesh.MeshBytes;
import fairedge.core.mesh.MeshLinks;
import fairedge.core.near.Surface;
import fairedge.core.props.HarbourProps;
import fairedge.core.step.Change;
import fairedge.core.step.Workpiece;
import fairedge.core.survey.Asking;
import fairedge.core.survey.Deviation;
import fairedge.core.survey.Measure;
import fairedge.core.survey.Starter;
import fairedge.core.survey.Subject;
import fairedge.core.survey.Thresholds;
import fairedge.core.survey.Wanted;
import fairedge.core.survey.Wanted.Line;
import fairedge.core.survey.Wanted.Mirror;
import java.util.List;
import java.util.SplittableRandom;
import java.util.function.UnaryOperator;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What an exercise asks of the shape: worked examples. */
class ShapeKindsTest {
  private static Mesh copy(Mesh mesh) {
    return MeshBytes.read(MeshBytes.write(mesh));
  }

  private static List<Finding> find(
      Kind kind, Mesh mesh, Mesh began, Wanted wanted, Mesh reference) {
    Tolerance tolerance = Tolerance.of(began.bounds());
    Inspector inspector =
        new Inspector(Profile.ALL_QUADS, tolerance, new Starter(began, tolerance.flat()))
            .asking(wanted, reference == null ? List.of() : List.of(reference));
    return inspector.inspect(mesh).findings().stream()
        .map(Report.Assessed::finding)
        .filter(f -> f.kind() == kind)
        .toList();
  }

  private static List<Finding> find(Kind kind, Mesh mesh, Mesh began, Wanted wanted) {
    return find(kind, mesh, began, wanted, null);
  }

  private static Wanted parts(int parts) {
    return new Wanted(parts, null, null, null, false, List.of(), List.of());
  }

  private static Wanted distance(double distance) {
    return new Wanted(null, null, distance, null, false, List.of(), List.of());
  }

  private static Wanted lines(Line... lines) {
    return new Wanted(null, null, null, null, false, List.of(lines), List.of());
  }

  /** Cubes beside each other, with a gap between them. */
  private static Mesh cubes(int n, double gap) {
    MeshBuilder all = new MeshBuilder();
    Mesh cube = Meshes.cube();
    for (int i = 0; i < n; i++) {
      for (int v = 0; v < 8; v++) {
        Vec3 p = cube.position(v);
        all.vertex(p.x() + i * (2 + gap), p.y(), p.z());
      }
      for (int f = 0; f < 6; f++) {
        int[] ring = cube.vertices(f);
        for (int k = 0; k < 4; k++) {
          ring[k] += 8 * i;
        }
        all.face(ring);
      }
    }
    return all.build();
  }

  @Test
  void parts_areCounted_andFittedPiecesMayTouch() {
    Mesh two = cubes(2, 0.5);
    assertThat(find(Kind.PARTS, two, two, parts(2))).isEmpty();
    assertThat(find(Kind.PARTS, two, two, Wanted.NOTHING)).isEmpty();
    assertThat(find(Kind.PARTS, two, two, parts(3)))
        .singleElement()
        .extracting(Finding::measure)
        .isEqualTo(new Measure(2, Measure.Unit.PARTS));
    Mesh touching = cubes(2, 0);
    assertThat(find(Kind.DOUBLE, touching, touching, parts(1))).hasSize(4);
    assertThat(find(Kind.DOUBLE, touching, touching, parts(2))).isEmpty();
  }

  @Test
  void budget_countsFaces() {
    Mesh cube = Meshes.cube();
    Wanted five = new Wanted(null, 5, null, null, false, List.of(), List.of());
    Wanted six = new Wanted(null, 6, null, null, false, List.of(), List.of());
    assertThat(find(Kind.TOO_MANY, cube, cube, six)).isEmpty();
    assertThat(find(Kind.TOO_MANY, cube, cube, five))
        .singleElement()
        .extracting(f -> f.measure().value())
        .isEqualTo(6.0);
  }

  @ParameterizedTest
  @CsvSource({
    "100, 0, 1, 2, 0, 0, 0",
    "0.01, 0, 1, 2, 5, 0, -3",
    "1, 0, 1, 2, 900, 20, 1",
    "1, 0, 2, 1, 0, 0, 0",
    "25.4, 2, 0, 1, 7, 7, 7"
  })
  void meshElsewhere_isPlaced_andComparedAfterThat(
      double scale, int x, int y, int z, double dx, double dy, double dz) {
    Mesh began = lopsidedBox();
    Workpiece work = new Workpiece(copy(began), Tolerance.of(began.bounds()));
    work.apply(Change.LoopsChange.of(work.mesh().findEdge(0, 1), 0.5));
    UnaryOperator<Vec3> away =
        p -> new Vec3(p.along(x), p.along(y), p.along(z)).times(scale).plus(new Vec3(dx, dy, dz));
    Mesh mesh = work.mesh().moved(away);
    List<Finding> placed = find(Kind.PLACED, mesh, began, Wanted.NOTHING);
    assertThat(placed).hasSize(1);
    if (scale != 1) {
      assertThat(placed.getFirst().measure().value()).isCloseTo(1 / scale, within(1e-9));
    }
    // The loop bends the face that is not flat a little.
    assertThat(find(Kind.MOVED, mesh, began, distance(0.1))).isEmpty();
    assertThat(find(Kind.MOVED, mesh, began, distance(0.01))).hasSize(1);
    assertThat(find(Kind.PLACED, work.mesh(), began, Wanted.NOTHING)).isEmpty();
  }

  /** A box no side of which is like another. */
  private static Mesh lopsidedBox() {
    Mesh box = Meshes.cube().moved(p -> new Vec3(3 * p.x(), 2 * p.y() + 1, p.z()));
    MeshLinks links = new MeshLinks(box);
    links.move(7, box.position(7).plus(new Vec3(0.5, 0.25, 0)));
    return box;
  }

  @Test
  void anotherForm_isNotPlaced_butMoved() {
    Mesh began = HarbourProps.mooringBollard();
    Mesh other = Meshes.cube().moved(p -> p.times(1000));
    assertThat(find(Kind.PLACED, other, began, Wanted.NOTHING)).isEmpty();
    assertThat(find(Kind.MOVED, other, began, distance(1))).hasSize(1);
  }

  @Test
  void movedVertex_isFoundAtItsPlace_andWhatIsMissingToo() {
    Mesh began = Meshes.grid(4, 3);
    Mesh bump = copy(began);
    new MeshLinks(bump).move(7, bump.position(7).plus(new Vec3(0, 0, 0.3)));
    assertThat(find(Kind.MOVED, bump, began, distance(0.301))).isEmpty();
    Finding found = find(Kind.MOVED, bump, began, distance(0.1)).getFirst();
    assertThat(found.measure().value()).isCloseTo(0.3, within(1e-9));
    assertThat(found.place().distance(bump.position(7))).isLessThan(1e-9);

    Mesh short1 = Meshes.grid(3, 3);
    Finding missing = find(Kind.MOVED, short1, began, distance(0.1)).getFirst();
    assertThat(missing.measure().value()).isCloseTo(1, within(1e-9));
    assertThat(missing.sentence()).startsWith("The starter has surface that lies off this one");
  }

  /** The middle of the other surface is farther than any corner: by bounds, not by corners. */
  @Test
  void largestDistance_mayLieInTheMiddleOfAFace() {
    MeshBuilder flat = new MeshBuilder();
    MeshBuilder bowl = new MeshBuilder();
    for (double[] p : new double[][] {{0, 0}, {4, 0}, {4, 4}, {0, 4}}) {
      flat.vertex(p[0], p[1], 0);
      bowl.vertex(p[0], p[1], 0);
    }
    flat.face(0, 1, 2, 3);
    bowl.vertex(2, 2, -1);
    for (int i = 0; i < 4; i++) {
      bowl.face(i, (i + 1) % 4, 4);
    }
    Surface sheet = new Surface(flat.build());
    Surface deep = new Surface(bowl.build());
    Deviation down = Deviation.of(flat.build(), sheet, deep, 0.01);
    // From the middle to the slanting sides: 2 sin(atan(1 / 2)).
    assertThat(down.largest()).isCloseTo(2 / Math.sqrt(5), within(0.01));
    assertThat(Deviation.of(bowl.build(), deep, sheet, 0.01).largest()).isCloseTo(1, within(1e-9));
  }

  @Test
  void nearest_isTheNearestOfAll() {
    Mesh mesh = HarbourProps.mooringBollard();
    Surface surface = new Surface(mesh);
    SplittableRandom random = new SplittableRandom(4);
    double scale = mesh.bounds().diagonal();
    for (int i = 0; i < 500; i++) {
      Vec3 p =
          new Vec3(random.nextDouble(), random.nextDouble(), random.nextDouble())
              .times(scale)
              .minus(new Vec3(scale / 2, scale / 2, 0));
      int found = surface.nearest(p, random.nextInt(-1, surface.triangles()));
      double best = Double.POSITIVE_INFINITY;
      for (int t = 0; t < surface.triangles(); t++) {
        best = Math.min(best, surface.distance(t, p));
      }
      assertThat(surface.distance(found, p)).isEqualTo(best);
    }
  }

  private static Mesh withLoop(Mesh began, int a, int b, double at) {
    Workpiece work = new Workpiece(copy(began), Tolerance.of(began.bounds()));
    work.apply(Change.LoopsChange.of(began.findEdge(a, b), at));
    return work.mesh();
  }

  private static Line square(double height) {
    return new Line(
        List.of(
            new Vec3(0, 0, height),
            new Vec3(2, 0, height),
            new Vec3(2, 2, height),
            new Vec3(0, 2, height),
            new Vec3(0, 0, height)));
  }

  @Test
  void requiredLine_isCoveredByTheLoop_orSaysHowMuchIsNot() {
    Mesh cube = Meshes.cube();
    Mesh cut = withLoop(cube, 0, 4, 0.5);
    assertThat(find(Kind.OFF_LINE, cut, cube, lines(square(1)))).isEmpty();
    Finding off = find(Kind.OFF_LINE, cut, cube, lines(square(1.4))).getFirst();
    assertThat(off.measure()).isEqualTo(new Measure(0, Measure.Unit.SHARE));
    // Half of this line runs where the loop is, and half climbs the side.
    Line half = new Line(List.of(new Vec3(0, 0, 1), new Vec3(2, 0, 1), new Vec3(2, 0.001, 3)));
    double share = find(Kind.OFF_LINE, cut, cube, lines(half)).getFirst().measure().value();
    assertThat(share).isBetween(0.49, 0.78);
  }

  @Test
  void edgesThatTheReferenceDoesNotNeed_areTold() {
    Mesh cube = Meshes.cube();
    Mesh reference = withLoop(cube, 0, 4, 0.5);
    assertThat(find(Kind.OFF_LINE, withLoop(cube, 0, 4, 0.5), cube, Wanted.NOTHING, reference))
        .isEmpty();
    List<Finding> found =
        find(Kind.OFF_LINE, withLoop(cube, 0, 4, 0.7), cube, Wanted.NOTHING, reference);
    assertThat(found).singleElement().extracting(f -> f.measure().value()).isEqualTo(4.0);
  }

  @Test
  void lineThatStopsInTheSurface_isOneSided() {
    Wanted round = new Wanted(null, null, null, null, true, List.of(), List.of());
    Mesh cube = Meshes.cube();
    assertThat(find(Kind.ONE_SIDED, withLoop(cube, 0, 4, 0.5), cube, round)).isEmpty();
    Mesh sheet = Meshes.grid(4, 3);
    assertThat(find(Kind.ONE_SIDED, withLoop(sheet, 0, 1, 0.5), sheet, round)).isEmpty();
    Mesh cut = copy(sheet);
    new MeshEdit(cut).splitFace(5, cut.findCorner(5, 6), cut.findCorner(5, 12), List.of());
    assertThat(find(Kind.ONE_SIDED, cut, sheet, round))
        .singleElement()
        .extracting(f -> f.measure().value())
        .isEqualTo(2.0);
    assertThat(find(Kind.ONE_SIDED, cut, sheet, Wanted.NOTHING)).isEmpty();
  }

  @Test
  void halvesThatAreNotAlike_areLopsided() {
    Mesh cube = Meshes.cube();
    Mirror middle = new Mirror(new Vec3(1, 1, 1), new Vec3(1, 0, 0), 1e-3);
    Wanted alike = new Wanted(null, null, null, middle, false, List.of(), List.of());
    assertThat(find(Kind.LOPSIDED, withLoop(cube, 0, 4, 0.3), cube, alike)).isEmpty();
    assertThat(find(Kind.LOPSIDED, withLoop(cube, 0, 1, 0.5), cube, alike)).isEmpty();
    assertThat(find(Kind.LOPSIDED, withLoop(cube, 0, 1, 0.3), cube, alike))
        .singleElement()
        .extracting(f -> f.measure().value())
        .isEqualTo(4.0);
  }

  @Test
  void markedEdges_areHard_andCoveredEndsMayFan() {
    Mesh sheet = Meshes.grid(2, 1);
    Line fold = new Line(List.of(new Vec3(1, 0, 0), new Vec3(1, 1, 0)));
    Wanted hard = new Wanted(null, null, null, null, false, List.of(), List.of(fold));
    Subject marked =
        new Subject(
            sheet,
            Tolerance.of(sheet.bounds()),
            Thresholds.USUAL,
            List.of(),
            null,
            new Asking(hard, List.of()));
    assertThat(marked.hardEdges().isHard(sheet.findEdge(1, 4))).isTrue();
    assertThat(marked.hardEdges().isHard(sheet.findEdge(0, 3))).isFalse();

    Mesh buoy = HarbourProps.channelBuoy();
    Mesh round = Meshes.cube();
    Finding fan =
        find(Kind.TRIANGLE, buoy, round, Wanted.NOTHING).stream()
            .filter(f -> f.rule() == Rule.TRIANGLE_FAN)
            .findFirst()
            .orElseThrow();
    Wanted covered =
        Wanted.asked(
            null, null, null, null, null, null, null, List.of(fan.place()), null, null, null);
    assertThat(find(Kind.TRIANGLE, buoy, round, covered))
        .noneMatch(f -> f.rule() == Rule.TRIANGLE_FAN && f.place().equals(fan.place()));
  }

  @Test
  void whatCantBeAskedFor_isRefused() {
    assertThatIllegalArgumentException().isThrownBy(() -> parts(0));
    assertThatIllegalArgumentException().isThrownBy(() -> distance(Double.NaN));
    assertThatIllegalArgumentException().isThrownBy(() -> new Line(List.of(Vec3.ZERO)));
    assertThatIllegalArgumentException().isThrownBy(() -> new Mirror(Vec3.ZERO, Vec3.ZERO, 1));
  }
}
