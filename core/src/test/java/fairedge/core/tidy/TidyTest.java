package fairedge.core.tidy;

import static fairedge.core.Changes.made;
import static fairedge.core.Changes.refused;
import static fairedge.core.MeshAssert.area;
import static fairedge.core.MeshAssert.assertMesh;
import static fairedge.core.MeshAssert.newell;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fairedge.core.Meshes;
import fairedge.core.geometry.Tolerance;
import fairedge.core.geometry.Vec3;
import fairedge.core.local.Refusal;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.MeshBuilder;
import fairedge.core.mesh.MeshBytes;
import fairedge.core.step.Receipt;
import fairedge.core.step.Tidying.CapChange;
import fairedge.core.step.Tidying.CollapseChange;
import fairedge.core.step.Tidying.ConnectChange;
import fairedge.core.step.Tidying.DeleteChange;
import fairedge.core.step.Tidying.FaceChange;
import fairedge.core.step.Tidying.FlipChange;
import fairedge.core.step.Tidying.LoosePartsChange;
import fairedge.core.step.Tidying.MoveChange;
import fairedge.core.step.Tidying.RelaxChange;
import fairedge.core.step.Tidying.SlideChange;
import fairedge.core.step.Tidying.SplitChange;
import fairedge.core.step.Tidying.TurnChange;
import fairedge.core.step.Tidying.UnifyChange;
import fairedge.core.step.Tidying.WeldChange;
import fairedge.core.step.Tidying.WeldNearChange;
import fairedge.core.step.Workpiece;
import fairedge.core.work.Scope;
import java.util.List;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class TidyTest {
  private static List<Integer> edges(Mesh mesh, int... ends) {
    return IntStream.range(0, ends.length / 2)
        .map(i -> mesh.findEdge(ends[2 * i], ends[2 * i + 1]))
        .boxed()
        .toList();
  }

  @Test
  void delete_leavesAHole_andNothingBare() {
    Mesh cube = Meshes.cube();
    made(cube, new DeleteChange(List.of(1), List.of(), List.of()));
    assertMesh(cube).hasCounts(8, 12, 5);
    made(cube, new DeleteChange(List.of(), List.of(), List.of(4)));
    assertMesh(cube).hasCounts(7, 9, 3);
    made(cube, new DeleteChange(List.of(), edges(cube, 1, 3), List.of()));
    assertMesh(cube).hasCounts(4, 4, 1);
    assertThat(refused(cube, new DeleteChange(List.of(4), List.of(), List.of())).reason())
        .contains("No face would be left");
  }

  @Test
  void looseParts_go() {
    Mesh mesh = Meshes.crowded();
    int faces = mesh.faceCount();
    made(mesh, new LoosePartsChange());
    assertThat(IntStream.range(0, mesh.edgeEnd()).filter(mesh::hasEdge))
        .allMatch(e -> mesh.uses(e) > 0);
    assertThat(mesh.faceCount()).isEqualTo(faces);
  }

  @ParameterizedTest
  @CsvSource({"FIRST, 0", "LAST, 1", "MIDDLE, 0.5"})
  void weldOfAnEdgeOfAQuad_leavesATriangle(Weld.At at, double x) {
    Mesh grid = Meshes.grid(2, 1);
    made(grid, new WeldChange(List.of(0, 1), at));
    assertMesh(grid).hasCounts(5, 6, 2).hasFacesOfSides(3, 1).hasFacesOfSides(4, 1);
    int kept = at == Weld.At.LAST ? 1 : 0;
    assertThat(grid.position(kept)).isEqualTo(new Vec3(x, 0, 0));
  }

  @Test
  void weldOfOppositeCorners_splitsTheFace_andWhatIsLeftOfItGoes() {
    Mesh grid = Meshes.grid(1, 1);
    assertThat(refused(grid, new WeldChange(List.of(0, 3), Weld.At.FIRST)).reason())
        .contains("collapse");
    Mesh lid = Meshes.openPrism(8);
    int ngon =
        IntStream.range(0, lid.faceEnd()).filter(f -> lid.size(f) == 8).findFirst().orElseThrow();
    int[] ring = lid.vertices(ngon);
    made(lid, new WeldChange(List.of(ring[0], ring[4]), Weld.At.MIDDLE));
    // The octagon falls into two faces of four corners.
    assertMesh(lid).hasFacesOfSides(8, 0).hasFacesOfSides(4, 8 + 2);
  }

  @Test
  void weldOfABoxFlat_dropsTheFaceThatWouldLieTwice() {
    Mesh cube = Meshes.cube();
    Receipt receipt = made(cube, new CollapseChange(edges(cube, 0, 4, 1, 5, 2, 6, 3, 7)));
    assertMesh(cube).hasCounts(4, 4, 1);
    assertThat(receipt.remarks()).extracting(r -> r.text()).anyMatch(t -> t.contains("twice"));
  }

  @Test
  void weldByDistance_joinsTwoSheets() {
    MeshBuilder b = new MeshBuilder();
    for (int s = 0; s < 2; s++) {
      for (int i = 0; i < 4; i++) {
        b.vertex(s + i % 2 + s * 1e-4 * (1 - i % 2), i / 2, 0);
      }
      b.face(4 * s, 4 * s + 1, 4 * s + 3, 4 * s + 2);
    }
    Mesh mesh = b.build();
    Receipt receipt = made(mesh, new WeldNearChange(1e-3, Scope.WHOLE));
    assertMesh(mesh).hasCounts(6, 7, 2);
    assertThat(receipt.remarks().getFirst().text()).isEqualTo("Welds 2 vertices.");
    assertThat(mesh.position(1)).isEqualTo(new Vec3(1, 0, 0));
  }

  @Test
  void weldByDistance_makesNoClusterWiderThanIt() {
    MeshBuilder b = new MeshBuilder();
    for (int i = 0; i < 6; i++) {
      b.vertex(i, 0, 0);
      b.vertex(i, 10, 0);
    }
    for (int i = 0; i < 5; i++) {
      b.face(2 * i, 2 * i + 2, 2 * i + 3, 2 * i + 1);
    }
    Mesh mesh = b.build();
    made(mesh, new WeldNearChange(1.5, Scope.WHOLE));
    // Neighbours in a row go together by twos, never three.
    assertMesh(mesh).hasCounts(6, 7, 2);
    assertThat(refused(Meshes.cube(), new WeldNearChange(99, Scope.WHOLE)).reason())
        .contains("No face");
    for (double bad : new double[] {0, -1, Double.NaN, Double.POSITIVE_INFINITY}) {
      assertThat(refused(Meshes.cube(), new WeldNearChange(bad, Scope.WHOLE)).reason())
          .contains("distance");
    }
  }

  @Test
  void connect_inOneFace_acrossSeveral_andWhereAnEdgeIs() {
    Mesh grid = Meshes.grid(3, 1);
    made(grid, new ConnectChange(List.of(0, 5), Scope.WHOLE));
    assertMesh(grid).hasFacesOfSides(3, 2);
    made(grid, new ConnectChange(List.of(1, 7), Scope.WHOLE));
    assertMesh(grid).hasEuler(1);
    assertThat(area(grid)).isCloseTo(3, within(1e-12));
    Receipt nothing = made(grid, new ConnectChange(List.of(0, 1), Scope.WHOLE));
    assertThat(nothing.changesNothing()).isTrue();
    assertThat(refused(Meshes.cube(), new ConnectChange(List.of(0, 7), Scope.WHOLE)).reason())
        .isNotBlank();
  }

  @Test
  void face_overAHole_overTwoEdges_andAsAStrip() {
    Mesh cube = Meshes.cube();
    made(cube, new DeleteChange(List.of(1), List.of(), List.of()));
    made(cube, new FaceChange(edges(cube, 4, 5, 5, 7, 7, 6, 6, 4)));
    assertMesh(cube).hasCounts(8, 12, 6);
    assertThat(newell(cube).length()).isLessThan(1e-12);

    Mesh corner = Meshes.cube();
    made(corner, new DeleteChange(List.of(1), List.of(), List.of()));
    made(corner, new FaceChange(edges(corner, 4, 5, 5, 7)));
    assertMesh(corner).hasFacesOfSides(3, 1);

    Mesh open = Meshes.cube();
    made(open, new DeleteChange(List.of(0, 1), List.of(), List.of()));
    made(open, new DeleteChange(List.of(2), List.of(), List.of()));
    made(open, new FaceChange(edges(open, 0, 4, 1, 5)));
    assertMesh(open).hasCounts(8, 12, 4);
  }

  @Test
  void face_joinsTwoRingsByATube() {
    Mesh cube = Meshes.cube();
    made(cube, new DeleteChange(List.of(2, 3, 4, 5), List.of(), List.of()));
    made(cube, new FaceChange(edges(cube, 0, 1, 1, 3, 3, 2, 2, 0, 4, 5, 5, 7, 7, 6, 6, 4)));
    assertMesh(cube).hasCounts(8, 12, 6).hasEuler(2);
    assertThat(newell(cube).length()).isLessThan(1e-12);
  }

  @Test
  void face_overInnerEdges_orRunsThatDontMatch_isRefused() {
    Mesh grid = Meshes.grid(3, 1);
    assertThat(refused(grid, new FaceChange(edges(grid, 1, 5))).reason()).contains("border");
    assertThat(refused(grid, new FaceChange(edges(grid, 0, 1))).reason()).contains("One edge");
    assertThat(refused(grid, new FaceChange(edges(grid, 0, 1, 1, 2, 4, 5))).reason())
        .contains("as many in both");
  }

  /** A round hole with so many sides, filled by a grid with so many along. */
  @ParameterizedTest
  @CsvSource({
    "6, 1, 2",
    "6, 2, 2",
    "8, 1, 3",
    "8, 2, 4",
    "12, 3, 9",
    "12, 2, 8",
    "16, 4, 16",
    "24, 6, 36",
    "24, 0, 36"
  })
  void cap_fillsAHoleWithQuads(int sides, int along, int quads) {
    Mesh prism = Meshes.openPrism(sides);
    int top =
        IntStream.range(0, prism.faceEnd())
            .filter(f -> prism.size(f) == sides)
            .findFirst()
            .orElseThrow();
    int[] ring = prism.vertices(top);
    made(prism, new CapChange(new Cap.Plan(top, null, Cap.Form.GRID, along, 1, 0, 0)));
    assertMesh(prism).hasFacesOfSides(4, sides + quads).hasFacesOfSides(sides, 0);
    assertThat(IntStream.of(ring)).allMatch(prism::hasVertex);
  }

  @ParameterizedTest
  @ValueSource(ints = {6, 8, 12, 16})
  void cap_ofAHole_byItsBorderEdge_andWithRings(int sides) {
    Mesh prism = Meshes.openPrism(sides);
    int border =
        IntStream.range(0, prism.edgeEnd())
            .filter(e -> prism.uses(e) == 1)
            .findFirst()
            .orElseThrow();
    double before = newell(prism).length();
    made(prism, new CapChange(new Cap.Plan(null, border, Cap.Form.RINGS, 0, 0, 2, 0.5)));
    int along = sides / 4;
    assertMesh(prism).hasFacesOfSides(4, sides + 2 * sides + along * (sides / 2 - along));
    assertThat(before).isPositive();
    assertMesh(prism).hasEuler(2);
    assertThat(newell(prism).length()).isLessThan(1e-9);
  }

  @Test
  void cap_beginsAtTheCornerThatIsNamed() {
    for (int corner = 0; corner < 8; corner++) {
      Mesh prism = Meshes.openPrism(8);
      int top = prism.faceEnd() - 1;
      assertThat(prism.size(top)).isEqualTo(8);
      int vertex = prism.vertices(top)[corner];
      made(prism, new CapChange(new Cap.Plan(top, null, Cap.Form.GRID, 1, 0, 0, 0, vertex)));
      // Only the four corners of the grid have no new edge.
      assertThat(prism.edgesAt(vertex)).hasSize(3);
      assertThat(prism.faceCount()).isEqualTo(8 + 3);
    }
    Mesh prism = Meshes.openPrism(8);
    Cap.Plan elsewhere = new Cap.Plan(prism.faceEnd() - 1, null, Cap.Form.GRID, 1, 0, 0, 0, 9999);
    assertThat(refused(prism, new CapChange(elsewhere)).reason()).contains("no corner");
  }

  @Test
  void cap_ofOddSides_saysWhatToChange() {
    Mesh prism = Meshes.openPrism(7);
    int top =
        IntStream.range(0, prism.faceEnd())
            .filter(f -> prism.size(f) == 7)
            .findFirst()
            .orElseThrow();
    assertThat(
            refused(prism, new CapChange(new Cap.Plan(top, null, Cap.Form.GRID, 0, 0, 0, 0)))
                .reason())
        .isEqualTo(
            "7 sides can't be filled with quads alone. Insert one loop across the ring of 1 quad"
                + " that ends here, and there are 8.");
    Mesh eight = Meshes.openPrism(8);
    int lid =
        IntStream.range(0, eight.faceEnd())
            .filter(f -> eight.size(f) == 8)
            .findFirst()
            .orElseThrow();
    assertThat(
            refused(eight, new CapChange(new Cap.Plan(lid, null, Cap.Form.GRID, 4, 0, 0, 0)))
                .reason())
        .contains("from 1 to 3");
    assertThat(
            refused(eight, new CapChange(new Cap.Plan(null, 0, Cap.Form.GRID, 4, 0, 0, 0)))
                .reason())
        .isNotBlank();
  }

  @Test
  void turn_movesAnEdgeOnByOneCorner_andBackAfterAsManyTurns() {
    Mesh grid = Meshes.grid(2, 1);
    made(grid, new TurnChange(edges(grid, 1, 4)));
    assertMesh(grid).hasCounts(6, 7, 2).hasFacesOfSides(4, 2);
    assertThat(grid.findEdge(1, 4)).isEqualTo(Mesh.NONE);
    assertThat(area(grid)).isCloseTo(2, within(1e-12));
    Mesh solid = Meshes.tetrahedron();
    assertThat(refused(solid, new TurnChange(List.of(0))).reason()).contains("already");
  }

  @Test
  void split_putsAVertexInAnEdge() {
    Mesh cube = Meshes.cube();
    made(cube, new SplitChange(edges(cube, 0, 4), 0.25));
    assertMesh(cube).hasCounts(9, 13, 6).hasFacesOfSides(5, 2);
    assertThat(cube.position(8)).isEqualTo(new Vec3(0, 0, 0.5));
    for (double t : new double[] {0, 1, Double.NaN, -2}) {
      assertThat(refused(Meshes.cube(), new SplitChange(List.of(0), t)).reason()).contains("end");
    }
  }

  @Test
  void flipAndUnify_areInverse() {
    Mesh cube = Meshes.cube();
    made(cube, new FlipChange(List.of(2)));
    assertThat(newell(cube).length()).isCloseTo(8, within(1e-12));
    made(cube, new UnifyChange(Scope.WHOLE));
    assertThat(newell(cube).length()).isLessThan(1e-12);
    assertThat(refused(cube, new UnifyChange(Scope.WHOLE)).reason()).contains("same way");
  }

  @ParameterizedTest
  @CsvSource({"FRACTION, 0.25, 1.25", "LENGTH, 0.3, 1.3", "FROM_END, 0.4, 1.6"})
  void slide_movesARowAlongItsRails(Slide.SlideBy measure, double amount, double x) {
    Mesh grid = Meshes.grid(3, 2);
    made(grid, new SlideChange(List.of(1, 5, 9), 1, 2, amount, measure));
    assertThat(List.of(1, 5, 9))
        .allSatisfy(v -> assertThat(grid.position(v).x()).isCloseTo(x, within(1e-12)));
    assertThat(area(grid)).isCloseTo(6, within(1e-12));
  }

  @Test
  void slide_pastTheEnd_orOfWhatHangsApart_isRefused() {
    Mesh grid = Meshes.grid(3, 2);
    assertThat(
            refused(grid, new SlideChange(List.of(1, 5, 9), 1, 2, 2, Slide.SlideBy.LENGTH))
                .reason())
        .contains("long");
    assertThat(
            refused(grid, new SlideChange(List.of(1, 9), 1, 2, 0.5, Slide.SlideBy.FRACTION))
                .reason())
        .contains("hang together");
    assertThat(
            refused(grid, new SlideChange(List.of(1), 1, 9, 0.5, Slide.SlideBy.FRACTION)).reason())
        .contains("Point at an edge");
    assertThat(
            refused(grid, new SlideChange(List.of(1), -1, 2, 0.5, Slide.SlideBy.FRACTION)).reason())
        .contains("Point at an edge");
  }

  @Test
  void move_turns_scales_andGoesAlongNormals() {
    Vec3 one = new Vec3(1, 1, 1);
    Mesh cube = Meshes.cube();
    List<Integer> top = List.of(4, 5, 6, 7);
    made(cube, move(top, new Vec3(0, 0, 1), 0, Vec3.ZERO, 0, one));
    assertThat(cube.position(7)).isEqualTo(new Vec3(2, 2, 3));
    made(cube, move(top, Vec3.ZERO, 0, new Vec3(0, 0, 2), 90, one));
    assertThat(cube.position(7).distance(new Vec3(0, 2, 3))).isLessThan(1e-12);
    made(cube, move(top, Vec3.ZERO, 0, Vec3.ZERO, 0, new Vec3(0.5, 0.5, 1)));
    assertThat(cube.position(7).distance(new Vec3(0.5, 1.5, 3))).isLessThan(1e-12);
    Mesh grid = Meshes.grid(2, 2);
    made(grid, move(List.of(4), Vec3.ZERO, 0.5, Vec3.ZERO, 0, one));
    assertThat(grid.position(4)).isEqualTo(new Vec3(1, 1, 0.5));
    assertThat(
            refused(grid, move(List.of(4), new Vec3(Double.NaN, 0, 0), 0, Vec3.ZERO, 0, one))
                .reason())
        .contains("numbers");
  }

  private static MoveChange move(
      List<Integer> vertices, Vec3 by, double along, Vec3 axis, double degrees, Vec3 scale) {
    return new MoveChange(vertices, new Move.Motion(by, along, axis, degrees, scale, null));
  }

  /** What would take for ever, or run out of all numbers, is refused in no time. */
  @Test
  void hostileNumbers_areRefused() {
    Mesh grid = Meshes.grid(100, 100);
    List<Integer> all = Stream.iterate(0, v -> v + 1).limit(10_000).toList();
    assertThat(refused(grid, new RelaxChange(all, 200, 0.5, Relax.RelaxWay.EVEN)).reason())
        .contains("fewer");
    assertThat(refused(grid, new WeldNearChange(50, Scope.WHOLE)).reason()).contains("million");
    made(grid, new WeldNearChange(1e-300, Scope.WHOLE));
    Vec3 huge = new Vec3(1e308, 1e308, 1e308);
    assertThat(refused(grid, move(List.of(5, 9000), huge, 0, Vec3.ZERO, 0, huge)).reason())
        .contains("bounds");
    Mesh many = Meshes.openPrism(1002);
    assertThat(
            refused(many, new CapChange(new Cap.Plan(1002, null, Cap.Form.GRID, 0, 0, 0, 0)))
                .reason())
        .contains("1000");
    Mesh large = Meshes.openPrism(1000);
    made(large, new CapChange(new Cap.Plan(1000, null, Cap.Form.GRID, 0, 0, 0, 0)));
    assertMesh(large).hasFacesOfSides(4, 1000 + 250 * 250);
  }

  /** A tube of three sides: the ring would close, and four faces meet in an edge. */
  @Test
  void collapse_thatWouldPinchTheSurface_isRefused_namingTheEdge() {
    Mesh tube = Meshes.torus(6, 3);
    int ring = tube.findEdge(0, 1);
    Refusal refusal = refused(tube, new CollapseChange(List.of(ring)));
    assertThat(refusal.reason()).contains("pinch");
    assertThat(refusal.element()).isEqualTo(Element.edge(ring));
    // All round, it closes to a cone.
    Mesh box = Meshes.cube();
    made(box, new CollapseChange(IntStream.of(box.edges(1)).boxed().toList()));
    assertMesh(box).isSound().hasEuler(2).hasFacesOfSides(3, 4);
  }

  @Test
  void weld_ofAllThereIs_isRefused_andOfAFaceMade() {
    Mesh lone = Meshes.grid(1, 1);
    assertThat(refused(lone, new WeldChange(List.of(0, 1, 2, 3), Weld.At.MIDDLE)).reason())
        .contains("Nothing would be left");
    Mesh cube = Meshes.cube();
    assertThat(
            refused(cube, new WeldChange(List.of(0, 1, 2, 3, 4, 5, 6, 7), Weld.At.FIRST)).reason())
        .contains("Nothing would be left");
    Mesh split = Meshes.grid(2, 1);
    made(split, new SplitChange(List.of(split.findEdge(0, 1)), 0.5));
    for (List<Integer> order :
        List.of(List.of(0, 6, 1), List.of(6, 0, 1), List.of(0, 1, 6), List.of(1, 6, 0))) {
      Mesh mesh = split.copy();
      made(mesh, new WeldChange(order, Weld.At.MIDDLE));
      assertMesh(mesh).isSound().hasCounts(5, 6, 2);
    }
  }

  @Test
  void turn_thatWouldLeaveTheFaces_orLetOneTouchItself_isRefused() {
    MeshBuilder dart = new MeshBuilder();
    for (double[] at : new double[][] {{0, 0}, {4, 1}, {1, 1}, {1, 4}}) {
      dart.vertex(at[0], at[1], 0);
    }
    dart.face(0, 1, 2);
    dart.face(0, 2, 3);
    Mesh mesh = dart.build();
    int edge = mesh.findEdge(0, 2);
    assertThat(refused(mesh, new TurnChange(List.of(edge))).reason()).contains("leave its two");
    Mesh grid = Meshes.grid(2, 1);
    int middle = grid.findEdge(1, 4);
    made(grid, new SplitChange(List.of(middle), 0.5));
    assertThat(refused(grid, new TurnChange(List.of(middle))).reason()).contains("touches itself");
    Mesh convex = Meshes.grid(2, 1);
    made(convex, new TurnChange(List.of(convex.findEdge(1, 4))));
    assertMesh(convex).isSound().hasFacesOfSides(4, 2);
  }

  @Test
  void relax_evensOut_andKeepsPlaneAndBorder() {
    Mesh grid = Meshes.grid(4, 4);
    Vec3 one = new Vec3(1, 1, 1);
    made(grid, move(List.of(12), new Vec3(0.6, 0.3, 0), 0, Vec3.ZERO, 0, one));
    List<Integer> all = Stream.iterate(0, v -> v + 1).limit(25).toList();
    made(grid, new RelaxChange(all, 60, 0.5, Relax.RelaxWay.EVEN));
    assertThat(grid.position(12).distance(new Vec3(2, 2, 0))).isLessThan(1e-3);
    assertThat(grid.position(0)).isEqualTo(Vec3.ZERO);
    assertThat(area(grid)).isCloseTo(16, within(1e-12));
  }

  /** Two hundred rounds over a sheet would else take hundreds of megabytes to take back. */
  @Test
  void relax_isJournalledOnceAVertex_andTakenBackToTheBytes() {
    Mesh grid = Meshes.grid(20, 20);
    for (int v = 0; v < grid.vertexEnd(); v++) {
      Vec3 up = new Vec3(0, 0, Math.sin(v) / 3);
      made(grid, move(List.of(v), up, 0, Vec3.ZERO, 0, new Vec3(1, 1, 1)));
    }
    byte[] before = MeshBytes.write(grid);
    Workpiece workpiece = new Workpiece(grid, Tolerance.of(grid.bounds()));
    List<Integer> all = IntStream.range(0, grid.vertexEnd()).boxed().toList();
    assertThat(workpiece.weight()).isZero();
    workpiece.apply(new RelaxChange(all, 1, 0.5, Relax.RelaxWay.EVEN));
    long one = workpiece.weight();
    workpiece.undo();
    assertThat(workpiece.weight()).isZero();
    workpiece.apply(new RelaxChange(all, 200, 0.5, Relax.RelaxWay.EVEN));
    assertThat(workpiece.weight()).isBetween(one / 2, 2 * one);
    workpiece.undo();
    assertThat(MeshBytes.write(grid)).isEqualTo(before);
  }
}
