package fairedge.core.cut;

import static fairedge.core.MeshAssert.area;
import static fairedge.core.MeshAssert.assertMesh;
import static fairedge.core.MeshAssert.newell;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fairedge.core.Changes;
import fairedge.core.Meshes;
import fairedge.core.flow.Stop;
import fairedge.core.geometry.Tolerance;
import fairedge.core.geometry.Vec3;
import fairedge.core.local.Refusal;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.MeshBuilder;
import fairedge.core.mesh.MeshBytes;
import fairedge.core.props.HarbourProps;
import fairedge.core.step.Change;
import fairedge.core.step.Outcome;
import fairedge.core.step.Receipt;
import fairedge.core.step.Workpiece;
import fairedge.core.work.Remark;
import fairedge.core.work.Scope;
import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

class LoopsTest {
  private static Receipt made(Mesh mesh, int edge, double fraction) {
    Outcome outcome = workpiece(mesh).apply(Change.LoopsChange.of(edge, fraction));
    assertThat(outcome).isInstanceOf(Outcome.Made.class);
    assertMesh(mesh).isSound();
    return ((Outcome.Made) outcome).receipt();
  }

  private static Refusal refused(Mesh mesh, int edge, double fraction) {
    byte[] before = MeshBytes.write(mesh);
    Outcome outcome = workpiece(mesh).apply(Change.LoopsChange.of(edge, fraction));
    assertThat(outcome).isInstanceOf(Outcome.Refused.class);
    assertMesh(mesh).hasBytes(before);
    return ((Outcome.Refused) outcome).refusal();
  }

  private static Workpiece workpiece(Mesh mesh) {
    return new Workpiece(mesh, Tolerance.of(mesh.bounds()));
  }

  @Test
  void cube_loopAtTheMiddle_makesTenQuads() {
    Mesh cube = Meshes.cube();
    Receipt receipt = made(cube, cube.findEdge(0, 4), 0.5);
    assertMesh(cube).hasCounts(12, 20, 10).hasFacesOfSides(4, 10).hasEuler(2);
    assertThat(area(cube)).isCloseTo(24, within(1e-12));
    assertThat(receipt.newVertices())
        .hasSize(4)
        .allSatisfy(v -> assertThat(cube.position(v).z()).isEqualTo(1));
    assertThat(receipt.splitFaces()).hasSize(4);
    assertThat(receipt.splitEdges()).hasSize(4);
    assertThat(receipt.remarks()).isEmpty();
    assertThat(receipt.pieces().getFirst().length()).isCloseTo(8, within(1e-12));
  }

  @Test
  void fraction_isCarriedAcross_soThatSidesStaySides() {
    Mesh bollard = HarbourProps.mooringBollard();
    int e = bollard.findEdge(36, 48);
    Receipt receipt = made(bollard, e, 0.25);
    double z = 140 + 0.25 * 150;
    assertThat(receipt.newVertices())
        .hasSize(12)
        .allSatisfy(v -> assertThat(bollard.position(v).z()).isCloseTo(z, within(1e-9)));
    assertMesh(bollard).hasFacesOfSides(4, bollard.faceCount());
  }

  @Test
  void ringThatStopsAtATriangle_givesItAFourthSide_andSaysSo() {
    Mesh mesh = Meshes.gridWithPair();
    Receipt receipt = made(mesh, mesh.findEdge(0, 4), 0.5);
    assertThat(mesh.size(2)).isEqualTo(4);
    assertThat(receipt.remarks())
        .extracting(Remark::stop)
        .containsExactly(Stop.Cause.BORDER, Stop.Cause.TRIANGLE);
    assertThat(receipt.remarks().get(1).text()).contains("triangle").contains("4");
  }

  @Test
  void ringThatStopsAtAnNgon_givesItASide() {
    Mesh prism = Meshes.openPrism(8);
    Receipt receipt = made(prism, prism.findEdge(0, 1), 0.5);
    assertMesh(prism).hasFacesOfSides(9, 1);
    assertThat(receipt.remarks())
        .anySatisfy(r ->
            assertThat(r.text()).isEqualTo("Stops at a face with 8 sides, which gains a side: 9."));
  }

