package fairedge.core.subdivide;

import static fairedge.core.MeshAssert.assertMesh;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fairedge.core.Meshes;
import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.MeshBuilder;
import java.util.Map;
import org.junit.jupiter.api.Test;

class CatmullClarkTest {
  @Test
  void cube_afterOneLevel_hasTheKnownPlaces() {
    Mesh smooth = CatmullClark.refined(Meshes.cube(), 1).mesh();
    assertMesh(smooth).isSound().hasCounts(26, 48, 24).hasFacesOfSides(4, 24).hasEuler(2);
    // Of the cube from 0 to 2: a corner goes to 4/9 of the way in, an edge's middle to 1/4, 1/4.
    assertThat(smooth.position(0).distance(new Vec3(4 / 9.0, 4 / 9.0, 4 / 9.0))).isLessThan(1e-12);
    assertThat(smooth.position(8).x() + smooth.position(8).y() + smooth.position(8).z())
        .isCloseTo(1.5, within(1e-12));
  }

  @Test
  void border_isACurveOfItsOwn_andACornerOfItIsRounded() {
    Mesh smooth = CatmullClark.refined(Meshes.grid(2, 2), 1).mesh();
    assertThat(smooth.position(1)).isEqualTo(new Vec3(1, 0, 0));
    assertThat(smooth.position(0)).isEqualTo(new Vec3(0.125, 0.125, 0));
    assertThat(smooth.position(4)).isEqualTo(new Vec3(1, 1, 0));
  }

  @Test
  void everyFixture_becomesQuads_andStaysAsItHangsTogether() {
    for (Map.Entry<String, Mesh> fixture : Meshes.all().entrySet()) {
      Mesh mesh = fixture.getValue();
      Mesh smooth = CatmullClark.refined(mesh, 2).mesh();
      assertMesh(smooth).as(fixture.getKey()).isSound();
      assertMesh(smooth).hasFacesOfSides(4, smooth.faceCount());
      if (!fixture.getKey().equals("edge used twice")) {
        assertThat((long) smooth.faceCount())
            .as(fixture.getKey())
            .isEqualTo(CatmullClark.faces(mesh, 2));
      }
    }
  }

  @Test
  void vertexThatSeveralFansShare_stays() {
    MeshBuilder builder = new MeshBuilder();
    int tip = builder.vertex(0, 0, 0);
    for (int up = -1; up <= 1; up += 2) {
      int a = builder.vertex(1, 0, up);
      int b = builder.vertex(-1, 1, up);
      int c = builder.vertex(-1, -1, up);
      builder.face(tip, a, b);
      builder.face(tip, b, c);
      builder.face(tip, c, a);
    }
    // Two cones: as many faces at the tip as edges, yet no one surface.
    Mesh mesh = builder.build();
    assertThat(CatmullClark.refined(mesh, 3).position(tip)).isEqualTo(Vec3.ZERO);
  }

  @Test
  void edgesOfTheCage_areFollowedFromEndToEnd() {
    Mesh mesh = Meshes.cube();
    Refined refined = CatmullClark.refined(mesh, 3);
    for (int e = 0; e < mesh.edgeEnd(); e++) {
      int[] along = refined.along(e);
      assertThat(along).hasSize(9).startsWith(mesh.first(e)).endsWith(mesh.second(e));
      Vec3 way = mesh.position(mesh.second(e)).minus(mesh.position(mesh.first(e)));
      for (int i = 1; i < along.length; i++) {
        Vec3 step = refined.position(along[i]).minus(refined.position(along[i - 1]));
        assertThat(step.dot(way)).isPositive();
      }
    }
  }

  @Test
  void partsOfAFace_lieOverIt() {
    Mesh mesh = Meshes.cube();
    Refined refined = CatmullClark.refined(mesh, 2);
    for (int f = 0; f < mesh.faceEnd(); f++) {
      assertThat(refined.firstQuad(f + 1) - refined.firstQuad(f)).isEqualTo(16);
      Vec3 normal = mesh.polygon(f).newell().unit();
      Vec3 centre = mesh.bounds().centre();
      for (int q = refined.firstQuad(f); q < refined.firstQuad(f + 1); q++) {
        Vec3 p = refined.position(refined.vertex(q, 2));
        assertThat(p.minus(centre).dot(normal)).isPositive();
      }
    }
  }
}
