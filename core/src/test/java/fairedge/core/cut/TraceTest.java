package fairedge.core.cut;

import static fairedge.core.MeshAssert.area;
import static fairedge.core.MeshAssert.assertMesh;
import static fairedge.core.MeshAssert.newell;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fairedge.core.Meshes;
import fairedge.core.geometry.Tolerance;
import fairedge.core.geometry.Vec3;
import fairedge.core.local.Refusal;
import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.MeshBuilder;
import fairedge.core.mesh.MeshBytes;
import fairedge.core.props.HarbourProps;
import fairedge.core.step.Change;
import fairedge.core.step.Outcome;
import fairedge.core.step.Receipt;
import fairedge.core.step.Workpiece;
import fairedge.core.work.CutPoint;
import fairedge.core.work.Remark;
import fairedge.core.work.View;
import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.Test;

class TraceTest {
  private static final View ABOVE = new View.Perspective(new Vec3(1.2, 0.9, 10));

  private static Change.TraceChange trace(View view, Anchor... anchors) {
    return Change.TraceChange.of(Arrays.stream(anchors).map(a -> new TracePoint(a, view)).toList());
  }

  private static Receipt made(Mesh mesh, View view, Anchor... anchors) {
    Vec3 newell = newell(mesh);
    Outcome outcome = workpiece(mesh).apply(trace(view, anchors));
    assertThat(outcome).isInstanceOf(Outcome.Made.class);
    assertMesh(mesh).isSound();
    assertThat(newell(mesh).distance(newell)).isLessThan(1e-9);
    return ((Outcome.Made) outcome).receipt();
  }

  private static Refusal refused(Mesh mesh, View view, Anchor... anchors) {
    byte[] before = MeshBytes.write(mesh);
    Outcome outcome = workpiece(mesh).apply(trace(view, anchors));
    assertThat(outcome).isInstanceOf(Outcome.Refused.class);
    assertMesh(mesh).hasBytes(before);
    return ((Outcome.Refused) outcome).refusal();
  }

  private static Workpiece workpiece(Mesh mesh) {
    return new Workpiece(mesh, Tolerance.of(mesh.bounds()));
  }

  private static Anchor at(int vertex) {
    return new Anchor.OnVertex(vertex);
  }

  private static Anchor on(Mesh mesh, int a, int b, double t) {
    return new Anchor.OnEdge(mesh.findEdge(a, b), t);
  }

  @Test
  void fromVertexToVertexOfOneFace_splitsIt() {
    Mesh cube = Meshes.cube();
    Receipt receipt = made(cube, ABOVE, at(4), at(7));
    assertMesh(cube).hasCounts(8, 13, 7).hasFacesOfSides(3, 2).hasEuler(2);
    assertThat(receipt.usedVertices()).isEqualTo(2);
    assertThat(receipt.newVertices()).isEmpty();
    assertThat(receipt.splitFaces()).containsExactly(new Receipt.FaceSplit(1, 4, List.of(1, 6)));
    assertThat(receipt.pieces().getFirst().length()).isCloseTo(Math.sqrt(8), within(1e-12));
  }

  @Test
  void fromEdgeToEdge_givesEveryFaceThereItsCorner() {
    Mesh cube = Meshes.cube();
    made(cube, ABOVE, on(cube, 4, 5, 0.5), on(cube, 6, 7, 0.5));
    // The two walls beyond gain a side: there is no T-junction.
    assertMesh(cube).hasCounts(10, 15, 7).hasFacesOfSides(5, 2).hasFacesOfSides(4, 5).hasEuler(2);
  }

  @Test
  void acrossAGrid_everyEdgeCrossedGetsAVertex() {
    Mesh grid = Meshes.grid(4, 3);
    Receipt receipt = made(grid, ABOVE, on(grid, 0, 5, 0.5), on(grid, 4, 9, 0.5));
    assertMesh(grid).hasCounts(25, 40, 16).hasFacesOfSides(4, 16).hasEuler(1);
    assertThat(receipt.newVertices())
        .hasSize(5)
        .allSatisfy(v -> assertThat(grid.position(v).y()).isCloseTo(0.5, within(1e-14)));
    assertThat(receipt.pieces().getFirst().points())
        .extracting(CutPoint::use)
        .containsExactly(
            CutPoint.Use.NEW,
            CutPoint.Use.CROSSING,
            CutPoint.Use.CROSSING,
            CutPoint.Use.CROSSING,
            CutPoint.Use.NEW);
    assertThat(area(grid)).isCloseTo(12, within(1e-12));
  }

