package fairedge.core.cut;

import static fairedge.core.Changes.made;
import static fairedge.core.Changes.refused;
import static fairedge.core.MeshAssert.area;
import static fairedge.core.MeshAssert.assertMesh;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fairedge.core.Meshes;
import fairedge.core.geometry.Tolerance;
import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;
import fairedge.core.step.Change;
import fairedge.core.step.Receipt;
import fairedge.core.work.Remark;
import fairedge.core.work.Scope;
import fairedge.core.work.View;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Traces of several runs, closed ones, right through, from beside the model, of chosen faces. */
class TraceRunsTest {
  private static final View ABOVE = new View.Parallel(new Vec3(0, 0, -1));

  private static TraceRun run(Anchor... anchors) {
    return TraceRun.of(Stream.of(anchors).map(a -> new TracePoint(a, ABOVE)).toList());
  }

  private static Change front(TraceRun... runs) {
    return new Change.TraceChange(List.of(runs), Reach.FRONT, Scope.WHOLE);
  }

  private static Change through(TraceRun... runs) {
    return new Change.TraceChange(List.of(runs), Reach.THROUGH, Scope.WHOLE);
  }

  private static Anchor at(int vertex) {
    return new Anchor.OnVertex(vertex);
  }

  private static Anchor on(Mesh mesh, int a, int b, double t) {
    return new Anchor.OnEdge(mesh.findEdge(a, b), t);
  }

  private static Anchor in(int face, double x, double y, double z) {
    return new Anchor.InFace(face, new Vec3(x, y, z));
  }

  private static Anchor off(double x, double y) {
    return new Anchor.OffModel(new Vec3(x, y, 5));
  }

  @Test
  void runsThatCross_makeAVertexThere() {
    Mesh cube = Meshes.cube();
    Receipt receipt = made(cube, front(run(at(4), at(7)), run(at(5), at(6))));
    assertMesh(cube).hasCounts(9, 16, 9).hasFacesOfSides(3, 4).hasEuler(2);
    assertThat(cube.position(8)).isEqualTo(new Vec3(1, 1, 2));
    assertThat(receipt.pieces()).hasSize(2);
  }

  @Test
  void runThatCrossesItself_makesAVertexThere() {
    Mesh grid = Meshes.grid(1, 1);
    Anchor[] loop = {
      on(grid, 0, 1, 0.25), in(0, 0.8, 0.6, 0), in(0, 0.2, 0.6, 0), on(grid, 0, 1, 0.75)
    };
    made(grid, front(run(loop)));
    // The loop hangs on the crossing; one more edge, so that no face touches itself there.
    assertMesh(grid).hasCounts(9, 12, 4).hasEuler(1);
    assertThat(area(grid)).isCloseTo(1, within(1e-12));
  }

  @Test
  void runThatComesBackToOneVertex_isJoinedToTheBorderOnceMore() {
    Mesh grid = Meshes.grid(1, 1);
    made(grid, front(run(at(0), in(0, 0.6, 0.2, 0), in(0, 0.2, 0.6, 0), at(0))));
    assertMesh(grid).hasCounts(6, 8, 3).hasEuler(1);
    assertThat(area(grid)).isCloseTo(1, within(1e-12));
  }

  @Test
  void closedRunInsideAFace_isAnIslandJoinedByTwoEdges() {
    Mesh grid = Meshes.grid(1, 1);
    Anchor first = in(0, 0.3, 0.3, 0);
    TraceRun run = run(first, in(0, 0.7, 0.3, 0), in(0, 0.5, 0.7, 0), first);
    made(grid, front(run));
    assertMesh(grid).hasCounts(7, 9, 3).hasEuler(1);
    assertThat(area(grid)).isCloseTo(1, within(1e-12));
  }

  /** An eight, and a chain of three, whose lobes hang together at crossings only. */
  @ParameterizedTest
  @CsvSource({"1, 9, 12, 4", "2, 12, 16, 5"})
  void closedRunThatCrossesItself_isJoinedByTwoEdges(
      int crossings, int vertices, int edges, int faces) {
    Mesh grid = Meshes.grid(1, 1);
    // To and fro along the middle, above it and below it by turns; the lowest lobe is the nearest.
    List<Anchor> run = new ArrayList<>();
    for (int i = 0; i <= crossings; i++) {
      run.add(in(0, 0.1 + 0.25 * i, i % 2 == 0 ? 0.4 : 0.6, 0));
    }
    for (int i = crossings; i >= 0; i--) {
      run.add(in(0, 0.1 + 0.25 * i, i % 2 == 0 ? 0.6 : 0.4, 0));
    }
    run.add(run.getFirst());
    made(grid, front(run(run.toArray(Anchor[]::new))));
    assertMesh(grid).hasCounts(vertices, edges, faces).hasEuler(1);
    assertThat(area(grid)).isCloseTo(1, within(1e-12));
  }

