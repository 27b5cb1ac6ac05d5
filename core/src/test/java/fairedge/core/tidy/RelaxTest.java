package fairedge.core.tidy;

import static fairedge.core.Changes.made;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fairedge.core.Meshes;
import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.MeshBuilder;
import fairedge.core.near.Surface;
import fairedge.core.step.Tidying.MoveChange;
import fairedge.core.step.Tidying.RelaxChange;
import fairedge.core.tidy.Relax.RelaxWay;
import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

class RelaxTest {
  private static final Vec3 ONE = new Vec3(1, 1, 1);

  private static List<Integer> all(Mesh mesh) {
    return IntStream.range(0, mesh.vertexEnd()).filter(mesh::hasVertex).boxed().toList();
  }

  private static void shift(Mesh mesh, int v, double x, double y, double z) {
    made(
        mesh,
        new MoveChange(List.of(v), new Move.Motion(new Vec3(x, y, z), 0, Vec3.ZERO, 0, ONE, null)));
  }

  /** A tube with rims at both ends and hard edges along it, its vertices put out of order. */
  private static Mesh tube() {
    MeshBuilder b = new MeshBuilder();
    for (int ring = 0; ring < 6; ring++) {
      for (int k = 0; k < 6; k++) {
        double z = ring == 0 || ring == 5 ? ring : ring + 0.3 * Math.sin(3 * ring + k);
        b.vertex(Math.cos(Math.PI * k / 3), Math.sin(Math.PI * k / 3), z);
      }
    }
    for (int ring = 0; ring < 5; ring++) {
      for (int k = 0; k < 6; k++) {
        int next = (k + 1) % 6;
        b.face(6 * ring + k, 6 * ring + next, 6 * ring + 6 + next, 6 * ring + 6 + k);
      }
    }
    return b.build();
  }

  @ParameterizedTest
  @EnumSource(RelaxWay.class)
  void surface_hardEdgesAndBorders_stayWhatTheyAre(RelaxWay way) {
    Mesh tube = tube();
    Surface before = new Surface(tube.copy());
    Mesh torus = Meshes.torus(24, 16);
    Surface round = new Surface(torus.copy());
    made(tube, new RelaxChange(all(tube), 30, 0.5, RelaxWay.EVEN));
    for (int v = 0; v < tube.vertexEnd(); v++) {
      Vec3 p = tube.position(v);
      assertThat(before.distance(before.nearest(p, -1), p)).isLessThan(1e-12);
      // All edges along the tube are hard: its vertices lie on them, and rims stay at their height.
      assertThat(Math.hypot(p.x(), p.y())).isCloseTo(1, within(1e-12));
      if (v < 6 || v >= 30) {
        assertThat(p.z()).isEqualTo(v < 6 ? 0 : 5);
      }
    }
    shift(torus, 40, 0, 0, 0.02);
    Surface bumped = new Surface(torus.copy());
    made(torus, new RelaxChange(all(torus), 10, 0.5, way));
    for (int v = 0; v < torus.vertexEnd(); v++) {
      Vec3 p = torus.position(v);
      assertThat(bumped.distance(bumped.nearest(p, -1), p)).isLessThan(1e-9);
    }
    assertThat(round.triangles()).isEqualTo(bumped.triangles());
  }

  @Test
  void onAHardLine_distancesComeOutEven_byLengthOfArc() {
    Mesh tube = tube();
    made(tube, new RelaxChange(all(tube), 200, 1, RelaxWay.EVEN));
    for (int v = 0; v < tube.vertexEnd(); v++) {
      assertThat(tube.position(v).z()).isCloseTo(v / 6, within(1e-6));
    }
  }

  /** A border that bends softly keeps its line: vertices go to and fro on it, and off it never. */
  @Test
  void aBorderThatBendsSoftly_isNotCutShort() {
    MeshBuilder b = new MeshBuilder();
    double[] steps = {0, 1, 2.6, 3.1, 4};
    for (int row = 0; row < 2; row++) {
      for (double x : steps) {
        b.vertex(x, row == 0 ? -2 : x * (4 - x) / 20, 0);
      }
    }
    for (int i = 0; i < 4; i++) {
      b.face(i, i + 1, i + 6, i + 5);
    }
    Mesh sheet = b.build();
    List<Vec3> line = IntStream.range(5, 10).mapToObj(sheet::position).toList();
    made(sheet, new RelaxChange(List.of(6, 7, 8), 100, 0.5, RelaxWay.EVEN));
    double first = sheet.position(5).distance(sheet.position(6));
    for (int v : new int[] {6, 7, 8}) {
      Vec3 p = sheet.position(v);
      double off = Double.POSITIVE_INFINITY;
      for (int i = 0; i < 4; i++) {
        off = Math.min(off, p.distanceToSegment(line.get(i), line.get(i + 1)));
      }
      assertThat(off).isLessThan(1e-12);
      assertThat(p.distance(sheet.position(v + 1))).isCloseTo(first, within(0.03));
    }
  }

  /** A loop that is bent comes out straight; one that lies off the middle stays there. */
  @Test
  void flow_straightensLoops_andLeavesHowFarApartTheyLie() {
    Mesh grid = Meshes.grid(4, 4);
    for (int v = 10; v < 15; v++) {
      shift(grid, v, 0, 0.4, 0);
    }
    for (int v : new int[] {7, 12, 17}) {
      shift(grid, v, 0.3, 0, 0);
    }
    Mesh even = grid.copy();
    List<Integer> inner = List.of(6, 7, 8, 11, 12, 13, 16, 17, 18);
    made(grid, new RelaxChange(inner, 100, 1, RelaxWay.FLOW));
    for (int v : inner) {
      double row = v / 5 == 2 ? 2.4 : v / 5;
      assertThat(grid.position(v).distance(new Vec3(v % 5, row, 0))).isLessThan(1e-3);
    }
    made(even, new RelaxChange(inner, 100, 1, RelaxWay.EVEN));
    assertThat(even.position(12).y()).isLessThan(2.3);
  }

  @Test
  void whereHardLinesMeet_verticesStay() {
    Mesh cube = Meshes.cube();
    Mesh before = cube.copy();
    made(cube, new RelaxChange(all(cube), 5, 1, RelaxWay.EVEN));
    for (int v = 0; v < 8; v++) {
      assertThat(cube.position(v)).isEqualTo(before.position(v));
    }
  }
}
