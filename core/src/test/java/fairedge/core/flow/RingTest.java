package fairedge.core.flow;

import static org.assertj.core.api.Assertions.assertThat;

import fairedge.core.Meshes;
import fairedge.core.mesh.Mesh;
import org.junit.jupiter.api.Test;

class RingTest {
  @Test
  void cube_edge_hasAClosedRingOfFour() {
    Mesh cube = Meshes.cube();
    Ring ring = Ring.through(cube, cube.findEdge(0, 4)).orElseThrow();
    assertThat(ring.closed()).isTrue();
    assertThat(ring.quads()).hasSize(4).doesNotHaveDuplicates();
    assertThat(ring.firsts()).containsExactlyInAnyOrder(0, 1, 2, 3);
  }

  @Test
  void grid_ring_endsAtBothBorders() {
    Mesh grid = Meshes.grid(4, 3);
    Ring ring = Ring.through(grid, grid.findEdge(6, 11)).orElseThrow();
    assertThat(ring.edges()).hasSize(5);
    assertThat(ring.stops())
        .extracting(Stop::cause)
        .containsExactly(Stop.Cause.BORDER, Stop.Cause.BORDER);
  }

  @Test
  void borderEdge_ring_stopsAtOnceOnItsOpenSide() {
    Mesh grid = Meshes.grid(4, 3);
    Ring ring = Ring.through(grid, grid.findEdge(0, 5)).orElseThrow();
    assertThat(ring.edges()).hasSize(5);
    assertThat(ring.stops().getFirst().edge()).isEqualTo(grid.findEdge(0, 5));
  }

  @Test
  void triangle_stopsARing() {
    Mesh mesh = Meshes.gridWithPair();
    Ring ring = Ring.through(mesh, mesh.findEdge(0, 4)).orElseThrow();
    assertThat(ring.quads()).containsExactly(0);
    assertThat(ring.stops())
        .extracting(Stop::cause)
        .containsExactly(Stop.Cause.BORDER, Stop.Cause.TRIANGLE);
    assertThat(ring.stops().get(1).face()).isEqualTo(2);
  }

  @Test
  void ngon_stopsARing_withItsSides() {
    Mesh prism = Meshes.openPrism(8);
    Ring ring = Ring.through(prism, prism.findEdge(0, 1)).orElseThrow();
    assertThat(ring.stops())
        .anySatisfy(stop -> {
          assertThat(stop.cause()).isEqualTo(Stop.Cause.NGON);
          assertThat(stop.sides()).isEqualTo(8);
        });
  }

  @Test
  void crowdedEdge_stopsARing_andHasNone() {
    Mesh mesh = Meshes.crowded();
    int crowded = mesh.findEdge(0, 1);
    assertThat(Ring.through(mesh, crowded)).isEmpty();
    Ring ring = Ring.through(mesh, mesh.findEdge(2, 3)).orElseThrow();
    assertThat(ring.stops())
        .extracting(Stop::cause)
        .containsExactlyInAnyOrder(Stop.Cause.BORDER, Stop.Cause.CROWDED);
  }

  @Test
  void moebiusBand_ring_isOneSided() {
    Mesh band = Meshes.moebius(7);
    Ring ring = Ring.through(band, band.findEdge(0, 1)).orElseThrow();
    assertThat(ring.closed()).isTrue();
    assertThat(ring.oneSided()).isTrue();
    assertThat(ring.quads()).hasSize(7);
  }

  @Test
  void trianglesOnly_haveNoRing() {
    assertThat(Ring.through(Meshes.tetrahedron(), 0)).isEmpty();
  }
}
