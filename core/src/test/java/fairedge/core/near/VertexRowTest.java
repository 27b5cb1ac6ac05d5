package fairedge.core.near;

import static org.assertj.core.api.Assertions.assertThat;

import fairedge.core.Meshes;
import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;
import java.util.Comparator;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

class VertexRowTest {
  @Test
  void nearest_isWhatLookingAtAllFinds_ofEqualsTheLowest() {
    Mesh grid = Meshes.grid(7, 3);
    SplittableRandom random = new SplittableRandom(5);
    for (int round = 0; round < 500; round++) {
      int[] some =
          IntStream.range(0, grid.vertexEnd()).filter(v -> random.nextInt(3) > 0).toArray();
      VertexRow row = new VertexRow(grid, some);
      // In halves, so that many are as near as others; also far outside.
      Vec3 place =
          new Vec3(
              random.nextInt(-6, 20) / 2.0,
              random.nextInt(-6, 20) / 2.0,
              random.nextInt(-6, 20) / 2.0);
      int nearest =
          IntStream.of(some)
              .boxed()
              .min(Comparator.comparingDouble(v -> grid.position(v).distance(place)))
              .orElse(Mesh.NONE);
      assertThat(row.nearest(place)).isEqualTo(nearest);
    }
  }

  @Test
  void ofNone_nothingIsNearest() {
    assertThat(new VertexRow(Meshes.grid(1, 1), new int[0]).nearest(Vec3.ZERO))
        .isEqualTo(Mesh.NONE);
  }
}
