package fairedge.core.subdivide;

import static fairedge.core.MeshAssert.assertMesh;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fairedge.core.Meshes;
import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;
import java.util.Map;
import org.junit.jupiter.api.Test;

class CatmullClarkTest {
  @Test
  void cube_afterOneLevel_hasTheKnownPlaces() {
    Mesh smooth = CatmullClark.refined(Meshes.cube(), 1);
    assertMesh(smooth).isSound().hasCounts(26, 48, 24).hasFacesOfSides(4, 24).hasEuler(2);
    // Of the cube from 0 to 2: a corner goes to 4/9 of the way in, an edge's middle to 1/4, 1/4.
    assertThat(smooth.position(0).distance(new Vec3(4 / 9.0, 4 / 9.0, 4 / 9.0))).isLessThan(1e-12);
    assertThat(smooth.position(8).x() + smooth.position(8).y() + smooth.position(8).z())
        .isCloseTo(1.5, within(1e-12));
  }

  @Test
  void border_isACurveOfItsOwn_andACornerOfItIsRounded() {
    Mesh smooth = CatmullClark.refined(Meshes.grid(2, 2), 1);
    assertThat(smooth.position(1)).isEqualTo(new Vec3(1, 0, 0));
    assertThat(smooth.position(0)).isEqualTo(new Vec3(0.125, 0.125, 0));
    assertThat(smooth.position(4)).isEqualTo(new Vec3(1, 1, 0));
  }

  @Test
  void everyFixture_becomesQuads_andStaysAsItHangsTogether() {
    for (Map.Entry<String, Mesh> fixture : Meshes.all().entrySet()) {
      Mesh mesh = fixture.getValue();
      Mesh smooth = CatmullClark.refined(mesh, 2);
      assertMesh(smooth).as(fixture.getKey()).isSound();
      assertMesh(smooth).hasFacesOfSides(4, smooth.faceCount());
      if (!fixture.getKey().equals("edge used twice")) {
        assertThat((long) smooth.faceCount())
            .as(fixture.getKey())
            .isEqualTo(CatmullClark.faces(mesh, 2));
      }
    }
  }
}
