package fairedge.core.form;

import static fairedge.core.form.Formed.counts;
import static fairedge.core.form.Formed.cube;
import static fairedge.core.form.Formed.euler;
import static fairedge.core.form.Formed.isClosed;
import static fairedge.core.form.Formed.lBlock;
import static fairedge.core.form.Formed.volume;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fairedge.core.cut.Anchor;
import fairedge.core.form.MirrorBy.InBox;
import fairedge.core.geometry.Axis;
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
import java.util.List;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

/** Worked examples with known counts and places, and laws over many planes. */
class MirrorTest {
  private static Receipt made(Mesh mesh, MirrorBy by, boolean ahead, double join) {
    return Formed.made(mesh, new Forming.MirrorChange(by, ahead, join));
  }

  private static String refused(Mesh mesh, MirrorBy by, boolean ahead) {
    return Formed.refused(mesh, new Forming.MirrorChange(by, ahead, 0));
  }

  private static MirrorBy x(double offset) {
    return new MirrorBy.AtOffset(Axis.X, offset);
  }

  @Test
  void cube_atItsSide_andThroughIt() {
    Mesh beside = cube();
    Receipt receipt = made(beside, new MirrorBy.AtBox(Axis.X, InBox.LOW), true, 0);
    // The side in the plane goes; the four edges round it are joined.
    assertThat(counts(beside)).containsExactly(12, 20, 10);
    assertThat(volume(beside)).isEqualTo(2);
    assertThat(isClosed(beside)).isTrue();
    assertThat(receipt.remarks()).anyMatch(r -> r.text().contains("joined at 4 edges"));
    assertThat(receipt.remarks()).anyMatch(r -> r.text().contains("One face in the plane goes"));
    Mesh through = cube();
    made(through, x(0.25), true, 0);
    assertThat(volume(through)).isCloseTo(1.5, within(1e-15));
    assertThat(counts(through)).containsExactly(12, 20, 10);
    Mesh behind = cube();
    made(behind, x(0.25), false, 0);
    assertThat(volume(behind)).isCloseTo(0.5, within(1e-15));
    assertThat(refused(cube(), x(2), true)).contains("Nothing lies on the side");
    Mesh apart = cube();
    assertThat(made(apart, x(2), false, 0).remarks())
        .anyMatch(r -> r.text().contains("not joined"));
    assertThat(counts(apart)).containsExactly(16, 24, 12);
  }

  @Test
  void places_areExactSquareToAnAxis() {
    for (double c : new double[] {0, 0.1, 0.3}) {
      Mesh mesh = lBlock();
      made(mesh, x(c), true, 0);
      for (int v = 0; v < mesh.vertexEnd(); v++) {
        if (mesh.hasVertex(v)) {
          Vec3 p = mesh.position(v);
          Vec3 image = new Vec3(2 * c - p.x(), p.y(), p.z());
          assertThat(p.x() == c || has(mesh, p.x() > c ? image : p)).isTrue();
          assertThat(Math.abs(p.x() - c) > 1e-7 || p.x() == c).isTrue();
          if (p.x() > c) {
            assertThat(has(mesh, image)).as("%s", p).isTrue();
          }
        }
      }
    }
  }

  private static boolean has(Mesh mesh, Vec3 p) {
    return IntStream.range(0, mesh.vertexEnd())
        .anyMatch(v -> mesh.hasVertex(v) && mesh.position(v).equals(p));
  }

  @Test
  void borders_areJoinedWithinTheDistance_andOthersTold() {
    MeshBuilder b = new MeshBuilder();
    for (double[] p :
        new double[][] {{0.001, 0}, {1, 0}, {1, 1}, {-0.0005, 1}, {1, 2}, {0.02, 2}}) {
      b.vertex(new Vec3(p[0], p[1], 0));
    }
    b.face(0, 1, 2, 3);
    b.face(3, 2, 4, 5);
    Mesh mesh = b.build();
    Receipt receipt = made(mesh, x(0), true, 0.003);
    assertThat(mesh.x(0)).isZero();
    assertThat(mesh.x(3)).isZero();
    assertThat(counts(mesh)).containsExactly(10, 13, 4);
    assertThat(receipt.remarks())
        .anyMatch(r -> r.text().contains("One border vertex near the plane is not joined"));
  }

  @Test
  void planes_byEdgesAndAnchors() {
    Mesh byEdges = cube();
    Integer[] side = IntStream.of(byEdges.edges(4)).boxed().toArray(Integer[]::new);
    made(byEdges, new MirrorBy.AlongEdges(List.of(side)), true, 0);
    assertThat(volume(byEdges)).isEqualTo(2);
    Mesh slanted = cube();
    MirrorBy diagonal =
        new MirrorBy.ThroughAnchors(
            List.of(new Anchor.OnVertex(0), new Anchor.OnVertex(3), new Anchor.OnVertex(7)));
    made(slanted, diagonal, true, 0);
    assertThat(volume(slanted)).isCloseTo(1, within(1e-12));
    assertThat(isClosed(slanted)).isTrue();
    assertThat(euler(slanted)).isEqualTo(2);
    assertThat(refused(cube(), new MirrorBy.AlongEdges(List.of(0)), true)).contains("one line");
  }

  /** All stays sound, the halves are even, and undo is exact. */
  @Test
  void manyPlanes_keepTheLaws() {
    SplittableRandom random = new SplittableRandom(26);
    int done = 0;
    for (int round = 0; round < 120; round++) {
      Mesh mesh =
          switch (round % 3) {
            case 0 -> HarbourProps.fairleadBlock();
            case 1 -> HarbourProps.capstan();
            default -> lBlock();
          };
      byte[] before = MeshBytes.write(mesh);
      Axis axis = Axis.values()[random.nextInt(3)];
      Vec3 middle = mesh.bounds().centre();
      double offset =
          middle.along(axis.ordinal())
              + random.nextDouble(-0.2, 0.2) * mesh.bounds().diagonal() * random.nextInt(2);
      Workpiece workpiece = new Workpiece(mesh, Tolerance.of(mesh.bounds()));
      Outcome outcome =
          workpiece.apply(
              new Forming.MirrorChange(
                  new MirrorBy.AtOffset(axis, offset), random.nextBoolean(), 0));
      assertThat(MeshCheck.faults(mesh)).isEmpty();
      if (outcome instanceof Outcome.Made) {
        done++;
        Vec3 centre = mesh.bounds().centre();
        assertThat(centre.along(axis.ordinal()))
            .isCloseTo(offset, within(1e-12 * mesh.bounds().diagonal()));
        workpiece.undo();
      }
      assertThat(MeshBytes.write(mesh)).isEqualTo(before);
    }
    assertThat(done).isGreaterThan(60);
  }
}