  @Test
  void throughVertices_usesThemInsteadOfMakingNewOnes() {
    Mesh grid = Meshes.grid(3, 3);
    Receipt receipt = made(grid, new View.Parallel(new Vec3(0, 0, -1)), at(0), at(15));
    assertMesh(grid).hasCounts(16, 27, 12).hasFacesOfSides(3, 6);
    assertThat(receipt.usedVertices()).isEqualTo(4);
    assertThat(receipt.newVertices()).isEmpty();
  }

  @Test
  void alongAnEdge_changesNothing_andSaysSo() {
    Mesh grid = Meshes.grid(3, 3);
    byte[] before = MeshBytes.write(grid);
    Receipt receipt = made(grid, ABOVE, at(5), at(6));
    assertMesh(grid).hasBytes(before);
    assertThat(receipt.changesNothing()).isTrue();
    assertThat(receipt.remarks().getFirst().text()).contains("along an edge");
  }

  @Test
  void overARoundForm_cutsOnlyWhatTheEyeSees() {
    Mesh bollard = HarbourProps.mooringBollard();
    double area = area(bollard);
    View front = new View.Perspective(new Vec3(2000, 0, 215));
    // Straight across the waist, between the outermost edges seen from +x.
    int left = bollard.findEdge(36 + 9, 48 + 9);
    int right = bollard.findEdge(36 + 2, 48 + 2);
    Receipt receipt =
        made(bollard, front, new Anchor.OnEdge(left, 0.5), new Anchor.OnEdge(right, 0.5));
    assertThat(receipt.splitFaces()).hasSize(5);
    for (Receipt.FaceSplit split : receipt.splitFaces()) {
      assertThat(bollard.polygon(split.from()).middle().x()).isPositive();
    }
    assertThat(area(bollard)).isCloseTo(area, within(1e-6));
  }

  @Test
  void closerSurface_hidesTheOneBehind_andTheCutRunsOnToTheFacesBorder() {
    MeshBuilder b = new MeshBuilder();
    sheet(b, 0, 10, 0);
    sheet(b, 3, 5, 4);
    Mesh mesh = b.build();
    View view = new View.Parallel(new Vec3(0, 0, -1));
    // From the left side of the low sheet to its right side, under the narrow high one.
    Receipt receipt = made(mesh, view, on(mesh, 0, 3, 0.5), on(mesh, 1, 2, 0.5));
    // Both are seen somewhere: the low sheet is one face, straight from side to side.
    assertThat(receipt.splitFaces()).extracting(Receipt.FaceSplit::from).containsExactly(0);

    Mesh stepped = steppedSheets();
    Receipt over = made(stepped, view, on(stepped, 0, 3, 0.5), on(stepped, 9, 10, 0.5));
    // Low left, high middle, low right are seen; the low middle lies hidden and stays whole.
    assertThat(over.splitFaces()).extracting(Receipt.FaceSplit::from).containsExactly(0, 2, 3);
    assertThat(over.pieces().getFirst().stretches()).hasSizeGreaterThan(1);
  }

  private static void sheet(MeshBuilder b, double from, double to, double z) {
    b.face(b.vertex(from, 0, z), b.vertex(to, 0, z), b.vertex(to, 1, z), b.vertex(from, 1, z));
  }

  /** Three low sheets side by side, not joined, and a high one over the middle. */
  private static Mesh steppedSheets() {
    MeshBuilder b = new MeshBuilder();
    sheet(b, 0, 3, 0);
    sheet(b, 3, 5, 0);
    sheet(b, 5, 8, 0);
    sheet(b, 2.5, 5.5, 4);
    return b.build();
  }

  @Test
  void bendInsideAFace_isAVertexOfValenceTwo() {
    Mesh cube = Meshes.cube();
    Receipt receipt =
        made(
            cube,
            ABOVE,
            on(cube, 4, 5, 0.5),
            new Anchor.InFace(1, new Vec3(1.5, 1.2, 2)),
            new Anchor.InFace(1, new Vec3(0.5, 1.4, 2)),
            on(cube, 6, 7, 0.5));
    assertMesh(cube).hasCounts(12, 17, 7).hasFacesOfSides(6, 2).hasEuler(2);
    assertThat(receipt.newVertices()).hasSize(4);
    assertThat(receipt.newVertices().stream().filter(v -> cube.valence(v) == 2)).hasSize(2);
    assertThat(receipt.pieces()).hasSize(3);
    assertThat(receipt.pieces().get(0).toLast()).isNull();
    assertThat(receipt.pieces().get(1).toLast()).isGreaterThan(90);
  }

