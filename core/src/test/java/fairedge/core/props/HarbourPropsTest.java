package fairedge.core.props;

import static fairedge.core.MeshAssert.assertMesh;
import static org.assertj.core.api.Assertions.assertThat;

import fairedge.core.mesh.Mesh;
import org.junit.jupiter.api.Test;

class HarbourPropsTest {
  @Test
  void hatchLid_isAClosedCylinderWithFlatEnds() {
    Mesh lid = HarbourProps.hatchLid();
    assertMesh(lid).isSound().hasCounts(32, 48, 18).hasEuler(2);
    assertMesh(lid).hasFacesOfSides(4, 16).hasFacesOfSides(16, 2);
    assertThat(lid.polygon(16).normal().z()).isEqualTo(1);
    assertThat(lid.polygon(17).normal().z()).isEqualTo(-1);
    for (int f = 0; f < 16; f++) {
      assertThat(facesOutward(lid, f)).isTrue();
    }
  }

  @Test
  void bollard_isAllQuads_openAtTheFoot() {
    Mesh bollard = HarbourProps.mooringBollard();
    assertMesh(bollard).isSound().hasEuler(1).hasFacesOfSides(4, bollard.faceCount());
    int border = 0;
    for (int e = 0; e < bollard.edgeEnd(); e++) {
      assertThat(bollard.uses(e)).isBetween(1, 2);
      border += bollard.uses(e) == 1 ? 1 : 0;
    }
    assertThat(border).isEqualTo(12);
    assertThat(bollard.polygon(bollard.faceCount() - 1).normal().z()).isEqualTo(1);
  }

  private static boolean facesOutward(Mesh mesh, int f) {
    var shape = mesh.polygon(f);
    var middle = shape.middle();
    return shape.normal().x() * middle.x() + shape.normal().y() * middle.y() > 0;
  }
}
