package fairedge.core.cut;

import static fairedge.core.Changes.made;
import static fairedge.core.Changes.refused;
import static fairedge.core.MeshAssert.area;
import static fairedge.core.MeshAssert.assertMesh;
import static fairedge.core.MeshAssert.newell;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fairedge.core.Meshes;
import fairedge.core.cut.OutlineShape.Path;
import fairedge.core.cut.OutlineShape.Point;
import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;
import fairedge.core.props.HarbourProps;
import fairedge.core.step.Change;
import fairedge.core.step.Receipt;
import fairedge.core.work.Scope;
import fairedge.core.work.View;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class OutlineTest {
  private static final View ABOVE = new View.Parallel(new Vec3(0, 0, -1));

  private static Change outline(OutlineShape shape, Vec3 centre, double size, Reach reach) {
    return new Change.OutlineChange(
        shape,
        new Outline.Placement(centre, new Vec3(size, 0, 0), new Vec3(0, size, 0), ABOVE),
        reach,
        Scope.WHOLE);
  }

  @ParameterizedTest
  @ValueSource(ints = {3, 4, 6, 12, 24, 64})
  void insideOneFace_isAnIslandJoinedByTwoEdges(int sides) {
    Mesh cube = Meshes.cube();
    Receipt receipt =
        made(cube, outline(new OutlineShape.Regular(sides), new Vec3(1, 1, 9), 0.5, Reach.FRONT));
    assertMesh(cube).hasCounts(8 + sides, 12 + sides + 2, 6 + 2).hasEuler(2);
    assertThat(area(cube)).isCloseTo(24, within(1e-9));
    assertThat(receipt.chosen().faces()).hasSize(1);
    assertThat(cube.polygon(receipt.chosen().faces().getFirst()).area())
        .isCloseTo(sides * 0.125 * Math.sin(2 * Math.PI / sides), within(1e-9));
  }

  @Test
  void rightThrough_cutsTheBackToo() {
    Mesh cube = Meshes.cube();
    Receipt receipt =
        made(cube, outline(new OutlineShape.Regular(8), new Vec3(1, 1, 9), 0.5, Reach.THROUGH));
    assertMesh(cube).hasCounts(24, 32, 10).hasEuler(2);
    assertThat(receipt.chosen().faces()).hasSize(2);
    assertThat(newell(cube).length()).isLessThan(1e-12);
  }

  @Test
  void acrossManyFaces_choosesWhatIsInside() {
    Mesh grid = Meshes.grid(10, 10);
    Receipt receipt =
        made(grid, outline(new OutlineShape.Rectangle(), new Vec3(5, 5, 1), 2.5, Reach.FRONT));
    assertMesh(grid).hasEuler(1);
    double chosen =
        receipt.chosen().faces().stream().mapToDouble(f -> grid.polygon(f).area()).sum();
    assertThat(chosen).isCloseTo(25, within(1e-9));
    assertThat(receipt.chosen().faces()).hasSize(36);
  }

  @Test
  void selfCrossingShape_byTheEvenOddRule() {
    Mesh grid = Meshes.grid(1, 1);
    // A five-pointed line that crosses itself: its middle is outside.
    List<Point> tips = new OutlineShape.Regular(5).paths().getFirst().points();
    List<Point> crossed = List.of(tips.get(0), tips.get(2), tips.get(4), tips.get(1), tips.get(3));
    OutlineShape shape = new OutlineShape.Lines(List.of(new Path(crossed, true)));
    Receipt receipt = made(grid, outline(shape, new Vec3(0.5, 0.5, 1), 0.4, Reach.FRONT));
    assertThat(receipt.newVertices()).hasSize(10);
    assertThat(receipt.chosen().faces()).hasSize(5);
    assertMesh(grid).hasEuler(1);
    assertThat(area(grid)).isCloseTo(1, within(1e-12));
  }

  @Test
  void severalIslands_andOneWithinAnother() {
    Mesh grid = Meshes.grid(1, 1);
    OutlineShape shape =
        new OutlineShape.Lines(
            List.of(
                square(-0.3, -0.3, 0.1),
                square(0.3, -0.3, 0.1),
                square(0, 0.2, 0.2),
                square(0, 0.2, 0.1)));
    Receipt receipt = made(grid, outline(shape, new Vec3(0.5, 0.5, 1), 1, Reach.FRONT));
    // Each island and two edges that join it: eight edges, four vertices and two edges more.
    assertMesh(grid).hasCounts(4 + 16, 4 + 16 + 8, 1 + 8).hasEuler(1);
    assertThat(area(grid)).isCloseTo(1, within(1e-12));
    double inside =
        receipt.chosen().faces().stream().mapToDouble(f -> grid.polygon(f).area()).sum();
    assertThat(inside).isCloseTo(0.04 + 0.04 + 0.16 - 0.04, within(1e-12));
  }

  private static Path square(double x, double y, double half) {
    return new Path(
        List.of(
            new Point(x - half, y - half),
            new Point(x + half, y - half),
            new Point(x + half, y + half),
            new Point(x - half, y + half)),
        true);
  }

  @Test
  void partlyBesideTheModel_cutsWhatItMeets_andSaysSo() {
    Mesh grid = Meshes.grid(2, 2);
    Receipt receipt =
        made(grid, outline(new OutlineShape.Rectangle(), new Vec3(0, 0, 1), 0.5, Reach.FRONT));
    assertMesh(grid).hasEuler(1).hasCounts(9 + 3, 12 + 4, 5);
    assertThat(receipt.remarks().getFirst().text()).contains("3 of the shape's 4 points");
    assertThat(receipt.chosen().faces()).hasSize(1);
  }

  @Test
  void openLine_runsOnAtItsEnds() {
    Mesh grid = Meshes.grid(4, 1);
    Path line = new Path(List.of(new Point(-0.2, 0), new Point(0.2, 0)), false);
    made(
        grid,
        outline(new OutlineShape.Lines(List.of(line)), new Vec3(1.5, 0.5, 1), 1, Reach.FRONT));
    assertThat(grid.faceCount()).isEqualTo(5);
  }

  /** The lid is seen at a slant, so that neighbours on the circle lie at very different depths. */
  @ParameterizedTest
  @ValueSource(doubles = {20, 60, 104.5, 130})
  void seenFromAnEye_bendsAtVeryDifferentDepths_areCut(double radius) {
    Mesh lid = HarbourProps.hatchLid();
    Vec3 eye = new Vec3(-400, -800, 500);
    Vec3 centre = new Vec3(0.3, 0.2, 80);
    Vec3 sight = centre.minus(eye).unit();
    Vec3 right = sight.cross(new Vec3(0, 0, 1)).unit();
    Vec3 up = right.cross(sight).unit();
    Change change =
        new Change.OutlineChange(
            new OutlineShape.Regular(16),
            new Outline.Placement(
                centre, right.times(radius), up.times(radius), new View.Perspective(eye)),
            Reach.FRONT,
            Scope.WHOLE);
    Receipt receipt = made(lid, change);
    assertMesh(lid).hasEuler(2);
    assertThat(receipt.chosen().faces()).isNotEmpty();
    assertThat(newell(lid).length()).isLessThan(1e-6);
  }

  @Test
  void missing_orOfNoSize_isRefused() {
    Mesh lid = HarbourProps.hatchLid();
    Vec3 away = new Vec3(9e4, 0, 0);
    assertThat(refused(lid, outline(new OutlineShape.Regular(6), away, 10, Reach.FRONT)).reason())
        .contains("misses");
    for (OutlineShape shape :
        List.of(
            new OutlineShape.Regular(-4),
            new OutlineShape.Regular(Integer.MAX_VALUE),
            new OutlineShape.Star(Integer.MAX_VALUE, 0.5),
            new OutlineShape.Lines(List.of()))) {
      assertThat(refused(lid, outline(shape, Vec3.ZERO, 10, Reach.FRONT)).reason()).isNotBlank();
    }
    assertThat(
            refused(lid, outline(new OutlineShape.Regular(6), Vec3.ZERO, 0, Reach.FRONT)).reason())
        .contains("no size");
  }

  @Test
  void notChosenFaces_areLeftOut() {
    Mesh grid = Meshes.grid(2, 1);
    Change.OutlineChange whole =
        (Change.OutlineChange)
            outline(new OutlineShape.Rectangle(), new Vec3(1, 0.5, 1), 0.3, Reach.FRONT);
    Change limited =
        new Change.OutlineChange(
            whole.shape(), whole.placement(), Reach.FRONT, Scope.of(List.of(0)));
    Receipt receipt = made(grid, limited);
    assertThat(grid.faceCount()).isEqualTo(3);
    assertThat(receipt.chosen().faces()).hasSize(1);
    assertThat(grid.size(1)).isEqualTo(6);
  }
}
