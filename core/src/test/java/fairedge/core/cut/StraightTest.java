package fairedge.core.cut;

import static fairedge.core.Changes.made;
import static fairedge.core.Changes.refused;
import static fairedge.core.MeshAssert.area;
import static fairedge.core.MeshAssert.assertMesh;
import static fairedge.core.MeshAssert.newell;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fairedge.core.Meshes;
import fairedge.core.geometry.Axis;
import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.MeshBuilder;
import fairedge.core.step.Change;
import fairedge.core.step.Receipt;
import fairedge.core.work.Remark;
import fairedge.core.work.Scope;
import fairedge.core.work.View;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class StraightTest {
  private static Change joined(PlaneBy by) {
    return Change.StraightChange.of(by, Straight.After.JOINED, Straight.Ends.OPEN);
  }

  private static Change parted(PlaneBy by, Straight.After after, Straight.Ends ends) {
    return Change.StraightChange.of(by, after, ends);
  }

  private static PlaneBy through(Vec3 a, Vec3 b, Vec3 c) {
    return new PlaneBy.Through(
        List.of(new Anchor.OffModel(a), new Anchor.OffModel(b), new Anchor.OffModel(c)));
  }

  private static PlaneBy across(Axis axis, double offset) {
    return new PlaneBy.Along(axis, offset);
  }

  /** A plane by its normal and a place, through the cube with corners at 0 and 2. */
  @ParameterizedTest
  @CsvSource({
    // normal, place: vertices, edges, faces after
    "0 0 1, 0 0 1, 12, 20, 10", // square, through four edges
    "1 0 1, 1 1 1, 8, 14, 8", // along two face diagonals and two edges
    "1 1 1, 1 1 1, 14, 24, 12", // a hexagon through six edges
    "1 1 1, 1 0 0, 11, 18, 9", // three edges at a corner, at a quarter of the way up
    "1 1 1, 2 0 0, 8, 15, 9", // three face diagonals
    "1 1 0, 1 1 0, 8, 14, 8", // two edges and two diagonals
    "2 1 0, 1 1 1, 12, 20, 10", // slanted, through four edges
    "1 1 -2, 0 0 0, 10, 18, 10", // through two corners opposite and two middles of edges
  })
  void cube_byPlanesInAllPositions(String normal, String place, int v, int e, int f) {
    Vec3 n = vec(normal);
    Vec3 at = vec(place);
    Vec3 side = (Math.abs(n.x()) > 0 ? new Vec3(0, 0, 1) : new Vec3(1, 0, 0)).cross(n);
    Mesh cube = Meshes.cube();
    made(cube, joined(through(at, at.plus(side), at.plus(n.cross(side)))));
    assertMesh(cube).hasCounts(v, e, f).hasEuler(2);
    assertThat(area(cube)).isCloseTo(24, within(1e-9));
    assertThat(newell(cube).length()).isLessThan(1e-12);
  }

  private static Vec3 vec(String text) {
    String[] parts = text.split(" ");
    return new Vec3(
        Double.parseDouble(parts[0]), Double.parseDouble(parts[1]), Double.parseDouble(parts[2]));
  }

  @ParameterizedTest
  @ValueSource(doubles = {0, 2, -1, 5, 1e-9, 2 - 1e-9})
  void cube_byAPlaneThatTouchesOrMisses_isRefused(double offset) {
    assertThat(refused(Meshes.cube(), joined(across(Axis.Z, offset))).reason())
        .containsAnyOf("touches", "misses");
  }

  @Test
  void concavePrism_fallsIntoMoreThanTwoParts() {
    Mesh comb = comb(3);
    int before = comb.faceCount();
    made(comb, joined(across(Axis.Y, 1.5)));
    // Both ends fall into three teeth and a back each; six walls of teeth are cut.
    assertThat(comb.faceCount()).isEqualTo(before + 2 * 3 + 6);
    assertMesh(comb).hasEuler(2);
  }

  /** A back 1 high with so many teeth 1 wide and 1 high on it, 1 thick. */
  private static Mesh comb(int teeth) {
    MeshBuilder b = new MeshBuilder();
    int n = 4 * teeth;
    for (int z = 0; z <= 1; z++) {
      b.vertex(0, 0, z);
      b.vertex(2 * teeth - 1, 0, z);
      for (int t = teeth - 1; t >= 0; t--) {
        b.vertex(2 * t + 1, 2, z);
        b.vertex(2 * t, 2, z);
        if (t > 0) {
          b.vertex(2 * t, 1, z);
          b.vertex(2 * t - 1, 1, z);
        }
      }
    }
    int[] top = new int[n];
    int[] bottom = new int[n];
    for (int i = 0; i < n; i++) {
      top[i] = n + i;
      bottom[i] = n - 1 - i;
      b.face(i, (i + 1) % n, n + (i + 1) % n, n + i);
    }
    b.face(top);
    b.face(bottom);
    return b.build();
  }

  @ParameterizedTest
  @ValueSource(ints = {6, 8, 12, 24})
  void closedEnds_ofAPrism(int sides) {
    Mesh faces = prism(sides, 1);
    made(faces, parted(across(Axis.Z, 0.5), Straight.After.KEEP_AHEAD, Straight.Ends.FACES));
    assertMesh(faces).hasEuler(2).hasFacesOfSides(sides, 2);
    assertThat(newell(faces).length()).isLessThan(1e-12);
    Mesh quads = prism(sides, 1);
    made(quads, parted(across(Axis.Z, 0.5), Straight.After.KEEP_BEHIND, Straight.Ends.QUADS));
    assertMesh(quads).hasEuler(2).hasFacesOfSides(sides, 1);
    int a = sides / 4;
    assertMesh(quads).hasFacesOfSides(4, sides + a * (sides / 2 - a));
    assertThat(newell(quads).length()).isLessThan(1e-12);
  }

  private static Mesh prism(int n, double radius) {
    MeshBuilder b = new MeshBuilder();
    int[] top = new int[n];
    int[] bottom = new int[n];
    for (int z = 0; z <= 1; z++) {
      for (int i = 0; i < n; i++) {
        double angle = 2 * Math.PI * i / n;
        b.vertex(radius * Math.cos(angle), radius * Math.sin(angle), z);
      }
    }
    for (int i = 0; i < n; i++) {
      top[i] = n + i;
      bottom[i] = n - 1 - i;
      b.face(i, (i + 1) % n, n + (i + 1) % n, n + i);
    }
    b.face(top);
    b.face(bottom);
    return b.build();
  }

  /** A square pipe, 1 high, 4 wide with a bore of 2. */
  private static Mesh pipe() {
    MeshBuilder b = new MeshBuilder();
    double[] half = {2, 1};
    for (int z = 0; z <= 1; z++) {
      for (double h : half) {
        b.vertex(-h, -h, z);
        b.vertex(h, -h, z);
        b.vertex(h, h, z);
        b.vertex(-h, h, z);
      }
    }
    for (int i = 0; i < 4; i++) {
      int j = (i + 1) % 4;
      b.face(i, j, 8 + j, 8 + i);
      b.face(4 + j, 4 + i, 12 + i, 12 + j);
      b.face(8 + i, 8 + j, 12 + j, 12 + i);
      b.face(j, i, 4 + i, 4 + j);
    }
    return b.build();
  }

  @Test
  void cutPipe_isClosedByQuads_orByTwoFacesWithTwoEdges() {
    Mesh quads = pipe();
    made(quads, parted(across(Axis.Z, 0.5), Straight.After.KEEP_AHEAD, Straight.Ends.QUADS));
    assertMesh(quads).hasEuler(0).hasCounts(16, 32, 16).hasFacesOfSides(4, 16);
    assertThat(newell(quads).length()).isLessThan(1e-12);
    Mesh faces = pipe();
    made(faces, parted(across(Axis.Z, 0.5), Straight.After.KEEP_BEHIND, Straight.Ends.FACES));
    assertMesh(faces).hasEuler(0).hasFacesOfSides(4, 12);
    assertThat(faces.faceCount()).isEqualTo(14);
    assertThat(newell(faces).length()).isLessThan(1e-12);
  }

  @Test
  void sidesTakenApart_areTwoClosedPieces() {
    Mesh cube = Meshes.cube();
    made(cube, parted(across(Axis.X, 0.5), Straight.After.APART, Straight.Ends.FACES));
    assertMesh(cube).hasCounts(16, 24, 12).hasEuler(4).hasFacesOfSides(4, 12);
    assertThat(area(cube)).isCloseTo(24 + 8, within(1e-9));
    Mesh open = Meshes.cube();
    made(open, parted(across(Axis.X, 0.5), Straight.After.APART, Straight.Ends.OPEN));
    assertMesh(open).hasCounts(16, 24, 10);
  }

  @Test
  void sidesAlongEdgesThatAreThere_canBeParted() {
    Mesh cube = Meshes.cube();
    made(cube, joined(across(Axis.Z, 1)));
    Receipt receipt =
        made(cube, parted(across(Axis.Z, 1), Straight.After.KEEP_AHEAD, Straight.Ends.OPEN));
    assertMesh(cube).hasCounts(8, 12, 5);
    assertThat(receipt.goneFaces()).hasSize(5);
  }

  @Test
  void onlyAPlaneThroughTheWhole_partsSides() {
    Change stack =
        new Change.StraightChange(
            across(Axis.Z, 0.5),
            0,
            0,
            0,
            3,
            0.5,
            Reach.THROUGH,
            false,
            null,
            Straight.After.APART,
            Straight.Ends.OPEN,
            Scope.WHOLE);
    assertThat(refused(Meshes.cube(), stack).reason()).contains("one plane");
    assertThat(
            refused(
                    Meshes.cube(),
                    parted(across(Axis.Z, 0), Straight.After.APART, Straight.Ends.OPEN))
                .reason())
        .contains("one side");
  }

  @Test
  void stack_givesALongShapeSections() {
    Mesh cube = Meshes.cube();
    Change stack =
        new Change.StraightChange(
            across(Axis.Z, 0),
            0,
            0,
            0.25,
            7,
            0.25,
            Reach.THROUGH,
            false,
            null,
            Straight.After.JOINED,
            Straight.Ends.OPEN,
            Scope.WHOLE);
    Receipt receipt = made(cube, stack);
    assertMesh(cube).hasEuler(2).hasFacesOfSides(4, 2 + 4 * 8);
    assertThat(receipt.pieces()).hasSize(7);
  }

  @Test
  void turnedAndTilted_liesWhereTheNumbersSay() {
    Mesh cube = Meshes.cube();
    Change cut =
        new Change.StraightChange(
            new PlaneBy.Along(Axis.Z, 0),
            45,
            0,
            Math.sqrt(2),
            1,
            0,
            Reach.THROUGH,
            false,
            null,
            Straight.After.JOINED,
            Straight.Ends.OPEN,
            Scope.WHOLE);
    made(cube, cut);
    // Turned about y by 45 degrees it runs through two edges of the cube.
    assertMesh(cube).hasCounts(8, 14, 8);
  }

  @Test
  void frontOnly_leavesTheBack_andBetweenLeavesWhatIsBeside() {
    View above = new View.Parallel(new Vec3(0, 0, -1));
    PlaneBy drawn = new PlaneBy.Drawn(new Vec3(-1, 1, 5), new Vec3(3, 1, 5), above);
    Mesh front = Meshes.cube();
    Change cut =
        new Change.StraightChange(
            drawn,
            0,
            0,
            0,
            1,
            0,
            Reach.FRONT,
            false,
            null,
            Straight.After.JOINED,
            Straight.Ends.OPEN,
            Scope.WHOLE);
    made(front, cut);
    assertMesh(front).hasCounts(10, 15, 7).hasFacesOfSides(5, 2);
    Mesh grid = Meshes.grid(4, 1);
    PlaneBy part = new PlaneBy.Drawn(new Vec3(1.5, 0.5, 5), new Vec3(2.5, 0.5, 5), above);
    Change between =
        new Change.StraightChange(
            part,
            0,
            0,
            0,
            1,
            0,
            Reach.THROUGH,
            true,
            null,
            Straight.After.JOINED,
            Straight.Ends.OPEN,
            Scope.WHOLE);
    made(grid, between);
    assertThat(grid.faceCount()).isEqualTo(6);
  }

  /** A line over two quads of a sheet of twelve, turned by quarters about its middle. */
  @ParameterizedTest
  @CsvSource({"0, 14", "90, 13", "45, 14", "180, 14"})
  void between_turnsWithThePlane(double turn, int faces) {
    Mesh grid = Meshes.grid(4, 3);
    View above = new View.Parallel(new Vec3(0, 0, -1));
    PlaneBy line = new PlaneBy.Drawn(new Vec3(1.6, 1.5, 1), new Vec3(2.4, 1.5, 1), above);
    Change change =
        new Change.StraightChange(
            line,
            turn,
            0,
            turn == 90 || turn == 45 ? 0.3 : 0,
            1,
            0,
            Reach.THROUGH,
            true,
            null,
            Straight.After.JOINED,
            Straight.Ends.OPEN,
            Scope.WHOLE);
    made(grid, change);
    assertThat(grid.faceCount()).isEqualTo(faces);
  }

  @Test
  void chosenFaces_limitIt_andANeighbourSaysThatItGains() {
    Mesh grid = Meshes.grid(3, 1);
    Change cut =
        Change.StraightChange.asked(
            across(Axis.Y, 0.5),
            null,
            null,
            null,
            null,
            null,
            null,
            null,
            null,
            null,
            null,
            Scope.of(List.of(0)));
    Receipt receipt = made(grid, cut);
    assertThat(grid.faceCount()).isEqualTo(4);
    assertThat(grid.size(1)).isEqualTo(5);
    assertThat(receipt.remarks())
        .extracting(Remark::text)
        .containsExactly("A face that is not chosen gains a corner: it has 5 sides now.");
  }
}
