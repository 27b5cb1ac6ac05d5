package fairedge.core.subdivide;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fairedge.core.Meshes;
import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;
import fairedge.core.props.HarbourProps;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

class LimitTest {
  @Test
  void cube_endsAtTheKnownPlaces() {
    Limit limit = CatmullClark.refined(Meshes.cube(), 1).limit();
    // The corner of the cube from 0 to 2, after one level (4/9, ...): nine of it, four of each of
    // the three edges' (0.5, 0.5 and 1 along), one of each of the faces' middles, through 24.
    double at = (9 * 4 / 9.0 + 4 * (0.25 + 0.25 + 1) + (0 + 1 + 1)) / 24;
    assertThat(limit.position(0).distance(new Vec3(at, at, at))).isLessThan(1e-12);
    assertThat(limit.normal(0).distance(new Vec3(-1, -1, -1).unit())).isLessThan(1e-12);
  }

  @Test
  void sheet_endsWhereItLies_itsBorderAsACurve() {
    Limit limit = CatmullClark.refined(Meshes.grid(3, 3), 2).limit();
    assertThat(limit.position(5)).isEqualTo(new Vec3(1, 1, 0));
    assertThat(limit.position(1).y()).isCloseTo(0, within(1e-12));
    for (int v = 0; v < 16; v++) {
      assertThat(Math.abs(limit.normal(v).z())).isCloseTo(1, within(1e-12));
    }
  }

  @Test
  void everyVertex_endsInOnePlace_fromWhateverLevelItIsAsked() {
    for (Mesh mesh : smooth()) {
      Limit one = CatmullClark.refined(mesh, 1).limit();
      Refined fine = CatmullClark.refined(mesh, 5);
      Limit deep = fine.limit();
      double scale = mesh.bounds().diagonal();
      for (int v = 0; v < mesh.vertexEnd(); v++) {
        assertThat(one.position(v).distance(deep.position(v))).isLessThan(1e-9 * scale);
        assertThat(one.position(v).distance(fine.position(v))).isLessThan(2e-3 * scale);
        if (mesh.valence(v) > 2) {
          assertThat(one.normal(v).distance(deep.normal(v))).as("normal of " + v).isLessThan(1e-6);
        }
      }
    }
  }

  @Test
  void normals_areThoseThatTheQuadsComeNearTo() {
    for (Mesh mesh : smooth()) {
      Limit limit = CatmullClark.refined(mesh, 1).limit();
      Mesh fine = CatmullClark.refined(mesh, 5).mesh();
      for (int v = 0; v < mesh.vertexEnd(); v++) {
        Vec3 sum = Vec3.ZERO;
        for (int f : fine.facesAt(v)) {
          sum = sum.plus(fine.polygon(f).newell());
        }
        assertThat(limit.normal(v).angleTo(sum)).as("vertex " + v).isLessThan(3);
      }
    }
  }

  /** With a vertex in each place of no face there is nothing to compare by id. */
  private static List<Mesh> smooth() {
    return List.of(
        Meshes.cube(),
        Meshes.grid(4, 3),
        CatmullClark.refined(Meshes.cube(), 1).mesh(),
        HarbourProps.mooringBollard(),
        HarbourProps.hatchLid());
  }

  @Test
  void everyFixture_endsSomewhere_withNormalsOfUnitLengthOrNone() {
    for (Map.Entry<String, Mesh> fixture : Meshes.all().entrySet()) {
      Refined refined = CatmullClark.refined(fixture.getValue(), 2);
      Limit limit = refined.limit();
      for (int q = 0; q < refined.quadCount(); q++) {
        for (int i = 0; i < 4; i++) {
          int v = refined.vertex(q, i);
          assertThat(limit.position(v).isFinite()).as(fixture.getKey()).isTrue();
          double length = limit.normal(v).length();
          assertThat(length == 0 || Math.abs(length - 1) < 1e-9).as(fixture.getKey()).isTrue();
        }
      }
    }
  }
}
