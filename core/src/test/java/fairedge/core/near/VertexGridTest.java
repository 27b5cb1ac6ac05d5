package fairedge.core.near;

import static org.assertj.core.api.Assertions.assertThat;

import fairedge.core.Seeds;
import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.MeshBuilder;
import java.util.Random;
import java.util.TreeSet;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Asked about every edge and vertex, it tells what comparing all with all tells. */
class VertexGridTest {
  private static final double NEAR = 0.02;

  @ParameterizedTest
  @Seeds
  void grid_tellsWhatAllComparedWithAllTell(long seed) {
    Mesh mesh = heap(new Random(seed));
    VertexGrid grid = new VertexGrid(mesh, 2 * NEAR);
    assertThat(grid.isCrowded()).isFalse();
    for (int e = 0; e < mesh.edgeEnd(); e++) {
      TreeSet<Integer> told = new TreeSet<>();
      grid.asker(NEAR, (asking, near) -> told.add(near)).aboutEdge(e);
      Vec3 a = mesh.position(mesh.first(e));
      Vec3 b = mesh.position(mesh.second(e));
      for (int v = 0; v < mesh.vertexEnd(); v++) {
        boolean near =
            v != mesh.first(e)
                && v != mesh.second(e)
                && mesh.hasPlace(v)
                && mesh.position(v).distanceToSegment(a, b) <= NEAR;
        assertThat(told.contains(v)).as("vertex %d at edge %d", v, e).isEqualTo(near);
      }
    }
    for (int v = 0; v < mesh.vertexEnd(); v++) {
      TreeSet<Integer> told = new TreeSet<>();
      grid.asker(NEAR, (asking, near) -> told.add(near)).aboutVertex(v);
      for (int w = v + 1; w < mesh.vertexEnd(); w++) {
        if (mesh.position(v).distance(mesh.position(w)) <= NEAR) {
          assertThat(told).contains(w);
        }
      }
    }
  }

  /** Small triangles at random, a long one across all, and places that lie on it. */
  private static Mesh heap(Random random) {
    MeshBuilder builder = new MeshBuilder();
    for (int i = 0; i < 120; i++) {
      double x = random.nextDouble();
      double y = random.nextDouble();
      double z = random.nextDouble();
      int v = builder.vertex(x, y, z);
      builder.vertex(x + 0.05, y, z);
      builder.vertex(x, y + 0.05, z + 0.01);
      builder.face(v, v + 1, v + 2);
    }
    int far = builder.vertex(-3, -3, -3);
    builder.vertex(4, 4, 4);
    builder.vertex(4, 4, 5);
    builder.face(far, far + 1, far + 2);
    for (int i = 0; i < 9; i++) {
      builder.vertex(-3 + 0.7 * i, -3 + 0.7 * i, -3 + 0.7 * i + 0.01);
    }
    return builder.build();
  }

  @ParameterizedTest
  @ValueSource(doubles = {0, 1e200})
  void grid_isCrowded_whereAllLieInOnePlace_orFartherApartThanCanBeTold(double extent) {
    MeshBuilder builder = new MeshBuilder();
    for (int i = 0; i < 300; i += 3) {
      builder.vertex(0, 0, 0);
      builder.vertex(extent, 0, 0);
      builder.vertex(0, extent, 0);
      builder.face(i, i + 1, i + 2);
    }
    assertThat(new VertexGrid(builder.build(), NEAR).isCrowded()).isTrue();
  }
}
