package fairedge.core.flow;

import static org.assertj.core.api.Assertions.assertThat;

import fairedge.core.Meshes;
import fairedge.core.mesh.Mesh;
import java.util.List;
import org.junit.jupiter.api.Test;

class ChoosingTest {
  @Test
  void loop_runsStraightOn_andAlongABorder() {
    Mesh grid = Meshes.grid(4, 3);
    Choosing choosing = new Choosing(grid);
    assertThat(choosing.loop(grid.findEdge(6, 7))).hasSize(4);
    assertThat(choosing.loop(grid.findEdge(0, 1))).hasSize(14);
    assertThat(choosing.loop(9999)).isEmpty();
  }

  @Test
  void ring_runsAcross_andItsFacesLieBetween() {
    Mesh grid = Meshes.grid(4, 3);
    Choosing choosing = new Choosing(grid);
    assertThat(choosing.ring(grid.findEdge(6, 7))).hasSize(4);
    assertThat(choosing.faceRing(grid.findEdge(6, 7))).containsExactlyInAnyOrder(1, 5, 9);
    assertThat(Choosing.everySecond(List.of(3, 1, 4, 1))).containsExactly(3, 4);
  }

  @Test
  void growAndShrink_ofFacesVerticesEdges() {
    Mesh grid = Meshes.grid(4, 3);
    Choosing choosing = new Choosing(grid);
    assertThat(choosing.growFaces(List.of(5))).containsExactly(0, 1, 2, 4, 5, 6, 8, 9, 10);
    assertThat(choosing.shrinkFaces(choosing.growFaces(List.of(5)))).contains(5).hasSize(6);
    assertThat(choosing.growVertices(List.of(6))).containsExactly(1, 5, 6, 7, 11);
    assertThat(choosing.shrinkVertices(List.of(1, 5, 6, 7, 11))).containsExactly(6);
    assertThat(choosing.growEdges(List.of(grid.findEdge(6, 7)))).hasSize(7);
    assertThat(choosing.shrinkEdges(choosing.growEdges(List.of(grid.findEdge(6, 7)))))
        .containsExactly(grid.findEdge(6, 7));
    assertThat(choosing.connectedFaces(List.of(0))).hasSize(12);
    assertThat(new Choosing(Meshes.bowTie()).connectedFaces(List.of(0))).hasSize(1);
    assertThat(new Choosing(Meshes.bowTie()).connectedVertices(List.of(1))).hasSize(7);
  }

  @Test
  void whatALinePartsOff_isTheSmallestPart_andNothingWhereItPartsNothing() {
    Mesh grid = Meshes.grid(4, 3);
    Choosing choosing = new Choosing(grid);
    List<Integer> across =
        List.of(grid.findEdge(1, 6), grid.findEdge(6, 11), grid.findEdge(11, 16));
    assertThat(choosing.partedBy(across)).containsExactlyInAnyOrder(0, 4, 8);
    assertThat(choosing.partedBy(across.subList(0, 2))).isEmpty();
    assertThat(choosing.partedBy(List.of())).isEmpty();
    assertThat(choosing.partedBy(List.of(9999))).isEmpty();
  }
}
