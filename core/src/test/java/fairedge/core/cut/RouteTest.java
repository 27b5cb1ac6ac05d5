package fairedge.core.cut;

import static fairedge.core.MeshAssert.assertMesh;
import static fairedge.core.MeshAssert.euler;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fairedge.core.Changes;
import fairedge.core.MeshAssert;
import fairedge.core.Meshes;
import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;
import fairedge.core.step.Mending;
import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

class RouteTest {
  /** A 4 by 3 sheet of unit quads; vertex i + 5 j lies at i, j. */
  private final Mesh mesh = Meshes.grid(4, 3);

  private int edge(int a, int b) {
    return mesh.findEdge(a, b);
  }

  private static Mending.RouteChange route(Integer... edges) {
    return new Mending.RouteChange(null, List.of(edges));
  }

  private long quads() {
    return IntStream.range(0, mesh.faceEnd())
        .filter(f -> mesh.hasFace(f) && mesh.size(f) == 4)
        .count();
  }

  @Test
  void straightAcross_eachQuadBecomesTwo() {
    Changes.made(mesh, route(edge(5, 10), edge(6, 11), edge(7, 12), edge(8, 13), edge(9, 14)));
    assertThat(mesh.faceCount()).isEqualTo(16);
    assertThat(quads()).isEqualTo(16);
    assertThat(euler(mesh)).isEqualTo(1);
    assertThat(MeshAssert.area(mesh)).isEqualTo(12, within(1e-12));
    assertMesh(mesh).isSound();
  }

  /** Turning it leaves three quads about a vertex inside, and the corner opposite gains an edge. */
  @Test
  void aTurn_leavesThreeQuadsAboutANewVertex() {
    int opposite = mesh.valence(12);
    Changes.made(mesh, route(edge(5, 10), edge(6, 11), edge(6, 7), edge(1, 2)));
    assertThat(quads()).isEqualTo(12 + 1 + 2 + 1);
    assertThat(mesh.faceCount()).isEqualTo(16);
    assertThat(mesh.valence(12)).isEqualTo(opposite + 1);
    int inside =
        IntStream.range(20, mesh.vertexEnd())
            .filter(v -> mesh.position(v).equals(new Vec3(1.5, 1.5, 0)))
            .findFirst()
            .orElseThrow();
    assertThat(mesh.valence(inside)).isEqualTo(3);
    assertThat(euler(mesh)).isEqualTo(1);
    assertThat(MeshAssert.area(mesh)).isEqualTo(12, within(1e-12));
  }

  @Test
  void straightAcrossAnEarlierOne_thereAreFourQuads() {
    Changes.made(mesh, route(edge(5, 10), edge(6, 11), edge(7, 12), edge(8, 13), edge(9, 14)));
    Changes.made(mesh, route(edge(2, 3), edge(7, 8), edge(12, 13), edge(17, 18)));
    assertThat(quads()).isEqualTo(20);
    assertThat(mesh.faceCount()).isEqualTo(20);
    assertThat(Arrays.stream(mesh.facesAt(mesh.vertexEnd() - 1)).count()).isEqualTo(4);
    assertMesh(mesh).isSound();
  }

  @Test
  void whatIsNoWay_isRefused_andNothingIsLost() {
    assertThat(Changes.refused(mesh, route(edge(0, 1), edge(13, 14))).reason())
        .isEqualTo("A route goes on across one quad at a time.");
    assertThat(Changes.refused(mesh, route(edge(0, 1), edge(0, 1))).reason()).contains("each once");
    assertThat(Changes.refused(mesh, route(99)).reason()).contains("each once");
  }
}
