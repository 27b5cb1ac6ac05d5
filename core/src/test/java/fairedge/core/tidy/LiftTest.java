package fairedge.core.tidy;

import static fairedge.core.Changes.made;
import static fairedge.core.Changes.refused;
import static fairedge.core.MeshAssert.area;
import static fairedge.core.MeshAssert.assertMesh;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fairedge.core.Meshes;
import fairedge.core.mesh.Attribute;
import fairedge.core.mesh.Mesh;
import fairedge.core.step.Change;
import fairedge.core.step.Tidying.LiftChange;
import fairedge.core.step.Tidying.SplitChange;
import java.util.List;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

class LiftTest {
  private static Change edges(Mesh mesh, int[]... pairs) {
    return new LiftChange(ids(mesh, pairs), List.of(), true);
  }

  private static List<Integer> ids(Mesh mesh, int[]... pairs) {
    return Stream.of(pairs).map(p -> mesh.findEdge(p[0], p[1])).toList();
  }

  private static int[] pair(int a, int b) {
    return new int[] {a, b};
  }

  @Test
  void edgeBetweenTwoQuads_leavesOneFace_andTakesStraightEndsAlong() {
    Mesh grid = Meshes.grid(2, 1);
    made(grid, edges(grid, pair(1, 4)));
    assertMesh(grid).hasCounts(4, 4, 1).hasFacesOfSides(4, 1);
    Mesh kept = Meshes.grid(2, 1);
    made(kept, new LiftChange(ids(kept, pair(1, 4)), List.of(), false));
    assertMesh(kept).hasCounts(6, 6, 1).hasFacesOfSides(6, 1);
  }

  @Test
  void wholeLoop_isLiftedWithItsVertices() {
    Mesh cube = Meshes.cube();
    made(cube, Change.LoopsChange.of(cube.findEdge(0, 4), 0.5));
    List<Integer> loop =
        IntStream.range(0, cube.edgeEnd())
            .filter(cube::hasEdge)
            .filter(e -> cube.position(cube.first(e)).z() == 1)
            .filter(e -> cube.position(cube.second(e)).z() == 1)
            .boxed()
            .toList();
    assertThat(loop).hasSize(4);
    made(cube, new LiftChange(loop, List.of(), true));
    assertMesh(cube).hasCounts(8, 12, 6).hasFacesOfSides(4, 6);
  }

  @Test
  void allEdgesRoundAVertex_takeItOut() {
    Mesh grid = Meshes.grid(2, 2);
    made(grid, edges(grid, pair(4, 1), pair(4, 3), pair(4, 5), pair(4, 7)));
    assertMesh(grid).hasCounts(4, 4, 1);
    Mesh byVertex = Meshes.grid(2, 2);
    made(byVertex, new LiftChange(List.of(), List.of(4), false));
    assertMesh(byVertex).hasCounts(8, 8, 1).hasFacesOfSides(8, 1);
  }

  @Test
  void pathOfEdges_goesWithTheVerticesOnIt() {
    Mesh grid = Meshes.grid(2, 3);
    made(grid, edges(grid, pair(1, 4), pair(4, 7), pair(7, 10), pair(3, 4), pair(4, 5)));
    assertMesh(grid).hasEuler(1);
    assertThat(area(grid)).isCloseTo(6, within(1e-12));
    assertThat(grid.hasVertex(4)).isFalse();
  }

  @Test
  void vertexOfValenceTwo_makesOneEdgeOfTwo() {
    Mesh grid = Meshes.grid(1, 1);
    made(grid, new SplitChange(List.of(0), 0.5));
    made(grid, new LiftChange(List.of(), List.of(4), false));
    assertMesh(grid).hasCounts(4, 4, 1);
  }

  @Test
  void whatWouldLeaveAHole_isRefused() {
    Mesh grid = Meshes.grid(3, 3);
    // All edges between the eight outer faces, so that they would lie round the middle one.
    assertThat(
            refused(
                    grid,
                    edges(
                        grid,
                        pair(1, 5),
                        pair(2, 6),
                        pair(4, 5),
                        pair(8, 9),
                        pair(9, 13),
                        pair(10, 14),
                        pair(10, 11),
                        pair(6, 7)))
                .reason())
        .contains("hole");
  }

  @Test
  void whatWouldTouchItself_orHaveTwoCorners_isRefused() {
    Mesh grid = Meshes.grid(3, 3);
    // Without one of the eight the ring is open, but both its ends lie at one edge.
    assertThat(
            refused(
                    grid,
                    edges(
                        grid,
                        pair(1, 5),
                        pair(2, 6),
                        pair(4, 5),
                        pair(8, 9),
                        pair(9, 13),
                        pair(10, 14),
                        pair(10, 11)))
                .reason())
        .contains("touches itself");
    Mesh solid = Meshes.tetrahedron();
    assertThat(refused(solid, new LiftChange(List.of(), List.of(0, 1), false)).reason())
        .isNotBlank();
  }

  @Test
  void borders_crowdedEdges_andWhatIsGone_areRefused() {
    Mesh grid = Meshes.grid(2, 1);
    assertThat(refused(grid, edges(grid, pair(0, 1))).reason()).contains("border");
    assertThat(refused(grid, new LiftChange(List.of(99), List.of(), true)).reason())
        .contains("not there");
    assertThat(refused(grid, new LiftChange(List.of(), List.of(), true)).reason())
        .contains("Choose");
    Mesh crowded = Meshes.crowded();
    assertThat(refused(crowded, edges(crowded, pair(0, 1))).reason()).contains("More than two");
  }

  @Test
  void textureAtCorners_staysWhereItWas() {
    Mesh mesh = Meshes.charted(4, 3);
    int inner = mesh.findEdge(1, 6);
    made(mesh, new LiftChange(List.of(inner), List.of(), true));
    int c = mesh.firstCorner(0);
    for (int i = 0; i < mesh.size(0); i++) {
      assertThat(mesh.valueAt(Attribute.TEXTURE, c)).isNotEqualTo(Mesh.NONE);
      c = mesh.next(c);
    }
  }
}
