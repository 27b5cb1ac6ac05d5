package fairedge.core.form;

import static fairedge.core.form.Formed.counts;
import static fairedge.core.form.Formed.sheet;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fairedge.core.form.ExtrudeEdges.Brim;
import fairedge.core.form.ExtrudeEdges.BrimWay;
import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.MeshBuilder;
import fairedge.core.step.Forming;
import fairedge.core.step.Receipt;
import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

/** Worked examples with known counts, places and areas. */
class ExtrudeEdgesTest {
  private static Brim onwards(double distance, int segments) {
    return new Brim(BrimWay.ONWARDS, null, distance, segments);
  }

  private static List<Integer> border(Mesh mesh) {
    return IntStream.range(0, mesh.edgeEnd())
        .filter(e -> mesh.hasEdge(e) && mesh.uses(e) == 1)
        .boxed()
        .toList();
  }

  private static double area(Mesh mesh) {
    return IntStream.range(0, mesh.faceEnd())
        .filter(mesh::hasFace)
        .mapToDouble(f -> mesh.polygon(f).newell().z())
        .sum();
  }

  private static Receipt made(Mesh mesh, Brim brim, List<Integer> edges) {
    return Formed.made(mesh, new Forming.ExtrudeEdgesChange(edges, brim));
  }

  private static String refused(Mesh mesh, Brim brim, Integer... edges) {
    return Formed.refused(mesh, new Forming.ExtrudeEdgesChange(List.of(edges), brim));
  }

  @Test
  void wholeRim_goesOnFlat_withMitredCorners() {
    Mesh mesh = sheet();
    Receipt receipt = made(mesh, onwards(0.25, 1), border(mesh));
    assertThat(counts(mesh)).containsExactly(12, 19, 8);
    assertThat(area(mesh)).isCloseTo(2.5 * 1.5, within(1e-12));
    assertThat(mesh.bounds().min()).isEqualTo(new Vec3(-0.25, -0.25, 0));
    assertThat(receipt.chosen().edges()).hasSize(6).allMatch(e -> mesh.uses(e) == 1);
  }

  @Test
  void oneEdge_getsAStraightStrip_inAsManySegments() {
    Mesh mesh = sheet();
    made(mesh, onwards(0.6, 3), List.of(mesh.findEdge(0, 1)));
    assertThat(counts(mesh)).containsExactly(6 + 6, 7 + 9, 2 + 3);
    assertThat(area(mesh)).isCloseTo(2.6, within(1e-12));
    assertThat(mesh.bounds().min().y()).isCloseTo(-0.6, within(1e-15));
  }

  @Test
  void alongTheNormal_aRimStandsUp() {
    Mesh mesh = sheet();
    made(mesh, new Brim(BrimWay.NORMAL, null, 2, 1), border(mesh));
    assertThat(mesh.bounds().max()).isEqualTo(new Vec3(2, 1, 2));
    assertThat(area(mesh)).as("seen from above").isCloseTo(2, within(1e-12));
  }

  @Test
  void direction_isTakenWithoutItsLength_andTheStripWindsAsTheFacesDo() {
    Mesh mesh = sheet();
    int e = mesh.findEdge(0, 1);
    made(mesh, new Brim(BrimWay.DIRECTION, new Vec3(0, -9, 0), 0.5, 1), List.of(e));
    assertThat(area(mesh)).isCloseTo(2.5, within(1e-12));
    int[] faces = mesh.facesOn(e);
    assertThat(Arrays.stream(faces).mapToObj(f -> mesh.polygon(f).newell().unit()))
        .containsOnly(new Vec3(0, 0, 1));
  }

  /** Two squares that touch in one vertex only: each fan has its corner, and no edge is crowded. */
  @Test
  void facesThatTouchInAVertex_getACornerEach() {
    MeshBuilder b = new MeshBuilder();
    for (double[] p : new double[][] {{0, 0}, {1, 0}, {1, 1}, {0, 1}, {2, 1}, {2, 2}, {1, 2}}) {
      b.vertex(new Vec3(p[0], p[1], 0));
    }
    b.face(0, 1, 2, 3);
    b.face(2, 4, 5, 6);
    Mesh mesh = b.build();
    made(mesh, new Brim(BrimWay.NORMAL, null, 1, 1), border(mesh));
    assertThat(counts(mesh)).containsExactly(7 + 8, 8 + 8 + 8, 2 + 8);
    assertThat(IntStream.range(0, mesh.edgeEnd()).filter(mesh::hasEdge).map(mesh::uses))
        .allMatch(uses -> uses <= 2);
  }

  @Test
  void inwards_thereIsRoomForHalfAHole_only() {
    MeshBuilder b = new MeshBuilder();
    for (int i = 0; i < 16; i++) {
      b.vertex(new Vec3(i % 4, i / 4, 0));
    }
    for (int i = 0; i < 9; i++) {
      int v = i / 3 * 4 + i % 3;
      if (i != 4) {
        b.face(v, v + 1, v + 5, v + 4);
      }
    }
    Mesh mesh = b.build();
    Integer[] rim = {
      mesh.findEdge(5, 6), mesh.findEdge(6, 10), mesh.findEdge(10, 9), mesh.findEdge(9, 5)
    };
    assertThat(refused(mesh, onwards(0.5, 1), rim)).contains("less than 0.5");
    made(mesh, onwards(0.4, 1), Arrays.asList(rim));
    assertThat(area(mesh)).isCloseTo(9 - 0.04, within(1e-12));
  }

  @Test
  void whatHasNoStrip_isRefused() {
    Mesh mesh = sheet();
    int inner = mesh.findEdge(1, 4);
    int rim = mesh.findEdge(0, 1);
    assertThat(refused(mesh, onwards(1, 1), inner)).contains("only border edges");
    assertThat(refused(mesh, onwards(0, 1), rim)).contains("distance of 0");
    assertThat(refused(mesh, onwards(Double.NaN, 1), rim)).contains("by a number");
    assertThat(refused(mesh, onwards(1, 0), rim)).contains("1 to 1000");
    assertThat(refused(mesh, new Brim(BrimWay.DIRECTION, null, 1, 1), rim)).contains("direction");
    assertThat(refused(mesh, onwards(1, 1))).isNotEmpty();
  }
}