  @Test
  void oneSidedRing_atItsMiddle_closes() {
    Mesh band = Meshes.moebius(7);
    double before = newell(band).length();
    made(band, band.findEdge(0, 1), 0.5);
    assertMesh(band).hasCounts(21, 35, 14).hasFacesOfSides(4, 14);
    assertThat(before).isNotNaN();
  }

  @Test
  void oneSidedRing_offItsMiddle_isRefused() {
    Mesh band = Meshes.moebius(7);
    assertThat(refused(band, band.findEdge(0, 1), 0.4).reason()).contains("middle");
  }

  @Test
  void ringThatPassesAQuadTwice_makesFourQuadsAndAVertexThere() {
    Mesh mesh = crossedRing();
    int quad = 0;
    Vec3 before = newell(mesh);
    made(mesh, mesh.findEdge(0, 1), 0.25);
    assertMesh(mesh).hasFacesOfSides(4, mesh.faceCount());
    assertThat(newell(mesh).distance(before)).isLessThan(1e-12);
    Vec3 crossing = null;
    for (int v : mesh.vertices(quad)) {
      if (mesh.valence(v) == 4 && v > 11) {
        crossing = mesh.position(v);
      }
    }
    assertThat(crossing).isNotNull();
    assertThat(crossing.z()).isZero();
    assertThat(Math.min(crossing.x(), 1 - crossing.x())).isCloseTo(0.25, within(1e-12));
    assertThat(Math.min(crossing.y(), 1 - crossing.y())).isCloseTo(0.25, within(1e-12));
  }

  /** A unit quad from whose right side a band of quads runs round to its far side. */
  private static Mesh crossedRing() {
    MeshBuilder b = new MeshBuilder();
    b.vertex(0, 0, 0);
    b.vertex(1, 0, 0);
    b.vertex(1, 1, 0);
    b.vertex(0, 1, 0);
    b.vertex(2, 0, 0);
    b.vertex(2, 1, 0);
    b.vertex(2, 2, 1);
    b.vertex(2, 3, 1);
    b.vertex(1, 2, 0);
    b.vertex(0, 2, 0);
    b.vertex(1, 3, 1);
    b.vertex(1, 2, 1);
    b.face(0, 1, 2, 3);
    b.face(1, 4, 5, 2);
    b.face(4, 7, 6, 5);
    b.face(7, 10, 11, 6);
    b.face(10, 9, 8, 11);
    b.face(9, 3, 2, 8);
    return b.build();
  }

  private static Change loops(Mesh mesh, int a, int b, LoopPlaces places, boolean runOn) {
    return new Change.LoopsChange(
        mesh.findEdge(a, b), places, Loops.Shape.STRAIGHT, runOn, Scope.WHOLE);
  }

  @Test
  void manyLoops_aPair_andOneFromASide_lieWhereTheNumbersSay() {
    Mesh cube = Meshes.cube();
    LoopPlaces even = new LoopPlaces.Even(3, 1, 0, LoopPlaces.Measure.FRACTION);
    Changes.made(cube, loops(cube, 0, 4, even, false));
    assertMesh(cube).hasFacesOfSides(4, 2 + 4 * 4).hasEuler(2);
    Mesh pair = Meshes.cube();
    Changes.made(pair, loops(pair, 0, 4, new LoopPlaces.Pair(0.3), false));
    assertThat(IntStream.range(8, 16).mapToDouble(v -> pair.position(v).z()))
        .allMatch(z -> Math.abs(z - 0.3) < 1e-12 || Math.abs(z - 1.7) < 1e-12);
    assertThat(Changes.refused(pair, loops(pair, 0, 1, new LoopPlaces.Pair(1), false)).reason())
        .contains("middle");
    Mesh side = Meshes.cube();
    Changes.made(side, loops(side, 0, 4, new LoopPlaces.FromSide(0.5, true), false));
    assertThat(side.position(8).z()).isEqualTo(1.5);
    assertThat(
            Changes.refused(side, loops(side, 0, 1, new LoopPlaces.FromSide(5, false), false))
                .element())
        .isNotNull();
  }

