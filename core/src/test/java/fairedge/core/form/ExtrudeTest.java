package fairedge.core.form;

import static fairedge.core.form.Formed.counts;
import static fairedge.core.form.Formed.cube;
import static fairedge.core.form.Formed.sheet;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fairedge.core.form.Extrude.Extrusion;
import fairedge.core.form.Extrude.Heading;
import fairedge.core.geometry.Tolerance;
import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.MeshBuilder;
import fairedge.core.mesh.MeshBytes;
import fairedge.core.mesh.MeshCheck;
import fairedge.core.props.HarbourProps;
import fairedge.core.step.Forming;
import fairedge.core.step.Outcome;
import fairedge.core.step.Receipt;
import fairedge.core.step.Workpiece;
import java.util.Arrays;
import java.util.List;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

/** Worked examples with known counts and volumes, and laws over many regions. */
class ExtrudeTest {
  private static final int TOP = 1;

  private static Extrusion plan(Heading way, double d) {
    return new Extrusion(way, new Vec3(1, 0, 2), d, 1, 1, 0);
  }

  private static double volume(Mesh mesh) {
    double sum = 0;
    for (int f = 0; f < mesh.faceEnd(); f++) {
      if (mesh.hasFace(f)) {
        int[] v = mesh.vertices(f);
        for (int i = 1; i + 1 < v.length; i++) {
          Vec3 b = mesh.position(v[i]);
          sum += mesh.position(v[0]).dot(b.cross(mesh.position(v[i + 1])));
        }
      }
    }
    return sum / 6;
  }

  private static Receipt made(Mesh mesh, boolean each, Extrusion plan, Integer... faces) {
    return Formed.made(mesh, new Forming.ExtrudeChange(List.of(faces), each, plan));
  }

  private static String refused(Mesh mesh, boolean each, Extrusion plan, Integer... faces) {
    return Formed.refused(mesh, new Forming.ExtrudeChange(List.of(faces), each, plan));
  }

  @Test
  void topOfACube_getsFourWalls() {
    Mesh mesh = cube();
    made(mesh, false, plan(Heading.NORMAL, 0.5), TOP);
    assertThat(counts(mesh)).containsExactly(12, 20, 10);
    assertThat(volume(mesh)).isCloseTo(1.5, within(1e-12));
    assertThat(mesh.polygon(TOP).newell().unit()).isEqualTo(new Vec3(0, 0, 1));
    assertThat(mesh.position(mesh.vertices(TOP)[0]).z()).isEqualTo(1.5);
    assertThat(IntStream.range(0, mesh.edgeEnd()).filter(mesh::hasEdge).map(mesh::uses))
        .as("closed, and nothing left inside")
        .containsOnly(2);
  }

  @Test
  void segments_standOnEachOther() {
    Mesh mesh = cube();
    Extrusion three = new Extrusion(Heading.NORMAL, null, 3, 3, 1, 0);
    made(mesh, false, three, TOP);
    assertThat(counts(mesh)).containsExactly(20, 36, 18);
    assertThat(volume(mesh)).isCloseTo(4, within(1e-12));
  }

  @Test
  void negative_sinks_andADirectionCountsByItsPartAlongTheNormal() {
    Mesh sunk = cube();
    made(sunk, false, plan(Heading.NORMAL, -0.25), TOP);
    assertThat(volume(sunk)).isCloseTo(0.75, within(1e-12));
    Mesh aside = cube();
    made(aside, false, plan(Heading.DIRECTION, 0.5), TOP);
    assertThat(volume(aside)).isCloseTo(1 + 0.5 * 2 / Math.sqrt(5), within(1e-12));
  }

  @Test
  void twoFacesAsOneRegion_goTogether_orEachByItself() {
    Mesh together = cube();
    made(together, false, plan(Heading.EVEN, 0.5), 1, 2);
    // Six vertices at the border of the two are doubled, and six walls stand there.
    assertThat(counts(together)).containsExactly(14, 24, 12);
    assertThat(together.polygon(TOP).newell().unit()).isEqualTo(new Vec3(0, 0, 1));
    assertThat(Arrays.stream(together.vertices(TOP)).mapToObj(together::position))
        .allSatisfy(p -> assertThat(p.z()).isCloseTo(1.5, within(1e-12)));
    assertThat(Arrays.stream(together.vertices(2)).mapToObj(together::position))
        .allSatisfy(p -> assertThat(p.y()).isCloseTo(-0.5, within(1e-12)));
    Mesh apart = cube();
    made(apart, true, plan(Heading.NORMAL, 0.5), 1, 2);
    assertThat(counts(apart)).containsExactly(16, 28, 14);
    assertThat(volume(apart)).isCloseTo(2, within(1e-12));
  }

  @Test
  void endIsScaledAndTurned_aboutItsMiddle() {
    Mesh mesh = cube();
    made(mesh, false, new Extrusion(Heading.NORMAL, null, 1, 4, 0.5, 90), TOP);
    assertThat(mesh.polygon(TOP).area()).isCloseTo(0.25, within(1e-12));
    assertThat(Arrays.stream(mesh.vertices(TOP)).mapToObj(mesh::position))
        .allSatisfy(p -> assertThat(p.z()).isCloseTo(2, within(1e-12)));
    assertThat(mesh.position(mesh.vertices(TOP)[0]).minus(new Vec3(0.75, 0.25, 2)).length())
        .as("a quarter round: the corner that lay at the left front lies at the right front")
        .isLessThan(1e-12);
  }