  @Test
  void bendInAnotherFace_isReachedAcrossEdges() {
    Mesh grid = Meshes.grid(4, 3);
    made(
        grid,
        ABOVE,
        on(grid, 0, 5, 0.5),
        new Anchor.InFace(6, new Vec3(2.5, 1.5, 0)),
        on(grid, 4, 9, 0.5));
    assertMesh(grid).hasEuler(1);
    assertThat(area(grid)).isCloseTo(12, within(1e-9));
  }

  @Test
  void twoStretches_throughAnEdgePoint_mayCutTheSameFaceAgain() {
    Mesh cube = Meshes.cube();
    made(cube, ABOVE, on(cube, 4, 5, 0.5), on(cube, 5, 7, 0.5), on(cube, 6, 7, 0.5));
    assertMesh(cube).hasFacesOfSides(3, 2).hasEuler(2);
  }

  @Test
  void closedRun_comesBackToItsFirstPoint() {
    Mesh cube = Meshes.cube();
    Anchor first = on(cube, 4, 5, 0.5);
    made(cube, ABOVE, first, on(cube, 5, 7, 0.5), on(cube, 6, 7, 0.5), on(cube, 4, 6, 0.5), first);
    assertMesh(cube).hasCounts(12, 20, 10).hasFacesOfSides(3, 4).hasEuler(2);
  }

  @Test
  void pieceThatCrossesAnEarlierOne_makesAVertexThere() {
    Mesh cube = Meshes.cube();
    made(cube, ABOVE, at(4), at(7), at(5), at(6));
    // 4-7 and 5-6 are the diagonals of the top; 7-5 is an edge.
    assertMesh(cube).hasCounts(9, 16, 9).hasFacesOfSides(3, 4);
    assertThat(cube.position(8)).isEqualTo(new Vec3(1, 1, 2));
  }

  @Test
  void concaveFace_isCutWhereTheLineRunsInside() {
    MeshBuilder b = new MeshBuilder();
    // A flat U seen from above: its notch is open to +y.
    double[][] outline = {{0, 0}, {6, 0}, {6, 4}, {4, 4}, {4, 2}, {2, 2}, {2, 4}, {0, 4}};
    int[] ring = Arrays.stream(outline).mapToInt(p -> b.vertex(p[0], p[1], 0)).toArray();
    b.face(ring);
    Mesh mesh = b.build();
    View view = new View.Parallel(new Vec3(0, 0, -1));
    Receipt receipt = made(mesh, view, on(mesh, 0, 7, 0.75), on(mesh, 1, 2, 0.75));
    assertMesh(mesh).hasCounts(12, 14, 3).hasFacesOfSides(8, 1).hasFacesOfSides(4, 2);
    assertThat(receipt.newVertices()).hasSize(4);
    assertThat(area(mesh)).isCloseTo(20, within(1e-12));
  }

  @Test
  void verticesThatAnEdgeElsewhereJoins_getNoSecondEdge() {
    MeshBuilder b = new MeshBuilder();
    int[] v = {
      b.vertex(0, 0, 0),
      b.vertex(1, 0, 0),
      b.vertex(1, 1, 0),
      b.vertex(0, 1, 0),
      b.vertex(.5, .5, -1)
    };
    b.face(v[0], v[1], v[2], v[3]);
    b.face(v[0], v[2], v[4]);
    Mesh mesh = b.build();
    // The diagonal lies along that edge: nothing is changed, and it is said.
    Receipt receipt = made(mesh, ABOVE, at(0), at(2));
    assertThat(receipt.changesNothing()).isTrue();
    assertThat(receipt.remarks().getFirst().text()).contains("along an edge");
  }

  @Test
  void faceThatComesToAVertexTwice_isCutAtTheCornerOnTheWay() {
    Mesh mesh = Meshes.edgeUsedTwice();
    View view = new View.Parallel(new Vec3(0, 0, -1));
    // From below the slit to above it: the slit's edge is crossed, and both its sides get a corner.
    made(mesh, view, on(mesh, 0, 1, 0.25), on(mesh, 0, 3, 0.25));
    assertMesh(mesh).hasCounts(8, 10, 3).hasFacesOfSides(3, 2).hasFacesOfSides(8, 1);
    assertThat(area(mesh)).isCloseTo(4, within(1e-12));
  }