  @Test
  void pastAStop_theLoopRunsOnToTheCornerOpposite() {
    Mesh mesh = Meshes.gridWithPair();
    LoopPlaces middle = new LoopPlaces.At(List.of(0.5), LoopPlaces.Measure.FRACTION);
    Receipt receipt = Changes.made(mesh, loops(mesh, 0, 4, middle, true));
    assertMesh(mesh).hasFacesOfSides(4, 3).hasFacesOfSides(3, 3);
    assertThat(receipt.usedVertices()).isEqualTo(1);
    assertThat(receipt.remarks()).anySatisfy(r -> assertThat(r.text()).startsWith("Runs on"));
  }

  @Test
  void faceThatIsNotChosen_stopsTheRing() {
    Mesh grid = Meshes.grid(3, 1);
    LoopPlaces middle = new LoopPlaces.At(List.of(0.5), LoopPlaces.Measure.FRACTION);
    Receipt receipt =
        Changes.made(
            grid,
            new Change.LoopsChange(
                grid.findEdge(0, 4), middle, Loops.Shape.STRAIGHT, false, Scope.of(List.of(0, 1))));
    assertThat(grid.faceCount()).isEqualTo(5);
    assertThat(receipt.remarks()).extracting(Remark::stop).contains(Stop.Cause.NOT_CHOSEN);
  }

  @Test
  void curvedLoop_onARoundWaist_liesNearerToTheRoundThanTheEdges() {
    Mesh bollard = HarbourProps.mooringBollard();
    int across = bollard.findEdge(36, 37);
    LoopPlaces middle = new LoopPlaces.At(List.of(0.5), LoopPlaces.Measure.FRACTION);
    double before =
        bollard.along(across, 0.5).minus(new Vec3(0, 0, bollard.position(36).z())).length();
    Receipt receipt =
        Changes.made(
            bollard,
            new Change.LoopsChange(across, middle, Loops.Shape.CURVED, false, Scope.WHOLE));
    double round = bollard.position(36).minus(new Vec3(0, 0, bollard.position(36).z())).length();
    double most =
        receipt.newVertices().stream()
            .filter(v -> Math.abs(bollard.position(v).z() - bollard.position(36).z()) < 1e-9)
            .mapToDouble(v -> Math.hypot(bollard.position(v).x(), bollard.position(v).y()))
            .max()
            .orElseThrow();
    assertThat(Math.abs(most - round)).isLessThan(0.2 * (round - before));
  }

  @Test
  void crowdedEdge_looseEdge_andTriangles_areRefusedWithTheEdge() {
    Mesh mesh = Meshes.crowded();
    assertThat(refused(mesh, mesh.findEdge(0, 1), 0.5).reason()).contains("More than two faces");
    assertThat(refused(mesh, mesh.findEdge(0, 9), 0.5).reason()).contains("no face");
    Refusal none = refused(Meshes.tetrahedron(), 0, 0.5);
    assertThat(none.reason()).contains("No quad");
    assertThat(none.element()).hasToString("edge 0");
  }

  @Test
  void fractionAtAnEnd_orOfNothing_isRefused() {
    Mesh cube = Meshes.cube();
    for (double fraction : new double[] {0, 1, -1, Double.NaN, 1e-9}) {
      assertThat(refused(cube, 0, fraction).reason()).isNotBlank();
    }
    assertThat(refused(cube, 99, 0.5).reason()).contains("not there");
  }

  @Test
  void loopThatWouldLeaveAQuadThatIsNotConvex_isRefused() {
    MeshBuilder b = new MeshBuilder();
    for (double[] at : new double[][] {{0, 0}, {4, 1}, {1, 1}, {1, 4}}) {
      b.vertex(at[0], at[1], 0);
    }
    b.face(0, 1, 2, 3);
    Mesh dart = b.build();
    int edge = dart.findEdge(0, 1);
    Refusal refusal = refused(dart, edge, 0.9);
    assertThat(refusal.reason()).contains("not convex");
    assertThat(refusal.element()).isEqualTo(Element.face(0));
    made(dart, edge, 0.1);
    assertMesh(dart).isSound().hasFacesOfSides(4, 2);
  }
}