  @Test
  void sheet_getsWallsAtItsBorderToo() {
    Mesh mesh = sheet();
    made(mesh, false, plan(Heading.NORMAL, 1), 0, 1);
    assertThat(counts(mesh)).containsExactly(12, 19, 8);
    Mesh half = sheet();
    made(half, false, plan(Heading.NORMAL, 1), 0);
    assertThat(counts(half)).containsExactly(10, 15, 6);
    assertThat(half.hasVertex(0)).as("the walls stand on it").isTrue();
  }

  @Test
  void closedPart_growsByEvenThicknessOnly() {
    Mesh mesh = cube();
    Integer[] all = {0, 1, 2, 3, 4, 5};
    assertThat(refused(mesh, false, plan(Heading.NORMAL, 1), all)).contains("no common normal");
    assertThat(refused(mesh, false, plan(Heading.DIRECTION, 1), all)).contains("even thickness");
    Receipt grown = made(mesh, false, plan(Heading.EVEN, 0.5), all);
    assertThat(counts(mesh)).containsExactly(8, 12, 6);
    assertThat(volume(mesh)).isCloseTo(8, within(1e-12));
    assertThat(grown.remarks()).anyMatch(r -> r.text().contains("no walls"));
    assertThat(refused(mesh, false, plan(Heading.EVEN, -1), all))
        .as("it turns over once its walls meet")
        .contains("room for less than 1");
  }

  @Test
  void whatCantBe_isRefusedWithItsReason() {
    assertThat(refused(cube(), false, plan(Heading.NORMAL, 0), TOP)).contains("distance of 0");
    assertThat(refused(cube(), false, plan(Heading.NORMAL, Double.NaN), TOP)).contains("numbers");
    assertThat(refused(cube(), false, new Extrusion(Heading.NORMAL, null, 1, 0, 1, 0), TOP))
        .contains("segments");
    assertThat(refused(cube(), false, new Extrusion(Heading.NORMAL, null, 1, 1, 0, 0), TOP))
        .contains("more than 0");
    assertThat(refused(cube(), false, new Extrusion(Heading.DIRECTION, Vec3.ZERO, 1, 1, 1, 0), TOP))
        .contains("direction");
    assertThat(refused(cube(), false, plan(Heading.NORMAL, 1), 99)).contains("not there");
  }

  /** Two sheets that touch in one vertex: a region of both parts it there. */
  @Test
  void regionThatMeetsItselfInAVertex_hasEachFanAlone() {
    MeshBuilder b = new MeshBuilder();
    for (int[] p : new int[][] {{0, 0}, {1, 0}, {1, 1}, {0, 1}, {2, 1}, {2, 2}, {1, 2}}) {
      b.vertex(new Vec3(p[0], p[1], 0));
    }
    b.face(0, 1, 2, 3);
    b.face(2, 4, 5, 6);
    Mesh mesh = b.build();
    made(mesh, false, plan(Heading.NORMAL, 1), 0, 1);
    assertThat(mesh.vertexCount()).isEqualTo(7 + 8);
    assertThat(mesh.faceCount()).isEqualTo(2 + 8);
  }

  /** On a closed form: the volume grows by N·m, all stays closed and oriented, undo is exact. */
  @Test
  void manyRegions_keepTheLaws() {
    SplittableRandom random = new SplittableRandom(11);
    for (int round = 0; round < 60; round++) {
      Mesh mesh = round % 2 == 0 ? HarbourProps.fairleadBlock() : HarbourProps.hatchLid();
      byte[] before = MeshBytes.write(mesh);
      Integer[] faces =
          IntStream.range(0, mesh.faceEnd())
              .filter(f -> mesh.hasFace(f) && random.nextInt(3) == 0)
              .boxed()
              .toArray(Integer[]::new);
      if (faces.length == 0 || faces.length == mesh.faceCount()) {
        continue;
      }
      Vec3 way = new Vec3(random.nextDouble(), random.nextDouble(), random.nextDouble());
      double d = random.nextDouble(-20, 20);
      Vec3 normals = Vec3.ZERO;
      for (int f : faces) {
        normals = normals.plus(mesh.polygon(f).newell());
      }
      double expected = volume(mesh) + normals.dot(way.unit().times(d));
      int euler = mesh.vertexCount() - mesh.edgeCount() + mesh.faceCount();
      Workpiece workpiece = new Workpiece(mesh, Tolerance.of(mesh.bounds()));
      Extrusion plan = new Extrusion(Heading.DIRECTION, way, d, 1 + random.nextInt(3), 1, 0);
      assertThat(workpiece.apply(new Forming.ExtrudeChange(List.of(faces), false, plan)))
          .isInstanceOf(Outcome.Made.class);
      assertThat(MeshCheck.faults(mesh)).isEmpty();
      assertThat(volume(mesh)).isCloseTo(expected, within(1e-9 * Math.abs(expected)));
      assertThat(IntStream.range(0, mesh.edgeEnd()).filter(mesh::hasEdge).map(mesh::uses))
          .containsOnly(2);
      assertThat(mesh.vertexCount() - mesh.edgeCount() + mesh.faceCount())
          .as("parting at a vertex may add to it, nothing takes from it")
          .isGreaterThanOrEqualTo(euler);
      workpiece.undo();
      assertThat(MeshBytes.write(mesh)).isEqualTo(before);
    }
  }
}