  @Test
  void endInsideAFace_isRefusedWithTheFace() {
    Mesh cube = Meshes.cube();
    Refusal refusal = refused(cube, ABOVE, at(4), new Anchor.InFace(1, new Vec3(1, 1, 2)));
    assertThat(refusal.reason()).contains("inside a face");
    assertThat(refusal.element()).hasToString("face 1");
  }

  @Test
  void eyeInOneLineWithBothPoints_isRefused() {
    Mesh cube = Meshes.cube();
    assertThat(refused(cube, new View.Perspective(new Vec3(-2, -2, 4)), at(4), at(3)).reason())
        .contains("turn the model");
    assertThat(refused(cube, new View.Parallel(new Vec3(2, 2, 0)), at(4), at(7)).reason())
        .contains("one line");
  }

  @Test
  void elementsThatAreNotThere_onePoint_orNoView_areRefused() {
    Mesh cube = Meshes.cube();
    assertThat(refused(cube, ABOVE, at(4)).reason()).contains("two points");
    assertThat(refused(cube, ABOVE, at(4), at(77)).reason()).contains("not there");
    assertThat(refused(cube, ABOVE, new Anchor.OnEdge(0, Double.NaN), at(4)).reason())
        .contains("not there");
    View nowhere = new View.Perspective(new Vec3(Double.NaN, 0, 0));
    assertThat(refused(cube, nowhere, at(4), at(7)).reason()).contains("view");
  }

  @Test
  void pointWithinTheMergeDistanceOfAnEnd_isThatEnd() {
    Mesh cube = Meshes.cube();
    made(cube, ABOVE, on(cube, 4, 5, 1e-9), on(cube, 5, 7, 1 - 1e-9));
    assertMesh(cube).hasCounts(8, 13, 7);
  }

  /** Neither leaves a vertex in an edge. */
  @Test
  void pieceAlongPartOfAnEdge_orTwiceAtOnePoint_changesNothing_andSaysWhy() {
    Mesh cube = Meshes.cube();
    byte[] before = MeshBytes.write(cube);
    int edge = cube.findEdge(4, 5);
    View above = new View.Parallel(new Vec3(0.1, 0.2, -1));
    for (List<Anchor> idle :
        List.of(
            List.<Anchor>of(new Anchor.OnEdge(edge, 0.2), new Anchor.OnEdge(edge, 0.7)),
            List.<Anchor>of(new Anchor.OnEdge(edge, 0.2), new Anchor.OnVertex(5)),
            List.<Anchor>of(
                new Anchor.OnEdge(edge, 0.2),
                new Anchor.OnEdge(edge, 0.5),
                new Anchor.OnEdge(edge, 0.4)))) {
      List<Remark> remarks = idle(cube, above, idle);
      assertThat(remarks).allMatch(r -> r.text().contains("runs along an edge"));
      assertMesh(cube).hasBytes(before);
    }
    List<Remark> twice =
        idle(cube, above, List.of(new Anchor.OnEdge(edge, 0.2), new Anchor.OnEdge(edge, 0.2)));
    assertThat(twice).singleElement().satisfies(r -> assertThat(r.text()).contains("are one"));
    assertMesh(cube).hasBytes(before);
  }

  private static List<Remark> idle(Mesh mesh, View view, List<Anchor> anchors) {
    return made(mesh, view, anchors.toArray(Anchor[]::new)).remarks();
  }

  @Test
  void pieceAlongAnEdge_beforeOneThatCuts_leavesNoVertex() {
    Mesh cube = Meshes.cube();
    int edge = cube.findEdge(4, 5);
    int across = cube.findEdge(7, 6);
    View above = new View.Parallel(new Vec3(0.1, 0.2, -1));
    Receipt receipt =
        made(
            cube,
            above,
            new Anchor.OnEdge(edge, 0.2),
            new Anchor.OnEdge(edge, 0.5),
            new Anchor.OnEdge(across, 0.5));
    assertMesh(cube).isSound().hasCounts(10, 15, 7);
    assertThat(receipt.newVertices()).hasSize(2);
  }

  @Test
  void pieceAlongAnEdge_isToldAsThat_rightThroughToo() {
    Mesh grid = Meshes.grid(2, 2);
    List<TracePoint> points = List.of(new TracePoint(at(1), ABOVE), new TracePoint(at(4), ABOVE));
    Change trace =
        Change.TraceChange.asked(List.of(TraceRun.of(points)), null, Reach.THROUGH, null);
    Outcome outcome = workpiece(grid).apply(trace);
    assertThat(((Outcome.Made) outcome).receipt().remarks())
        .singleElement()
        .satisfies(r -> assertThat(r.text()).contains("runs along an edge"));
  }
}