  @Test
  void lobeWithinALobe_isJoinedToItOnce() {
    Mesh grid = Meshes.grid(1, 1);
    Anchor first = in(0, 0.5, 0.1, 0);
    Anchor[] run = {
      first,
      in(0, 0.9, 0.9, 0),
      in(0, 0.1, 0.9, 0),
      in(0, 0.6, 0.5, 0),
      in(0, 0.4, 0.5, 0),
      in(0, 0.8, 0.85, 0),
      in(0, 0.2, 0.85, 0),
      first
    };
    made(grid, front(run(run)));
    assertMesh(grid).hasEuler(1);
    assertThat(area(grid)).isCloseTo(1, within(1e-12));
  }

  /** Two shallow runs that cross {@code off} merge distances from the grid's lower side. */
  @ParameterizedTest
  @ValueSource(doubles = {0.6, 0.95, 1.05, 30})
  void crossingNearASide_isOnIt_withinTheMergeDistance(double off) {
    Mesh grid = Meshes.grid(1, 1);
    double merge = Tolerance.of(grid.bounds()).merge();
    double height = 2 * off * merge;
    made(grid, front(run(at(0), on(grid, 1, 3, height)), run(at(1), on(grid, 0, 2, height))));
    Vec3 crossing = grid.position(grid.vertexEnd() - 1);
    assertThat(crossing.x()).isCloseTo(0.5, within(1e-12));
    assertThat(crossing.y()).isEqualTo(off <= 1 ? 0 : height / 2);
    assertMesh(grid).hasCounts(7, off <= 1 ? 9 : 10, off <= 1 ? 3 : 4).hasEuler(1);
    assertThat(area(grid)).isCloseTo(1, within(1e-9));
  }

  @Test
  void threeRunsThatNearlyMeet_meet() {
    Mesh grid = Meshes.grid(1, 1);
    double beside = 0.9 * Tolerance.of(grid.bounds()).merge();
    Change change =
        front(
            run(on(grid, 0, 2, 0.5), on(grid, 1, 3, 0.5)),
            run(on(grid, 0, 2, 0.501), on(grid, 1, 3, 0.499)),
            run(on(grid, 0, 1, 0.2), on(grid, 2, 3, 0.8 + 2 * beside)));
    made(grid, change);
    // Past the crossing of the first two, not farther than counts.
    assertMesh(grid).hasEuler(1).hasCounts(4 + 6 + 1, 4 + 6 + 6, 6);
  }

  @Test
  void runThatEndsInsideAFace_isRefused() {
    Mesh grid = Meshes.grid(1, 1);
    assertThat(refused(grid, front(run(at(0), in(0, 0.5, 0.5, 0)))).reason())
        .contains("can't end inside a face");
  }

  @Test
  void pointOffItsFace_isRefused_andOneOnItsBorderIsOnTheBorder() {
    Mesh grid = Meshes.grid(1, 1);
    assertThat(refused(grid, front(run(at(0), in(0, 5, 5, 0), at(3)))).reason())
        .contains("does not lie in its face");
    made(grid, front(run(at(0), in(0, 1, 0.5, 1e-9), at(2))));
    assertMesh(grid).hasCounts(5, 7, 3);
  }

  @Test
  void rightThrough_cutsFrontAndBack() {
    Mesh cube = Meshes.cube();
    Receipt receipt = made(cube, through(run(on(cube, 4, 5, 0.5), on(cube, 6, 7, 0.5))));
    // All four walls across are cut: a ring of ten quads.
    assertMesh(cube).hasCounts(12, 20, 10).hasFacesOfSides(4, 10).hasEuler(2);
    assertThat(receipt.newVertices()).hasSize(4);
  }

  @Test
  void rightThroughWithABend_bendsBehindToo() {
    Mesh cube = Meshes.cube();
    Anchor bend = in(1, 1.2, 1, 2);
    made(cube, through(run(on(cube, 4, 5, 0.5), bend, on(cube, 6, 7, 0.5))));
    assertMesh(cube).hasCounts(14, 22, 10).hasEuler(2);
    long bends =
        java.util.stream.IntStream.range(8, cube.vertexEnd())
            .filter(v -> cube.valence(v) == 2)
            .filter(v -> Math.abs(cube.position(v).x() - 1.2) < 1e-12)
            .count();
    assertThat(bends).isEqualTo(2);
  }

  @Test
  void fromBesideToBeside_cutsWhereTheModelBeginsAndEnds() {
    Mesh grid = Meshes.grid(4, 1);
    Receipt receipt = made(grid, front(run(off(-1, 0.25), off(9, 0.25))));
    assertMesh(grid).hasCounts(15, 22, 8).hasFacesOfSides(4, 8);
    assertThat(receipt.pieces().getFirst().length()).isCloseTo(4, within(1e-12));
  }

  @Test
  void fromBesideToInside_endsOnAnEdge() {
    Mesh grid = Meshes.grid(2, 1);
    made(grid, front(run(off(-1, 0.5), on(grid, 1, 4, 0.5))));
    assertMesh(grid).hasFacesOfSides(4, 2).hasFacesOfSides(5, 1);
  }

  @Test
  void chosenFaces_areCutOnly() {
    Mesh grid = Meshes.grid(3, 1);
    Change change =
        new Change.TraceChange(
            List.of(run(off(-1, 0.5), off(9, 0.5))), Reach.FRONT, Scope.of(List.of(1)));
    Receipt receipt = made(grid, change);
    assertThat(receipt.splitFaces()).extracting(Receipt.FaceSplit::from).containsExactly(1);
    assertThat(receipt.remarks()).extracting(Remark::text).hasSize(2);
  }

  @Test
  void hiddenFaces_hideNothing_andAreNotCut() {
    Mesh cube = Meshes.cube();
    Change change =
        new Change.TraceChange(
            List.of(run(off(-1, 1), off(9, 1))), Reach.FRONT, new Scope(null, List.of(1)));
    Receipt receipt = made(cube, change);
    assertThat(receipt.splitFaces()).extracting(Receipt.FaceSplit::from).containsExactly(0);
  }

  @ParameterizedTest
  @ValueSource(doubles = {0, 0.01, 0.2})
  void freehandStroke_isThinned(double thin) {
    Mesh grid = Meshes.grid(1, 1);
    List<TracePoint> points = new ArrayList<>();
    points.add(new TracePoint(on(grid, 0, 2, 0.5), ABOVE));
    for (int i = 1; i < 40; i++) {
      double x = i / 40.0;
      points.add(new TracePoint(in(0, x, 0.5 + 0.1 * Math.sin(6 * x), 0), ABOVE));
    }
    points.add(new TracePoint(on(grid, 1, 3, 0.5), ABOVE));
    made(
        grid,
        new Change.TraceChange(List.of(new TraceRun(points, thin)), Reach.FRONT, Scope.WHOLE));
    int bends = grid.vertexCount() - 6;
    assertThat(bends)
        .isBetween(thin == 0 ? 39 : thin == 0.2 ? 0 : 3, thin == 0 ? 39 : thin == 0.2 ? 0 : 8);
    assertThat(area(grid)).isCloseTo(1, within(1e-12));
  }

  @Test
  void tooManyPoints_areRefusedWithTheirNumber() {
    Mesh grid = Meshes.grid(1, 1);
    TracePoint[] points = new TracePoint[5000];
    Arrays.fill(points, new TracePoint(at(0), ABOVE));
    assertThat(refused(grid, front(TraceRun.of(List.of(points)))).reason()).contains("5000");
  }

  @Test
  void scribble_isRefused_beforeItTakesForEver() {
    Mesh grid = Meshes.grid(1, 1);
    List<TracePoint> points = new ArrayList<>();
    points.add(new TracePoint(at(0), ABOVE));
    java.util.SplittableRandom random = new java.util.SplittableRandom(7);
    for (int i = 0; i < 900; i++) {
      double x = random.nextDouble(0.1, 0.9);
      points.add(new TracePoint(in(0, x, random.nextDouble(0.1, 0.9), 0), ABOVE));
    }
    points.add(new TracePoint(at(3), ABOVE));
    assertThat(refused(grid, front(TraceRun.of(points))).reason()).contains("crosses itself");
  }

  @Test
  void manyCrossingRunsInOneFace_keepTheArea() {
    Mesh grid = Meshes.grid(1, 1);
    List<TraceRun> runs = new ArrayList<>();
    for (int i = 1; i < 12; i++) {
      runs.add(run(on(grid, 0, 1, i / 12.0), on(grid, 2, 3, 1 - i / 12.0)));
      runs.add(run(on(grid, 0, 2, i / 12.0), on(grid, 1, 3, i * i / 144.0)));
    }
    made(grid, front(runs.toArray(TraceRun[]::new)));
    assertMesh(grid).hasEuler(1);
    assertThat(area(grid)).isCloseTo(1, within(1e-9));
  }
}
